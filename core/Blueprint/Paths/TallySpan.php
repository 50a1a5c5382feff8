<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Paths;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Rules\Rule;
use Zetema\Core\Blueprint\Step\AskingStep;
use Zetema\Core\Blueprint\Step\DrawStep;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Question\Kinds\Tallied;
use Zetema\Core\Question\Question;

/**
 * Between which values a tally ends, over the forms that can be dealt and the responses that can be given. Exact where all is asked of
 * everybody, else bounds.
 */
final readonly class TallySpan
{
    /** @param bool $isWhole whether what draws may take is in it; else fixed questions alone are */
    public function __construct(public int $least, public int $most, public bool $isWhole = true)
    {
    }

    /**
     * @param \Closure(string): ?Question $question a fixed one, if it is whole
     * @param bool $branches whether some paths ask what others do not
     * @param (\Closure(DrawStep): ?list<Question>)|null $pool all that a draw may take; null where they are too many to be looked at
     */
    public static function of(string $tally, Blueprint $blueprint, \Closure $question, bool $branches, ?\Closure $pool = null): self
    {
        $least = $most = 0;
        $isWhole = true;
        foreach ($blueprint->steps() as [$section, $step]) {
            if (!$step instanceof AskingStep) {
                continue;
            }
            $fixed = $step instanceof QuestionStep ? $question($step->question) : null;
            $asked = $step instanceof DrawStep ? ($pool === null ? null : $pool($step)) : ($fixed === null ? [] : [$fixed]);
            if ($asked === null) {
                $isWhole = false;
                continue;
            }
            $isCertain = !$branches && $step->rules->over($blueprint->rulesIn($section))->flag(Rule::MustAnswer);
            $own = array_map(static fn (Question $one): self => self::ofQuestion($tally, $one), $asked);
            $take = $step instanceof DrawStep ? $step->draw->take : 1;
            $lowest = array_map(static fn (self $one): int => $isCertain ? $one->least : min(0, $one->least), $own);
            $highest = array_map(static fn (self $one): int => $isCertain ? $one->most : max(0, $one->most), $own);
            sort($lowest);
            rsort($highest);
            $least += array_sum(array_slice($lowest, 0, $take));
            $most += array_sum(array_slice($highest, 0, $take));
        }

        return new self($least, $most, $isWhole);
    }

    /** What a question that is answered adds. */
    private static function ofQuestion(string $tally, Question $question): self
    {
        return $question->kind instanceof Tallied ? new self(...$question->kind->span($tally)) : new self(0, 0);
    }
}
