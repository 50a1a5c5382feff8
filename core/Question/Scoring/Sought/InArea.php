<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Scoring\Sought;

use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Answers\Area;

/** A click into an area. */
final readonly class InArea extends Sought
{
    /** @param bool $isKey whether the area is right: among areas that overlap, right ones go before known wrong ones */
    public function __construct(public int $n, public Area $area, public bool $isKey)
    {
    }

    public static function fromData(Fields $data): self
    {
        return new self($data->integer('n'), Area::fromPlan($data->text('shape'), $data->integers('numbers')), $data->flag('key'));
    }

    public function toData(): array
    {
        return ['n' => $this->n, 'shape' => $this->area->shape, 'numbers' => $this->area->numbers, 'key' => $this->isKey];
    }

    public function line(): array
    {
        return [$this->n, 0];
    }
}
