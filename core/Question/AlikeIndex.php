<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

/** Stems of a bank, by their words, so that the nearest to another one is found without holding it against each. */
final readonly class AlikeIndex
{
    /** @var array<int, array<string, true>> words of each */
    private array $words;
    /** @var array<string, list<int>> who has a word */
    private array $having;

    /** @param array<int, string> $stems by the question's id */
    public function __construct(array $stems)
    {
        $having = [];
        $this->words = array_map(Alike::words(...), $stems);
        foreach ($this->words as $id => $own) {
            foreach (array_keys($own) as $word) {
                $having[$word][] = $id;
            }
        }
        $this->having = $having;
    }

    /** @return int|null the question whose stem is nearly the same, the nearest of several; null: none is */
    public function nearest(string $stem): ?int
    {
        $own = Alike::words($stem);
        $best = Alike::NEARLY - 1;
        $nearest = null;
        foreach (count($own) < 2 ? [] : Alike::candidates($own, $this->having, PHP_INT_MIN) as $other) {
            $percent = Alike::shared($own, $this->words[$other]);
            if ($percent > $best) {
                [$best, $nearest] = [$percent, $other];
            }
        }

        return $nearest;
    }
}
