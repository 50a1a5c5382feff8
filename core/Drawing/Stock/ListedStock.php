<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing\Stock;

use Zetema\Core\Drawing\DealingPlan;

/** A stock that is a list. */
final class ListedStock implements Stock
{
    /** @var array<string, non-empty-list<string>> ids of a class, by its key */
    private array $ids = [];

    /**
     * @param list<EligibleQuestion> $questions
     * @param list<string> $others ids of questions that are there but may not be dealt
     * @param list<array{string, string}> $apart
     */
    public function __construct(
        private readonly array $questions,
        private readonly array $others = [],
        private readonly array $apart = [],
    ) {
    }

    public function classes(DealingPlan $blueprint, array $alone = []): array
    {
        $named = array_flip([...$blueprint->named(), ...$blueprint->fixed(), ...$alone]);
        $tags = $blueprint->tags();
        /** @var array<string, array{EligibleQuestion, non-empty-list<string>}> $classes */
        $classes = [];
        foreach ($this->questions as $q) {
            $key = isset($named[$q->id])
                ? '#' . $q->id
                : implode("\n", [
                    $q->kind,
                    $q->difficulty,
                    (string) $q->worth,
                    ...array_intersect($tags, $q->tags),
                    '',
                    ...$q->pools,
                    '',
                    ...$q->objective,
                ]);
            $classes[$key] ??= [$q, []];
            $classes[$key][1][] = $q->id;
        }
        $this->ids = array_map(static fn (array $class): array => $class[1], $classes);

        return array_map(
            static fn (string $key, array $class): QuestionClass => new QuestionClass($class[0], count($class[1]), $key),
            array_keys($classes),
            $classes,
        );
    }

    public function idOf(QuestionClass $class, int $n): string
    {
        return $this->ids[$class->key][$n];
    }

    public function known(array $ids): array
    {
        return array_values(array_intersect($ids, [...array_column($this->questions, 'id'), ...$this->others]));
    }

    public function apart(): array
    {
        return $this->apart;
    }
}
