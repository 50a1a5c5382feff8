<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126200000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Questions that never meet in a form, kept by the bank; an edition keeps those of its own';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE kept_apart (first_id INTEGER NOT NULL, second_id INTEGER NOT NULL, PRIMARY KEY (first_id, second_id), CONSTRAINT FK_APART_FIRST FOREIGN KEY (first_id) REFERENCES question (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_APART_SECOND FOREIGN KEY (second_id) REFERENCES question (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql("ALTER TABLE edition ADD COLUMN apart CLOB DEFAULT '[]' NOT NULL");
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
