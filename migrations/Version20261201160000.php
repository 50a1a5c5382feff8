<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261201160000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Lists of results read columns and an index instead of whole sittings; names are folded once; what was given to questions that are not graded stands at their marks';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE sitting ADD COLUMN answered INTEGER DEFAULT 0 NOT NULL');
        $this->addSql('ALTER TABLE sitting ADD COLUMN last_sign BIGINT DEFAULT NULL');
        $this->addSql("UPDATE sitting SET answered = (SELECT COUNT(*) FROM json_each(sitting.state, '$.visits') v WHERE v.value ->> '$.saved' IS NOT NULL OR v.value ->> '$.rounds' IS NOT NULL), last_sign = (SELECT MAX(e.at) / 1000 FROM sitting_event e WHERE e.sitting_id = sitting.id AND e.request NOT LIKE ':%')");
        $this->addSql('CREATE INDEX sitting_listed ON sitting (edition_id, ended_at, due, started_at, passed, percent, earned, account_id)');
        $this->addSql('ALTER TABLE mark ADD COLUMN is_graded BOOLEAN DEFAULT 1 NOT NULL');
        $this->addSql('ALTER TABLE mark ADD COLUMN response CLOB DEFAULT NULL');
        $this->addSql("UPDATE mark SET is_graded = 0 WHERE outcome = 'recorded' OR (outcome = 'unanswered' AND max = '0')");
        $this->addSql("UPDATE mark SET response = (SELECT a.value ->> '$.response' FROM sitting s, json_each(s.state, '$.visits') v, json_each(v.value, '$.rounds') r, json_each(r.value) a WHERE s.id = mark.sitting_id AND v.value ->> '$.place' = mark.place AND a.value ->> '$.round' = mark.round AND a.value ->> '$.attempt' = mark.attempt) WHERE outcome = 'recorded'");
        $this->addSql('CREATE INDEX mark_recorded ON mark (is_graded, sitting_id, stands, revision_id, response)');
        $this->addSql('ALTER TABLE slowed_log_in ADD COLUMN has_logged_in BOOLEAN DEFAULT 0 NOT NULL');
        $this->addSql("ALTER TABLE account ADD COLUMN folded VARCHAR(200) DEFAULT '' NOT NULL");
        $this->addSql("UPDATE account SET folded = folded(name || ' ' || login)");
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
