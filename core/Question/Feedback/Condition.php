<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Feedback;

use Zetema\Core\Data\Fields;
use Zetema\Core\Question\InvalidQuestion;

/** One thing that may be so after an attempt: a choice made, an outcome, or which attempt it was; or that it is not so. */
final readonly class Condition
{
    /** The words of one condition in the text format, as a pattern. */
    public const PATTERN = '(?:not )?(?:chosen \d{1,3}|right|partly right|wrong|unanswered|out of time|on attempt \d{1,2}|on the last attempt)';

    /**
     * @param int|null $answer id of a choice
     * @param int|null $attempt from 1
     */
    private function __construct(
        public bool $holds,
        public ?int $answer = null,
        public ?Outcome $outcome = null,
        public ?int $attempt = null,
        public bool $onLast = false,
    ) {
        if (count(array_filter([$answer !== null, $outcome !== null, $attempt !== null, $onLast])) !== 1) {
            throw new InvalidQuestion('a condition of a note speaks of a choice, an outcome or an attempt', 'note');
        }
        if (($answer ?? 1) < 1 || ($attempt ?? 1) < 1) {
            throw new InvalidQuestion('choices and attempts of a note count from 1', 'note');
        }
    }

    public static function chosen(int $answer, bool $holds = true): self
    {
        return new self($holds, answer: $answer);
    }

    public static function attempt(int $attempt, bool $holds = true): self
    {
        return new self($holds, attempt: $attempt);
    }

    /** Reads what matches the pattern. In the text format the ids of choices are their numbers. */
    public static function ofWords(string $words): self
    {
        $holds = !str_starts_with($words, 'not ');
        $what = $holds ? $words : substr($words, 4);

        return match (true) {
            str_starts_with($what, 'chosen ') => new self($holds, answer: (int) substr($what, 7)),
            $what === 'on the last attempt' => new self($holds, onLast: true),
            str_starts_with($what, 'on attempt ') => new self($holds, attempt: (int) substr($what, 11)),
            default => new self($holds, outcome: Outcome::tryFrom($what)),
        };
    }

    /** @param list<int> $ids of the choices, in the order written */
    public function inWords(array $ids): string
    {
        return ($this->holds ? '' : 'not ') .
            match (true) {
                $this->answer !== null => 'chosen ' .
                    (in_array($this->answer, $ids, true) ? (int) array_search($this->answer, $ids, true) + 1 : $this->answer),
                $this->attempt !== null => 'on attempt ' . $this->attempt,
                $this->outcome !== null => $this->outcome->value,
                default => 'on the last attempt',
            };
    }

    /** @param list<int> $ids of the choices, in the order written: by it conditions were stored that speak of a number */
    public static function fromData(Fields $data, array $ids): self
    {
        $outcome = $data->optionalText('outcome');
        $number = $data->optionalInteger('choice');
        $answer = $number === null ? $data->optionalInteger('answer') : $ids[$number - 1] ?? $number;

        return new self(
            !$data->flag('not', false),
            $answer,
            $outcome === null ? null : Outcome::tryFrom($outcome),
            $data->optionalInteger('attempt'),
            $data->flag('onLast', false),
        );
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return array_filter(
            [
                'not' => !$this->holds,
                'answer' => $this->answer,
                'outcome' => $this->outcome?->value,
                'attempt' => $this->attempt,
                'onLast' => $this->onLast,
            ],
            static fn (mixed $value): bool => $value !== null && $value !== false,
        );
    }

    /** @param list<int> $chosen ids of the choices made */
    public function isMet(array $chosen, Outcome $outcome, int $attempt, bool $last): bool
    {
        return $this->holds ===
            match (true) {
                $this->answer !== null => in_array($this->answer, $chosen, true),
                $this->attempt !== null => $this->attempt === $attempt,
                $this->outcome !== null => $this->outcome === $outcome,
                default => $last,
            };
    }
}
