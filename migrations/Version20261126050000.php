<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126050000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Pools that a bank keeps under a name, and what an edition held of them';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE pool (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, bank_id INTEGER NOT NULL, name VARCHAR(80) NOT NULL, filter CLOB DEFAULT NULL, version INTEGER DEFAULT 1 NOT NULL,
            FOREIGN KEY (bank_id) REFERENCES bank (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_AF91A98611C8FB41 ON pool (bank_id)');
        $this->addSql('CREATE UNIQUE INDEX pool_name ON pool (bank_id, name)');
        $this->addSql('CREATE TABLE pool_question (pool_id INTEGER NOT NULL, question_id INTEGER NOT NULL, PRIMARY KEY (pool_id, question_id),
            FOREIGN KEY (pool_id) REFERENCES pool (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE, FOREIGN KEY (question_id) REFERENCES question (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_998F57FF7B3406DF ON pool_question (pool_id)');
        $this->addSql('CREATE INDEX IDX_998F57FF1E27F6BF ON pool_question (question_id)');
        $this->addSql("ALTER TABLE edition ADD COLUMN pools CLOB DEFAULT '{}' NOT NULL");
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
