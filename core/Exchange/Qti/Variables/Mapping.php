<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Variables;

use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Numbers\Ratio;

/** What each value of a response is worth, and how little or much all together can be. */
final readonly class Mapping
{
    /**
     * @param array<array-key, Ratio> $entries by what they are for; a name of digits is a number as a key
     * @param array<array-key, bool> $caseSensitive by key
     */
    private function __construct(
        public array $entries,
        public array $caseSensitive,
        public Ratio $default,
        public ?Ratio $lower,
        public ?Ratio $upper,
    ) {
    }

    public static function of(Element $mapping, string $type): self
    {
        $entries = $sensitive = [];
        foreach ($mapping->children('mapEntry') as $entry) {
            $key = Value::of($type, 'single', [$entry->attribute('mapKey') ?? '']);
            if ($key !== null) {
                $entries[$key->texts()[0]] ??= Value::number($entry->attribute('mappedValue') ?? '') ?? Ratio::zero();
                $sensitive[$key->texts()[0]] ??= $entry->flag('caseSensitive', true);
            }
        }

        return new self(
            $entries,
            $sensitive,
            Value::number($mapping->attribute('defaultValue') ?? '') ?? Ratio::zero(),
            Value::number($mapping->attribute('lowerBound') ?? ''),
            Value::number($mapping->attribute('upperBound') ?? ''),
        );
    }

    /** NULL, which the standard leaves open, is worth nothing. */
    public function worth(?Value $response): Ratio
    {
        $sum = Ratio::zero();
        foreach (array_unique($response?->texts() ?? []) as $item) {
            $sum = $sum->plus($this->entry($item));
        }

        return $response === null ? $sum : self::within($sum, $this->lower, $this->upper);
    }

    public static function within(Ratio $sum, ?Ratio $lower, ?Ratio $upper): Ratio
    {
        $sum = $upper !== null && $sum->isGreaterThan($upper) ? $upper : $sum;

        return $lower !== null && $lower->isGreaterThan($sum) ? $lower : $sum;
    }

    private function entry(string $item): Ratio
    {
        foreach ($this->entries as $key => $worth) {
            if ((string) $key === $item || (!$this->caseSensitive[$key] && mb_strtolower((string) $key) === mb_strtolower($item))) {
                return $worth;
            }
        }

        return $this->default;
    }
}
