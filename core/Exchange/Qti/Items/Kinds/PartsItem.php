<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items\Kinds;

use Zetema\Core\Exchange\Qti\Marks\Answered;
use Zetema\Core\Exchange\Qti\Marks\Marking;
use Zetema\Core\Exchange\Qti\Marks\Tried;
use Zetema\Core\Exchange\Written\QuestionLines;
use Zetema\Core\Numbers\Ratio;

/**
 * An item with parts that are right or wrong each by itself: gaps, pairs, things in groups, labels on spots. Tried are all parts right,
 * each
 * alone right, each alone wrong, all right but one. A part that belongs nowhere can only be wrong.
 */
abstract class PartsItem implements Answered
{
    /** @var list<Tried>|null */
    private ?array $tries = null;
    /** @var list<array{int, int}> right and wrong parts of each try */
    private array $counts = [];
    /** @var array<int, int> the try in which a part alone is right */
    protected array $aloneRight = [];
    /** @var array<int, int> and wrong */
    protected array $aloneWrong = [];

    /** @return list<array{right: string|null, wrong: string|null}> what is put into each part; right null: it belongs nowhere */
    abstract protected function pieces(): array;

    /** @param array<int, string> $put by part, from 0 */
    abstract protected function tried(array $put): Tried;

    public function tries(): array
    {
        if ($this->tries !== null) {
            return $this->tries;
        }
        $pieces = $this->pieces();
        $right = array_filter(array_map(static fn (array $p): ?string => $p['right'], $pieces), static fn (?string $r): bool => $r !== null);
        $this->tries = [$this->tried([])];
        $this->counts = [[0, 0]];
        $this->add($right, count($right), 0);
        foreach ($right as $i => $token) {
            $this->aloneRight[$i] = $this->add([$i => $token], 1, 0);
        }
        foreach ($pieces as $i => ['right' => $token, 'wrong' => $wrong]) {
            $others = array_diff_key($right, [$i => true]);
            if ($wrong !== null) {
                $this->aloneWrong[$i] = $this->add([$i => $wrong], 0, 1);
                $this->add([...$others] === [] ? [$i => $wrong] : $others + [$i => $wrong], count($others), 1);
            }
            if ($token !== null && $others !== []) {
                $this->add($others, count($others), 0);
            }
        }

        return $this->tries;
    }

    /** @param array<int, string> $put */
    private function add(array $put, int $right, int $wrong): int
    {
        $this->tries[] = $this->tried($put);
        $this->counts[] = [$right, $wrong];

        return count($this->counts) - 1;
    }

    public function settle(array $marks): void
    {
    }

    public function allRight(): ?int
    {
        return $this->partCount() > 0 ? 1 : null;
    }

    public function parts(int $try): array
    {
        return $this->counts[$try] ?? [0, 0];
    }

    public function partCount(): int
    {
        return count(array_filter($this->pieces(), static fn (array $p): bool => $p['right'] !== null));
    }

    public function rules(): array
    {
        return ['whole', 'parts', 'weighed'];
    }

    public function weighed(array $marks): array
    {
        $earns = $losses = [];
        foreach (array_keys($this->pieces()) as $i) {
            $earns[] = isset($this->aloneRight[$i]) ? $marks[$this->aloneRight[$i]] : Ratio::zero();
            $losses[] = isset($this->aloneWrong[$i]) ? $marks[$this->aloneWrong[$i]]->negated() : Ratio::zero();
        }
        $least = array_reduce($marks, static fn (Ratio $a, Ratio $b): Ratio => $a->isGreaterThan($b) ? $b : $a, Ratio::zero());
        $guesses = [new Marking('weighed', weights: $earns, losses: $losses)];
        $loss = $this->lossByMapping();
        if ($loss !== null) {
            $guesses[] = new Marking(
                'weighed',
                settings: ['floor' => Marking::decimal($least)],
                weights: $earns,
                losses: array_fill(0, count($earns), $loss),
            );
        }

        return [...$guesses, new Marking('weighed', settings: ['floor' => Marking::decimal($least)], weights: $earns, losses: $losses)];
    }

    /** What a wrong part costs by a mapping, which a lower bound may hide. */
    protected function lossByMapping(): ?Ratio
    {
        return null;
    }

    /**
     * What a part earns and loses, under its line.
     *
     * @return list<\Zetema\Core\Question\Line>
     */
    protected static function earnings(QuestionLines $lines, Marking $marking, int $part, bool $isSpare = false): array
    {
        if (!$marking->isWeighed()) {
            return [];
        }
        $loses = $marking->losses[$part]->isZero() ? [] : [$lines->line('loses', Marking::decimal($marking->losses[$part]))];

        return $isSpare ? $loses : [$lines->line('earns', Marking::decimal($marking->weights[$part])), ...$loses];
    }
}
