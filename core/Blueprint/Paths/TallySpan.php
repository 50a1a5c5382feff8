<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Paths;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Rules\Rule;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Question\Kinds\Rating\Rating;
use Zetema\Core\Question\Kinds\Several\Several;
use Zetema\Core\Question\Question;

/** Between which values a tally ends by what the fixed questions add; what is drawn is left aside. Exact where all are asked, else bounds. */
final readonly class TallySpan
{
    public function __construct(public int $least, public int $most)
    {
    }

    /**
     * @param \Closure(string): ?Question $question a fixed one, if it is whole
     * @param bool $branches whether some paths ask what others do not
     */
    public static function of(string $tally, Blueprint $blueprint, \Closure $question, bool $branches): self
    {
        $least = $most = 0;
        foreach ($blueprint->steps() as [$section, $step]) {
            $asked = $step instanceof QuestionStep ? $question($step->question) : null;
            if ($asked === null) {
                continue;
            }
            $own = self::ofQuestion($tally, $asked);
            $isCertain = !$branches && $step->rules->over($blueprint->rulesIn($section))->flag(Rule::MustAnswer);
            $least += $isCertain ? $own->least : min(0, $own->least);
            $most += $isCertain ? $own->most : max(0, $own->most);
        }

        return new self($least, $most);
    }

    /** What a question that is answered adds. */
    private static function ofQuestion(string $tally, Question $question): self
    {
        $kind = $question->kind;
        if ($kind instanceof Rating) {
            return in_array($tally, $kind->tallies, true) ? new self($kind->from, $kind->to) : new self(0, 0);
        }
        $adds = array_map(static fn ($choice): int => $choice->tallies[$tally] ?? 0, $kind->choices());

        return match (true) {
            $adds === [] => new self(0, 0),
            $kind instanceof Several => new self(array_sum(array_filter($adds, static fn (int $n): bool => $n < 0)), array_sum(array_filter($adds, static fn (int $n): bool => $n > 0))),
            default => new self(min($adds), max($adds)),
        };
    }
}
