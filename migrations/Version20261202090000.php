<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261202090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Intakes and changes of settings stand in the history; what is said of an objective has a version';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE objective ADD COLUMN version INTEGER DEFAULT 1 NOT NULL');
        $this->addSql('ALTER TABLE sitting ADD COLUMN seen CLOB DEFAULT NULL');
        $this->addSql('CREATE INDEX sitting_marked ON sitting (edition_id, percent, passed, ended_at)');
        $this->addSql('CREATE INDEX sitting_began ON sitting (edition_id, started_at, ended_at, due, passed, account_id)');
        $this->addSql('ALTER TABLE batch ADD COLUMN entry_id INTEGER DEFAULT NULL CONSTRAINT batch_entry REFERENCES bank_change (id) ON DELETE SET NULL NOT DEFERRABLE INITIALLY IMMEDIATE');
        $this->addSql('CREATE INDEX IDX_F80B52D4BA364942 ON batch (entry_id)');
        // Those from before are listed too, with their own day.
        $this->addSql("INSERT INTO bank_change (bank_id, account_id, kind, words, undo, at, undone_at, is_at_work) SELECT bank_id, account_id, 'intake', 'took in “' || name || '”' || CASE questions WHEN 0 THEN '' WHEN 1 THEN ': one question' ELSE ': ' || questions || ' questions' END, json_object('batch', id), taken_in_at, taken_back_at, 0 FROM batch ORDER BY id");
        $this->addSql("UPDATE batch SET entry_id = (SELECT c.id FROM bank_change c WHERE c.kind = 'intake' AND json_extract(c.undo, '$.batch') = batch.id)");
        $this->addSql('CREATE TABLE house_change (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, kept CLOB NOT NULL, undone_at DATETIME DEFAULT NULL, at DATETIME NOT NULL, undone_by_id INTEGER DEFAULT NULL, account_id INTEGER NOT NULL, CONSTRAINT FK_F3EA67A913BADB3A FOREIGN KEY (undone_by_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_F3EA67A99B6B5FBA FOREIGN KEY (account_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_F3EA67A913BADB3A ON house_change (undone_by_id)');
        $this->addSql('CREATE INDEX IDX_F3EA67A99B6B5FBA ON house_change (account_id)');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
