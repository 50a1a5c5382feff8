<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Variables;

use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\Area;

/** What a click in each area is worth. Areas are tried in order, the first that holds a click counts, each area once. */
final readonly class AreaMapping
{
    /** @param list<array{Area, Ratio, Element}> $areas */
    private function __construct(public array $areas, public Ratio $default, public ?Ratio $lower, public ?Ratio $upper)
    {
    }

    /** @param array{int, int} $size of the picture */
    public static function of(Element $mapping, array $size): self
    {
        $areas = [];
        foreach ($mapping->children('areaMapEntry') as $entry) {
            $area = Shape::area($entry->attribute('shape') ?? '', $entry->attribute('coords') ?? '', $size);
            if ($area !== null) {
                $areas[] = [$area, Value::number($entry->attribute('mappedValue') ?? '') ?? Ratio::zero(), $entry];
            }
        }

        return new self(
            $areas,
            Value::number($mapping->attribute('defaultValue') ?? '') ?? Ratio::zero(),
            Value::number($mapping->attribute('lowerBound') ?? ''),
            Value::number($mapping->attribute('upperBound') ?? ''),
        );
    }

    public function worth(?Value $clicks): Ratio
    {
        $sum = Ratio::zero();
        $hit = [];
        foreach ($clicks?->texts() ?? [] as $click) {
            [$x, $y] = array_map(intval(...), [...explode(' ', $click), '0']);
            $in = array_key_first(array_filter($this->areas, static fn (array $a): bool => $a[0]->contains($x, $y)));
            $sum = $sum->plus($in === null ? $this->default : (isset($hit[$in]) ? Ratio::zero() : $this->areas[$in][1]));
            $hit[$in ?? -1] = true;
        }

        return $clicks === null ? $sum : Mapping::within($sum, $this->lower, $this->upper);
    }
}
