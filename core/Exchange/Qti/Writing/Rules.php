<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing;

use Zetema\Core\Numbers\Ratio;

/** Rules and expressions of response processing, to be written. */
final class Rules
{
    public static function number(Ratio|string $number): Tag
    {
        return Tag::of(
            'baseValue',
            ['baseType' => 'float'],
            is_string($number) ? $number : $number->decimal() ?? (string) $number->rounded(9),
        );
    }

    public static function identifier(string $value, string $type = 'identifier'): Tag
    {
        return Tag::of('baseValue', ['baseType' => $type], $value);
    }

    public static function variable(string $identifier): Tag
    {
        return Tag::of('variable', ['identifier' => $identifier]);
    }

    public static function set(string $identifier, Tag $to): Tag
    {
        return Tag::of('setOutcomeValue', ['identifier' => $identifier], $to);
    }

    /** @param list<array{Tag|null, list<Tag>}> $branches conditions, null for else, and what is done */
    public static function when(array $branches): Tag
    {
        $parts = [];
        foreach ($branches as $i => [$condition, $then]) {
            $parts[] = Tag::of(
                $condition === null ? 'responseElse' : ($i === 0 ? 'responseIf' : 'responseElseIf'),
                [],
                ...$condition === null ? [] : [$condition],
                ...$then,
            );
        }

        return Tag::of('responseCondition', [], ...$parts);
    }

    public static function matches(string $identifier): Tag
    {
        return Tag::of('match', [], self::variable($identifier), Tag::of('correct', ['identifier' => $identifier]));
    }

    /** @param list<Tag> $conditions one or more */
    public static function all(array $conditions): Tag
    {
        return count($conditions) === 1 ? $conditions[0] : Tag::of('and', [], ...$conditions);
    }

    /** What is divided exactly, and not as a decimal that had to be cut. */
    public static function fraction(Ratio $number): Tag
    {
        if ($number->decimal() !== null) {
            return self::number($number);
        }
        [$above, $below] = [...explode('/', (string) $number), '1'];

        return Tag::of('divide', [], self::number($above), self::number($below));
    }
}
