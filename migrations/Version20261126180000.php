<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126180000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Who may sit an assessment, groups of people, and blueprints that are put away';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE person_group (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, version INTEGER DEFAULT 1 NOT NULL, members CLOB NOT NULL, name VARCHAR(80) NOT NULL)');
        $this->addSql('CREATE UNIQUE INDEX UNIQ_C1F65B015E237E06 ON person_group (name)');
        $this->addSql('CREATE TABLE admission (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, version INTEGER DEFAULT 1 NOT NULL, is_for_all BOOLEAN NOT NULL, opens_at DATETIME DEFAULT NULL, closes_at DATETIME DEFAULT NULL, code VARCHAR(20) DEFAULT NULL, admitted_groups CLOB NOT NULL, admitted_people CLOB NOT NULL, blueprint_id INTEGER NOT NULL, CONSTRAINT FK_F4BB024A40E556F5 FOREIGN KEY (blueprint_id) REFERENCES blueprint (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE UNIQUE INDEX UNIQ_F4BB024A77153098 ON admission (code)');
        $this->addSql('ALTER TABLE blueprint ADD COLUMN is_put_away BOOLEAN DEFAULT 0 NOT NULL');
        $this->addSql('ALTER TABLE sitting ADD COLUMN extra_time INTEGER DEFAULT 0 NOT NULL');
        $this->addSql('ALTER TABLE sitting ADD COLUMN closes_at BIGINT DEFAULT NULL');
        $this->addSql('CREATE UNIQUE INDEX UNIQ_F4BB024A40E556F5 ON admission (blueprint_id)');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
