<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Sitting;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Dealing\BlueprintDealer;
use Zetema\Core\Data\Fields;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;
use Zetema\Core\Sitting\Act\Given;
use Zetema\Core\Sitting\Act\GoOn;
use Zetema\Core\Sitting\Act\HandIn;
use Zetema\Core\Sitting\Act\Pause;
use Zetema\Core\Sitting\Act\Save;
use Zetema\Core\Sitting\Act\Start;
use Zetema\Core\Sitting\Event\AtQuestion;
use Zetema\Core\Sitting\Event\Event;
use Zetema\Core\Sitting\Event\Paused;
use Zetema\Core\Sitting\Outside\SittingResult;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\PaperMaker;
use Zetema\Core\Sitting\Run\Conduct;
use Zetema\Core\Sitting\Run\Terms;
use Zetema\Core\Sitting\Run\Totals;
use Zetema\Core\Sitting\State\Standing;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Sitting\Stored\EventCodec;
use Zetema\Core\Sitting\Stored\Snapshot;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;
use Zetema\Tests\Speed;

/** What must hold in every sitting, whatever the blueprint says and whatever is done in it. */
final class SittingModelTest extends SatCase
{
    private const SITTINGS = 2_000;
    private const WALKED = 400;
    private ListedBank $bank;

    protected function setUp(): void
    {
        $this->bank = new ListedBank(self::BANK);
    }

    public function test_whatever_is_done_what_must_hold_holds(): void
    {
        $ended = $refused = $ran = 0;
        for ($seed = 1; $seed <= self::SITTINGS; ++$seed) {
            $random = new RandomSitting($seed, $this->bank);
            $paper = $this->dealt($random->blueprint());
            $conduct = new Conduct($paper, $terms = $random->terms());
            $state = $conduct->begin();
            $events = $conduct->take($state, new Start(Instant::start()))->events;
            for ($i = 0; $i < 30; ++$i) {
                $before = clone $state;
                $act = $random->act($paper);
                $taken = $conduct->take($state, $act);
                array_push($events, ...$taken->events);
                $this->heeded($paper, $before, $state, "seed $seed, act $i: " . $act::class);
                if ($taken->refused !== null) {
                    ++$refused;
                    $conduct->settle($before, $act instanceof Pause ? $act->at : $act->at->before());
                    self::assertEquals($before, $state, "seed $seed: refused, an act changes nothing but what the clock did");
                }
            }
            array_push($events, ...$conduct->settle($state, $random->now()->plus(Duration::seconds(20))));

            self::assertEquals($state, $conduct->replay($events), "seed $seed: replay equals live");
            $this->stored($paper, $conduct, $events, $state, "seed $seed");
            // What was on its way as the sitting was paused came with the pause, whatever staff did since.
            $pauses = array_map(static fn (Event $event): int => $event->at->micros, array_filter($events, static fn (Event $event): bool => $event instanceof Paused));
            $times = array_values(
                array_map(static fn (Event $event): int => $event->at->micros, array_filter($events, static fn (Event $event): bool => !($event instanceof AtQuestion && in_array($event->at->micros, $pauses, true)))),
            );
            $sorted = $times;
            sort($sorted);
            self::assertSame($sorted, $times, "seed $seed: no clock runs back");
            $this->summed($paper, $state, $terms);
            $ended += $state->ended === null ? 0 : 1;
            $ran += count($state->ran);
        }
        self::assertGreaterThan(self::SITTINGS / 5, $ended);
        self::assertGreaterThan(self::SITTINGS, $refused);
        self::assertGreaterThan(self::SITTINGS / 5, $ran);
    }

    /** What is closed stays closed with its mark, and nothing that was asked is not asked any more. */
    private function heeded(Paper $paper, State $before, State $after, string $message): void
    {
        foreach ($paper->questions as $place) {
            $was = $before->visit($place->id);
            $is = $after->visit($place->id);
            if ($was->closed !== null) {
                self::assertEquals($was->closed, $is->closed, $message);
                self::assertEquals(Standing::of($place, $was), Standing::of($place, $is), $message);
            }
            self::assertTrue($is->isAsked || !$was->isAsked, $message);
            self::assertSame($is->runsSince !== null, isset($after->ticking[$place->id]), $message);
            self::assertTrue($is->closed === null || $is->runsSince === null, $message);
            self::assertTrue($place->attempts === null || count($is->marks()) <= $place->attempts + ($is->ranOut ? 1 : 0), $message);
        }
        if ($before->ended !== null) {
            self::assertEquals($before, $after, $message);
        }
    }

