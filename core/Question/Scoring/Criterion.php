<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Scoring;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Scoring\Sought\Sought;

/** One thing to look for in a response, and what it counts when found. */
final readonly class Criterion
{
    /**
     * @param Ratio $right right parts; for texts and numbers the share of a wording or span
     * @param Ratio $wrong wrong parts
     * @param Ratio $weight points under "weighed"
     */
    private function __construct(public Sought $find, public Ratio $right, public Ratio $wrong, public Ratio $weight)
    {
    }

    public static function right(Sought $find, ?Ratio $share = null): self
    {
        return new self($find, $share ?? Ratio::one(), Ratio::zero(), Ratio::zero());
    }

    public static function wrong(Sought $find): self
    {
        return new self($find, Ratio::zero(), Ratio::one(), Ratio::zero());
    }

    public static function weighing(Sought $find, Points $weight): self
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
        $data = ['find' => $this->find->toData()];
        foreach (['right' => $this->right, 'wrong' => $this->wrong, 'weight' => $this->weight] as $field => $value) {
            if (!$value->isZero()) {
                $data[$field] = (string) $value;
            }
        }

        return $data;
    }

    /** @throws Malformed */
    public static function fromData(Fields $data): self
    {
        $number = static fn (string $field): Ratio => Ratio::of($data->text($field, '0'));

        return new self(Sought::fromData($data->object('find')), $number('right'), $number('wrong'), $number('weight'));
    }
}
