<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126210000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What ended sittings have come to beside their points, for lists of results; what staff did to sittings';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE sitting ADD COLUMN summary CLOB DEFAULT NULL');
        $this->addSql('CREATE TABLE staff_act (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, sitting_number INTEGER NOT NULL, at DATETIME NOT NULL, words VARCHAR(200) NOT NULL, reason VARCHAR(500) NOT NULL, edition_id INTEGER NOT NULL, account_id INTEGER NOT NULL, CONSTRAINT FK_STAFF_EDITION FOREIGN KEY (edition_id) REFERENCES edition (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_STAFF_ACCOUNT FOREIGN KEY (account_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX staff_act_edition ON staff_act (edition_id, id)');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
