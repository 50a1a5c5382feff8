<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Simulating;

use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\DealtQuestions;
use Zetema\App\Blueprint\NotCleared;
use Zetema\Core\Blueprint\Guessing\GuessedPass;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Numbers\Ratio;

/** The chance of passing an assessment by guessing alone, from its bank as it is now. */
final readonly class GuessingThrough
{
    public function __construct(private DealtQuestions $questions)
    {
    }

    /**
     * @return array{least: string|null, most: string|null, leastPercent: string|null, mostPercent: string|null, why: string|null} chances
     *   as "one in so many", exact if both are the same; why: they are not told
     */
    public function told(Blueprint $blueprint): array
    {
        try {
            [$questions, $eligible] = $this->questions->of($blueprint, GuessedPass::MOST);
            $chance = GuessedPass::of($blueprint->assessment(), $eligible, static fn (string $name): array => $questions[$name]);
        } catch (NotCleared|Malformed $e) {
            $chance = $e->getMessage();
        }
        if (is_string($chance)) {
            return ['least' => null, 'most' => null, 'leastPercent' => null, 'mostPercent' => null, 'why' => $chance];
        }

        return [
            'least' => self::oneIn($chance['least']),
            'most' => self::oneIn($chance['most']),
            'leastPercent' => self::percent($chance['least']),
            'mostPercent' => self::percent($chance['most']),
            'why' => null,
        ];
    }

    /** Of a hundred who guess, rounded to whole ones: where it is many, “1 in so many” would be far off. */
    private static function percent(Ratio $chance): string
    {
        return (string) $chance->multipliedBy(100)->rounded(0)->decimal();
    }

    /** How many guess before one passes: rounded to whole ones; "0" if nobody ever does. */
    private static function oneIn(Ratio $chance): string
    {
        return $chance->isZero() ? '0' : (string) Ratio::one()->dividedBy($chance)->rounded(0)->decimal();
    }
}
