<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126120000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Columns of tables, kept by name';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE table_mapping (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, headings CLOB NOT NULL, mapping CLOB NOT NULL, name VARCHAR(80) NOT NULL, account_id INTEGER NOT NULL, CONSTRAINT FK_4BD56D859B6B5FBA FOREIGN KEY (account_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_4BD56D859B6B5FBA ON table_mapping (account_id)');
        $this->addSql('CREATE UNIQUE INDEX UNIQ_4BD56D855E237E06 ON table_mapping (name)');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
