<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Stored;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting\Event\AtQuestion;
use Zetema\Core\Sitting\Event\Checked;
use Zetema\Core\Sitting\Event\Clock;
use Zetema\Core\Sitting\Event\ClockKind;
use Zetema\Core\Sitting\Event\ClosedByStaff;
use Zetema\Core\Sitting\Event\Event;
use Zetema\Core\Sitting\Event\Flagged;
use Zetema\Core\Sitting\Event\HandedIn;
use Zetema\Core\Sitting\Event\HintOpened;
use Zetema\Core\Sitting\Event\Paused;
use Zetema\Core\Sitting\Event\Placed;
use Zetema\Core\Sitting\Event\RanOut;
use Zetema\Core\Sitting\Event\Resumed;
use Zetema\Core\Sitting\Event\Saved;
use Zetema\Core\Sitting\Event\Started;
use Zetema\Core\Sitting\Event\TimeGiven;
use Zetema\Core\Sitting\Event\WentOn;
use Zetema\Core\Sitting\Event\WentTo;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\State\Assumed;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** Events as they are stored: the kind, the place if it has one, and what else it needs as versioned data. */
final readonly class EventCodec
{
    public const VERSION = 1;
    private const KINDS = [
        'started' => Started::class,
        'saved' => Saved::class,
        'checked' => Checked::class,
        'hint opened' => HintOpened::class,
        'went on' => WentOn::class,
        'went to' => WentTo::class,
        'flagged' => Flagged::class,
        'handed in' => HandedIn::class,
        'time given' => TimeGiven::class,
        'ran out' => RanOut::class,
        'closed by staff' => ClosedByStaff::class,
        'placed' => Placed::class,
        'paused' => Paused::class,
        'resumed' => Resumed::class,
    ];

    public function __construct(private Paper $paper)
    {
    }

    public static function kind(Event $event): string
    {
        return (string) array_search($event::class, self::KINDS, true);
    }

    public static function place(Event $event): ?string
    {
        return match (true) {
            $event instanceof AtQuestion, $event instanceof WentTo => $event->place,
            default => null,
        };
    }

    /** @return array<string, mixed>|null */
    public static function data(Event $event): ?array
    {
        $data = match (true) {
            $event instanceof Saved, $event instanceof Checked => ['response' => $event->response->toData()],
            $event instanceof Flagged => ['on' => $event->on],
            $event instanceof TimeGiven => [
                'clock' => $event->clock->kind->value,
                'name' => $event->clock->name,
                'time' => $event->time->micros,
            ],
            $event instanceof RanOut => ['clock' => $event->clock->kind->value, 'name' => $event->clock->name],
            $event instanceof Placed => ['step' => $event->step, 'assumed' => $event->assumed->toData()],
            default => null,
        };

        return $data === null ? null : ['v' => self::VERSION, ...$data];
    }

    /**
     * @param array<string, mixed> $data
     *
     * @throws Malformed if it is no event of this version
     */
    public function event(string $kind, Instant $at, ?string $place, array $data): Event
    {
        $fields = Fields::of($data);
        if ($data !== [] && $fields->integer('v') !== self::VERSION) {
            throw new Malformed('v', sprintf('is %d; this reads events of version %d', $fields->integer('v'), self::VERSION));
        }
        $place ??= '';

        return match (self::KINDS[$kind] ?? null) {
            Started::class => new Started($at),
            Saved::class => new Saved($at, $place, $this->response($place, $data['response'] ?? null)),
            Checked::class => new Checked($at, $place, $this->response($place, $data['response'] ?? null)),
            HintOpened::class => new HintOpened($at, $place),
            WentOn::class => new WentOn($at),
            WentTo::class => new WentTo($at, $place),
            Flagged::class => new Flagged($at, $place, $fields->flag('on')),
            HandedIn::class => new HandedIn($at),
            TimeGiven::class => new TimeGiven($at, self::clock($fields), Duration::micros($fields->integer('time'))),
            RanOut::class => new RanOut($at, self::clock($fields)),
            ClosedByStaff::class => new ClosedByStaff($at),
            Paused::class => new Paused($at),
            Resumed::class => new Resumed($at),
            Placed::class => new Placed($at, $fields->text('step'), Assumed::fromData($fields->object('assumed'))),
            default => throw new Malformed('kind', sprintf('there is no event “%s”', $kind)),
        };
    }

    private static function clock(Fields $data): Clock
    {
        return Clock::of(
            ClockKind::tryFrom($data->text('clock')) ?? throw new Malformed('clock', 'is none that there is'),
            $data->text('name'),
        );
    }

    private function response(string $place, mixed $data): Response
    {
        $question = $this->paper->questions[$place] ?? throw new Malformed('place', 'is not in the paper');

        return $question->question->kind->response($data, $question->settings, complete: false);
    }
}
