<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Reading;

use Zetema\Core\Blueprint\Outcome\Band;
use Zetema\Core\Blueprint\Outcome\ClosingPages;
use Zetema\Core\Blueprint\Outcome\Minimum;
use Zetema\Core\Blueprint\Outcome\PassRule;
use Zetema\Core\Blueprint\Outcome\ReviewRules;
use Zetema\Core\Blueprint\Outcome\Rung;
use Zetema\Core\Blueprint\Outcome\Tally;
use Zetema\Core\Blueprint\Outcome\TallyTold;
use Zetema\Core\Blueprint\Outcome\WishedShare;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\PassMark;

/** Reads what a sitting comes to: pass mark, tallies, closing pages, review. */
final class OutcomeReader
{
    public function pass(Shape $shape): PassRule
    {
        $shape->only('points', 'percent', 'objectives');
        $minimums = [];
        foreach ($shape->objects('objectives') as $minimum) {
            $minimums[] = new Minimum($minimum->only('objective', 'points', 'percent')->text('objective'), $this->mark($minimum));
        }

        return new PassRule($this->mark($shape), $minimums);
    }

    /** What cannot be a pass mark is refused with the other things that have the right shape and cannot be. */
    private function mark(Shape $shape): PassMark
    {
        foreach (['points', 'percent'] as $field) {
            if ($shape->has($field) && !is_string($shape->raw($field))) {
                $shape->wrong($field, 'must be a text');

                return PassMark::points('0');
            }
        }
        if ($shape->has('points') === $shape->has('percent')) {
            $shape->wrong(
                '',
                sprintf('a pass mark says points or percent; this says %s', $shape->has('points') ? 'both' : 'neither'),
                'pass',
            );

            return PassMark::points('0');
        }
        $inPercent = $shape->has('percent');
        $typed = (string) $shape->decimal($inPercent ? 'percent' : 'points');
        try {
            return $inPercent ? PassMark::percent($typed) : PassMark::points($typed);
        } catch (Malformed $e) {
            $shape->wrong($inPercent ? 'percent' : 'points', $e->getMessage(), 'pass');

            return PassMark::points('0');
        }
    }

    public function tally(Shape $shape): Tally
    {
        $shape->only('name', 'bands', 'told');

        return new Tally(
            $shape->text('name'),
            array_map(
                static fn (Shape $band): Band => new Band(
                    $band->only('from', 'to', 'name', 'page')->optionalInteger('from'),
                    $band->optionalInteger('to'),
                    $band->text('name'),
                    $band->optionalText('page'),
                ),
                $shape->objects('bands'),
            ),
            TallyTold::from($shape->word('told', array_column(TallyTold::cases(), 'value'))),
        );
    }

    /** @return list<WishedShare> */
    public function shares(Shape $shape): array
    {
        $shares = [];
        foreach ($shape->objects('shares') as $share) {
            $share->only('objective', 'percent');
            try {
                $shares[] = new WishedShare($share->text('objective'), $share->decimal('percent', 'shares'));
            } catch (Malformed $e) {
                $share->wrong('percent', $e->getMessage(), 'shares');
            }
        }

        return $shares;
    }

    public function closing(Shape $shape): ClosingPages
    {
        $shape->only('passed', 'notPassed', 'noPassMark');

        return new ClosingPages($shape->optionalText('passed'), $shape->optionalText('notPassed'), $shape->optionalText('noPassMark'));
    }

    public function review(Shape $shape): ReviewRules
    {
        $shape->only('passed', 'notPassed');

        return new ReviewRules($this->rungs($shape, 'passed'), $this->rungs($shape, 'notPassed'));
    }

    /** @return list<array{rung: Rung, closed: bool}> */
    private function rungs(Shape $shape, string $field): array
    {
        $words = array_map(static fn (Rung $rung): string => $rung->value, Rung::cases());
        $rungs = [];
        foreach ($shape->objects($field) as $rung) {
            $rung->only('rung', 'when');
            $word = $rung->has('rung') ? $rung->word('rung', $words) : $rung->text('rung');
            $rungs[] = [
                'rung' => Rung::tryFrom($word) ?? Rung::Nothing,
                'closed' => $rung->word('when', ['at once', 'closed']) === 'closed',
            ];
        }

        return $rungs;
    }
}
