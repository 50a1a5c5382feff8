<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Rules;

/** What is ruled at one place of a blueprint, or, put over what lies further out, what holds there. */
final readonly class Rules
{
    /** @param array<string, string|bool|int> $values by the rule's word; durations in seconds */
    public function __construct(private array $values = [], public RefresherRule $refresher = new RefresherRule())
    {
    }

    /** The nearest wins, each rule by itself. */
    public function over(self $further): self
    {
        return new self([...$further->values, ...$this->values], $this->refresher->over($further->refresher));
    }

    public function says(Rule $rule): bool
    {
        return isset($this->values[$rule->value]);
    }

    public function flag(Rule $rule): bool
    {
        $value = $this->values[$rule->value] ?? null;

        return is_bool($value) ? $value : $rule->facts()->silent() === 'true';
    }

    public function word(Rule $rule): string
    {
        $value = $this->values[$rule->value] ?? null;

        return is_string($value) ? $value : $rule->facts()->silent();
    }

    /** Seconds for the whole; null: no limit. */
    public function seconds(): ?int
    {
        $seconds = $this->values[Rule::Time->value] ?? null;

        return is_int($seconds) ? $seconds : null;
    }

    /** How many sittings a candidate may have; null: any number. */
    public function sittings(): ?int
    {
        $sittings = $this->values[Rule::Sittings->value] ?? 1;

        return is_int($sittings) ? $sittings : null;
    }

    /** Seconds between two sittings of a candidate. */
    public function pause(): int
    {
        $pause = $this->values[Rule::Pause->value] ?? 0;

        return is_int($pause) ? $pause : 0;
    }

    public function isAnyOrder(): bool
    {
        return $this->word(Rule::Moving) === Moving::AnyOrder->value;
    }

    /** Whether the steps of a section share a screen. */
    public function sharesScreen(): bool
    {
        return $this->word(Rule::Screen) === Sharing::Section->value;
    }

    public function telling(): Telling
    {
        return Telling::from($this->word(Rule::Feedback));
    }

    /** Whether something is told before the end, so that there is a *Check*. */
    public function tellsBeforeTheEnd(): bool
    {
        return $this->tellsEachAttempt() || $this->telling() === Telling::LastAttempt;
    }

    public function tellsEachAttempt(): bool
    {
        return $this->telling() === Telling::EachAttempt;
    }

    /** Whether what was saved and not checked counts nothing when time runs out. */
    public function dropsWhatIsOpen(): bool
    {
        return $this->word(Rule::RunningOut) === RunningOut::Unanswered->value;
    }

    /** Whether the total does not go below 0. */
    public function hasFloor(): bool
    {
        return $this->word(Rule::Floor) === '0';
    }
}
