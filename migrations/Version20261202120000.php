<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use Zetema\App\Delivery\SurveyCount;

final class Version20261202120000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What was given to questions that are not graded is counted when a sitting ends';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE survey_count (edition_id INTEGER NOT NULL, revision_id INTEGER NOT NULL, hash VARCHAR(64) NOT NULL, response CLOB DEFAULT NULL, given INTEGER NOT NULL, first_mark INTEGER NOT NULL, PRIMARY KEY (edition_id, revision_id, hash))');
        $given = $this->connection->fetchAllAssociative('SELECT s.edition_id, m.revision_id, m.response, COUNT(*) AS given, MIN(m.id) AS first_mark FROM sitting s JOIN mark m ON m.sitting_id = s.id AND m.is_graded = 0 AND m.stands = 1 WHERE s.edition_id IS NOT NULL AND s.ended_at IS NOT NULL GROUP BY 1, 2, 3');
        foreach ($given as $row) {
            $this->addSql('INSERT INTO survey_count (edition_id, revision_id, response, given, first_mark, hash) VALUES (?, ?, ?, ?, ?, ?)', [...array_values($row), SurveyCount::hash(is_string($row['response']) ? $row['response'] : null)]);
        }
        $this->addSql('DROP INDEX mark_recorded');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
