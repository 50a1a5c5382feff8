<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126110000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The intake a blueprint came in with';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE blueprint ADD COLUMN batch_id INTEGER DEFAULT NULL REFERENCES batch (id) NOT DEFERRABLE INITIALLY IMMEDIATE');
        $this->addSql('CREATE INDEX IDX_2645E266F39EBE7A ON blueprint (batch_id)');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
