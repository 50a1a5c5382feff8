<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261202130000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Lists show formulas and raised signs in plain characters: questions that have some are gone through by zetema:refresh --missing';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("UPDATE question SET stem_key = '' WHERE newest_id IN (SELECT id FROM revision WHERE content LIKE '%$%' OR content LIKE '%^%' OR content LIKE '%~%' OR content LIKE '%](%')");
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
