<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126060000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'House rules of the organisation; what is said after an outcome and who may clear, for a bank';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE house_rules (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, rules CLOB NOT NULL, version INTEGER DEFAULT 1 NOT NULL)');
        $this->addSql("INSERT INTO house_rules (id, rules) VALUES (1, '{}')");
        $this->addSql("ALTER TABLE bank ADD COLUMN wording CLOB DEFAULT '{}' NOT NULL");
        $this->addSql('ALTER TABLE bank ADD COLUMN clearing VARCHAR(30) DEFAULT NULL');
        $this->addSql("ALTER TABLE bank ADD COLUMN house CLOB DEFAULT '{}' NOT NULL");
        $this->addSql("ALTER TABLE edition ADD COLUMN bank_wording CLOB DEFAULT '{}' NOT NULL");
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
