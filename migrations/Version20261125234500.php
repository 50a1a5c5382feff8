<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261125234500 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Blueprints and editions can be whole documents';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE blueprint ADD COLUMN document CLOB DEFAULT NULL');
        $this->addSql('ALTER TABLE edition ADD COLUMN document CLOB DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
