<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126170000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Editions that are closed';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE edition ADD COLUMN closed_at DATETIME DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
