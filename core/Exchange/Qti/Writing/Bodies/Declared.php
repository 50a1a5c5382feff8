<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing\Bodies;

use Zetema\Core\Exchange\Qti\Writing\Rules;
use Zetema\Core\Exchange\Qti\Writing\Tag;
use Zetema\Core\Numbers\Ratio;

/** Response variables, and the expressions over them that several kinds share. */
final class Declared
{
    public const RESPONSE = 'RESPONSE';

    /**
     * @param list<string> $correct
     */
    public static function response(
        string $cardinality,
        string $type,
        array $correct,
        ?Tag $mapping = null,
        string $identifier = self::RESPONSE,
    ): Tag {
        return Tag::of(
            'responseDeclaration',
            ['identifier' => $identifier, 'cardinality' => $cardinality, 'baseType' => $type],
            ...array_values(
                array_filter(
                    [
                        $correct === []
                            ? null
                            : Tag::of(
                                'correctResponse',
                                [],
                                ...array_map(static fn (string $v): Tag => Tag::of('value', [], $v), $correct),
                            ),
                        $mapping,
                    ],
                    static fn (?Tag $t): bool => $t !== null,
                ),
            ),
        );
    }

    /** @param array<array-key, Ratio> $worths by what is given */
    public static function mapping(array $worths, Ratio $default, ?Ratio $lower = null, ?Ratio $upper = null): Tag
    {
        $entries = array_map(
            static fn (string|int $key, Ratio $worth): Tag => Tag::of('mapEntry', [
                'mapKey' => (string) $key,
                'mappedValue' => (string) $worth->decimal(),
            ]),
            array_keys($worths),
            $worths,
        );

        return Tag::of(
            'mapping',
            ['lowerBound' => $lower?->decimal(), 'upperBound' => $upper?->decimal(), 'defaultValue' => $default->decimal()],
            ...$entries,
        );
    }

    public static function mapped(string $name = 'mapResponse'): Tag
    {
        return Tag::of($name, ['identifier' => self::RESPONSE]);
    }

    public static function share(Tag $expression): Tag
    {
        return Rules::set('SHARE', $expression);
    }

    /** So many of so many. */
    public static function part(Tag $of, int $count): Tag
    {
        return $count === 1 ? $of : Tag::of('divide', [], $of, Rules::number((string) $count));
    }

    /** All right, if a sum reaches what it can be. */
    public static function whole(Tag $sum, int $count): Tag
    {
        return Rules::when([[Tag::of('gte', [], $sum, Rules::number((string) $count)), [self::share(Rules::number('1'))]]]);
    }

    /** All right, if it is the correct response. */
    public static function match(): Tag
    {
        return Rules::when([[Rules::matches(self::RESPONSE), [self::share(Rules::number('1'))]]]);
    }

    public static function blank(string ...$identifiers): Tag
    {
        return Rules::all(
            array_map(
                static fn (string $i): Tag => Tag::of('isNull', [], Rules::variable($i)),
                $identifiers === [] ? [self::RESPONSE] : array_values($identifiers),
            ),
        );
    }

    /** Adds to how right it is. */
    public static function add(Tag $worth, string $to = 'SHARE'): Tag
    {
        return Rules::set($to, Tag::of('sum', [], Rules::variable($to), $worth));
    }

    public static function has(string $value, string $type = 'identifier'): Tag
    {
        return Tag::of('member', [], Rules::identifier($value, $type), Rules::variable(self::RESPONSE));
    }

    /** Not more than so many were given. */
    public static function atMost(int $count): Tag
    {
        return Tag::of(
            'lte',
            [],
            Tag::of('containerSize', [], Rules::variable(self::RESPONSE)),
            Rules::identifier((string) $count, 'integer'),
        );
    }
}
