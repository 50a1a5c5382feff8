<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing\Proof;

/** The smallest set of draws that together ask for more questions than fit them. */
final readonly class Shortage
{
    /** @param non-empty-list<int> $draws counted from 1 in the order written */
    public function __construct(public array $draws, public int $ask, public int $fit)
    {
    }

    public function inWords(): string
    {
        $names = implode(', ', array_slice($this->draws, 0, -1));
        $last = $this->draws[count($this->draws) - 1];

        return $names === ''
            ? sprintf(
                'Draw %d asks for %s; %s',
                $last,
                self::questions($this->ask),
                $this->fit === 1 ? 'only 1 fits it.' : sprintf('only %d fit it.', $this->fit),
            )
            : sprintf(
                'Draws %s and %d together ask for %s; only %d fit%s them.',
                $names,
                $last,
                self::questions($this->ask),
                $this->fit,
                $this->fit === 1 ? 's' : '',
            );
    }

    private static function questions(int $n): string
    {
        return $n === 1 ? '1 question' : $n . ' questions';
    }
}
