<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261125233000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Editions keep their pages as they read when they were frozen';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE edition_page (name VARCHAR(80) NOT NULL, heading VARCHAR(200) DEFAULT NULL, reads CLOB NOT NULL, edition_id INTEGER NOT NULL, PRIMARY KEY (edition_id, name), CONSTRAINT FK_EDITION_PAGE_EDITION FOREIGN KEY (edition_id) REFERENCES edition (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_A43D5D3E74281A5E ON edition_page (edition_id)');
        // Those frozen before showed the pages of their bank as they read today; from now on they keep these.
        $this->addSql('INSERT INTO edition_page (edition_id, name, heading, reads) SELECT e.id, p.name, p.heading, p.reads FROM edition e JOIN blueprint b ON b.id = e.blueprint_id JOIN page p ON p.bank_id = b.bank_id');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
