<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * Auto-generated Migration: Please modify to your needs!
 */
final class Version20261123152409 extends AbstractMigration
{
    public function getDescription(): string
    {
        return '';
    }

    public function up(Schema $schema): void
    {
        // this up() migration is auto-generated, please modify it to your needs
        $this->addSql('CREATE TABLE account (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, password_hash VARCHAR(255) NOT NULL, login VARCHAR(60) NOT NULL, name VARCHAR(120) NOT NULL, role VARCHAR(20) NOT NULL)');
        $this->addSql('CREATE UNIQUE INDEX UNIQ_7D3656A4AA08CB10 ON account (login)');
        $this->addSql('CREATE TABLE bank (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, name VARCHAR(160) NOT NULL)');
        $this->addSql('CREATE TABLE batch (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, taken_back_at DATETIME DEFAULT NULL, name VARCHAR(160) NOT NULL, questions INTEGER NOT NULL, taken_in_at DATETIME NOT NULL, bank_id INTEGER NOT NULL, account_id INTEGER NOT NULL, CONSTRAINT FK_F80B52D411C8FB41 FOREIGN KEY (bank_id) REFERENCES bank (id) NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_F80B52D49B6B5FBA FOREIGN KEY (account_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_F80B52D411C8FB41 ON batch (bank_id)');
        $this->addSql('CREATE INDEX IDX_F80B52D49B6B5FBA ON batch (account_id)');
        $this->addSql('CREATE TABLE blueprint (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, title VARCHAR(160) NOT NULL, "plan" CLOB NOT NULL, rules CLOB NOT NULL, version INTEGER NOT NULL, bank_id INTEGER NOT NULL, CONSTRAINT FK_2645E26611C8FB41 FOREIGN KEY (bank_id) REFERENCES bank (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_2645E26611C8FB41 ON blueprint (bank_id)');
        $this->addSql('CREATE TABLE edition (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, title VARCHAR(160) NOT NULL, "plan" CLOB NOT NULL, rules CLOB NOT NULL, number INTEGER NOT NULL, revision_ids CLOB NOT NULL, frozen_at DATETIME NOT NULL, blueprint_id INTEGER NOT NULL, frozen_by_id INTEGER NOT NULL, CONSTRAINT FK_A891181F40E556F5 FOREIGN KEY (blueprint_id) REFERENCES blueprint (id) NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_A891181F8D0A065F FOREIGN KEY (frozen_by_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_A891181F40E556F5 ON edition (blueprint_id)');
        $this->addSql('CREATE INDEX IDX_A891181F8D0A065F ON edition (frozen_by_id)');
        $this->addSql('CREATE UNIQUE INDEX edition_number ON edition (blueprint_id, number)');
        $this->addSql('CREATE TABLE objective (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, path VARCHAR(500) NOT NULL, name VARCHAR(160) NOT NULL, position INTEGER NOT NULL, bank_id INTEGER NOT NULL, parent_id INTEGER DEFAULT NULL, batch_id INTEGER DEFAULT NULL, CONSTRAINT FK_B996F10111C8FB41 FOREIGN KEY (bank_id) REFERENCES bank (id) NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_B996F101727ACA70 FOREIGN KEY (parent_id) REFERENCES objective (id) NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_B996F101F39EBE7A FOREIGN KEY (batch_id) REFERENCES batch (id) ON DELETE SET NULL NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_B996F10111C8FB41 ON objective (bank_id)');
        $this->addSql('CREATE INDEX IDX_B996F101727ACA70 ON objective (parent_id)');
        $this->addSql('CREATE INDEX IDX_B996F101F39EBE7A ON objective (batch_id)');
        $this->addSql('CREATE UNIQUE INDEX objective_path ON objective (bank_id, path)');
        $this->addSql('CREATE TABLE question (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, name VARCHAR(80) DEFAULT NULL, kind VARCHAR(20) NOT NULL, status VARCHAR(20) NOT NULL, excerpt VARCHAR(200) NOT NULL, version INTEGER NOT NULL, newest_id INTEGER DEFAULT NULL, cleared_id INTEGER DEFAULT NULL, bank_id INTEGER NOT NULL, objective_id INTEGER DEFAULT NULL, batch_id INTEGER DEFAULT NULL, CONSTRAINT FK_B6F7494E587A21FD FOREIGN KEY (newest_id) REFERENCES revision (id) ON DELETE SET NULL NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_B6F7494EECBB64BA FOREIGN KEY (cleared_id) REFERENCES revision (id) ON DELETE SET NULL NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_B6F7494E11C8FB41 FOREIGN KEY (bank_id) REFERENCES bank (id) NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_B6F7494E73484933 FOREIGN KEY (objective_id) REFERENCES objective (id) ON DELETE SET NULL NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_B6F7494EF39EBE7A FOREIGN KEY (batch_id) REFERENCES batch (id) ON DELETE SET NULL NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_B6F7494E587A21FD ON question (newest_id)');
        $this->addSql('CREATE INDEX IDX_B6F7494EECBB64BA ON question (cleared_id)');
        $this->addSql('CREATE INDEX IDX_B6F7494E11C8FB41 ON question (bank_id)');
        $this->addSql('CREATE INDEX IDX_B6F7494E73484933 ON question (objective_id)');
        $this->addSql('CREATE INDEX IDX_B6F7494EF39EBE7A ON question (batch_id)');
        $this->addSql('CREATE INDEX question_board ON question (bank_id, objective_id, kind, status)');
        $this->addSql('CREATE TABLE revision (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, content CLOB NOT NULL, worth VARCHAR(20) NOT NULL, counts_points BOOLEAN NOT NULL, objective_path VARCHAR(500) DEFAULT NULL, was_cleared BOOLEAN NOT NULL, saved_at DATETIME NOT NULL, number INTEGER NOT NULL, question_id INTEGER NOT NULL, author_id INTEGER NOT NULL, CONSTRAINT FK_6D6315CC1E27F6BF FOREIGN KEY (question_id) REFERENCES question (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_6D6315CCF675F31B FOREIGN KEY (author_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_6D6315CC1E27F6BF ON revision (question_id)');
        $this->addSql('CREATE INDEX IDX_6D6315CCF675F31B ON revision (author_id)');
        $this->addSql('CREATE UNIQUE INDEX revision_number ON revision (question_id, number)');
        $this->addSql('CREATE TABLE sitting (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, started_at BIGINT DEFAULT NULL, deadline BIGINT DEFAULT NULL, ended_at BIGINT DEFAULT NULL, earned VARCHAR(20) DEFAULT NULL, max VARCHAR(20) DEFAULT NULL, percent VARCHAR(20) DEFAULT NULL, passed BOOLEAN DEFAULT NULL, seed BIGINT NOT NULL, form CLOB NOT NULL, account_id INTEGER NOT NULL, blueprint_id INTEGER NOT NULL, edition_id INTEGER DEFAULT NULL, CONSTRAINT FK_E8B678E39B6B5FBA FOREIGN KEY (account_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_E8B678E340E556F5 FOREIGN KEY (blueprint_id) REFERENCES blueprint (id) NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_E8B678E374281A5E FOREIGN KEY (edition_id) REFERENCES edition (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_E8B678E39B6B5FBA ON sitting (account_id)');
        $this->addSql('CREATE INDEX IDX_E8B678E340E556F5 ON sitting (blueprint_id)');
        $this->addSql('CREATE INDEX IDX_E8B678E374281A5E ON sitting (edition_id)');
        $this->addSql('CREATE INDEX sitting_open ON sitting (ended_at, deadline)');
        $this->addSql('CREATE INDEX sitting_candidate ON sitting (account_id, edition_id)');
        $this->addSql('CREATE TABLE sitting_event (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, type VARCHAR(20) NOT NULL, at BIGINT NOT NULL, sheet INTEGER DEFAULT NULL, response CLOB DEFAULT NULL, number INTEGER NOT NULL, request VARCHAR(60) NOT NULL, sitting_id INTEGER NOT NULL, CONSTRAINT FK_770CB4478014E66 FOREIGN KEY (sitting_id) REFERENCES sitting (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_770CB4478014E66 ON sitting_event (sitting_id)');
        $this->addSql('CREATE UNIQUE INDEX sitting_event_number ON sitting_event (sitting_id, number)');
        $this->addSql('CREATE UNIQUE INDEX sitting_event_request ON sitting_event (sitting_id, request)');
    }

    public function down(Schema $schema): void
    {
        // this down() migration is auto-generated, please modify it to your needs
        $this->addSql('DROP TABLE account');
        $this->addSql('DROP TABLE bank');
        $this->addSql('DROP TABLE batch');
        $this->addSql('DROP TABLE blueprint');
        $this->addSql('DROP TABLE edition');
        $this->addSql('DROP TABLE objective');
        $this->addSql('DROP TABLE question');
        $this->addSql('DROP TABLE revision');
        $this->addSql('DROP TABLE sitting');
        $this->addSql('DROP TABLE sitting_event');
    }
}
