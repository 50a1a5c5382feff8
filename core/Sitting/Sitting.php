<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

use Zetema\Core\Marking\Feedback\FeedbackChooser;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Question\Response\Response;

/** One candidate's run through one paper: a state machine over an append-only list of events. `now` is always passed in. */
final readonly class Sitting
{
    /** A reply that was on its way when time ran out is accepted for so long, in milliseconds. */
    public const GRACE = 3_000;

    /**
     * @param list<SheetState> $states one for each sheet
     * @param int $events how many events led here
     */
    private function __construct(
        public Paper $paper,
        public array $states,
        public ?int $startedAt,
        public ?int $endedAt,
        public bool $ranOut,
        public int $events,
    ) {
    }

    public static function of(Paper $paper): self
    {
        return new self($paper, array_map(static fn (): SheetState => SheetState::untouched(), $paper->sheets), null, null, false, 0);
    }

    /** @param iterable<Event> $events that were accepted before, in order */
    public static function replay(Paper $paper, iterable $events): self
    {
        $sitting = self::of($paper);
        foreach ($events as $event) {
            $sitting = $sitting->with($event);
        }

        return $sitting;
    }

    public function isRunning(): bool
    {
        return $this->startedAt !== null && $this->endedAt === null;
    }

    /** Milliseconds since 1970; null without a limit or before the start. */
    public function deadline(): ?int
    {
        return $this->startedAt === null || $this->paper->rules->seconds === null ? null : $this->startedAt + 1000 * $this->paper->rules->seconds;
    }

    /** The event that the clock alone brings about by now, whether the candidate is there or not. */
    public function overdue(int $now): ?Event
    {
        $deadline = $this->deadline();

        return $this->isRunning() && $deadline !== null && $now > $deadline + self::GRACE ? new Event(EventType::RanOut, $deadline) : null;
    }

    /**
     * Checks what a candidate wants to do.
     *
     * @throws Refused
     */
    public function accept(Event $event): Event
    {
        if ($event->type === EventType::Started) {
            return $this->startedAt === null ? $event : throw new Refused('This sitting has begun already.');
        }
        if (!$this->isRunning()) {
            throw new Refused($this->ranOut ? 'Time has run out; the paper was handed in with what was saved.' : 'This paper has been handed in.');
        }
        if (in_array($event->type, [EventType::HandedIn, EventType::RanOut], true)) {
            return $event;
        }
        $sheet = $this->paper->sheets[($event->sheet ?? 0) - 1] ?? throw new Refused('There is no such question in this paper.');
        $state = $this->states[($event->sheet ?? 0) - 1] ?? SheetState::untouched();
        if (in_array($event->type, [EventType::Flagged, EventType::Unflagged], true)) {
            return $event;
        }
        if ($state->isClosed($sheet)) {
            throw new Refused('This question is closed; its mark stands.');
        }
        if ($event->type === EventType::HintOpened) {
            $hint = $sheet->question->hints[$state->hintsOpened] ?? throw new Refused('There is no further hint.');

            return count($state->attempts) + 1 >= $hint->fromAttempt ? $event : throw new Refused(sprintf('This hint opens from attempt %d.', $hint->fromAttempt));
        }
        if ($event->type === EventType::Checked) {
            $this->refuseUnlessCheckable($sheet, $event->response ?? Response::blank());
        }

        return $event;
    }

    public function with(Event $event): self
    {
        $states = $this->states;
        $i = ($event->sheet ?? 0) - 1;
        if (isset($states[$i], $this->paper->sheets[$i])) {
            $states[$i] = match ($event->type) {
                EventType::Saved => $states[$i]->saving($event->response ?? Response::blank()),
                EventType::Checked => $states[$i]->attempted($this->attempt($i, $event->response ?? Response::blank())),
                EventType::HintOpened => $states[$i]->openingHint(),
                EventType::Flagged => $states[$i]->flagging(true),
                EventType::Unflagged => $states[$i]->flagging(false),
                default => $states[$i],
            };
        }
        $ends = in_array($event->type, [EventType::HandedIn, EventType::RanOut], true);

        return new self(
            $this->paper,
            $ends ? $this->closing($states) : $states,
            $event->type === EventType::Started ? $event->at : $this->startedAt,
            $ends ? $event->at : $this->endedAt,
            $event->type === EventType::RanOut,
            $this->events + 1,
        );
    }

    /** Whether a saved response has something that was not marked yet. */
    private static function isOpen(SheetState $state, Sheet $sheet): bool
    {
        $last = $state->attempts === [] ? null : $state->attempts[count($state->attempts) - 1];

        return !$state->isClosed($sheet) && ($last === null || $last->response->toData() !== $state->saved->toData());
    }

    /**
     * At the end each open response is marked as it stands.
     *
     * @param list<SheetState> $states
     *
     * @return list<SheetState>
     */
    private function closing(array $states): array
    {
        foreach ($this->paper->sheets as $i => $sheet) {
            $state = $states[$i] ?? SheetState::untouched();
            if (self::isOpen($state, $sheet) && ($state->attempts === [] || !$state->saved->isBlank())) {
                $states[$i] = $state->attempted($this->attempt($i, $state->saved, last: true));
            }
        }

        return array_values($states);
    }

    private function attempt(int $i, Response $response, bool $last = false): Attempt
    {
        $sheet = $this->paper->sheets[$i] ?? throw new Refused('There is no such question in this paper.');
        $state = $this->states[$i] ?? SheetState::untouched();
        $number = count($state->attempts) + 1;
        $verdict = (new Marker())->mark($sheet->plan, $response, $number, $state->hintsOpened);
        $allowed = $sheet->settings->attempts();
        $left = $last ? 0 : ($allowed === null ? null : $allowed - $number);

        $chooser = new FeedbackChooser();

        return new Attempt($number, $response, $verdict, $chooser->facts($verdict, $left), $chooser->texts($sheet->question, $sheet->settings, $response, $verdict, $number, $left));
    }

    private function refuseUnlessCheckable(Sheet $sheet, Response $response): void
    {
        if (!$this->paper->rules->tellsAtOnce) {
            throw new Refused('Nothing is checked before this paper is handed in.');
        }
        if ($response->isBlank()) {
            throw new Refused('There is nothing to check yet.');
        }
        $notYet = $sheet->question->kind->notYet($response, $sheet->settings);
        if ($notYet !== null) {
            throw new Refused($notYet);
        }
    }
}
