<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing\Simulation;

use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Drawing\Stock\QuestionClass;
use Zetema\Core\Drawing\Stock\Stock;

/**
 * A stock whose questions are called by their class and their place in it, so that nobody is asked for 400,000 names while 10,000 forms are
 * dealt.
 */
final class NumberedStock implements Stock
{
    /** @var array<string, QuestionClass> by key */
    private array $classes = [];
    /** @var array<array-key, QuestionClass> those of fixed questions, by their ids: a form has these as they are */
    private array $fixed = [];

    public function __construct(private readonly Stock $stock)
    {
    }

    public function classes(DealingPlan $blueprint, array $alone = []): array
    {
        $classes = $this->stock->classes($blueprint);
        $this->classes = array_combine(array_map(static fn (QuestionClass $c): string => $c->key, $classes), $classes);

        $fixed = array_flip($blueprint->fixed());
        foreach ($classes as $class) {
            $this->fixed += isset($fixed[$class->sample->id]) ? [$class->sample->id => $class] : [];
        }

        return $classes;
    }

    public function idOf(QuestionClass $class, int $n): string
    {
        return $class->key . '#' . $n;
    }

    public function known(array $ids): array
    {
        return $this->stock->known($ids);
    }

    public function apart(): array
    {
        return $this->stock->apart();
    }

    /** The class of a question that was dealt. */
    public function classOf(string $id): QuestionClass
    {
        return $this->fixed[$id] ?? $this->classes[substr($id, 0, (int) strrpos($id, '#'))];
    }

    /** What its own stock calls a question that was dealt. */
    public function own(string $id): string
    {
        return isset($this->fixed[$id])
            ? $id
            : $this->stock->idOf($this->classOf($id), max(0, (int) substr($id, (int) strrpos($id, '#') + 1)));
    }
}
