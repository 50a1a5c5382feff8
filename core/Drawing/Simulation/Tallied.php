<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing\Simulation;

/** How many questions of a sort forms had: the forms in which there was any. */
final class Tallied
{
    /** @var array<int, int> forms by how many they had */
    private array $forms = [];

    public function add(int $questions): void
    {
        $this->forms[$questions] = ($this->forms[$questions] ?? 0) + 1;
    }

    /**
     * @param int $all how many forms there were; in those that are missing here was none
     *
     * @return array{least: int, most: int, mean: string}
     */
    public function told(int $all): array
    {
        $forms = $this->forms;
        $none = $all - array_sum($forms);
        $forms += $none > 0 ? [0 => $none] : [];

        return [
            'least' => $forms === [] ? 0 : min(array_keys($forms)),
            'most' => $forms === [] ? 0 : max(array_keys($forms)),
            'mean' => Simulation::mean($forms),
        ];
    }
}
