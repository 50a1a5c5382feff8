<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing;

use Brick\Math\BigRational;
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

    /**
     * @param list<EligibleQuestion> $eligible
     * @param list<string> $known as Dealer has it
     */
    public static function of(Blueprint $blueprint, array $eligible, array $known = []): self
    {
        $dealer = new Dealer($blueprint, $eligible, $known);
        $byId = [];
        foreach ($eligible as $question) {
            $byId[$question->id] = $question;
        }
        $least = $most = Points::zero();
        $questions = 0;
        foreach ($blueprint->fixed() as $id) {
            ++$questions;
            $least = $least->plus($byId[$id]->worth);
            $most = $most->plus($byId[$id]->worth);
        }
        $draws = [];
        foreach ($blueprint->draws() as $d => $draw) {
            $worths = array_map(static fn (string $id): Points => $draw->worthOf($byId[$id]), $dealer->pools()[$d]);
            usort($worths, static fn (Points $a, Points $b): int => $a->compare($b));
            $low = self::sum(array_slice($worths, 0, $draw->take));
            $high = self::sum(array_slice($worths, -$draw->take));
            $draws[] = ['take' => $draw->take, 'fit' => count($worths), 'words' => $draw->pool->inWords(), 'least' => $low, 'most' => $high];
            $least = $least->plus($low);
            $most = $most->plus($high);
            $questions += $draw->take;
        }

        return new self($questions, $least, $most, $dealer->shortage(), $draws, $blueprint->pass);
    }

    /** Whether every form's pass mark can be reached: with points, the poorest form decides. */
    public function passIsReachable(): bool
    {
        return $this->pass === null || ($this->most->compare(Points::zero()) > 0 && $this->pass->inPoints($this->least)->compareTo($this->least->exact()) <= 0);
    }

    /** The pass mark in points of the smallest form, exact. */
    public function passPoints(): ?BigRational
    {
        return $this->pass?->inPoints($this->least);
    }

    /** @param array<Points> $worths */
    private static function sum(array $worths): Points
    {
        return array_reduce($worths, static fn (Points $sum, Points $worth): Points => $sum->plus($worth), Points::zero());
    }
}
