<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Stored;

use Zetema\Core\Blueprint\Step\Lead;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Sitting\State\At;
use Zetema\Core\Sitting\State\Position;

/** A position as it is stored. */
final class PositionCodec
{
    /** @return array<string, mixed> */
    public static function toData(Position $position): array
    {
        return array_filter(
            [
                'kind' => $position->kind->value,
                'node' => $position->node,
                'page' => $position->page === '' ? null : $position->page,
                'leadsTo' => $position->lead?->then,
                'number' => $position->number === 0 ? null : $position->number,
            ],
            static fn (mixed $value): bool => $value !== null,
        );
    }

    public static function read(Fields $data): Position
    {
        $node = $data->integer('node');
        $page = $data->text('page', '');

        return match (At::tryFrom($data->text('kind'))) {
            At::Before => Position::before(),
            At::Node => Position::node($node),
            At::Lead => Position::lead($node, $page, new Lead($page, $data->optionalText('leadsTo'))),
            At::Refresher => Position::refresher($node, $page, $data->integer('number', 0)),
            At::End => Position::end($node),
            At::Over => Position::over(),
            null => throw new Malformed('kind', 'is none that there is'),
        };
    }
}