    /**
     * What is stored and read again is the same: every event, and a snapshot taken half-way, from which the rest goes on.
     *
     * @param list<Event> $events
     */
    private function stored(Paper $paper, Conduct $conduct, array $events, State $state, string $message): void
    {
        $codec = new EventCodec($paper);
        $read = array_map(static fn (Event $e): Event => $codec->event(EventCodec::kind($e), $e->at, EventCodec::place($e), self::json(EventCodec::data($e) ?? [])), $events);
        self::assertEquals($events, $read, "$message: events as they are stored");
        $half = $conduct->replay(array_slice($events, 0, intdiv(count($events), 2)));
        $half = Snapshot::read(Fields::of(self::json(Snapshot::toData($half))), $paper);
        foreach (array_slice($events, intdiv(count($events), 2)) as $event) {
            $conduct->apply($half, $event);
        }
        self::assertEquals($state, $half, "$message: snapshot equals replay");
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed>
     */
    private static function json(array $data): array
    {
        $read = json_decode(json_encode($data, JSON_THROW_ON_ERROR), true);

        return is_array($read) ? array_combine(array_map(strval(...), array_keys($read)), $read) : [];
    }

    private function summed(Paper $paper, State $state, Terms $terms): void
    {
        $sum = Points::zero();
        foreach ($paper->questions as $place) {
            $standing = (new Totals($paper, $state))->standing($place);
            $sum = $sum->plus($standing->mark->verdict->earned ?? Points::zero());
            self::assertTrue($state->ended === null || $state->visit($place->id)->isAsked === ($standing !== null), 'once ended, what was asked is closed');
        }
        $points = (new SittingResult($paper, $state, $terms, Instant::start()))->toData()['points'];
        self::assertSame((string) ($state->ended !== null && $sum->isNegative() ? Points::zero() : $sum), $points);
    }

    public function test_handing_in_equals_leaving_step_by_step(): void
    {
        $walked = 0;
        for ($seed = 1; $seed <= self::WALKED; ++$seed) {
            $random = new RandomSitting(10_000 + $seed, $this->bank);
            $paper = $this->dealt($random->blueprint(refreshers: false));
            $conduct = new Conduct($paper, $terms = $random->terms());
            $state = $conduct->begin();
            $conduct->take($state, new Start(Instant::start()));
            for ($i = 0; $i < $seed % 8; ++$i) {
                $conduct->take($state, $random->act($paper));
            }
            $at = $random->now();
            $stepwise = clone $state;
            while ($conduct->take($stepwise, new GoOn($at))->refused === null) {
                ++$walked;
            }
            $conduct->take($stepwise, new HandIn($at));
            $conduct->take($state, new HandIn($at));

            self::assertEquals($this->told($paper, $stepwise, $terms), $this->told($paper, $state, $terms), "seed $seed");
        }
        self::assertGreaterThan(self::WALKED, $walked);
    }

    /** @return array<string, mixed> the result, but for what was shown on the way */
    private function told(Paper $paper, State $state, Terms $terms): array
    {
        $told = (new SittingResult($paper, $state, $terms, Instant::start()))->toData();
        $steps = is_array($told['steps']) ? $told['steps'] : [];
        $told['steps'] = array_map(static fn (mixed $step): array => is_array($step) ? [...$step, 'shown' => null, 'took' => null] : [], $steps);
        unset($told['path']);

        return $told;
    }

    public function test_a_hundred_thousand_events_are_folded_in_two_seconds(): void
    {
        $paper = $this->dealt(self::plan([self::q('trim'), self::q('oar')], ['rules' => ['moving' => 'any order']]));
        $conduct = new Conduct($paper, new Terms(Ratio::one()));
        $state = $conduct->begin();
        $events = $conduct->take($state, new Start(Instant::start()))->events;
        $trim = $paper->questions['trim'];
        for ($i = 1; $i <= 100_000; ++$i) {
            array_push($events, ...$conduct->take($state, new Save(Instant::micros($i), 'trim', Given::read($trim, ['choose' => [1 + ($i % 3)]])))->events);
        }
        $replayed = null;
        Speed::within(2_000, static function () use ($conduct, $events, &$replayed): void {
            $replayed = $conduct->replay($events);
        });

        self::assertEquals([100_001, $state->visit('trim')->saved], [$replayed?->events, $replayed?->visit('trim')->saved]);
    }

    private function dealt(Blueprint $plan): Paper
    {
        return (new PaperMaker($plan, fn (string $name): array => [$this->bank->questions[$name], $this->bank->settings]))->paper((new BlueprintDealer($plan, $this->bank->stock()))->deal(1));
    }
}
