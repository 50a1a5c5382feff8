<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Columns and rows for what lists, boards, draws and searches ask for. What follows from texts is filled in by zetema:refresh. */
final class Version20261125150000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Storage for large banks: facts of questions in columns, tags and what editions hold in tables, search index, notes, jobs';
    }

    public function up(Schema $schema): void
    {
        // Versions begin at 1 by themselves.
        foreach (['question', 'page', 'blueprint'] as $table) {
            $this->addSql("ALTER TABLE $table ADD COLUMN raised INTEGER DEFAULT 1 NOT NULL");
            $this->addSql("UPDATE $table SET raised = version");
            $this->addSql("ALTER TABLE $table DROP COLUMN version");
            $this->addSql("ALTER TABLE $table RENAME COLUMN raised TO version");
        }
        $this->addSql('ALTER TABLE objective ADD COLUMN place INTEGER DEFAULT 0 NOT NULL');
        $this->addSql('UPDATE objective SET place = position');
        $this->addSql('CREATE INDEX objective_place ON objective (bank_id, place)');

        foreach (['bank_id INTEGER DEFAULT NULL REFERENCES bank (id) NOT DEFERRABLE INITIALLY IMMEDIATE', "kind VARCHAR(20) DEFAULT '' NOT NULL", 'difficulty VARCHAR(20) DEFAULT NULL', 'key_place SMALLINT DEFAULT NULL', 'is_dealt BOOLEAN DEFAULT 0 NOT NULL'] as $column) {
            $this->addSql('ALTER TABLE revision ADD COLUMN ' . $column);
        }
        $this->addSql("UPDATE revision SET bank_id = (SELECT bank_id FROM question q WHERE q.id = question_id), kind = json_extract(content, '$.kind'),
            difficulty = CASE WHEN problem IS NULL THEN json_extract(content, '$.difficulty') END, is_dealt = EXISTS (SELECT 1 FROM question q WHERE q.cleared_id = revision.id)");
        $this->addSql('CREATE INDEX IDX_6D6315CC11C8FB41 ON revision (bank_id)');
        $this->addSql('CREATE INDEX revision_dealt ON revision (bank_id, is_dealt, objective_path, kind, difficulty, worth, question_id)');
        $this->addSql('CREATE TABLE revision_tag (tag VARCHAR(80) NOT NULL, revision_id INTEGER NOT NULL, PRIMARY KEY (revision_id, tag), CONSTRAINT FK_4CFC7E231DFA7C8F FOREIGN KEY (revision_id) REFERENCES revision (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_1547BBDD1DFA7C8F ON revision_tag (revision_id)');
        $this->addSql('CREATE INDEX revision_tag_tag ON revision_tag (tag, revision_id)');
        $this->addSql("INSERT OR IGNORE INTO revision_tag (tag, revision_id) SELECT t.value, r.id FROM revision r, json_each(r.content, '$.tags') t WHERE r.problem IS NULL AND t.type = 'text'");

        foreach (["stem_key VARCHAR(200) DEFAULT '' NOT NULL", "worth VARCHAR(20) DEFAULT '0' NOT NULL", 'micro_points BIGINT DEFAULT 0 NOT NULL', 'revision_number INTEGER DEFAULT 1 NOT NULL', 'is_unfinished BOOLEAN DEFAULT 0 NOT NULL', 'dealt_elsewhere BOOLEAN DEFAULT 0 NOT NULL'] as $column) {
            $this->addSql('ALTER TABLE question ADD COLUMN ' . $column);
        }
        $this->addSql('UPDATE question SET (worth, revision_number, is_unfinished) = (SELECT r.worth, r.number, r.problem IS NOT NULL FROM revision r WHERE r.id = newest_id)');
        $this->addSql('UPDATE question SET dealt_elsewhere = 1 WHERE EXISTS (SELECT 1 FROM revision r LEFT JOIN objective o ON o.id = question.objective_id WHERE r.id = question.cleared_id AND (r.objective_path IS NOT o.path OR r.kind <> question.kind))');
        // Names are kept apart by the database from now on; two that were made at the same moment get a number.
        $this->addSql("UPDATE question SET name = substr(name, 1, 60) || ' ' || id WHERE name IS NOT NULL AND id NOT IN (SELECT MIN(id) FROM question WHERE name IS NOT NULL GROUP BY bank_id, name)");
        $this->addSql('DROP INDEX question_board');
        $this->addSql('CREATE INDEX question_board ON question (bank_id, objective_id, kind)');
        $this->addSql('CREATE UNIQUE INDEX question_name ON question (bank_id, name)');
        foreach (['text' => 'stem_key', 'kind' => 'kind', 'status' => 'status', 'worth' => 'micro_points', 'elsewhere' => 'dealt_elsewhere'] as $index => $column) {
            $this->addSql("CREATE INDEX question_$index ON question (bank_id, $column)");
        }
        $this->addSql('ALTER TABLE question ADD COLUMN intake_version INTEGER DEFAULT NULL');
        $this->addSql('UPDATE question SET intake_version = 1 WHERE batch_id IS NOT NULL');
        $this->addSql('ALTER TABLE remark ADD COLUMN version INTEGER DEFAULT 1 NOT NULL');
        $this->counts();
        $this->addSql('CREATE VIRTUAL TABLE question_search USING fts5(bank, body, tokenize = "unicode61 remove_diacritics 2", prefix = "2 3")');
        $this->addSql('CREATE TABLE proofreading_note (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, rule VARCHAR(40) NOT NULL, line VARCHAR(40) NOT NULL, message VARCHAR(300) NOT NULL, line_id VARCHAR(40) NOT NULL, message_by_ids VARCHAR(300) NOT NULL, bank_id INTEGER NOT NULL, question_id INTEGER NOT NULL, CONSTRAINT FK_9B0F0A2C11C8FB41 FOREIGN KEY (bank_id) REFERENCES bank (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_9B0F0A2C1E27F6BF FOREIGN KEY (question_id) REFERENCES question (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX IDX_144A45B911C8FB41 ON proofreading_note (bank_id)');
        $this->addSql('CREATE INDEX IDX_144A45B91E27F6BF ON proofreading_note (question_id)');
        $this->addSql('CREATE INDEX proofreading_note_bank ON proofreading_note (bank_id, question_id)');

        $this->addSql('CREATE TABLE edition_question (objective_path VARCHAR(500) DEFAULT NULL, kind VARCHAR(20) NOT NULL, difficulty VARCHAR(20) DEFAULT NULL, worth VARCHAR(20) NOT NULL, edition_id INTEGER NOT NULL, revision_id INTEGER NOT NULL, question_id INTEGER NOT NULL, PRIMARY KEY (edition_id, revision_id), CONSTRAINT edition_question_edition FOREIGN KEY (edition_id) REFERENCES edition (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT edition_question_revision FOREIGN KEY (revision_id) REFERENCES revision (id) NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT edition_question_question FOREIGN KEY (question_id) REFERENCES question (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX edition_question_dealt ON edition_question (edition_id, objective_path, kind, difficulty, worth, question_id)');
        $this->addSql('INSERT INTO edition_question (edition_id, revision_id, question_id, objective_path, kind, difficulty, worth)
            SELECT DISTINCT e.id, r.id, r.question_id, r.objective_path, r.kind, r.difficulty, r.worth FROM edition e, json_each(e.revision_ids) held JOIN revision r ON r.id = held.value');
        $this->addSql("ALTER TABLE edition ADD COLUMN holds VARCHAR(64) DEFAULT '' NOT NULL");
        $this->addSql('ALTER TABLE edition DROP COLUMN revision_ids');

        $this->addSql('CREATE TABLE job (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, state VARCHAR(10) NOT NULL, done INTEGER NOT NULL, total INTEGER NOT NULL, stop_asked BOOLEAN NOT NULL, result CLOB DEFAULT NULL, failure CLOB DEFAULT NULL, task VARCHAR(40) NOT NULL, input CLOB NOT NULL, begun_at DATETIME NOT NULL, bank_id INTEGER NOT NULL, account_id INTEGER NOT NULL, CONSTRAINT FK_FBD8E0F89B6B5FBA FOREIGN KEY (account_id) REFERENCES account (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX job_open ON job (bank_id, task, state)');
        $this->addSql('CREATE INDEX IDX_FBD8E0F89B6B5FBA ON job (account_id)');
        $this->addSql('CREATE TABLE messenger_messages (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, body CLOB NOT NULL, headers CLOB NOT NULL, queue_name VARCHAR(190) NOT NULL, created_at DATETIME NOT NULL, available_at DATETIME NOT NULL, delivered_at DATETIME DEFAULT NULL)');
        $this->addSql('CREATE INDEX IDX_75EA56E0FB7336F0E3BD61CE16BA31DBBF396750 ON messenger_messages (queue_name, available_at, delivered_at, id)');
    }

    /** What a board counts, kept by the database itself with every change of a question. */
    private function counts(): void
    {
        $this->addSql('CREATE TABLE question_count (bank_id INTEGER NOT NULL, objective_id INTEGER NOT NULL, kind VARCHAR(20) NOT NULL, status VARCHAR(20) NOT NULL, questions INTEGER NOT NULL, dealt INTEGER NOT NULL, PRIMARY KEY (bank_id, objective_id, kind, status))');
        $this->addSql('INSERT INTO question_count SELECT bank_id, COALESCE(objective_id, 0), kind, status, COUNT(*), SUM(cleared_id IS NOT NULL AND dealt_elsewhere = 0) FROM question GROUP BY 1, 2, 3, 4');
        $in = 'INSERT INTO question_count VALUES (NEW.bank_id, COALESCE(NEW.objective_id, 0), NEW.kind, NEW.status, 1, NEW.cleared_id IS NOT NULL AND NEW.dealt_elsewhere = 0)
            ON CONFLICT (bank_id, objective_id, kind, status) DO UPDATE SET questions = questions + 1, dealt = dealt + excluded.dealt;';
        $out = 'UPDATE question_count SET questions = questions - 1, dealt = dealt - (OLD.cleared_id IS NOT NULL AND OLD.dealt_elsewhere = 0)
            WHERE bank_id = OLD.bank_id AND objective_id = COALESCE(OLD.objective_id, 0) AND kind = OLD.kind AND status = OLD.status;';
        $this->addSql("CREATE TRIGGER question_counted AFTER INSERT ON question BEGIN $in END");
        $this->addSql("CREATE TRIGGER question_uncounted AFTER DELETE ON question BEGIN $out END");
        $this->addSql("CREATE TRIGGER question_recounted AFTER UPDATE OF bank_id, objective_id, kind, status, cleared_id, dealt_elsewhere ON question BEGIN $out $in END");
    }

    /** What SQL alone cannot make: checksums of what editions hold, and ids of lines in place of their places. */
    public function postUp(Schema $schema): void
    {
        $this->conditionsByIds();
        $this->linesByIds();
        foreach ($this->connection->fetchFirstColumn('SELECT id FROM edition') as $edition) {
            $held = $this->connection->fetchFirstColumn('SELECT revision_id FROM edition_question WHERE edition_id = ? ORDER BY revision_id', [$edition]);
            $this->connection->executeStatement('UPDATE edition SET holds = ? WHERE id = ?', [hash('sha256', implode(',', array_map(static fn (mixed $id): string => is_scalar($id) ? (string) $id : '', $held))), $edition]);
        }
    }

    /** Conditions of notes spoke of the number of a choice. */
    private function conditionsByIds(): void
    {
        foreach ($this->connection->fetchAllAssociative("SELECT id, content FROM revision WHERE content LIKE '%\"choice\"%'") as $row) {
            $content = json_decode((string) $row['content'], true);
            foreach ($content['notes'] ?? [] as $n => $note) {
                foreach ($note['when'] ?? [] as $s => $all) {
                    foreach ($all as $c => $condition) {
                        if (isset($condition['choice'])) {
                            $condition['answer'] = $content['choices'][$condition['choice'] - 1]['id'] ?? $condition['choice'];
                            unset($condition['choice']);
                            $content['notes'][$n]['when'][$s][$c] = $condition;
                        }
                    }
                }
            }
            $this->connection->executeStatement('UPDATE revision SET content = ? WHERE id = ?', [json_encode($content, JSON_THROW_ON_ERROR), $row['id']]);
        }
    }

    /** Remarks and notes that were waved off stood at the number of a line. */
    private function linesByIds(): void
    {
        foreach (['remark' => "'' AS message", 'waving' => 'x.message'] as $table => $message) {
            $rows = $this->connection->fetchAllAssociative("SELECT x.id, x.line, $message, r.content FROM $table x JOIN question q ON q.id = x.question_id JOIN revision r ON r.id = q.newest_id");
            foreach ($rows as $row) {
                $content = json_decode((string) $row['content'], true);
                $at = static function (array $m) use ($content): string {
                    $lists = ['answer' => $content['choices'] ?? $content['wordings'] ?? $content['spans'] ?? [], 'pair' => $content['pairs'] ?? [], 'item' => $content['items'] ?? [], 'area' => $content['regions'] ?? [],
                        'label' => $content['labels'] ?? [], 'gap' => array_column($content['gaps'] ?? [], 'part'), 'hint' => $content['hints'] ?? []];

                    return $m[1] . ':' . ($lists[$m[1]][(int) $m[2] - 1]['id'] ?? $m[2]);
                };
                $pattern = '(answer|pair|item|area|label|gap|hint) (\d+)';
                $line = preg_replace_callback("/^$pattern$/D", $at, (string) $row['line']);
                $this->connection->executeStatement("UPDATE $table SET line = ? WHERE id = ?", [$line, $row['id']]);
                if ($table === 'waving') {
                    $this->connection->executeStatement('UPDATE waving SET message = ? WHERE id = ?', [preg_replace_callback("/\b$pattern\b/", $at, (string) $row['message']), $row['id']]);
                }
            }
        }
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('What editions hold has left the lists it was kept in; go back by a backup.');
    }
}
