<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** What writing questions on their screen needs. */
final class Version20261123175010 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Media, pages, remarks, presence, wavings; settings of a bank; questions that are not whole yet';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE medium (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, name VARCHAR(120) NOT NULL, hash VARCHAR(64) NOT NULL, type VARCHAR(40) NOT NULL, bytes INTEGER NOT NULL, width INTEGER DEFAULT NULL, height INTEGER DEFAULT NULL, bank_id INTEGER NOT NULL, CONSTRAINT FK_C67345B711C8FB41 FOREIGN KEY (bank_id) REFERENCES bank (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_C67345B711C8FB41 ON medium (bank_id)');
        $this->addSql('CREATE INDEX medium_hash ON medium (hash)');
        $this->addSql('CREATE UNIQUE INDEX medium_name ON medium (bank_id, name)');
        $this->addSql('CREATE TABLE page (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, version INTEGER NOT NULL, name VARCHAR(80) NOT NULL, heading VARCHAR(200) DEFAULT NULL, reads CLOB NOT NULL, saved_at DATETIME NOT NULL, author_id INTEGER NOT NULL, bank_id INTEGER NOT NULL, batch_id INTEGER DEFAULT NULL, CONSTRAINT FK_140AB620F675F31B FOREIGN KEY (author_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_140AB62011C8FB41 FOREIGN KEY (bank_id) REFERENCES bank (id) NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_140AB620F39EBE7A FOREIGN KEY (batch_id) REFERENCES batch (id) ON DELETE SET NULL NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_140AB620F675F31B ON page (author_id)');
        $this->addSql('CREATE INDEX IDX_140AB62011C8FB41 ON page (bank_id)');
        $this->addSql('CREATE INDEX IDX_140AB620F39EBE7A ON page (batch_id)');
        $this->addSql('CREATE UNIQUE INDEX page_name ON page (bank_id, name)');
        $this->addSql('CREATE TABLE presence (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, seen_at DATETIME NOT NULL, question_id INTEGER NOT NULL, account_id INTEGER NOT NULL, CONSTRAINT FK_6977C7A51E27F6BF FOREIGN KEY (question_id) REFERENCES question (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_6977C7A59B6B5FBA FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_6977C7A51E27F6BF ON presence (question_id)');
        $this->addSql('CREATE INDEX IDX_6977C7A59B6B5FBA ON presence (account_id)');
        $this->addSql('CREATE UNIQUE INDEX presence_once ON presence (question_id, account_id)');
        $this->addSql('CREATE TABLE remark (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, answers CLOB NOT NULL, closed_at DATETIME DEFAULT NULL, line VARCHAR(40) NOT NULL, text CLOB NOT NULL, made_at DATETIME NOT NULL, closed_by_id INTEGER DEFAULT NULL, question_id INTEGER NOT NULL, author_id INTEGER NOT NULL, CONSTRAINT FK_E1CAD839E1FA7797 FOREIGN KEY (closed_by_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_E1CAD8391E27F6BF FOREIGN KEY (question_id) REFERENCES question (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_E1CAD839F675F31B FOREIGN KEY (author_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_E1CAD839E1FA7797 ON remark (closed_by_id)');
        $this->addSql('CREATE INDEX IDX_E1CAD8391E27F6BF ON remark (question_id)');
        $this->addSql('CREATE INDEX IDX_E1CAD839F675F31B ON remark (author_id)');
        $this->addSql('CREATE TABLE waving (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, rule VARCHAR(40) NOT NULL, line VARCHAR(40) NOT NULL, message VARCHAR(300) NOT NULL, reason VARCHAR(300) NOT NULL, made_at DATETIME NOT NULL, question_id INTEGER NOT NULL, account_id INTEGER NOT NULL, CONSTRAINT FK_224D7F1A1E27F6BF FOREIGN KEY (question_id) REFERENCES question (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_224D7F1A9B6B5FBA FOREIGN KEY (account_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_224D7F1A1E27F6BF ON waving (question_id)');
        $this->addSql('CREATE INDEX IDX_224D7F1A9B6B5FBA ON waving (account_id)');
        $this->addSql('CREATE UNIQUE INDEX waving_once ON waving (question_id, rule, line, message)');
        $this->addSql('ALTER TABLE bank ADD COLUMN settings CLOB DEFAULT \'{}\' NOT NULL');
        $this->addSql('ALTER TABLE bank ADD COLUMN version INTEGER DEFAULT 1 NOT NULL');
        $this->addSql('ALTER TABLE edition ADD COLUMN bank_settings CLOB DEFAULT \'{}\' NOT NULL');
        $this->addSql('ALTER TABLE question ADD COLUMN is_pattern BOOLEAN DEFAULT 0 NOT NULL');
        $this->addSql('ALTER TABLE question ADD COLUMN self_note CLOB DEFAULT \'\' NOT NULL');
        $this->addSql('ALTER TABLE revision ADD COLUMN problem CLOB DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE medium');
        $this->addSql('DROP TABLE page');
        $this->addSql('DROP TABLE presence');
        $this->addSql('DROP TABLE remark');
        $this->addSql('DROP TABLE waving');
        $this->addSql('CREATE TEMPORARY TABLE __temp__bank AS SELECT id, name FROM bank');
        $this->addSql('DROP TABLE bank');
        $this->addSql('CREATE TABLE bank (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, name VARCHAR(160) NOT NULL)');
        $this->addSql('INSERT INTO bank (id, name) SELECT id, name FROM __temp__bank');
        $this->addSql('DROP TABLE __temp__bank');
        $this->addSql('CREATE TEMPORARY TABLE __temp__edition AS SELECT id, title, "plan", rules, number, revision_ids, frozen_at, blueprint_id, frozen_by_id FROM edition');
        $this->addSql('DROP TABLE edition');
        $this->addSql('CREATE TABLE edition (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, title VARCHAR(160) NOT NULL, "plan" CLOB NOT NULL, rules CLOB NOT NULL, number INTEGER NOT NULL, revision_ids CLOB NOT NULL, frozen_at DATETIME NOT NULL, blueprint_id INTEGER NOT NULL, frozen_by_id INTEGER NOT NULL, CONSTRAINT FK_A891181F40E556F5 FOREIGN KEY (blueprint_id) REFERENCES blueprint (id) NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_A891181F8D0A065F FOREIGN KEY (frozen_by_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('INSERT INTO edition (id, title, "plan", rules, number, revision_ids, frozen_at, blueprint_id, frozen_by_id) SELECT id, title, "plan", rules, number, revision_ids, frozen_at, blueprint_id, frozen_by_id FROM __temp__edition');
        $this->addSql('DROP TABLE __temp__edition');
        $this->addSql('CREATE INDEX IDX_A891181F40E556F5 ON edition (blueprint_id)');
        $this->addSql('CREATE INDEX IDX_A891181F8D0A065F ON edition (frozen_by_id)');
        $this->addSql('CREATE UNIQUE INDEX edition_number ON edition (blueprint_id, number)');
        $this->addSql('CREATE TEMPORARY TABLE __temp__question AS SELECT id, name, kind, status, excerpt, version, newest_id, cleared_id, bank_id, objective_id, batch_id FROM question');
        $this->addSql('DROP TABLE question');
        $this->addSql('CREATE TABLE question (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, name VARCHAR(80) DEFAULT NULL, kind VARCHAR(20) NOT NULL, status VARCHAR(20) NOT NULL, excerpt VARCHAR(200) NOT NULL, version INTEGER NOT NULL, newest_id INTEGER DEFAULT NULL, cleared_id INTEGER DEFAULT NULL, bank_id INTEGER NOT NULL, objective_id INTEGER DEFAULT NULL, batch_id INTEGER DEFAULT NULL, CONSTRAINT FK_B6F7494E587A21FD FOREIGN KEY (newest_id) REFERENCES revision (id) ON DELETE SET NULL NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_B6F7494EECBB64BA FOREIGN KEY (cleared_id) REFERENCES revision (id) ON DELETE SET NULL NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_B6F7494E11C8FB41 FOREIGN KEY (bank_id) REFERENCES bank (id) NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_B6F7494E73484933 FOREIGN KEY (objective_id) REFERENCES objective (id) ON DELETE SET NULL NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_B6F7494EF39EBE7A FOREIGN KEY (batch_id) REFERENCES batch (id) ON DELETE SET NULL NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('INSERT INTO question (id, name, kind, status, excerpt, version, newest_id, cleared_id, bank_id, objective_id, batch_id) SELECT id, name, kind, status, excerpt, version, newest_id, cleared_id, bank_id, objective_id, batch_id FROM __temp__question');
        $this->addSql('DROP TABLE __temp__question');
        $this->addSql('CREATE INDEX IDX_B6F7494E587A21FD ON question (newest_id)');
        $this->addSql('CREATE INDEX IDX_B6F7494EECBB64BA ON question (cleared_id)');
        $this->addSql('CREATE INDEX IDX_B6F7494E11C8FB41 ON question (bank_id)');
        $this->addSql('CREATE INDEX IDX_B6F7494E73484933 ON question (objective_id)');
        $this->addSql('CREATE INDEX IDX_B6F7494EF39EBE7A ON question (batch_id)');
        $this->addSql('CREATE INDEX question_board ON question (bank_id, objective_id, kind, status)');
        $this->addSql('CREATE TEMPORARY TABLE __temp__revision AS SELECT id, content, worth, counts_points, objective_path, was_cleared, saved_at, number, question_id, author_id FROM revision');
        $this->addSql('DROP TABLE revision');
        $this->addSql('CREATE TABLE revision (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, content CLOB NOT NULL, worth VARCHAR(20) NOT NULL, counts_points BOOLEAN NOT NULL, objective_path VARCHAR(500) DEFAULT NULL, was_cleared BOOLEAN NOT NULL, saved_at DATETIME NOT NULL, number INTEGER NOT NULL, question_id INTEGER NOT NULL, author_id INTEGER NOT NULL, CONSTRAINT FK_6D6315CC1E27F6BF FOREIGN KEY (question_id) REFERENCES question (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_6D6315CCF675F31B FOREIGN KEY (author_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('INSERT INTO revision (id, content, worth, counts_points, objective_path, was_cleared, saved_at, number, question_id, author_id) SELECT id, content, worth, counts_points, objective_path, was_cleared, saved_at, number, question_id, author_id FROM __temp__revision');
        $this->addSql('DROP TABLE __temp__revision');
        $this->addSql('CREATE INDEX IDX_6D6315CC1E27F6BF ON revision (question_id)');
        $this->addSql('CREATE INDEX IDX_6D6315CCF675F31B ON revision (author_id)');
        $this->addSql('CREATE UNIQUE INDEX revision_number ON revision (question_id, number)');
    }
}
