<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Review;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Row;
use Zetema\Core\Proofreading\Flaw;
use Zetema\Core\Proofreading\Proofreader;
use Zetema\Core\Proofreading\Rule;
use Zetema\Core\Question\Kinds\KindId;

/**
 * The proofreader's notes over a whole bank, as they were kept when the questions were saved, and those that only show over many
 * questions: where their keys stand. A page of questions at a time; how many there are is kept with every change.
 *
 * @phpstan-type OverMany array{kind: string, place: int, flaw: Flaw, questions: int, unnoted: int}
 */
final readonly class ProofreadingReport
{
    private const PAGE = 100;
    private const WAVED = 'EXISTS (SELECT 1 FROM waving w WHERE w.question_id = n.question_id AND w.rule = n.rule AND w.line = n.line_id AND w.message = n.message_by_ids)';
    private const HAS_FLAW = "q.bank_id = :bank AND q.kind = :kind AND q.key_place = :place AND q.status <> 'retired' AND q.is_unfinished = FALSE";
    private const FLAW_WAVED = 'EXISTS (SELECT 1 FROM waving w WHERE w.question_id = q.id AND w.rule = :rule AND w.line = :line AND w.message = :message)';

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
        $counts = $this->db->fetchAllAssociative(
            'SELECT kind, key_place, has_notes, questions FROM read_count WHERE bank_id = ? AND questions > 0',
            [$bank->id],
        );
        $overMany = $this->overMany($bank, $counts);
        $wanted = array_values(
            array_filter($overMany, static fn (array $one): bool => $rule === null || $one['flaw']->rule->value === $rule),
        );
        $ids = [
            ...$this->noted($bank, $rule, $after),
            ...array_merge(...array_map(fn (array $one): array => $this->withFlaw($bank, $one, $after), $wanted)),
        ];
        $ids = array_values(array_unique($ids));
        sort($ids);
        $more = count($ids) > self::PAGE;
        $ids = array_slice($ids, 0, self::PAGE);
        $withNotes =
            array_sum(array_map(static fn (array $row): int => (bool) $row['has_notes'] ? Row::int($row['questions']) : 0, $counts)) +
            array_sum(array_column($overMany, 'unnoted'));

        return [
            'read' => array_sum(array_map(static fn (array $row): int => Row::int($row['questions']), $counts)),
            'withNotes' => $after > 0 ? null : $withNotes,
            'rules' => $after > 0 ? [] : $this->rules($bank, $overMany),
            'questions' => $this->questions($ids, $this->notesOf($bank, $rule, $ids, $wanted)),
            'after' => $more ? $ids[self::PAGE - 1] : null,
        ];
    }

    /**
     * @param list<OverMany> $overMany
     *
     * @return list<array{rule: string, notes: int}> what there is most of, first
     */
    private function rules(Bank $bank, array $overMany): array
    {
        $notes = array_map(
            Row::int(...),
            $this->db->fetchAllKeyValue('SELECT rule, notes FROM note_count WHERE bank_id = ? AND notes > 0', [$bank->id]),
        );
        foreach ($overMany as ['flaw' => $flaw, 'questions' => $questions]) {
            $notes[$flaw->rule->value] = ($notes[$flaw->rule->value] ?? 0) + $questions;
        }
        ksort($notes);
        arsort($notes);

        return array_map(
            static fn (string|int $rule, int $n): array => ['rule' => (string) $rule, 'notes' => $n],
            array_keys($notes),
            $notes,
        );
    }

    /**
     * What is to be said of where the keys of many questions stand, with how many of them nobody waved it off at, and how many of those
     * have no note of their own.
     *
     * @param list<array<string, mixed>> $counts
     *
     * @return list<OverMany>
     */
    private function overMany(Bank $bank, array $counts): array
    {
        $all = $unnoted = [];
        foreach ($counts as $row) {
            [$kind, $place, $n] = [is_string($row['kind']) ? $row['kind'] : '', Row::int($row['key_place']), Row::int($row['questions'])];
            if ($place >= 0 && KindId::tryFrom($kind)?->facts()->hasOneKey() === true) {
                $all[$kind][$place] = ($all[$kind][$place] ?? 0) + $n;
                $unnoted[$kind][$place] = ($unnoted[$kind][$place] ?? 0) + ((bool) $row['has_notes'] ? 0 : $n);
            }
        }
        $found = [];
        foreach ($all as $kind => $places) {
            ksort($places);
            foreach (Proofreader::outOfBalance(KindId::from($kind), $places) as $place => $flaw) {
                $one = [
                    'kind' => $kind,
                    'place' => $place,
                    'flaw' => $flaw,
                    'questions' => $places[$place],
                    'unnoted' => $unnoted[$kind][$place] ?? 0,
                ];
                $waved = $this->db->fetchAssociative(
                    'SELECT COUNT(*) AS n, COALESCE(SUM(CASE WHEN q.has_notes THEN 0 ELSE 1 END), 0) AS unnoted FROM waving w JOIN question q ON q.id = w.question_id WHERE w.rule = :rule AND w.line = :line AND w.message = :message AND ' .
                        self::HAS_FLAW,
                    self::bound($bank, $one),
                );
                $one['questions'] -= $waved === false ? 0 : Row::int($waved['n']);
                $one['unnoted'] -= $waved === false ? 0 : Row::int($waved['unnoted']);
                if ($one['questions'] > 0) {
                    $found[] = $one;
                }
            }
        }

        return $found;
    }

    /** @return list<int> the next questions that have notes of their own, and one more than a page has */
    private function noted(Bank $bank, ?string $rule, int $after): array
    {
        $dialect = Dialects::of($this->db);
        $ids =
            $rule === null
                ? $this->db->fetchFirstColumn(
                    'SELECT id FROM question ' .
                        $dialect->hint('question_noted') .
                        ' WHERE bank_id = ? AND has_notes = TRUE AND id > ? ORDER BY id LIMIT ' .
                        (self::PAGE + 1),
                    [$bank->id, $after],
                )
                : $this->db->fetchFirstColumn(
                    'SELECT DISTINCT n.question_id FROM proofreading_note n ' .
                        $dialect->hint('proofreading_note_rule') .
                        ' WHERE n.bank_id = ? AND n.rule = ? AND n.question_id > ? AND NOT ' .
                        self::WAVED .
                        ' ORDER BY n.question_id LIMIT ' .
                        (self::PAGE + 1),
                    [$bank->id, $rule, $after],
                );

        return array_map(Row::int(...), $ids);
    }

    /**
     * @param OverMany $one
     *
     * @return list<int> the next questions that it is said of
     */
    private function withFlaw(Bank $bank, array $one, int $after): array
    {
        return Row::ints(
            $this->db->fetchFirstColumn(
                'SELECT q.id FROM question q ' .
                    Dialects::of($this->db)->hint('question_keyed') .
                    ' WHERE ' .
                    self::HAS_FLAW .
                    ' AND q.id > :after AND NOT ' .
                    self::FLAW_WAVED .
                    ' ORDER BY q.id LIMIT ' .
                    (self::PAGE + 1),
                [...self::bound($bank, $one), 'after' => $after],
            ),
        );
    }

    /**
     * @param list<int> $ids
     * @param list<OverMany> $overMany
     *
     * @return array<int, list<array<string, mixed>>> by question
     */
    private function notesOf(Bank $bank, ?string $rule, array $ids, array $overMany): array
    {
        $notes = [];
        if ($ids === []) {
            return $notes;
        }
        $types = ['ids' => ArrayParameterType::INTEGER];
        foreach (
            $this->db->fetchAllAssociative(
                'SELECT n.question_id, n.rule, n.line, n.message FROM proofreading_note n WHERE n.bank_id = :bank AND n.question_id IN (:ids) AND NOT ' .
                    self::WAVED .
                    ($rule === null ? '' : ' AND n.rule = :rule') .
                    ' ORDER BY n.id',
                ['bank' => $bank->id, 'ids' => $ids, ...$rule === null ? [] : ['rule' => $rule]],
                $types,
            ) as $row
        ) {
            $notes[Row::int($row['question_id'])][] = self::note(
                is_string($row['rule']) ? $row['rule'] : '',
                is_string($row['line']) ? $row['line'] : '',
                is_string($row['message']) ? $row['message'] : '',
            );
        }
        foreach ($overMany as $one) {
            foreach (
                $this->db->fetchFirstColumn(
                    'SELECT q.id FROM question q WHERE q.id IN (:ids) AND ' . self::HAS_FLAW . ' AND NOT ' . self::FLAW_WAVED,
                    [...self::bound($bank, $one), 'ids' => $ids],
                    $types,
                ) as $id
            ) {
                $notes[Row::int($id)][] = self::note($one['flaw']->rule->value, $one['flaw']->where, $one['flaw']->message);
            }
        }

        return $notes;
    }

    /**
     * @param list<int> $ids
     * @param array<int, list<array<string, mixed>>> $notes by question
     *
     * @return list<array<string, mixed>>
     */
    private function questions(array $ids, array $notes): array
    {
        $told = [];
        foreach (
            $ids === []
                ? []
                : $this->db->fetchAllAssociative(
                    'SELECT id, name, kind, excerpt FROM question WHERE id IN (?) ORDER BY id',
                    [$ids],
                    [ArrayParameterType::INTEGER],
                ) as $row
        ) {
            $told[] = [...$row, 'notes' => $notes[Row::int($row['id'])] ?? []];
        }

        return $told;
    }

    /**
     * @param OverMany $one
     *
     * @return array<string, string|int>
     */
    private static function bound(Bank $bank, array $one): array
    {
        return [
            'bank' => $bank->id,
            'kind' => $one['kind'],
            'place' => $one['place'],
            'rule' => $one['flaw']->rule->value,
            'line' => $one['flaw']->where,
            'message' => $one['flaw']->message,
        ];
    }

    /** @return array<string, mixed> */
    private static function note(string $rule, string $line, string $message): array
    {
        $known = Rule::tryFrom($rule);

        return [
            'rule' => $rule,
            'where' => $line,
            'message' => $message,
            'reason' => $known?->reason() ?? '',
            'remedy' => $known?->remedy() ?? '',
            'waved' => null,
        ];
    }
}
