<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** What was put right after the first trials. Nothing that anybody wrote is changed. */
final class Version20261125113000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Own request ids out of the reach of browsers; withdrawn editions; slowed log-ins; settings of a bank for one kind; empty objectives go';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("UPDATE sitting_event SET request = ':' || request WHERE type IN ('started', 'ran out') AND request NOT LIKE ':%'");
        $this->addSql('ALTER TABLE revision DROP COLUMN counts_points');
        $this->addSql('ALTER TABLE edition ADD COLUMN withdrawn_at DATETIME DEFAULT NULL');
        $this->addSql("ALTER TABLE edition ADD COLUMN bank_kind_settings CLOB DEFAULT '{}' NOT NULL");
        $this->addSql("ALTER TABLE bank ADD COLUMN kind_settings CLOB DEFAULT '{}' NOT NULL");
        $this->addSql('CREATE TABLE slowed_log_in (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, login VARCHAR(60) NOT NULL, address VARCHAR(45) NOT NULL, failures INTEGER NOT NULL, last_at BIGINT NOT NULL)');
        $this->addSql('CREATE UNIQUE INDEX slowed_log_in_once ON slowed_log_in (login, address)');
        // How large a picture is, where the bank knows it and nobody wrote it.
        $this->addSql("UPDATE revision SET content = (SELECT json_set(revision.content, '$.picture.width', m.width, '$.picture.height', m.height) FROM medium m JOIN question q ON q.bank_id = m.bank_id
            WHERE q.id = revision.question_id AND m.name = json_extract(revision.content, '$.picture.file') AND m.width IS NOT NULL)
            WHERE json_extract(content, '$.picture.width') IS NULL AND EXISTS (SELECT 1 FROM medium m JOIN question q ON q.bank_id = m.bank_id
            WHERE q.id = revision.question_id AND m.name = json_extract(revision.content, '$.picture.file') AND m.width IS NOT NULL)");
        // Objectives that were only typed once and hold nothing, as deep as the tree may be.
        for ($depth = 0; $depth < 8; ++$depth) {
            $this->addSql('DELETE FROM objective WHERE id NOT IN (SELECT objective_id FROM question WHERE objective_id IS NOT NULL)
                AND id NOT IN (SELECT parent_id FROM objective WHERE parent_id IS NOT NULL)
                AND NOT EXISTS (SELECT 1 FROM question q JOIN revision r ON r.id = q.cleared_id WHERE q.bank_id = objective.bank_id AND r.objective_path = objective.path)');
        }
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE slowed_log_in');
        $this->addSql('ALTER TABLE bank DROP COLUMN kind_settings');
        $this->addSql('ALTER TABLE edition DROP COLUMN bank_kind_settings');
        $this->addSql('ALTER TABLE edition DROP COLUMN withdrawn_at');
        $this->addSql("ALTER TABLE revision ADD COLUMN counts_points BOOLEAN DEFAULT 1 NOT NULL");
    }
}
