<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Marks;

use Zetema\Core\Exchange\Qti\Processing\Comparisons;
use Zetema\Core\Exchange\Qti\Variables\ResponseDeclaration;
use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Numbers\Ratio;

/** What an item’s rules and declarations compare a typed response with. */
final class Constants
{
    /** @return list<string> wordings, as they are written, each once */
    public static function wordings(ResponseDeclaration $declaration, ?Element $rules): array
    {
        $found = array_map(strval(...), array_keys($declaration->mapping->entries ?? []));
        array_push($found, ...$declaration->correct?->texts() ?? []);
        foreach ($rules?->below('baseValue') ?? [] as $value) {
            if ($value->attribute('baseType') === 'string') {
                $found[] = $value->text();
            }
        }

        return array_values(array_unique(array_filter($found, static fn (string $w): bool => trim($w) !== '')));
    }

    /**
     * Numbers at which a mark may change, with the place in the rules where they stand.
     *
     * @return list<array{Ratio, int}> rising, each once
     */
    public static function ends(ResponseDeclaration $declaration, ?Element $rules): array
    {
        $correct = $declaration->correct?->asNumber();
        $found = $correct === null ? [] : [[$correct, $declaration->element->order]];
        foreach (array_keys($declaration->mapping->entries ?? []) as $i => $key) {
            $number = Value::number($key);
            $found = $number === null ? $found : [...$found, [$number, $declaration->element->order + $i]];
        }
        foreach ($rules?->below('baseValue', 'equal', 'equalRounded') ?? [] as $e) {
            if ($e->name === 'baseValue') {
                $number = in_array($e->attribute('baseType'), ['float', 'integer'], true) ? Value::number(trim($e->text())) : null;
                $found = $number === null ? $found : [...$found, [$number, $e->order]];
                continue;
            }
            $right = self::right($e, $declaration);
            foreach ($right === null ? [] : ($e->name === 'equal' ? Comparisons::ends($e, $right) : self::rounded($e, $right)) as $end) {
                $found[] = [$end, $e->order];
            }
        }
        usort($found, static fn (array $a, array $b): int => [$a[0]->compareTo($b[0]), $a[1]] <=> [0, $b[1]]);
        $once = [];
        foreach ($found as $end) {
            if ($once === [] || !$once[count($once) - 1][0]->isEqualTo($end[0])) {
                $once[] = $end;
            }
        }

        return $once;
    }

    /** The number that a comparison takes to be right; null where it is none. */
    public static function right(Element $comparison, ResponseDeclaration $declaration): ?Ratio
    {
        foreach ($comparison->children('correct', 'baseValue') as $e) {
            return $e->name === 'correct'
                ? ($e->attribute('identifier') === $declaration->identifier
                    ? $declaration->correct?->asNumber()
                    : null)
                : Value::number(trim($e->text()));
        }

        return null;
    }

    /** @return list<Ratio> between which numbers are the same when rounded */
    private static function rounded(Element $e, Ratio $right): array
    {
        $figures = (int) ($e->attribute('figures') ?? 0);
        $decimals =
            ($e->attribute('roundingMode') ?? 'significantFigures') === 'decimalPlaces'
                ? $figures
                : $figures - max(1, strlen((string) $right->abs()->cut(0)));
        if ($decimals > 20 || $decimals < -20) {
            return [];
        }
        $unit = Ratio::of('1' . str_repeat('0', abs($decimals)));
        $half = ($decimals < 0 ? $unit : Ratio::one()->dividedBy($unit))->dividedBy(2);
        $middle = $decimals < 0 ? $right->dividedBy($unit)->rounded(0)->multipliedBy($unit) : $right->rounded($decimals);

        return [$middle->minus($half), $middle->plus($half)];
    }
}
