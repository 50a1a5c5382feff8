<?php

declare(strict_types=1);

namespace Zetema\Core\Numbers;

/** A number as typed: its exact value and how many digits were written. */
final readonly class TypedNumber
{
    /**
     * @param int|null $decimals digits after the point; null for fractions and exponents
     * @param int|null $significant all digits from the first that is not 0
     */
    public function __construct(public Ratio $value, public ?int $decimals, public ?int $significant)
    {
    }

    /** @param string $figures such as "2 decimals" or "3 significant"; "" demands nothing */
    public function meets(string $figures): bool
    {
        return match (true) {
            $figures === '' => true,
            str_ends_with($figures, 'decimals') => $this->decimals === (int) $figures,
            default => $this->significant === (int) $figures,
        };
    }
}
