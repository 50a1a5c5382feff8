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
     * @param int|null $choice its number in the order written, from 1
     * @param int|null $attempt from 1
     */
    private function __construct(
        public bool $holds,
        public ?int $choice = null,
        public ?Outcome $outcome = null,
        public ?int $attempt = null,
        public bool $onLast = false,
    ) {
        if (count(array_filter([$choice !== null, $outcome !== null, $attempt !== null, $onLast])) !== 1) {
            throw new InvalidQuestion('a condition of a note speaks of a choice, an outcome or an attempt', 'note');
        }
        if (($choice ?? 1) < 1 || ($attempt ?? 1) < 1) {
            throw new InvalidQuestion('choices and attempts of a note count from 1', 'note');
        }
    }

    public static function chosen(int $choice, bool $holds = true): self
    {
        return new self($holds, choice: $choice);
    }

    public static function attempt(int $attempt, bool $holds = true): self
    {
        return new self($holds, attempt: $attempt);
    }

    /** Reads what matches the pattern. */
    public static function ofWords(string $words): self
    {
        $holds = !str_starts_with($words, 'not ');
        $what = $holds ? $words : substr($words, 4);

        return match (true) {
            str_starts_with($what, 'chosen ') => new self($holds, choice: (int) substr($what, 7)),
            $what === 'on the last attempt' => new self($holds, onLast: true),
            str_starts_with($what, 'on attempt ') => new self($holds, attempt: (int) substr($what, 11)),
            default => new self($holds, outcome: Outcome::tryFrom($what)),
        };
    }

    public function inWords(): string
    {
        return ($this->holds ? '' : 'not ') . match (true) {
            $this->choice !== null => 'chosen ' . $this->choice,
            $this->attempt !== null => 'on attempt ' . $this->attempt,
            $this->outcome !== null => $this->outcome->value,
            default => 'on the last attempt',
        };
    }

    public static function fromData(Fields $data): self
    {
        $outcome = $data->optionalText('outcome');

        return new self(!$data->flag('not', false), $data->optionalInteger('choice'), $outcome === null ? null : Outcome::tryFrom($outcome), $data->optionalInteger('attempt'), $data->flag('onLast', false));
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return array_filter([
            'not' => !$this->holds,
            'choice' => $this->choice,
            'outcome' => $this->outcome?->value,
            'attempt' => $this->attempt,
            'onLast' => $this->onLast,
        ], static fn (mixed $value): bool => $value !== null && $value !== false);
    }

    /** @param list<int> $chosen numbers of the choices made */
    public function isMet(array $chosen, Outcome $outcome, int $attempt, bool $last): bool
    {
        return $this->holds === match (true) {
            $this->choice !== null => in_array($this->choice, $chosen, true),
            $this->attempt !== null => $this->attempt === $attempt,
            $this->outcome !== null => $this->outcome === $outcome,
            default => $last,
        };
    }
}
