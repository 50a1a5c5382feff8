<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\DBAL\Connection;
use Zetema\App\Shared\Row;
use Zetema\Core\Blueprint\Paths\Ways;
use Zetema\Core\Blueprint\Step\CheckpointStep;
use Zetema\Core\Blueprint\Step\Route;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Points;
use Zetema\Core\Sitting\Run\Totals;
use Zetema\Core\Sitting\State\Standing;
use Zetema\Core\Time\Instant;

/** What the author sees beside a rehearsal and no candidate ever does: the working of each mark as it would stand now, and the key. */
final readonly class WatchMargin
{
    public function __construct(private Connection $db)
    {
    }

    /** @return array<string, mixed> */
    public function of(Sitting $sitting, Going $going): array
    {
        $rows = $given = [];
        $sum = $max = Points::zero();
        foreach ($going->state->asked as $i => $id) {
            $place = $going->paper->questions[$id];
            $visit = $going->state->visit($id);
            $standing = $visit->saved->isBlank() ? Standing::of($place, $visit) : null;
            $verdict = $standing->mark->verdict ?? (new Marker())->mark($place->plan, $visit->saved, $visit->attempt(), $visit->hints);
            $sum = $sum->plus($verdict->earned);
            $max = $max->plus($place->plan->max());
            $response = $standing->mark->response ?? $visit->saved;
            if (!$place->plan->counts() && !$response->isBlank()) {
                $given[] = ['n' => $i + 1, 'given' => self::lines($place->question->kind->inWords($response, true))];
            }
            [$question, $name, $isDraft] = $this->question($sitting->revisionOf($place->name));
            $rows[] = [
                'n' => $i + 1,
                'question' => $question,
                'name' => $name,
                'draft' => $isDraft,
                'key' => self::lines($place->question->kind->keyInWords()),
                ...$verdict->toData(),
            ];
        }

        $totals = new Totals($going->paper, $going->state);

        return [
            'seed' => $sitting->seed,
            'sum' => (string) $sum,
            'max' => (string) $max,
            'questions' => $rows,
            'stopped' => $sitting->rehearsalClock()->isStopped(),
            'tallies' => array_map(
                static fn (array $one): array => ['tally' => $one[0]->name, 'value' => $one[1], 'band' => $one[2]?->name],
                $totals->tallies(),
            ),
            'given' => $given,
            'routes' => $this->routes($going),
            'events' => $this->events($sitting, $going),
        ];
    }

    /**
     * @param list<AnswerLine> $lines
     *
     * @return list<array<string, mixed>>
     */
    private static function lines(array $lines): array
    {
        return array_map(static fn (AnswerLine $line): array => $line->toData(), $lines);
    }

    /**
     * @return array{int, string|null, bool} number and name of the question of a dealt revision, so that its author can go straight to it,
     *   and whether the revision is not cleared
     */
    private function question(int $revision): array
    {
        $row = $this->db->fetchNumeric(
            'SELECT q.id, q.name, r.was_cleared FROM revision r JOIN question q ON q.id = r.question_id WHERE r.id = ?',
            [$revision],
        );

        return $row === false ? [0, null, false] : [Row::int($row[0]), is_string($row[1]) ? $row[1] : null, (int) (bool) $row[2] === 0];
    }

    /**
     * @return list<array{step: int, to: int, by: int|null}> the ways taken at checkpoints, by the numbers of steps, one more than there are
     *   for the end; by: the first route that leads there, null: otherwise
     */
    private function routes(Going $going): array
    {
        $ways = new Ways($going->paper->blueprint);
        $routes = [];
        foreach ($going->state->routes as ['checkpoint' => $checkpoint, 'to' => $to]) {
            $place = $ways->places[$checkpoint] ?? 0;
            $step = $ways->steps[$place][1] ?? null;
            $by =
                $step instanceof CheckpointStep
                    ? array_search($to, array_map(static fn (Route $route): string => $route->to, $step->routes), true)
                    : false;
            $routes[] = [
                'step' => $place + 1,
                'to' => ($ways->place($place, $to) ?? $place) + 1,
                'by' => $by === false ? null : $by + 1,
            ];
        }

        return $routes;
    }

    /**
     * @return list<array{at: string, kind: string, n: int|null}> the newest of its events first, in seconds since the beginning; n: the
     *   number of the question
     */
    private function events(Sitting $sitting, Going $going): array
    {
        $began = $going->state->startedAt ?? Instant::start();
        $numbers = array_flip($going->state->asked);
        $rows = $this->db->fetchAllAssociative(
            'SELECT kind, at, place FROM sitting_event WHERE sitting_id = ? ORDER BY number DESC LIMIT 40',
            [$sitting->id],
        );

        return array_map(static function (array $row) use ($began, $numbers): array {
            $n = is_string($row['place']) ? $numbers[$row['place']] ?? null : null;

            return [
                'at' => (string) Points::cut(Instant::micros(Row::int($row['at']))->since($began)->exact(), 1),
                'kind' => is_string($row['kind']) ? $row['kind'] : '',
                'n' => $n === null ? null : $n + 1,
            ];
        }, $rows);
    }
}
