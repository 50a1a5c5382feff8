<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Settings;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Row;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\Setting;

/**
 * How the questions of a bank stand to what it sets: which say another value themselves, how many say nothing and follow it, and how many
 * of those are cleared; and how many cleared ones say nothing themselves after an outcome.
 */
final readonly class Differing
{
    public function __construct(private Connection $db)
    {
    }

    /**
     * @return array{differ: array<string, array<string, int>>, follow: array<string, array<string, int>>, cleared: array<string,
     *   array<string, int>>} by kind and setting; `cleared` by kind and outcome, too
     */
    public function of(Bank $bank): array
    {
        $settings = $bank->settings();
        $differ = [];
        $follow = $this->everyOne($bank, "<> 'retired'");
        $cleared = $this->everyOne($bank, "= 'cleared'");
        $dialect = Dialects::of($this->db);
        $said = "SELECT q.kind, s.key AS word, s.value, COUNT(*) AS n, SUM(CASE WHEN q.status = 'cleared' THEN 1 ELSE 0 END) AS cleared FROM question q JOIN revision r ON r.id = q.newest_id, {$dialect->jsonRows(
            'r.content',
            'settings',
        )} s WHERE q.bank_id = ? AND q.status <> 'retired' GROUP BY q.kind, s.key, s.value";
        foreach ($this->db->iterateNumeric($said, [$bank->id]) as $row) {
            [$kind, $word, $value] = array_map(static fn (mixed $cell): string => is_scalar($cell) ? (string) $cell : '', $row);
            $id = KindId::tryFrom($kind);
            if ($id === null || !isset($follow[$kind][$word])) {
                continue;
            }
            $follow[$kind][$word] -= Row::int($row[3] ?? 0);
            $cleared[$kind][$word] = ($cleared[$kind][$word] ?? 0) - Row::int($row[4] ?? 0);
            if ($value !== self::value($settings, $id, Setting::from($word))) {
                $differ[$kind][$word] = ($differ[$kind][$word] ?? 0) + Row::int($row[3] ?? 0);
            }
        }

        foreach ($this->unworded($bank) as $kind => $outcomes) {
            $cleared[$kind] = [...$cleared[$kind] ?? [], ...$outcomes];
        }

        return ['differ' => $differ, 'follow' => $follow, 'cleared' => $cleared];
    }

    /**
     * @return array<string, array<string, int>> how many cleared questions do not say themselves what is said after an outcome on whichever
     *   attempt, by kind and outcome
     */
    private function unworded(Bank $bank): array
    {
        $unworded = [];
        foreach ($this->count($bank, "= 'cleared'") as $kind => $questions) {
            foreach (
                KindId::tryFrom($kind) === null ? [] : array_filter(Outcome::cases(), KindId::from($kind)->facts()->canBe(...)) as $outcome
            ) {
                $unworded[$kind][$outcome->value] = $questions;
            }
        }
        $dialect = Dialects::of($this->db);
        $said = "SELECT q.kind, {$dialect->jsonText(
            't.value',
            'outcome',
        )} AS outcome, COUNT(DISTINCT q.id) FROM question q JOIN revision r ON r.id = q.newest_id, {$dialect->jsonRows(
            'r.content',
            'outcomeTexts',
        )} t WHERE q.bank_id = ? AND q.status = 'cleared' AND {$dialect->jsonText('t.value', 'attempt')} IS NULL AND {$dialect->jsonText(
            't.value',
            'onLast',
        )} IS NULL GROUP BY q.kind, outcome";
        foreach ($this->db->iterateNumeric($said, [$bank->id]) as [$kind, $outcome, $questions]) {
            if (is_string($kind) && is_string($outcome) && isset($unworded[$kind][$outcome])) {
                $unworded[$kind][$outcome] -= Row::int($questions);
            }
        }

        return $unworded;
    }

    /** @return array<string, array<string, int>> how many there are of a kind, at each setting that has a meaning for it */
    private function everyOne(Bank $bank, string $status): array
    {
        $all = [];
        foreach ($this->count($bank, $status) as $kind => $questions) {
            $all[$kind] = array_fill_keys(SettingsPlace::takes()[$kind] ?? [], $questions);
        }

        return $all;
    }

    /** @return array<string, int> how many there are, by kind */
    private function count(Bank $bank, string $status): array
    {
        $counts = [];
        foreach (
            $this->db->fetchAllKeyValue(
                "SELECT kind, SUM(questions) FROM question_count WHERE bank_id = ? AND status $status GROUP BY kind",
                [$bank->id],
            ) as $kind => $questions
        ) {
            $counts[(string) $kind] = Row::int($questions);
        }

        return $counts;
    }

    /** What counts for questions of a kind that say nothing. */
    public static function value(BankSettings $settings, KindId $kind, Setting $setting): string
    {
        return $settings->for($kind)->get($setting) ?? ($kind->facts()->defaults[$setting->value] ?? ($setting->houseValue() ?? ''));
    }
}
