<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing\Proof;

use Zetema\Core\Drawing\Stock\QuestionClass;

/** Questions that fit the same draws, class after class. One that must be kept apart from another is a group of its own. */
final class FitGroup
{
    public int $size = 0;
    /** @var list<QuestionClass> */
    public array $classes = [];
    /** @var list<int> the place of each class's first question */
    private array $starts = [];

    /**
     * @param list<int> $draws counted from 0
     * @param string|null $apart the id of the one question, if it must be kept apart
     * @param int $tier how gladly they are taken: 0 first
     */
    public function __construct(public readonly array $draws, public readonly ?string $apart, public readonly int $tier = 0)
    {
    }

    public function add(QuestionClass $class): void
    {
        $this->classes[] = $class;
        $this->starts[] = $this->size;
        $this->size += $class->count;
    }

    /**
     * @param int<0, max> $place in the group
     *
     * @return array{QuestionClass, int<0, max>} the class, and the place within it
     */
    public function at(int $place): array
    {
        $low = 0;
        $high = count($this->starts) - 1;
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            if ($this->starts[$middle] <= $place) {
                $low = $middle;
            } else {
                $high = $middle - 1;
            }
        }

        return [$this->classes[$low], max(0, $place - $this->starts[$low])];
    }
}
