<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;

/** What must be reached to pass: points, or percent of the paper's points. Compared exactly. */
final readonly class PassMark
{
    private function __construct(public Points $value, public bool $inPercent)
    {
    }

    public static function points(string $points): self
    {
        return self::checked(Points::of($points), false);
    }

    public static function percent(string $percent): self
    {
        $value = Points::of($percent);
        if ($value->compare(Points::of('100')) > 0) {
            throw new Malformed('pass', 'more than 100 percent cannot be reached');
        }

        return self::checked($value, true);
    }

    public static function fromData(Fields $data): self
    {
        $data->only('percent', 'points');

        return $data->has('percent') ? self::percent($data->text('percent')) : self::points($data->text('points'));
    }

    /** @return array<string, string> */
    public function toData(): array
    {
        return [$this->inPercent ? 'percent' : 'points' => (string) $this->value];
    }

    public function isReachedBy(Points $earned, Points $max): bool
    {
        return $earned->exact()->compareTo($this->inPoints($max)) >= 0;
    }

    /** The points to reach in a paper of that worth. */
    public function inPoints(Points $max): Ratio
    {
        return $this->inPercent ? $max->exact()->multipliedBy($this->value->exact())->dividedBy(100) : $this->value->exact();
    }

    private static function checked(Points $value, bool $inPercent): self
    {
        if ($value->isNegative()) {
            throw new Malformed('pass', 'must be 0 or above');
        }

        return new self($value, $inPercent);
    }
}
