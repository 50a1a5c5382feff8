<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Processing;

use Zetema\Core\Exchange\Qti\Variables\Shape;
use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Numbers\Ratio;

/** Expressions that hold or do not; null where one of the values is NULL. */
final class Comparisons
{
    public const NAMES = [
        'match',
        'stringMatch',
        'substring',
        'equal',
        'equalRounded',
        'member',
        'contains',
        'gt',
        'gte',
        'lt',
        'lte',
        'inside',
    ];

    /** @param list<Value|null> $values */
    public static function of(Element $at, array $values): ?bool
    {
        $first = $values[0] ?? null;
        if ($at->name === 'inside') {
            return $first === null ? null : self::isInside($at, $first);
        }
        $second = $values[1] ?? null;
        if ($first === null || $second === null) {
            return null;
        }

        return match ($at->name) {
            'match' => $first->equals($second),
            'stringMatch' => $at->flag('substring')
                ? str_contains(self::folded($at, $first), self::folded($at, $second))
                : self::folded($at, $first) === self::folded($at, $second),
            'substring' => str_contains(self::folded($at, $second), self::folded($at, $first)),
            'member' => in_array($first->texts()[0], $second->texts(), true),
            'contains' => self::contains($first->texts(), $second->texts(), $first->cardinality === 'ordered'),
            default => self::compare($at, $first->asNumber(), $second->asNumber()),
        };
    }

    private static function compare(Element $at, ?Ratio $a, ?Ratio $b): ?bool
    {
        if ($a === null || $b === null) {
            return null;
        }

        return match ($at->name) {
            'gt' => $a->compareTo($b) > 0,
            'gte' => $a->compareTo($b) >= 0,
            'lt' => $a->compareTo($b) < 0,
            'lte' => $a->compareTo($b) <= 0,
            'equalRounded' => self::sameRounded($at, $a, $b),
            default => self::isFirstRight($at) ? self::isWithin($at, $b, $a) : self::isWithin($at, $a, $b),
        };
    }

    private static function sameRounded(Element $at, Ratio $a, Ratio $b): ?bool
    {
        [$a, $b] = [Numbers::roundTo($at, $a), Numbers::roundTo($at, $b)];

        return $a === null || $b === null ? null : $a->isEqualTo($b);
    }

    /** Of the two that are compared, a tolerance is about the one that does not come from the candidate. */
    public static function isFirstRight(Element $at): bool
    {
        return in_array($at->children()[0]->name ?? '', ['correct', 'baseValue', 'default'], true);
    }

    private static function isWithin(Element $at, Ratio $given, Ratio $right): bool
    {
        [$low, $high] = self::ends($at, $right);
        $below = $given->compareTo($low);
        $above = $given->compareTo($high);

        return ($at->flag('includeLowerBound', true) ? $below >= 0 : $below > 0) &&
            ($at->flag('includeUpperBound', true) ? $above <= 0 : $above < 0);
    }

    /** @return array{Ratio, Ratio} what is as right as a number */
    public static function ends(Element $at, Ratio $right): array
    {
        $mode = $at->attribute('toleranceMode') ?? 'exact';
        $written = $at->list('tolerance');
        $below = Value::number($written[0] ?? '0') ?? Ratio::zero();
        $above = Value::number($written[1] ?? ($written[0] ?? '0')) ?? Ratio::zero();

        return match ($mode) {
            'absolute' => [$right->minus($below), $right->plus($above)],
            'relative' => self::inOrder(
                $right->minus($right->multipliedBy($below)->dividedBy(100)),
                $right->plus($right->multipliedBy($above)->dividedBy(100)),
            ),
            default => [$right, $right],
        };
    }

    /** @return array{Ratio, Ratio} */
    private static function inOrder(Ratio $a, Ratio $b): array
    {
        return $a->isGreaterThan($b) ? [$b, $a] : [$a, $b];
    }

    private static function folded(Element $at, Value $value): string
    {
        return $at->flag('caseSensitive', $at->name !== 'stringMatch' || $at->attribute('caseSensitive') === null)
            ? $value->texts()[0]
            : mb_strtolower($value->texts()[0]);
    }

    /**
     * @param list<string> $all
     * @param list<string> $some
     */
    private static function contains(array $all, array $some, bool $inOrder): bool
    {
        if ($inOrder) {
            for ($i = 0; $i + count($some) <= count($all); ++$i) {
                if (array_slice($all, $i, count($some)) === $some) {
                    return true;
                }
            }

            return false;
        }
        foreach ($some as $item) {
            $at = array_search($item, $all, true);
            if ($at === false) {
                return false;
            }
            unset($all[$at]);
        }

        return true;
    }

    private static function isInside(Element $at, Value $points): ?bool
    {
        // Percentages are of a picture that an expression does not know.
        $area = Shape::area($at->attribute('shape') ?? '', $at->attribute('coords') ?? '', [99_999, 99_999]);
        if ($area === null) {
            return null;
        }
        foreach ($points->texts() as $point) {
            [$x, $y] = array_map(intval(...), [...explode(' ', $point), '0']);
            if ($area->contains($x, $y)) {
                return true;
            }
        }

        return false;
    }
}
