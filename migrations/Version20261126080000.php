<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126080000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Questions can be put in order within their objective';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE question ADD COLUMN place INTEGER DEFAULT 0 NOT NULL');
        $this->addSql('DROP INDEX question_neighbours');
        $this->addSql('CREATE INDEX question_neighbours ON question (objective_id, bank_id, place)');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
