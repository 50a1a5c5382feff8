<?php

declare(strict_types=1);

namespace Zetema\App\Delivery\Stored;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Doctrine\DBAL\Types\Types;
use Zetema\App\Delivery\Invigilation;
use Zetema\App\Delivery\Sitting;
use Zetema\App\Delivery\SurveyCount;
use Zetema\App\Shared\Row;
use Zetema\Core\Data\Fields;
use Zetema\Core\Sitting\Candidate\Review;
use Zetema\Core\Sitting\Event\Event;
use Zetema\Core\Sitting\Outside\Summary;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\Run\Clocks;
use Zetema\Core\Sitting\Run\Conduct;
use Zetema\Core\Sitting\Run\Terms;
use Zetema\Core\Sitting\State\Mark;
use Zetema\Core\Sitting\State\Standing;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Sitting\Stored\EventCodec;
use Zetema\Core\Sitting\Stored\Snapshot;
use Zetema\Core\Time\Instant;

/** Keeps sittings: events are added, marks are added, the state they come to is written over the one before. */
final readonly class SittingStore
{
    public function __construct(private Connection $db)
    {
    }

    /** The state as it stands in the database now; read from its snapshot, or from its events where none was taken. */
    public function state(Sitting $sitting, Paper $paper, Conduct $conduct): State
    {
        $stored = $this->db->fetchOne('SELECT state FROM sitting WHERE id = ?', [$sitting->id]);

        return is_string($stored) ? Snapshot::read(Fields::ofJson($stored), $paper) : $conduct->replay($this->events($sitting, $paper));
    }

    /** @return \Generator<int, Event> in their order */
    public function events(Sitting $sitting, Paper $paper): \Generator
    {
        $codec = new EventCodec($paper);
        foreach (
            $this->db->iterateAssociative('SELECT kind, at, place, data FROM sitting_event WHERE sitting_id = ? ORDER BY number', [
                $sitting->id,
            ]) as $row
        ) {
            $data = is_string($row['data']) ? Fields::ofJson($row['data'])->raw() : [];
            yield $codec->event(
                is_string($row['kind']) ? $row['kind'] : '',
                Instant::micros(Row::int($row['at'])),
                is_string($row['place']) ? $row['place'] : null,
                array_combine(array_map(strval(...), array_keys($data)), $data),
            );
        }
    }

    /**
     * The state as it stands now, and the event that a request with this id brought about before.
     *
     * @return array{State, array{kind: string, place: string|null, data: string|null}|null}
     */
    public function stateAndRequest(Sitting $sitting, Paper $paper, Conduct $conduct, string $request): array
    {
        $row = $this->db->fetchAssociative(
            'SELECT s.state, e.kind, e.place, e.data FROM sitting s LEFT JOIN sitting_event e ON e.sitting_id = s.id AND e.request = ? WHERE s.id = ?',
            [$request, $sitting->id],
        );
        $text = static fn (string $column): ?string => is_array($row) && is_string($row[$column]) ? $row[$column] : null;
        $stored = $text('state');
        $state = $stored === null ? $conduct->replay($this->events($sitting, $paper)) : Snapshot::read(Fields::ofJson($stored), $paper);

        return [$state, $text('kind') === null ? null : ['kind' => $text('kind'), 'place' => $text('place'), 'data' => $text('data')]];
    }

    /**
     * @param State $before what the events were added to
     * @param list<Event> $events that led from there to the state after
     * @param string $request the id of the request that the last of them came with
     */
    public function keep(Sitting $sitting, Paper $paper, Terms $terms, State $before, State $after, array $events, string $request): void
    {
        $number = $after->events - count($events);
        foreach ($events as $i => $event) {
            ++$number;
            $this->db->insert(
                'sitting_event',
                [
                    'sitting_id' => $sitting->id,
                    'number' => $number,
                    'request' => $i === count($events) - 1 ? $request : Invigilation::OWN . $number,
                    'kind' => EventCodec::kind($event),
                    'at' => $event->at->micros,
                    'place' => EventCodec::place($event),
                    'data' => EventCodec::data($event),
                ],
                ['data' => Types::JSON],
            );
        }
        $sign =
            $events === [] || str_starts_with($request, Invigilation::OWN)
                ? []
                : ['last_sign' => $events[count($events) - 1]->at->inMillis()];
        $answered = count(
            array_filter($paper->questions, static fn (QuestionPlace $place): bool => $after->visit($place->id)->isAnswered()),
        );
        $due = (new Clocks($paper, $terms))->due($after);
        $result = new Review($paper, $after);
        $total = $after->ended === null ? null : $result->total();
        $columns = $sitting->cameTo(
            $after->startedAt,
            $due?->at,
            $after->ended?->at,
            $total === null ? null : [...$total, 'passed' => $result->passed()],
            $total === null ? null : Summary::of($paper, $after),
        );
        $this->db->update(
            'sitting',
            ['state' => self::snapshot($after), 'answered' => $answered, ...$sign, ...$columns],
            ['id' => $sitting->id],
            ['passed' => Types::BOOLEAN, 'summary' => Types::JSON],
        );
        $isSurvey =
            $sitting->edition !== null &&
            array_filter($paper->questions, static fn (QuestionPlace $place): bool => !$place->plan->counts()) !== [];
        if ($isSurvey && $before->ended !== null) {
            $this->count($sitting->id, -1);
        }
        foreach ($paper->questions as $place) {
            if ($before->visit($place->id) !== $after->visit($place->id)) {
                $this->marks($sitting, $place, $before, $after);
            }
        }
        if ($isSurvey && $after->ended !== null) {
            $this->count($sitting->id, 1);
        }
    }

    /**
     * The last thing that was done in a rehearsal, and what the clock did after it, never happened; it has no snapshot then.
     *
     * @return Instant|null when what stands last now was; null: nothing was done
     */
    public function goBack(Sitting $sitting): ?Instant
    {
        $last = $this->db->fetchAssociative(
            "SELECT number, at FROM sitting_event WHERE sitting_id = ? AND kind NOT IN ('ran out', 'started', 'placed') ORDER BY number DESC LIMIT 1",
            [$sitting->id],
        );
        if ($last === false) {
            return null;
        }
        $number = Row::int($last['number']);
        $before = $this->db->fetchOne('SELECT at FROM sitting_event WHERE sitting_id = ? AND number = ?', [$sitting->id, $number - 1]);
        $this->db->executeStatement('DELETE FROM sitting_event WHERE sitting_id = ? AND number >= ?', [$sitting->id, $number]);
        $this->db->delete('mark', ['sitting_id' => $sitting->id]);
        $this->db->update('sitting', ['state' => null], ['id' => $sitting->id]);

        return Instant::micros(Row::int($before === false ? $last['at'] : $before));
    }

    /** Takes a sitting that has ended out, with all that was given in it. */
    public function delete(int $sitting): void
    {
        $this->count($sitting, -1);
        foreach (['mark', 'sitting_event'] as $table) {
            $this->db->delete($table, ['sitting_id' => $sitting]);
        }
        $this->db->delete('sitting', ['id' => $sitting]);
    }

    /** Counts what was given to questions that are not graded (SurveyCount). */
    private function count(int $sitting, int $by): void
    {
        foreach (
            $this->db->fetchAllAssociative(
                'SELECT s.edition_id, m.revision_id, m.response, m.id FROM sitting s JOIN mark m ON m.sitting_id = s.id WHERE s.id = ? AND s.edition_id IS NOT NULL AND m.stands = TRUE AND m.is_graded = FALSE ORDER BY m.id',
                [$sitting],
            ) as $row
        ) {
            $this->db->executeStatement(
                'INSERT INTO survey_count (edition_id, revision_id, response, first_mark, hash, given) VALUES (?, ?, ?, ?, ?, ?) ON CONFLICT (edition_id, revision_id, hash) DO UPDATE SET given = given + excluded.given',
                [...array_values($row), SurveyCount::hash(is_string($row['response']) ? $row['response'] : null), $by],
                [5 => ParameterType::INTEGER],
            );
        }
    }

    /** Takes a snapshot of a sitting that has none, and keeps the marks its events have come to, where none were kept. */
    public function catchUp(Sitting $sitting, Paper $paper, Terms $terms): void
    {
        $conduct = new Conduct($paper, $terms);
        $state = $this->state($sitting, $paper, $conduct);
        if ($this->db->fetchOne('SELECT 1 FROM mark WHERE sitting_id = ?', [$sitting->id]) !== false) {
            $this->db->update('sitting', ['state' => self::snapshot($state)], ['id' => $sitting->id]);

            return;
        }
        $this->keep($sitting, $paper, $terms, $conduct->begin(), $state, [], '');
    }

    private static function snapshot(State $state): string
    {
        return json_encode(Snapshot::toData($state), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    private function marks(Sitting $sitting, QuestionPlace $place, State $before, State $after): void
    {
        $made = self::made($after, $place);
        $new = array_slice($made, count(self::made($before, $place)));
        if ($new === []) {
            return;
        }
        $standing = Standing::of($place, $after->visit($place->id));
        $this->db->executeStatement('UPDATE mark SET stands = FALSE WHERE sitting_id = ? AND place = ? AND stands = TRUE', [
            $sitting->id,
            $place->id,
        ]);
        foreach ($new as $mark) {
            $this->db->insert(
                'mark',
                [
                    'sitting_id' => $sitting->id,
                    'place' => $place->id,
                    'revision_id' => $sitting->revisionOf($place->name),
                    'round' => $mark->round,
                    'attempt' => $mark->attempt,
                    'plan' => substr(hash('sha256', json_encode($place->plan->toData(), JSON_THROW_ON_ERROR)), 0, 16),
                    'outcome' => $mark->verdict->outcome->value,
                    'earned' => (string) $mark->verdict->earned,
                    'max' => (string) $mark->verdict->max,
                    'working' => $mark->verdict->working,
                    'reason' => $mark->reason->value,
                    'at' => $mark->at->micros,
                    'stands' => 0,
                    'is_graded' => $place->plan->counts(),
                    'response' => $place->plan->counts() || $mark->response->isBlank()
                            ? null
                            : json_encode(
                                $mark->response->toData(),
                                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
                            ),
                ],
                ['working' => Types::JSON, 'is_graded' => Types::BOOLEAN],
            );
        }
        if ($standing !== null) {
            $this->db->executeStatement('UPDATE mark SET stands = TRUE WHERE sitting_id = ? AND place = ? AND round = ? AND attempt = ?', [
                $sitting->id,
                $place->id,
                $standing->mark->round,
                $standing->mark->attempt,
            ]);
        }
    }

    /** @return list<Mark> all that were made at a question, leaving it blank included */
    private static function made(State $state, QuestionPlace $place): array
    {
        $visit = $state->visit($place->id);

        return [...$visit->allMarks(), ...$visit->blank === null ? [] : [$visit->blank]];
    }
}
