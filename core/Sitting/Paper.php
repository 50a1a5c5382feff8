<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

use Zetema\Core\Drawing\PassMark;
use Zetema\Core\Question\Points;

/** What one candidate sits: the sheets in their order, the rules and the pass mark. */
final readonly class Paper
{
    /** @param non-empty-list<Sheet> $sheets */
    public function __construct(public array $sheets, public Rules $rules, public ?PassMark $pass)
    {
    }

    public function max(): Points
    {
        return array_reduce($this->sheets, static fn (Points $sum, Sheet $sheet): Points => $sum->plus($sheet->plan->max()), Points::zero());
    }
}
