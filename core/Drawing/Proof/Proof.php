<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing\Proof;

use Zetema\Core\Drawing\Dealer;
use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Drawing\PassMark;
use Zetema\Core\Drawing\Stock\QuestionClass;
use Zetema\Core\Drawing\Stock\Stock;
use Zetema\Core\Drawing\UnknownQuestion;
use Zetema\Core\Question\Points;

/** What can be said of all forms of a blueprint before one is dealt: questions, points, shortage, pass mark. */
final readonly class Proof
{
    /** @param list<array{take: int, fit: int, words: string, least: Points, most: Points}> $draws */
    private function __construct(
        public int $questions,
        public Points $least,
        public Points $most,
        public ?Shortage $shortage,
        public array $draws,
        public ?PassMark $pass,
    ) {
    }

    /** @throws UnknownQuestion as Dealer has it */
    public static function of(DealingPlan $blueprint, Stock $stock): self
    {
        return self::ofDealer($blueprint, new Dealer($blueprint, $stock));
    }

    public static function ofDealer(DealingPlan $blueprint, Dealer $dealer): self
    {
        $least = $most = Points::zero();
        $questions = count($blueprint->fixed());
        foreach ($blueprint->fixed() as $id) {
            $least = $least->plus($dealer->worthOfFixed($id));
            $most = $most->plus($dealer->worthOfFixed($id));
        }
        $draws = [];
        foreach ($blueprint->draws() as $d => $draw) {
            $worths = new Worths(
                array_map(static fn (QuestionClass $class): array => [$draw->worthOf($class->sample), $class->count], $dealer->pool($d)),
            );
            $low = $worths->least($draw->take);
            $high = $worths->most($draw->take);
            $draws[] = [
                'take' => $draw->take,
                'fit' => $worths->count,
                'words' => $draw->pool->inWords(),
                'least' => $low,
                'most' => $high,
            ];
            $least = $least->plus($low);
            $most = $most->plus($high);
            $questions += $draw->take;
        }

        return new self($questions, $least, $most, $dealer->shortage(), $draws, $blueprint->pass);
    }

    /** Whether every form's pass mark can be reached: with points, the poorest form decides. */
    public function passIsReachable(): bool
    {
        return $this->pass === null ||
            ($this->most->compare(Points::zero()) > 0 && $this->pass->inPoints($this->least)->compareTo($this->least->exact()) <= 0);
    }
}
