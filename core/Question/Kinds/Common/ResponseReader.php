<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Common;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** Reads what a response gives, refusing by field name whatever a candidate's interface could not have sent. */
final class ResponseReader
{
    /**
     * The one field of a response; null if the response is null, which is unanswered.
     *
     * @throws Malformed
     */
    public static function field(mixed $given, string $field): ?Fields
    {
        if ($given === null) {
            return null;
        }
        if ($given === []) {
            throw new Malformed($field, 'is missing; an unanswered question is null');
        }

        return Fields::of($given)->only($field);
    }

    /**
     * A map such as {"1": "2"}: every key a known part, values texts; null and "" are empty parts.
     *
     * @param list<int> $parts that there are
     *
     * @return array<int, string>
     *
     * @throws Malformed
     */
    public static function map(Fields $given, string $field, array $parts): array
    {
        $map = [];
        $raw = $given->raw()[$field] ?? null;
        if (!is_array($raw) && !($raw instanceof \stdClass)) {
            throw new Malformed($field, 'must be an object');
        }
        $values = $raw === [] ? [] : Fields::of($raw, $field)->raw();
        foreach ($values as $key => $value) {
            if (preg_match('/^[1-9]\d{0,3}$/', (string) $key) !== 1 || !in_array((int) $key, $parts, true)) {
                throw new Malformed($field, sprintf('there is no part %s', mb_substr((string) $key, 0, 40)));
            }
            if ($value !== null && !is_string($value)) {
                throw new Malformed($field, sprintf('part %s must be a text', $key));
            }
            if ($value !== null && $value !== '') {
                $map[(int) $key] = $value;
            }
        }

        return $map;
    }
}
