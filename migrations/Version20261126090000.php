<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What a bank says after an outcome, by kind';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE bank ADD COLUMN kind_wording CLOB DEFAULT '{}' NOT NULL");
        $this->addSql("ALTER TABLE edition ADD COLUMN bank_kind_wording CLOB DEFAULT '{}' NOT NULL");
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
