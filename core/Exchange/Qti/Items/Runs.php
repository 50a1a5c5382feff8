<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items;

use Zetema\Core\Exchange\Qti\Marks\Answered;
use Zetema\Core\Exchange\Qti\Marks\Tried;
use Zetema\Core\Exchange\Qti\Processing\CannotRun;
use Zetema\Core\Exchange\Qti\Processing\Processor;
use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Numbers\Ratio;

/** An item's rules, run for everything that is tried: marks, and the other outcomes that feedback asks. */
final class Runs
{
    private const LAST_ATTEMPT = 7;

    /** Why the item's own rules could not be run; then the declarations say what is right. */
    public ?CannotRun $failed = null;
    /** @var array<int, list<array<string, Value|null>>> outcomes by attempt and try */
    public array $outcomes = [];
    private ?string $score;

    /** @param array{int, int} $size of the item's picture */
    public function __construct(Element $item, Context $context, Answered $answered, array $size)
    {
        $outcomes = $item->children('outcomeDeclaration');
        $this->score = self::score($outcomes, $context->rules);
        try {
            $this->run(new Processor($context->declarations, $outcomes, $context->rules, $size), $answered, $context->rules);
            $this->score = $this->beside($outcomes) ?? $this->score;
        } catch (CannotRun $e) {
            $this->failed = $e;
            $this->run(new Processor($context->declarations, $outcomes, null, $size), $answered, null);
        }
    }

    /** @throws CannotRun */
    private function run(Processor $processor, Answered $answered, ?Element $rules): void
    {
        $asksAttempt =
            array_filter(
                $rules?->below('variable') ?? [],
                static fn (Element $v): bool => $v->attribute('identifier') === 'numAttempts',
            ) !== [];
        $this->outcomes = [];
        foreach (range(1, $asksAttempt ? self::LAST_ATTEMPT : 1) as $attempt) {
            $this->outcomes[$attempt] = array_map(
                static fn (Tried $tried): array => $processor->run($tried->responses, $attempt),
                $answered->tries(),
            );
        }
    }

    /**
     * Where nothing ever scores, the one other number that something makes positive: a question that is not graded has its key all the
     * same.
     *
     * @param list<Element> $outcomes
     */
    private function beside(array $outcomes): ?string
    {
        $positive = fn (string $name): bool => array_filter(
            $this->outcomes[1],
            static fn (array $o): bool => ($o[$name] ?? null)?->asNumber()?->isPositive() === true,
        ) !== [];
        if ($this->score === null || $positive($this->score)) {
            return null;
        }
        $found = array_values(array_filter(array_diff(self::numbers($outcomes), ['MAXSCORE']), $positive));

        return count($found) === 1 ? $found[0] : null;
    }

    /**
     * @param list<Element> $outcomes
     *
     * @return list<string>
     */
    private static function numbers(array $outcomes): array
    {
        $isNumber = static fn (Element $o): bool => in_array($o->attribute('baseType'), ['float', 'integer'], true) &&
            ($o->attribute('cardinality') ?? 'single') === 'single';

        return array_values(
            array_map(static fn (Element $o): string => $o->attribute('identifier') ?? '', array_filter($outcomes, $isNumber)),
        );
    }

    /**
     * SCORE, else the only number that is set.
     *
     * @param list<Element> $outcomes
     */
    private static function score(array $outcomes, ?Element $rules): ?string
    {
        $numbers = self::numbers($outcomes);
        if (in_array('SCORE', $numbers, true) || $rules === null || $rules->children() === []) {
            return 'SCORE';
        }
        $set = array_map(static fn (Element $s): string => $s->attribute('identifier') ?? '', $rules->below('setOutcomeValue'));
        $found = array_values(array_unique(array_intersect($numbers, $set)));

        return count($found) === 1 ? $found[0] : (in_array('SCORE', $set, true) ? 'SCORE' : null);
    }

    /** Whether some outcome is the score. */
    public function hasScore(): bool
    {
        return $this->failed !== null || $this->score !== null;
    }

    /** @return list<Ratio> by try */
    public function marks(int $attempt = 1): array
    {
        $score = $this->failed !== null ? 'SCORE' : $this->score ?? '';

        return array_map(static fn (array $o): Ratio => ($o[$score] ?? null)?->asNumber() ?? Ratio::zero(), $this->outcomes[$attempt]);
    }

    /** @return array<int, list<Ratio>> of further attempts, by attempt */
    public function later(): array
    {
        $later = [];
        foreach (array_keys($this->outcomes) as $attempt) {
            if ($attempt > 1) {
                $later[$attempt] = $this->marks($attempt);
            }
        }

        return $later;
    }
}
