<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261125220000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The questions before and after one are found in an index alone';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('DROP INDEX IDX_B6F7494E73484933');
        $this->addSql('CREATE INDEX question_neighbours ON question (objective_id, bank_id)');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
