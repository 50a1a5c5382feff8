<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Zetema\Core\Blueprint\Blueprint as Assessment;
use Zetema\Core\Blueprint\Outcome\Tally;
use Zetema\Core\Blueprint\Paths\Span;
use Zetema\Core\Blueprint\Paths\TallySpan;
use Zetema\Core\Blueprint\Paths\Ways;
use Zetema\Core\Blueprint\Reaching\ReachingGrid;
use Zetema\Core\Blueprint\Step\CheckpointStep;
use Zetema\Core\Blueprint\Step\DrawStep;
use Zetema\Core\Blueprint\Step\Step;
use Zetema\Core\Drawing\Dealer;
use Zetema\Core\Drawing\Stock\QuestionClass;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Question;

/** What tallies come to in every form of a blueprint, and which routes follow from points and tallies. */
final readonly class TallyProof
{
    /**
     * @param \Closure(string): ?Question $question a fixed one, if it is whole
     * @param (\Closure(list<QuestionClass>): ?list<Question>)|null $drawn all questions of some classes; null where they are too many
     */
    public function __construct(private Assessment $blueprint, private Ways $ways, private \Closure $question, private ?\Closure $drawn)
    {
    }

    /** @return list<array{tally: string, least: int, most: int, isWhole: bool}> */
    public function told(Dealer $dealer, bool $branches): array
    {
        $drawn = $this->drawn;
        $pools = [];
        if ($drawn !== null && $this->blueprint->tallies !== []) {
            $draws = array_values(
                array_filter(array_column($this->ways->steps, 1), static fn (Step $step): bool => $step instanceof DrawStep),
            );
            foreach ($draws as $d => $step) {
                $pools[$step->id] = $drawn($dealer->pool($d));
            }
        }

        return array_map(function (Tally $tally) use ($branches, $pools): array {
            $span = TallySpan::of(
                $tally->name,
                $this->blueprint,
                $this->question,
                $branches,
                static fn (DrawStep $step): ?array => $pools[$step->id] ?? null,
            );

            return ['tally' => $tally->name, 'least' => $span->least, 'most' => $span->most, 'isWhole' => $span->isWhole];
        }, $this->blueprint->tallies);
    }

    /** @return array<string, mixed>|null with which points and tallies each route is taken; null where there would be too much to tell */
    public static function grid(CheckpointStep $step, Span $before): ?array
    {
        $grid = (new ReachingGrid($step, $before->most))->toData();

        return $grid === null
            ? null
            : [...$grid, 'columns' => array_map(static fn (array $column): object => (object) $column, $grid['columns'])];
    }
}
