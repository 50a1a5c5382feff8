<?php

declare(strict_types=1);

namespace Zetema\App\Delivery\Rehearsing;

use Zetema\App\Delivery\Going;
use Zetema\App\Delivery\Invigilation;
use Zetema\App\Delivery\Sitting;
use Zetema\App\Delivery\Stored\SittingStore;
use Zetema\App\Shared\Lock;
use Zetema\App\Shared\Transactions;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Sitting\Act\Act;
use Zetema\Core\Sitting\Act\Check;
use Zetema\Core\Sitting\Act\Given;
use Zetema\Core\Sitting\Act\GoOn;
use Zetema\Core\Sitting\Act\Save;
use Zetema\Core\Sitting\Event\Clock;
use Zetema\Core\Sitting\Event\ClockKind;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\Paper\Screen;
use Zetema\Core\Sitting\Refused;
use Zetema\Core\Sitting\Rehearsal\Answerer;
use Zetema\Core\Sitting\Rehearsal\HowToAnswer;
use Zetema\Core\Sitting\Run\Clocks;
use Zetema\Core\Sitting\Run\Conduct;
use Zetema\Core\Sitting\State\At;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** What whoever rehearses can do beside what a candidate does: wind the clock on, have questions answered, take a step back. */
final readonly class Rehearsing
{
    /** A rehearsal that has not come to its end by then goes round in a circle. */
    private const MOST_SCREENS = 1_000;
    private const LONGEST = 86_400;

    public function __construct(private Invigilation $invigilation, private Transactions $transactions, private SittingStore $store)
    {
    }

    /**
     * @param Fields $body {do: wind on, to: seconds | question | section | whole, seconds} · {do: stop | go on} · {do: answer, how, rest} ·
     *   {do: back}
     *
     * @throws Malformed|Refused in words
     */
    public function do(Sitting $sitting, Fields $body): void
    {
        if ($body->text('do') === 'answer') {
            $this->answer(
                $sitting,
                HowToAnswer::tryFrom($body->text('how')) ?? throw new Malformed('how', 'is none that is known'),
                $body->flag('rest', false),
            );

            return;
        }
        $this->transactions->over(
            Lock::sitting($sitting->id),
            fn () => match ($body->text('do')) {
                'wind on' => $this->windOn($sitting, $body->text('to'), $body->optionalInteger('seconds')),
                'stop' => $sitting->rehearsalClock()->stop($this->invigilation->now()),
                'go on' => $sitting->rehearsalClock()->goOn($this->invigilation->now()),
                'back' => $this->back($sitting),
                default => throw new Malformed('do', 'is wind on, stop, go on, answer or back'),
            },
        );
    }

    private function windOn(Sitting $sitting, string $to, ?int $seconds): void
    {
        $going = $this->invigilation->settle($sitting);
        $now = $this->invigilation->nowOf($sitting);
        if ($to === 'seconds') {
            if ($seconds === null || $seconds < 1 || $seconds > self::LONGEST) {
                throw new Malformed('seconds', sprintf('must be from 1 to %d', self::LONGEST));
            }
            $sitting->rehearsalClock()->windOn($now->plus(Duration::seconds($seconds)), $this->invigilation->now());

            return;
        }
        foreach ((new Clocks($going->paper, $going->terms))->running($going->state) as $due) {
            if ($due->clock->kind->value === $to) {
                // What is on its way is waited for as long as for a candidate.
                $sitting
                    ->rehearsalClock()
                    ->windOn($due->at->plus(Conduct::grace())->plus(Duration::micros(2)), $this->invigilation->now());

                return;
            }
        }
        throw in_array(ClockKind::tryFrom($to), [ClockKind::Question, ClockKind::Section, ClockKind::Whole], true)
            ? new Refused(sprintf('No time of the %s runs now.', $to))
            : new Malformed('to', 'is seconds, question, section or whole');
    }

    /** The questions on this screen that are open; or all to come, up to the end. */
    private function answer(Sitting $sitting, HowToAnswer $how, bool $rest): void
    {
        $chance = new Chance($sitting->seed ^ crc32($how->value) ^ $this->invigilation->settle($sitting)->state->events);
        for ($screens = 0; $screens < self::MOST_SCREENS; ++$screens) {
            $going = $this->invigilation->settle($sitting);
            if (!$going->state->isRunning()) {
                break;
            }
            $given = 0;
            foreach (self::open($going) as $place) {
                $given +=
                    $this->give($sitting, $place, $how, $chance) ||
                    ($rest && $how === HowToAnswer::Partly && $this->give($sitting, $place, HowToAnswer::ByChance, $chance))
                        ? 1
                        : 0;
            }
            if (!$rest) {
                if ($given === 0 && $how !== HowToAnswer::NotAtAll) {
                    throw new Refused(
                        $how === HowToAnswer::Partly
                            ? 'Nothing here can be answered partly right.'
                            : 'Nothing here is open to be answered so.',
                    );
                }
                break;
            }
            if ($going->state->position->isAt(At::End)) {
                break;
            }
            $this->invigilation->byStaff($sitting, static fn (Going $going, Instant $now): Act => new GoOn($now));
        }
    }

    /** @return list<QuestionPlace> */
    private static function open(Going $going): array
    {
        $node = $going->state->position->isAt(At::Node) ? $going->paper->nodes[$going->state->position->node] ?? null : null;

        return $node instanceof Screen
            ? array_values(
                array_filter($node->questions(), static fn (QuestionPlace $place): bool => $going->state->visit($place->id)->isOpen()),
            )
            : [];
    }

    private function give(Sitting $sitting, QuestionPlace $place, HowToAnswer $how, Chance $chance): bool
    {
        $response = Answerer::response($place, $how, $chance);
        if ($response === null) {
            return false;
        }
        $checks = $place->rules->tellsBeforeTheEnd();
        $this->invigilation->byStaff(
            $sitting,
            static fn (Going $going, Instant $now): Act => $checks
                ? new Check($now, $place->name, Given::of($response))
                : new Save($now, $place->name, Given::of($response)),
        );

        return true;
    }

    /** The last thing that was done, and what the clock did after it, never happened. */
    private function back(Sitting $sitting): void
    {
        $at = $this->store->goBack($sitting) ?? throw new Refused('This is the beginning.');
        $sitting->rehearsalClock()->goBack($at, $this->invigilation->now());
        $this->invigilation->catchUp($sitting);
    }
}
