<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261202140000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Marks tell the hints that were open: sittings in which one was opened are replayed from their events by zetema:refresh --missing';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("UPDATE sitting SET state = NULL WHERE id IN (SELECT sitting_id FROM sitting_event WHERE kind = 'hint opened')");
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
