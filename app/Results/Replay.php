<?php

declare(strict_types=1);

namespace Zetema\App\Results;

use Zetema\App\Delivery\CandidatePage;
use Zetema\App\Delivery\Going;
use Zetema\App\Delivery\Sitting;
use Zetema\App\Delivery\Stored\SittingStore;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Points;
use Zetema\Core\Sitting\Stored\EventCodec;
use Zetema\Core\Time\Instant;

/** A finished sitting as its candidate had it before them, after any of its events. */
final readonly class Replay
{
    public function __construct(private CandidatePage $shown, private SittingStore $store)
    {
    }

    /**
     * @param int $number of the event, from 1
     *
     * @return array<string, mixed> what happened, when in seconds since the beginning, and the screen that it led to
     *
     * @throws Malformed if there is no such event
     */
    public function after(Sitting $sitting, Going $going, int $number): array
    {
        $events = iterator_to_array($this->store->events($sitting, $going->paper), false);
        $event = $events[$number - 1] ?? throw new Malformed('event', sprintf('must be from 1 to %d', count($events)));
        $then = $going->at($going->conduct->replay(array_slice($events, 0, $number)));
        $place = array_search(EventCodec::place($event), $then->state->asked, true);

        return [
            'event' => $number,
            'events' => count($events),
            'kind' => EventCodec::kind($event),
            'n' => $place === false ? null : $place + 1,
            'at' => (string) Points::cut($event->at->since($then->state->startedAt ?? Instant::start())->exact(), 1),
            'candidate' => $sitting->account->name,
            'screen' => [
                'id' => $sitting->id,
                'title' => $sitting->edition->title ?? '',
                'rehearsal' => false,
                'blueprint' => null,
                ...$this->shown->running($sitting, $then, $event->at),
                'watch' => null,
            ],
        ];
    }
}
