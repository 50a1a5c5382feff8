<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Scoring\Sought;

use Zetema\Core\Data\Fields;

/** A part that was given one of some values; without any named: whatever else it was given. */
final readonly class PartTakes extends Sought
{
    /** @param list<string>|null $values null: anything that no other criterion of the part takes */
    public function __construct(public int $part, public ?array $values)
    {
    }

    public static function fromData(Fields $data): self
    {
        return new self($data->integer('part'), $data->has('takes') ? $data->texts('takes') : null);
    }

    public function toData(): array
    {
        return ['part' => $this->part, 'takes' => $this->values];
    }
}
