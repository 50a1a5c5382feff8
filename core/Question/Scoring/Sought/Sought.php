<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Scoring\Sought;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** What a criterion looks for in a response. Its data is described by the JSON Schema of marking plans. */
abstract readonly class Sought
{
    /** @return array<string, mixed> */
    abstract public function toData(): array;

    /**
     * Where it was written: the number of its line among the lines of the question or of its part, and the part; 0: of the question itself.
     *
     * @return array{int, int}|null
     */
    public function line(): ?array
    {
        return null;
    }

    /** @throws Malformed if it is none of those there are */
    public static function fromData(Fields $data): self
    {
        return match (true) {
            $data->has('chosen') => new IsChosen($data->integer('chosen')),
            $data->has('left') => new IsLeft($data->integer('left')),
            $data->has('pattern') => new Pattern($data->integer('n'), $data->text('pattern')),
            $data->has('wording') => new Wording($data->integer('n'), $data->text('wording'), $data->integer('part', 0)),
            $data->has('fromIncluded') => InSpan::fromData($data),
            $data->has('part') => PartTakes::fromData($data),
            $data->has('place') => new AtPlace($data->integer('place'), $data->integers('items')),
            $data->has('after') => new Following($data->integers('after'), $data->integers('items')),
            $data->has('shape') => InArea::fromData($data),
            $data->has('outside') => new OutsideAreas(),
            default => throw new Malformed('find', 'names nothing that can be looked for'),
        };
    }
}
