<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126010000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Objectives have a code and a description; what is done to a bank is kept and can be undone; beginnings of words are indexed';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE VIRTUAL TABLE question_search_new USING fts5(bank, body, tokenize = "unicode61 remove_diacritics 2", prefix = "2 3 4 5")');
        $this->addSql('INSERT INTO question_search_new (rowid, bank, body) SELECT rowid, bank, body FROM question_search');
        $this->addSql('DROP TABLE question_search');
        $this->addSql('ALTER TABLE question_search_new RENAME TO question_search');
        $this->addSql("ALTER TABLE objective ADD COLUMN code VARCHAR(40) DEFAULT '' NOT NULL");
        $this->addSql("ALTER TABLE objective ADD COLUMN description CLOB DEFAULT '' NOT NULL");
        $this->addSql('ALTER TABLE objective ADD COLUMN is_kept BOOLEAN DEFAULT 0 NOT NULL');
        $this->addSql('CREATE INDEX edition_question_revision ON edition_question (revision_id)');
        $this->addSql('CREATE INDEX mark_revision ON mark (revision_id)');
        $this->addSql('ALTER TABLE bank ADD COLUMN is_put_away BOOLEAN DEFAULT 0 NOT NULL');
        $this->addSql('CREATE TABLE bank_change (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, bank_id INTEGER NOT NULL, account_id INTEGER NOT NULL, undone_by_id INTEGER DEFAULT NULL,
            kind VARCHAR(20) NOT NULL, words CLOB NOT NULL, undo CLOB NOT NULL, at DATETIME NOT NULL, undone_at DATETIME DEFAULT NULL,
            FOREIGN KEY (bank_id) REFERENCES bank (id) NOT DEFERRABLE INITIALLY IMMEDIATE, FOREIGN KEY (account_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE,
            FOREIGN KEY (undone_by_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_6032D15D11C8FB41 ON bank_change (bank_id)');
        $this->addSql('CREATE INDEX IDX_6032D15D9B6B5FBA ON bank_change (account_id)');
        $this->addSql('CREATE INDEX IDX_6032D15D13BADB3A ON bank_change (undone_by_id)');
        $this->addSql('CREATE INDEX bank_change_order ON bank_change (bank_id, id)');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
