<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Stored;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Time\Instant;

/** Moments as they are stored: microseconds. */
final class Moments
{
    /** @throws Malformed */
    public static function of(Fields $data, string $field): Instant
    {
        return Instant::micros($data->integer($field));
    }

    /** @throws Malformed */
    public static function optional(Fields $data, string $field): ?Instant
    {
        $micros = $data->optionalInteger($field);

        return $micros === null ? null : Instant::micros($micros);
    }
}
