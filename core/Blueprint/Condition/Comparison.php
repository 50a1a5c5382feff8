<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Condition;

use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;

/** "At least 6", "between 2 and 5": compared exactly. */
final readonly class Comparison
{
    public const SIGNS = ['>=', '>', '<=', '<', '=', 'between'];

    /** @param Points|null $to the other end of "between"; both ends belong to it */
    public function __construct(public string $sign, public Points $value, public ?Points $to = null)
    {
    }

    public function holds(Ratio $number): bool
    {
        $compared = $number->compareTo($this->value->exact());

        return match ($this->sign) {
            '>=' => $compared >= 0,
            '>' => $compared > 0,
            '<=' => $compared <= 0,
            '<' => $compared < 0,
            'between' => $compared >= 0 && $this->to !== null && $number->compareTo($this->to->exact()) <= 0,
            default => $compared === 0,
        };
    }
}
