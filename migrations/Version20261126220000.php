<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126220000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Rehearsals have a time of their own, which can be wound on and stopped';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE sitting ADD COLUMN rehearsal_ahead INTEGER DEFAULT 0 NOT NULL');
        $this->addSql('ALTER TABLE sitting ADD COLUMN rehearsal_stopped INTEGER DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
