<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Scoring\Sought;

use Zetema\Core\Data\Fields;
use Zetema\Core\Numbers\Ratio;

/** A number within a span, whose ends may belong to it or not; null: no end. */
final readonly class InSpan extends Sought
{
    public function __construct(
        public int $n,
        public ?Ratio $from,
        public bool $fromIncluded,
        public ?Ratio $to,
        public bool $toIncluded,
    ) {
    }

    public static function fromData(Fields $data): self
    {
        $end = static fn (?string $end): ?Ratio => $end === null ? null : Ratio::of($end);

        return new self(
            $data->integer('n'),
            $end($data->optionalText('from')),
            $data->flag('fromIncluded'),
            $end($data->optionalText('to')),
            $data->flag('toIncluded'),
        );
    }

    public function contains(Ratio $value): bool
    {
        $above = $this->from === null ? 1 : $value->compareTo($this->from);
        $below = $this->to === null ? 1 : $this->to->compareTo($value);

        return ($above > 0 || ($above === 0 && $this->fromIncluded)) && ($below > 0 || ($below === 0 && $this->toIncluded));
    }

    public function toData(): array
    {
        return [
            'n' => $this->n,
            'from' => $this->from === null ? null : (string) $this->from,
            'fromIncluded' => $this->fromIncluded,
            'to' => $this->to === null ? null : (string) $this->to,
            'toIncluded' => $this->toIncluded,
        ];
    }

    public function line(): array
    {
        return [$this->n, 0];
    }
}
