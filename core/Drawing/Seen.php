<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing;

use Zetema\Core\Data\Fields;

/**
 * The questions that a candidate has had in earlier sittings: a further form prefers those they have not had, then those they had longest
 * ago.
 */
final readonly class Seen
{
    /** @var list<list<string>> ids by sitting, the one longest ago first; each stands in the last that had it */
    public array $sittings;
    /** @var array<string, int> */
    private array $tiers;

    /** @param list<list<string>> $sittings ids of what each had, the one longest ago first */
    public function __construct(array $sittings = [])
    {
        /** @var array<array-key, int> $last */
        $last = [];
        foreach ($sittings as $i => $ids) {
            $last = array_replace($last, array_fill_keys($ids, $i));
        }
        $kept = [];
        foreach ($last as $id => $i) {
            $kept[$i][] = (string) $id;
        }
        ksort($kept);
        $this->sittings = array_values($kept);
        $tiers = [];
        foreach ($this->sittings as $i => $ids) {
            $tiers += array_fill_keys($ids, $i + 1);
        }
        $this->tiers = $tiers;
    }

    public static function nothing(): self
    {
        return new self();
    }

    /** @param list<mixed> $data */
    public static function fromData(array $data): self
    {
        return new self(array_map(static fn (mixed $ids): array => Fields::of(['ids' => $ids])->texts('ids'), $data));
    }

    /** 0: not seen; from 1: seen, the longest ago first. */
    public function tier(string $id): int
    {
        return $this->tiers[$id] ?? 0;
    }

    /** @return list<string> */
    public function ids(): array
    {
        return array_map(strval(...), array_keys($this->tiers));
    }
}
