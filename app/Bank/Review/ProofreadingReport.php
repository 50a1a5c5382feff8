<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Review;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\Core\Proofreading\Proofreader;
use Zetema\Core\Proofreading\Rule;
use Zetema\Core\Question\Kinds\KindId;

/** The proofreader's notes over a whole bank, as they were kept when the questions were saved; a page of questions at a time. */
final readonly class ProofreadingReport
{
    private const PAGE = 100;

    public function __construct(private Connection $db)
    {
    }

    /**
     * @param string|null $rule only notes of this rule
     * @param int $after the last question of the page before
     *
     * @return array<string, mixed> notes that nobody has waved off: how many by rule, and the questions that have them
     */
    public function of(Bank $bank, ?string $rule, int $after): array
    {
        [$notes, $parameters] = $this->open($bank);
        $of = $rule === null ? '' : ' WHERE rule = :rule';
        $parameters += $rule === null ? [] : ['rule' => $rule];
        $ids = $this->db->fetchFirstColumn("SELECT DISTINCT question_id FROM ($notes) $of" . ($of === '' ? ' WHERE' : ' AND') . ' question_id > :after ORDER BY question_id LIMIT ' . (self::PAGE + 1), [...$parameters, 'after' => $after]);
        $more = count($ids) > self::PAGE;
        $ids = array_slice($ids, 0, self::PAGE);
        $notesOf = [];
        foreach ($ids === [] ? [] : $this->db->iterateAssociative("SELECT question_id, rule, line, message FROM ($notes) $of" . ($of === '' ? ' WHERE' : ' AND') . ' question_id IN (:ids)', [...$parameters, 'ids' => $ids], ['ids' => ArrayParameterType::INTEGER]) as $row) {
            $notesOf[self::int($row['question_id'])][] = self::note($row);
        }
        $rules = $after > 0 ? [] : $this->db->fetchAllKeyValue("SELECT rule, COUNT(*) FROM ($notes) GROUP BY rule ORDER BY COUNT(*) DESC, rule", array_diff_key($parameters, ['rule' => '']));

        return [
            'read' => self::int($this->db->fetchOne("SELECT COUNT(*) FROM question WHERE bank_id = ? AND is_unfinished = 0 AND status <> 'retired'", [$bank->id])),
            'withNotes' => $after > 0 ? null : self::int($this->db->fetchOne("SELECT COUNT(DISTINCT question_id) FROM ($notes)", array_diff_key($parameters, ['rule' => '']))),
            'rules' => array_map(static fn (mixed $name, mixed $n): array => ['rule' => (string) $name, 'notes' => self::int($n)], array_keys($rules), $rules),
            'questions' => $this->questions($ids, $notesOf),
            'after' => $more ? self::int($ids[self::PAGE - 1]) : null,
        ];
    }

    /**
     * The notes of the questions as they are, and those that only show over many of them.
     *
     * @return array{string, array<string, mixed>} SQL and its parameters
     */
    private function open(Bank $bank): array
    {
        $sql = 'SELECT question_id, rule, line, message, line_id, message_by_ids FROM proofreading_note WHERE bank_id = :bank';
        $parameters = ['bank' => $bank->id];
        foreach ($this->outOfBalance($bank) as $i => [$kind, $place, $flaw]) {
            $sql .= " UNION ALL SELECT q.id, :rule$i, :line$i, :message$i, :line$i, :message$i FROM question q JOIN revision r ON r.id = q.newest_id WHERE q.bank_id = :bank AND q.status <> 'retired' AND q.kind = :kind$i AND r.key_place = :place$i";
            $parameters += ["rule$i" => $flaw->rule->value, "line$i" => $flaw->where, "message$i" => $flaw->message, "kind$i" => $kind, "place$i" => $place];
        }

        return ["SELECT * FROM ($sql) n WHERE NOT EXISTS (SELECT 1 FROM waving w WHERE w.question_id = n.question_id AND w.rule = n.rule AND w.line = n.line_id AND w.message = n.message_by_ids)", $parameters];
    }

    /** @return list<array{string, int, \Zetema\Core\Proofreading\Flaw}> kind, place of the key, what is to be said of it */
    private function outOfBalance(Bank $bank): array
    {
        $counts = [];
        foreach ($this->db->iterateNumeric("SELECT q.kind, r.key_place, COUNT(*) FROM question q JOIN revision r ON r.id = q.newest_id WHERE q.bank_id = ? AND q.status <> 'retired' AND q.kind IN ('one', 'claim') AND r.key_place IS NOT NULL GROUP BY 1, 2", [$bank->id]) as $row) {
            $counts[is_string($row[0] ?? null) ? $row[0] : ''][self::int($row[1] ?? null)] = self::int($row[2] ?? null);
        }
        $flaws = [];
        foreach ($counts as $kind => $places) {
            foreach (Proofreader::outOfBalance(KindId::from($kind), $places) as $place => $flaw) {
                $flaws[] = [$kind, $place, $flaw];
            }
        }

        return $flaws;
    }

    /**
     * @param list<mixed> $ids
     * @param array<int, list<array<string, mixed>>> $notes by question
     *
     * @return list<array<string, mixed>>
     */
    private function questions(array $ids, array $notes): array
    {
        $told = [];
        foreach ($ids === [] ? [] : $this->db->fetchAllAssociative('SELECT id, name, kind, excerpt FROM question WHERE id IN (?) ORDER BY id', [$ids], [ArrayParameterType::INTEGER]) as $row) {
            $told[] = [...$row, 'notes' => $notes[self::int($row['id'])] ?? []];
        }

        return $told;
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return array<string, mixed>
     */
    private static function note(array $row): array
    {
        $rule = Rule::tryFrom(is_string($row['rule']) ? $row['rule'] : '');

        return ['rule' => $row['rule'], 'where' => $row['line'], 'message' => $row['message'], 'reason' => $rule?->reason() ?? '', 'remedy' => $rule?->remedy() ?? '', 'waved' => null];
    }

    private static function int(mixed $value): int
    {
        return is_numeric($value) ? (int) $value : 0;
    }
}
