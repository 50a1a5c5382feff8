<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126070000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What is dealt is counted by class, as dealing tells questions apart, and kept by triggers';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("CREATE TABLE dealt_count (bank_id INTEGER NOT NULL, objective_path VARCHAR(500) NOT NULL, kind VARCHAR(20) NOT NULL, difficulty VARCHAR(20) NOT NULL, worth VARCHAR(20) NOT NULL, questions INTEGER NOT NULL, PRIMARY KEY (bank_id, objective_path, kind, difficulty, worth))");
        $this->addSql("INSERT INTO dealt_count SELECT bank_id, COALESCE(objective_path, ''), kind, COALESCE(difficulty, ''), worth, COUNT(*) FROM revision WHERE is_dealt = 1 GROUP BY 1, 2, 3, 4, 5");
        $in = "INSERT INTO dealt_count SELECT NEW.bank_id, COALESCE(NEW.objective_path, ''), NEW.kind, COALESCE(NEW.difficulty, ''), NEW.worth, 1 WHERE NEW.is_dealt = 1
            ON CONFLICT (bank_id, objective_path, kind, difficulty, worth) DO UPDATE SET questions = questions + 1;";
        $out = "UPDATE dealt_count SET questions = questions - 1 WHERE OLD.is_dealt = 1 AND bank_id = OLD.bank_id AND objective_path = COALESCE(OLD.objective_path, '')
            AND kind = OLD.kind AND difficulty = COALESCE(OLD.difficulty, '') AND worth = OLD.worth;";
        $this->addSql("CREATE TRIGGER dealt_counted AFTER INSERT ON revision WHEN NEW.is_dealt = 1 BEGIN $in END");
        $this->addSql("CREATE TRIGGER dealt_uncounted AFTER DELETE ON revision WHEN OLD.is_dealt = 1 BEGIN $out END");
        $this->addSql("CREATE TRIGGER dealt_recounted AFTER UPDATE OF bank_id, is_dealt, objective_path, kind, difficulty, worth ON revision WHEN OLD.is_dealt = 1 OR NEW.is_dealt = 1 BEGIN $out $in END");
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
