<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Points;

/** What an ended sitting came to: the sum of the rounded marks, not below 0, against the paper's points. */
final readonly class Result
{
    /**
     * @param int $right how many graded questions are right, of those asked; what is not graded or only recorded counts nowhere
     * @param bool|null $passed null without a pass mark, or when nothing was graded
     */
    private function __construct(public Points $earned, public Points $max, public int $right, public int $asked, public ?bool $passed, public ?string $percent)
    {
    }

    public static function of(Sitting $sitting): self
    {
        $sum = Points::zero();
        $right = 0;
        foreach ($sitting->paper->sheets as $i => $sheet) {
            $standing = $sitting->states[$i]->standing($sheet);
            $sum = $standing === null ? $sum : $sum->plus($standing->verdict->earned);
            $right += $sheet->plan->counts() && $standing?->verdict->outcome === Outcome::Right ? 1 : 0;
        }
        $earned = $sum->isNegative() ? Points::zero() : $sum;
        $max = $sitting->paper->max();
        $pass = $sitting->paper->pass;

        return new self(
            $earned,
            $max,
            $right,
            count(array_filter($sitting->paper->sheets, static fn (Sheet $sheet): bool => $sheet->plan->counts())),
            $pass === null || $max->isZero() ? null : $pass->isReachedBy($earned, $max),
            self::percent($earned, $max),
        );
    }

    /** Exact, cut and not rounded up, at most two decimals; null if there is nothing to earn. */
    public static function percent(Points $earned, Points $max): ?string
    {
        if ($max->isZero()) {
            return null;
        }
        $percent = $earned->exact()->multipliedBy(100)->dividedBy($max->exact());

        return (string) Points::cut($percent, 2);
    }
}
