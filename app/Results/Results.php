<?php

declare(strict_types=1);

namespace Zetema\App\Results;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Row;
use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Outcome\Tally;
use Zetema\Core\Blueprint\Paths\Ways;
use Zetema\Core\Data\Fields;
use Zetema\Core\Numbers\Ratio;

/** All sittings of an edition, running and ended, as its author sees them. */
final readonly class Results
{
    private const COLUMNS = 's.id, a.name, a.login, s.started_at, s.ended_at, s.earned, s.max, s.percent, s.passed, s.summary, s.answered, s.last_sign FROM sitting s JOIN account a ON a.id = s.account_id';
    /** What they have come to is read from this index alone, already in order: a whole sitting is some ten pages of the database. */
    private const MARKED = 'sitting_marked';

    public function __construct(private Connection $db, private EndedSittings $ended)
    {
    }

    /** @return array<string, mixed> a page of those asked for, and what all of the edition have come to */
    public function of(Edition $edition, SittingsAsked $asked): array
    {
        $this->ended->settle($edition);
        $plan = $edition->assessment();
        $ways = new Ways($plan);
        [$condition, $bound] = $asked->condition();
        $dialect = Dialects::of($this->db);
        $from =
            'FROM sitting s ' .
            $dialect->hint($asked->index()) .
            ($asked->needsNames() ? " {$dialect->thenLookUp()} account a ON a.id = s.account_id" : '') .
            " WHERE s.edition_id = ? AND $condition";
        $ids = $this->db->fetchFirstColumn(
            "SELECT s.id $from ORDER BY {$asked->order()} LIMIT " . SittingsAsked::PAGE . ' OFFSET ' . $asked->from,
            [$edition->id, ...$bound],
        );
        $sums = $this->sums($edition);
        $fit = $asked->isAll()
            ? $sums['sittings']
            : $this->number($this->db->fetchOne("SELECT COUNT(*) $from", [$edition->id, ...$bound])) ?? 0;
        $rows = $this->db->fetchAllAssociativeIndexed(
            'SELECT s.id AS number, ' . self::COLUMNS . ' WHERE s.id IN (?)',
            [$ids],
            [ArrayParameterType::INTEGER],
        );
        $rows = array_map(static fn (mixed $id): array => $rows[Row::int($id)] ?? throw new \LogicException('it was just found'), $ids);

        return [
            'edition' => [...$edition->toData(), 'blueprint' => $edition->blueprint->id, 'bank' => $edition->blueprint->bank->id],
            'pass' => $plan->pass?->mark->toData(),
            'tallies' => self::tallies($edition),
            'questions' => $edition->plan()->questions(),
            'sums' => $sums,
            'fit' => $fit,
            'sittings' => array_map(fn (array $row): array => $this->row(Fields::of($row), $ways), $rows),
        ];
    }

    /** @return list<string> the names of its tallies */
    public static function tallies(Edition $edition): array
    {
        return array_map(static fn (Tally $tally): string => $tally->name, $edition->assessment()->tallies);
    }

    /** @return \Generator<array<string, mixed>> every sitting of the edition, oldest first; few of them are in memory */
    public function all(Edition $edition): \Generator
    {
        $this->ended->settle($edition);
        $ways = new Ways($edition->assessment());
        $after = 0;
        do {
            $rows = $this->db->fetchAllAssociative(
                'SELECT ' . self::COLUMNS . ' WHERE s.edition_id = ? AND s.id > ? ORDER BY s.id LIMIT ' . SittingsAsked::PAGE,
                [$edition->id, $after],
            );
            foreach ($rows as $row) {
                $after = $this->number($row['id']) ?? 0;
                yield $this->row(Fields::of($row), $ways);
            }
        } while ($rows !== []);
    }

    /**
     * @return array{sittings: int, ended: int, judged: int, passed: int, least: string|null, middle: string|null, most: string|null} over
     *   all sittings of the edition; the last three in percent, the middle of two their mean
     */
    private function sums(Edition $edition): array
    {
        $sums = ['sittings' => 0, 'ended' => 0, 'judged' => 0, 'passed' => 0];
        $percents = [];
        foreach (
            $this->db->fetchAllAssociative(
                'SELECT s.percent, s.passed, COUNT(s.ended_at) AS ended, COUNT(*) AS n FROM sitting s ' .
                    Dialects::of($this->db)->hint(self::MARKED) .
                    ' WHERE s.edition_id = ? GROUP BY s.percent, s.passed',
                [$edition->id],
            ) as $row
        ) {
            $n = $this->number($row['n']) ?? 0;
            $sums['sittings'] += $n;
            $sums['ended'] += $this->number($row['ended']) ?? 0;
            $sums['judged'] += $row['passed'] !== null ? $n : 0;
            $sums['passed'] += (bool) $row['passed'] ? $n : 0;
            if (is_string($row['percent'])) {
                $percents[$row['percent']] = ($percents[$row['percent']] ?? 0) + $n;
            }
        }
        uksort($percents, static fn (int|string $a, int|string $b): int => (float) $a <=> (float) $b);
        $last = array_sum($percents) - 1;
        $middle =
            $last < 0
                ? null
                : Ratio::of(self::at($percents, intdiv($last, 2)))
                    ->plus(Ratio::of(self::at($percents, intdiv($last + 1, 2))))
                    ->dividedBy(Ratio::of('2'));

        return [
            ...$sums,
            'least' => $last < 0 ? null : self::at($percents, 0),
            'middle' => $middle?->rounded(1)->decimal(),
            'most' => $last < 0 ? null : self::at($percents, $last),
        ];
    }

    /**
     * @param array<int|string, int> $counts how often each comes, rising
     *
     * @return string the one at a place among all
     */
    private static function at(array $counts, int $place): string
    {
        foreach ($counts as $value => $n) {
            $place -= $n;
            if ($place < 0) {
                return (string) $value;
            }
        }
        throw new \LogicException('there are more');
    }

    /** @return array<string, mixed> */
    private function row(Fields $row, Ways $ways): array
    {
        $summary = $row->optionalText('summary') === null ? null : Fields::ofJson($row->text('summary'));
        $began = $this->number($row->raw()['started_at']);
        $ended = $this->number($row->raw()['ended_at']);
        $last = $this->number($row->raw()['last_sign']);

        return [
            'id' => $row->integer('id'),
            'candidate' => $row->text('name'),
            'login' => $row->text('login'),
            'began' => $began === null ? null : self::moment($began),
            'ended' => $ended === null ? null : self::moment($ended),
            'seconds' => $began === null || $ended === null ? null : intdiv($ended - $began, 1000),
            'lastSign' => $last === null ? null : self::moment($last),
            'answered' => $this->number($row->raw()['answered']),
            'how' => $summary?->text('how'),
            'earned' => $row->optionalText('earned'),
            'max' => $row->optionalText('max'),
            'percent' => $row->optionalText('percent'),
            'passed' => $row->raw()['passed'] === null ? null : (bool) $row->raw()['passed'],
            'right' => $summary?->integer('right'),
            'asked' => $summary?->integer('asked'),
            'missed' => $summary === null
                    ? []
                    : array_values(
                        array_map(
                            static fn (Fields $m): string => $m->text('objective'),
                            array_filter(
                                $summary->objects('minimums'),
                                static fn (Fields $m): bool => ($m->raw()['met'] ?? null) === false,
                            ),
                        ),
                    ),
            'bands' => $summary === null
                    ? []
                    : array_map(
                        static fn (Fields $t): array => [
                            'tally' => $t->text('tally'),
                            'value' => $t->integer('value'),
                            'band' => $t->optionalText('band'),
                        ],
                        $summary->objects('tallies'),
                    ),
            'path' => $summary === null ? '' : self::path($summary->objects('routes'), $ways),
        ];
    }

    /**
     * The ways that were taken, by the numbers of steps in the running order.
     *
     * @param list<Fields> $routes
     */
    private static function path(array $routes, Ways $ways): string
    {
        return implode(
            ', ',
            array_map(static function (Fields $route) use ($ways): string {
                $to = $route->text('to');
                $from = ($ways->places[$route->text('checkpoint')] ?? 0) + 1;

                return $from .
                    ' → ' .
                    match ($to) {
                        Blueprint::NEXT => (string) ($from + 1),
                        Blueprint::END => 'end',
                        default => (string) (($ways->places[$to] ?? 0) + 1),
                    };
            }, $routes),
        );
    }

    private function number(mixed $value): ?int
    {
        return Row::optionalInt($value);
    }

    private static function moment(int $millis): string
    {
        return gmdate(DATE_ATOM, intdiv($millis, 1000));
    }
}
