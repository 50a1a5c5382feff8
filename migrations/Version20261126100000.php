<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126100000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What an intake revised, beside what it brought new';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE batch ADD COLUMN revised INTEGER DEFAULT 0 NOT NULL');
        $this->addSql('ALTER TABLE batch ADD COLUMN change_id INTEGER DEFAULT NULL REFERENCES bank_change (id) NOT DEFERRABLE INITIALLY IMMEDIATE');
        $this->addSql('ALTER TABLE batch ADD COLUMN files INTEGER DEFAULT 1 NOT NULL');
        $this->addSql('CREATE INDEX IDX_F80B52D4213C8BF4 ON batch (change_id)');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
