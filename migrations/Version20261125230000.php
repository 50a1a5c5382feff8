<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261125230000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Events by kind and place, in microseconds; sittings keep their state; marks are rows';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE sitting RENAME COLUMN deadline TO due');
        $this->addSql('ALTER TABLE sitting ADD COLUMN state CLOB DEFAULT NULL');
        $this->addSql('ALTER TABLE sitting ADD COLUMN rehearsed CLOB DEFAULT NULL');
        $this->addSql("UPDATE sitting SET rehearsed = (SELECT json_object('plan', json(plan), 'rules', json(rules)) FROM blueprint WHERE blueprint.id = sitting.blueprint_id) WHERE edition_id IS NULL");
        foreach (['sitting_event_number', 'sitting_event_request'] as $index) {
            $this->addSql('DROP INDEX ' . $index);
        }
        $this->addSql('DROP INDEX IF EXISTS IDX_66FCBA20AD6C7331');
        $this->addSql('ALTER TABLE sitting_event RENAME TO sitting_event_before');
        $this->addSql('CREATE TABLE sitting_event (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, number INTEGER NOT NULL, request VARCHAR(60) NOT NULL, kind VARCHAR(20) NOT NULL, at BIGINT NOT NULL, place VARCHAR(200) DEFAULT NULL, data CLOB DEFAULT NULL, sitting_id INTEGER NOT NULL, CONSTRAINT FK_SITTING_EVENT_SITTING FOREIGN KEY (sitting_id) REFERENCES sitting (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE)');
        // The places of the first forms are called by their numbers; the only clock there was is that of the whole.
        $this->addSql("INSERT INTO sitting_event (id, sitting_id, number, request, kind, at, place, data)
            SELECT id, sitting_id, number, request, CASE type WHEN 'unflagged' THEN 'flagged' ELSE type END, at * 1000, CAST(sheet AS TEXT),
                CASE WHEN type IN ('saved', 'checked') THEN json_object('v', 1, 'response', json(COALESCE(response, 'null')))
                     WHEN type IN ('flagged', 'unflagged') THEN json_object('v', 1, 'on', json(CASE type WHEN 'flagged' THEN 'true' ELSE 'false' END))
                     WHEN type = 'ran out' THEN json_object('v', 1, 'clock', 'whole', 'name', '') END
            FROM sitting_event_before");
        $this->addSql('DROP TABLE sitting_event_before');
        $this->addSql('CREATE UNIQUE INDEX sitting_event_number ON sitting_event (sitting_id, number)');
        $this->addSql('CREATE UNIQUE INDEX sitting_event_request ON sitting_event (sitting_id, request)');
        $this->addSql('CREATE TABLE mark (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, place VARCHAR(200) NOT NULL, round SMALLINT NOT NULL, attempt SMALLINT NOT NULL, plan VARCHAR(16) NOT NULL, outcome VARCHAR(20) NOT NULL, earned VARCHAR(20) NOT NULL, max VARCHAR(20) NOT NULL, working CLOB NOT NULL, reason VARCHAR(20) NOT NULL, at BIGINT NOT NULL, stands BOOLEAN NOT NULL, sitting_id INTEGER NOT NULL, revision_id INTEGER NOT NULL, by_id INTEGER DEFAULT NULL, FOREIGN KEY (sitting_id) REFERENCES sitting (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE, FOREIGN KEY (revision_id) REFERENCES revision (id) NOT DEFERRABLE INITIALLY IMMEDIATE, FOREIGN KEY (by_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX mark_of ON mark (sitting_id, place, stands)');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
