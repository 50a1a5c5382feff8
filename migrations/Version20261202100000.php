<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261202100000 extends AbstractMigration
{
    private const NOTE = 'w.question_id = n.question_id AND w.rule = n.rule AND w.line = n.line_id AND w.message = n.message_by_ids';

    public function getDescription(): string
    {
        return 'What the proofreader has read and noted is counted with every change, as the board is';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE question ADD COLUMN key_place INTEGER DEFAULT NULL');
        $this->addSql('ALTER TABLE question ADD COLUMN has_notes BOOLEAN DEFAULT 0 NOT NULL');
        $this->addSql('UPDATE question SET key_place = (SELECT r.key_place FROM revision r WHERE r.id = question.newest_id), has_notes = ' . self::noted('question.id'));
        $this->addSql('CREATE INDEX question_noted ON question (bank_id, has_notes)');
        $this->addSql('DROP INDEX question_kind');
        $this->addSql('CREATE INDEX question_keyed ON question (bank_id, kind, key_place)');
        $this->addSql('CREATE INDEX proofreading_note_rule ON proofreading_note (bank_id, rule, question_id)');
        $this->addSql('CREATE INDEX waving_rule ON waving (rule, question_id)');
        $this->addSql('CREATE TABLE read_count (bank_id INTEGER NOT NULL, kind VARCHAR(20) NOT NULL, key_place INTEGER NOT NULL, has_notes BOOLEAN NOT NULL, questions INTEGER NOT NULL, PRIMARY KEY (bank_id, kind, key_place, has_notes))');
        $this->addSql("INSERT INTO read_count SELECT bank_id, kind, COALESCE(key_place, -1), has_notes, COUNT(*) FROM question WHERE is_unfinished = 0 AND status <> 'retired' GROUP BY 1, 2, 3, 4");
        $this->addSql('CREATE TABLE note_count (bank_id INTEGER NOT NULL, rule VARCHAR(40) NOT NULL, notes INTEGER NOT NULL, PRIMARY KEY (bank_id, rule))');
        $this->addSql('INSERT INTO note_count SELECT n.bank_id, n.rule, COUNT(*) FROM proofreading_note n WHERE NOT EXISTS (SELECT 1 FROM waving w WHERE ' . self::NOTE . ') GROUP BY 1, 2');

        $in = 'INSERT INTO read_count VALUES (NEW.bank_id, NEW.kind, COALESCE(NEW.key_place, -1), NEW.has_notes, 1) ON CONFLICT (bank_id, kind, key_place, has_notes) DO UPDATE SET questions = questions + 1;';
        $out = 'UPDATE read_count SET questions = questions - 1 WHERE bank_id = OLD.bank_id AND kind = OLD.kind AND key_place = COALESCE(OLD.key_place, -1) AND has_notes = OLD.has_notes;';
        $isRead = static fn (string $row): string => "$row.is_unfinished = 0 AND $row.status <> 'retired'";
        $changed = 'AFTER UPDATE OF bank_id, kind, status, is_unfinished, key_place, has_notes ON question';
        $this->addSql("CREATE TRIGGER question_read AFTER INSERT ON question WHEN {$isRead('NEW')} BEGIN $in END");
        $this->addSql("CREATE TRIGGER question_read_out $changed WHEN {$isRead('OLD')} BEGIN $out END");
        $this->addSql("CREATE TRIGGER question_read_in $changed WHEN {$isRead('NEW')} BEGIN $in END");
        $this->addSql("CREATE TRIGGER question_unread AFTER DELETE ON question WHEN {$isRead('OLD')} BEGIN $out END");

        $waved = static fn (string $row): string => "EXISTS (SELECT 1 FROM waving w WHERE w.question_id = $row.question_id AND w.rule = $row.rule AND w.line = $row.line_id AND w.message = $row.message_by_ids)";
        $follow = static fn (string $row): string => "UPDATE question SET has_notes = NOT has_notes WHERE id = $row.question_id AND has_notes <> " . self::noted("$row.question_id") . ';';
        $this->addSql("CREATE TRIGGER noted AFTER INSERT ON proofreading_note BEGIN INSERT INTO note_count SELECT NEW.bank_id, NEW.rule, 1 WHERE NOT {$waved('NEW')} ON CONFLICT (bank_id, rule) DO UPDATE SET notes = notes + 1; {$follow('NEW')} END");
        $this->addSql("CREATE TRIGGER unnoted AFTER DELETE ON proofreading_note BEGIN UPDATE note_count SET notes = notes - 1 WHERE bank_id = OLD.bank_id AND rule = OLD.rule AND NOT {$waved('OLD')}; {$follow('OLD')} END");
        $notes = static fn (string $row): string => "proofreading_note n WHERE n.question_id = $row.question_id AND n.rule = $row.rule AND n.line_id = $row.line AND n.message_by_ids = $row.message";
        foreach (['waved' => ['INSERT', 'NEW', '-'], 'unwaved' => ['DELETE', 'OLD', '+']] as $name => [$when, $row, $sign]) {
            $this->addSql("CREATE TRIGGER $name AFTER $when ON waving BEGIN UPDATE note_count SET notes = notes $sign (SELECT COUNT(*) FROM {$notes($row)}) WHERE rule = $row.rule AND bank_id = (SELECT n.bank_id FROM {$notes($row)} LIMIT 1); {$follow($row)} END");
        }
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }

    /** Whether a question has a note that nobody waved off. */
    private static function noted(string $question): string
    {
        return "EXISTS (SELECT 1 FROM proofreading_note n WHERE n.question_id = $question AND NOT EXISTS (SELECT 1 FROM waving w WHERE " . self::NOTE . '))';
    }
}
