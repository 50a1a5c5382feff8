<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Marks;

use Zetema\Core\Exchange\Written\QuestionLines;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;

/** A way to mark a question: the rule, what it is worth, what is taken off, and under “weighed” what each answer earns. */
final readonly class Marking
{
    /**
     * @param string $rule none, or one of ours
     * @param array<string, string> $settings costs and bounds, without house values
     * @param list<Ratio> $weights of each choice or area, or what each part earns
     * @param list<Ratio> $losses what each part loses; as many as weights, or none
     */
    public function __construct(
        public string $rule,
        public ?Ratio $points = null,
        public array $settings = [],
        public array $weights = [],
        public array $losses = [],
    ) {
    }

    public function isWeighed(): bool
    {
        return $this->rule === 'weighed';
    }

    /** @param array<string, string> $settings */
    public function with(array $settings): self
    {
        return new self($this->rule, $this->points, [...$this->settings, ...$settings], $this->weights, $this->losses);
    }

    /** @return array<string, string> as a question says them, values of the house left out */
    private function said(): array
    {
        return [
            ...$this->rule === 'none' ? ['key' => 'none'] : [],
            ...$this->points === null || $this->points->isEqualTo(1) || $this->isWeighed()
                ? []
                : ['points' => self::decimal($this->points)],
            ...in_array($this->rule, ['none', 'whole'], true) ? [] : ['marking' => $this->rule],
            ...$this->settings,
        ];
    }

    /** Says it in the lines of a question; that a scale has no key goes without saying. */
    public function sayIn(QuestionLines $lines): QuestionLines
    {
        foreach ($lines->opening === 'rating' ? [] : $this->said() as $word => $value) {
            $lines->put($word, $value);
        }

        return $lines;
    }

    /** Four decimals at most, which is what marks may have. */
    public static function decimal(Ratio $number): string
    {
        return (string) Points::rounded($number, 4);
    }
}
