<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Scoring;

use Zetema\Core\Data\Fields;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;

/** One thing to look for in a response, and what it counts when found. */
final readonly class Criterion
{
    /**
     * @param array<array-key, mixed> $find such as {"chosen": 2}, {"left": 3}, {"wording": "varroa"}, {"from": "13", "to": "15"}
     * @param Ratio $right right parts; for texts and numbers the share of a wording or span
     * @param Ratio $wrong wrong parts
     * @param Ratio $weight points under "weighed"
     */
    private function __construct(
        public array $find,
        public Ratio $right,
        public Ratio $wrong,
        public Ratio $weight,
    ) {
    }

    /** @param array<array-key, mixed> $find */
    public static function right(array $find, ?Ratio $share = null): self
    {
        return new self($find, $share ?? Ratio::one(), Ratio::zero(), Ratio::zero());
    }

    /** @param array<array-key, mixed> $find */
    public static function wrong(array $find): self
    {
        return new self($find, Ratio::zero(), Ratio::one(), Ratio::zero());
    }

    /** @param array<array-key, mixed> $find */
    public static function weighing(array $find, Points $weight): self
    {
        return new self($find, Ratio::zero(), Ratio::zero(), $weight->exact());
    }

    /** The same at another worth: only what it counts in points changes. */
    public function scaled(Ratio $factor): self
    {
        return new self($this->find, $this->right, $this->wrong, $this->weight->multipliedBy($factor));
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        $data = ['find' => $this->find];
        foreach (['right' => $this->right, 'wrong' => $this->wrong, 'weight' => $this->weight] as $field => $value) {
            if (!$value->isZero()) {
                $data[$field] = (string) $value;
            }
        }

        return $data;
    }

    public static function fromData(Fields $data): self
    {
        $number = static fn (string $field): Ratio => Ratio::of($data->text($field, '0'));

        return new self($data->object('find')->raw(), $number('right'), $number('wrong'), $number('weight'));
    }
}
