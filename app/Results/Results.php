<?php

declare(strict_types=1);

namespace Zetema\App\Results;

use Doctrine\DBAL\Connection;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Delivery\Invigilation;
use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Outcome\Tally;
use Zetema\Core\Blueprint\Paths\Ways;
use Zetema\Core\Data\Fields;

/** All sittings of an edition, running and ended, as its author sees them. */
final readonly class Results
{
    /** More are not told at once. */
    public const MOST = 5_000;

    public function __construct(private Connection $db, private EndedSittings $ended)
    {
    }

    /** @return array<string, mixed> */
    public function of(Edition $edition): array
    {
        $this->ended->settle($edition);
        $plan = $edition->assessment();
        $ways = new Ways($plan);
        $rows = $this->db->fetchAllAssociative(
            'SELECT s.id, a.name, a.login, s.started_at, s.ended_at, s.earned, s.max, s.percent, s.passed, s.summary, (SELECT COUNT(*) FROM json_each(s.state, \'$.visits\') v WHERE v.value ->> \'$.saved\' IS NOT NULL OR v.value ->> \'$.rounds\' IS NOT NULL) AS answered,
                (SELECT MAX(e.at) FROM sitting_event e WHERE e.sitting_id = s.id AND e.request NOT LIKE ?) AS last_sign
             FROM sitting s JOIN account a ON a.id = s.account_id WHERE s.edition_id = ? ORDER BY s.id DESC LIMIT ' . self::MOST,
            [Invigilation::OWN . '%', $edition->id],
        );

        return [
            'edition' => [...$edition->toData(), 'blueprint' => $edition->blueprint->id, 'bank' => $edition->blueprint->bank->id],
            'pass' => $plan->pass?->mark->toData(),
            'tallies' => array_map(static fn (Tally $tally): string => $tally->name, $plan->tallies),
            'questions' => $edition->plan()->questions(),
            'total' => (int) $this->number($this->db->fetchOne('SELECT COUNT(*) FROM sitting WHERE edition_id = ?', [$edition->id])),
            'sittings' => array_map(fn (array $row): array => $this->row(Fields::of($row), $ways), $rows),
        ];
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
            'lastSign' => $last === null ? null : self::moment(intdiv($last, 1000)),
            'answered' => $this->number($row->raw()['answered']),
            'how' => $summary?->text('how'),
            'earned' => $row->optionalText('earned'),
            'max' => $row->optionalText('max'),
            'percent' => $row->optionalText('percent'),
            'passed' => $row->raw()['passed'] === null ? null : (bool) $row->raw()['passed'],
            'right' => $summary?->integer('right'),
            'asked' => $summary?->integer('asked'),
            'missed' => $summary === null ? [] : array_values(array_map(static fn (Fields $m): string => $m->text('objective'), array_filter($summary->objects('minimums'), static fn (Fields $m): bool => ($m->raw()['met'] ?? null) === false))),
            'bands' => $summary === null ? [] : array_map(static fn (Fields $t): array => ['tally' => $t->text('tally'), 'value' => $t->integer('value'), 'band' => $t->optionalText('band')], $summary->objects('tallies')),
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
        return implode(', ', array_map(static function (Fields $route) use ($ways): string {
            $to = $route->text('to');
            $from = ($ways->places[$route->text('checkpoint')] ?? 0) + 1;

            return $from . ' → ' . match ($to) {
                Blueprint::NEXT => (string) ($from + 1),
                Blueprint::END => 'end',
                default => (string) (($ways->places[$to] ?? 0) + 1),
            };
        }, $routes));
    }

    private function number(mixed $value): ?int
    {
        return is_numeric($value) ? (int) $value : null;
    }

    private static function moment(int $millis): string
    {
        return gmdate(DATE_ATOM, intdiv($millis, 1000));
    }
}
