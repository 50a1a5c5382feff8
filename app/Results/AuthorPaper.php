<?php

declare(strict_types=1);

namespace Zetema\App\Results;

use Doctrine\DBAL\Connection;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Delivery\CandidatePage;
use Zetema\App\Delivery\Going;
use Zetema\App\Delivery\Sitting;
use Zetema\App\Delivery\Stored\SittingStore;
use Zetema\App\Shared\Row;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Points;
use Zetema\Core\Sitting\Event\Checked;
use Zetema\Core\Sitting\Event\Saved;
use Zetema\Core\Sitting\State\Mark;
use Zetema\Core\Sitting\Stored\EventCodec;
use Zetema\Core\Time\Instant;

/**
 * One paper as the author sees it: everything the review could show, every mark that was made with its working, hints, times, and what
 * staff did.
 */
final readonly class AuthorPaper
{
    public function __construct(private CandidatePage $shown, private SittingStore $store, private Connection $db)
    {
    }

    /** @return array<string, mixed> */
    public function of(Sitting $sitting, Edition $edition, Going $going): array
    {
        $told = $this->shown->wholePaper($sitting, $going);
        $made = [];
        foreach ($going->state->asked as $i => $id) {
            $place = $going->paper->questions[$id];
            $visit = $going->state->visit($id);
            $took = $going->state->took($place, $going->paper);
            [$question, $name] = $this->question($sitting->revisionOf($place->name));
            $made[] = [
                'n' => $i + 1,
                'question' => $question,
                'name' => $name,
                'hints' => $visit->hints,
                'seconds' => $took?->inSeconds(),
                'marks' => array_map(
                    static fn (Mark $mark): array => [
                        'round' => $mark->round,
                        'attempt' => $mark->attempt,
                        'reason' => $mark->reason->value,
                        'outcome' => $mark->verdict->outcome->value,
                        'earned' => (string) $mark->verdict->earned,
                        'max' => (string) $mark->verdict->max,
                        'working' => $mark->verdict->working,
                        'response' => array_map(
                            static fn (AnswerLine $line): array => $line->toData(),
                            $place->question->kind->inWords($mark->response, true),
                        ),
                    ],
                    $visit->allMarks(),
                ),
            ];
        }
        $summary = $sitting->summary();

        return [
            'review' => [
                'id' => $sitting->id,
                'title' => $edition->title,
                'rehearsal' => false,
                'blueprint' => $edition->blueprint->id,
                ...$told,
            ],
            'candidate' => ['name' => $sitting->account->name, 'login' => $sitting->account->login],
            'edition' => ['id' => $edition->id, 'number' => $edition->number],
            'how' => $summary['how'] ?? ($going->state->ended?->how->value ?? ''),
            'seed' => $sitting->seed,
            'made' => $made,
            'events' => iterator_to_array($this->events($sitting, $going), false),
        ];
    }

    /**
     * @return \Generator<array{at: string, kind: string, n: int|null, given: list<array<string, mixed>>}> all that happened, in its order:
     *   seconds since the beginning, and what was given
     */
    private function events(Sitting $sitting, Going $going): \Generator
    {
        $numbers = array_flip($going->state->asked);
        foreach ($this->store->events($sitting, $going->paper) as $event) {
            $place = EventCodec::place($event);
            $given =
                $event instanceof Saved || $event instanceof Checked
                    ? $going->paper->questions[$event->place]->question->kind->inWords($event->response, true)
                    : [];
            yield [
                'at' => (string) Points::cut($event->at->since($going->state->startedAt ?? Instant::start())->exact(), 1),
                'kind' => EventCodec::kind($event),
                'n' => isset($numbers[$place ?? '']) ? $numbers[$place] + 1 : null,
                'given' => array_map(static fn (AnswerLine $line): array => $line->toData(), $given),
            ];
        }
    }

    /** @return array{int, string|null} */
    private function question(int $revision): array
    {
        $row = $this->db->fetchNumeric('SELECT q.id, q.name FROM revision r JOIN question q ON q.id = r.question_id WHERE r.id = ?', [
            $revision,
        ]);

        return $row === false ? [0, null] : [Row::int($row[0]), is_string($row[1]) ? $row[1] : null];
    }
}
