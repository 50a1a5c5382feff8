<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\State;

use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Points;

/** What a rehearsal that begins in the middle takes to have been reached before: points, of how many, and what tallies came to. */
final readonly class Assumed
{
    /** @param array<string, int> $tallies by name */
    public function __construct(public Points $earned, public Points $max, public array $tallies = [])
    {
    }

    public static function nothing(): self
    {
        return new self(Points::zero(), Points::zero());
    }

    public static function fromData(Fields $data): self
    {
        return new self(
            Points::of($data->text('earned', '0')),
            Points::of($data->text('max', '0')),
            $data->has('tallies') ? $data->integerMap('tallies') : [],
        );
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return [
            'earned' => (string) $this->earned,
            'max' => (string) $this->max,
            ...$this->tallies === [] ? [] : ['tallies' => $this->tallies],
        ];
    }
}
