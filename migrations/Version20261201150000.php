<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261201150000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Jobs say how far they have come and give signs of life; a change of many keeps how questions were in rows; banks are in no list before they are whole';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE job ADD COLUMN at CLOB DEFAULT '{}' NOT NULL");
        $this->addSql('ALTER TABLE job ADD COLUMN beat_at INTEGER DEFAULT 0 NOT NULL');
        $this->addSql('ALTER TABLE job ADD COLUMN try INTEGER DEFAULT 0 NOT NULL');
        $this->addSql("UPDATE job SET state = 'failed', failure = 'It was left half-way.', input = '{}' WHERE state IN ('waiting', 'running')");
        $this->addSql('ALTER TABLE bank ADD COLUMN is_unfinished BOOLEAN DEFAULT 0 NOT NULL');
        $this->addSql('ALTER TABLE bank_change ADD COLUMN is_at_work BOOLEAN DEFAULT 0 NOT NULL');
        $this->addSql('CREATE TABLE changed_question (change_id INTEGER NOT NULL, question_id INTEGER NOT NULL, version INTEGER NOT NULL, revision_id INTEGER NOT NULL, status VARCHAR(20) NOT NULL, objective_id INTEGER DEFAULT NULL, cleared_id INTEGER DEFAULT NULL, place INTEGER NOT NULL, PRIMARY KEY(change_id, question_id), CONSTRAINT FK_4F394082213C8BF4 FOREIGN KEY (change_id) REFERENCES bank_change (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_4F3940821E27F6BF FOREIGN KEY (question_id) REFERENCES question (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_4F394082213C8BF4 ON changed_question (change_id)');
        $this->addSql('CREATE INDEX IDX_4F3940821E27F6BF ON changed_question (question_id)');
        $this->addSql("INSERT OR IGNORE INTO changed_question (change_id, question_id, version, revision_id, status, objective_id, cleared_id, place)
            SELECT c.id, json_extract(u.value, '$[0]'), json_extract(u.value, '$[1]'), json_extract(u.value, '$[2]'), json_extract(u.value, '$[3]'), json_extract(u.value, '$[4]'), json_extract(u.value, '$[5]'), COALESCE(json_extract(u.value, '$[6]'), 0)
            FROM bank_change c, json_each(c.undo, '$.questions') u WHERE c.kind = 'questions' AND c.undone_at IS NULL AND EXISTS (SELECT 1 FROM question q WHERE q.id = json_extract(u.value, '$[0]'))");
        $this->addSql("UPDATE bank_change SET undo = '{}' WHERE kind = 'questions'");
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
