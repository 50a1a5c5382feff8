<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Settings;

use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Problems;

/** A share of the worth, written in percent, from 0 to 100. */
final readonly class Share
{
    private function __construct(public Points $percent)
    {
    }

    public static function whole(): self
    {
        return new self(Points::of('100'));
    }

    /** @throws InvalidSetting */
    public static function ofPercent(string $percent): self
    {
        $points = Points::of($percent);
        if ($points->isNegative() || $points->compare(Points::of('100')) > 0) {
            throw new InvalidSetting(sprintf('“%s %%” is no share; 0 to 100 would be right', $percent));
        }

        return new self($points);
    }

    public function exact(): Ratio
    {
        return $this->percent->exact()->dividedBy(100);
    }

    public function isWhole(): bool
    {
        return $this->percent->compare(Points::of('100')) === 0;
    }

    /** What stands between the word and the colon: "" or " 50 %". */
    public function inHead(): string
    {
        return $this->isWhole() ? '' : ' ' . $this->percent . ' %';
    }

    /** Read from a line's head, such as "answer 50 %:". */
    public static function inLine(Line $line, Problems $problems): self
    {
        try {
            return $line->has('share') ? self::ofPercent($line->argument('share') ?? '') : self::whole();
        } catch (InvalidSetting $e) {
            $problems->at($line, $e->getMessage());

            return self::whole();
        }
    }
}
