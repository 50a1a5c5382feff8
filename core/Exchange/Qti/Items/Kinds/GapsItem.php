<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items\Kinds;

use Zetema\Core\Exchange\Qti\Marks\Marking;
use Zetema\Core\Exchange\Qti\Marks\Tried;
use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Written\QuestionLines;
use Zetema\Core\Numbers\Ratio;

/** Gaps in a running text, each typed or picked from a list. */
final class GapsItem extends PartsItem
{
    /**
     * @var array<int, array<int, int>> the try in which a gap has one of its further wordings and all others are right, by gap and wording
     */
    private array $further = [];
    /** @var array<int, array<int, array{int, int}>> the tries in which a typed gap alone has a wording, as written and in the other case */
    private array $alone = [];
    /** @var list<Tried>|null */
    private ?array $all = null;
    /** @var array<int, array<int, Ratio>> what a wording earns of its gap, by gap and wording */
    private array $shares = [];
    private bool $matters = false;

    /**
     * @param list<GapPart> $gaps
     * @param \Closure(array<int, string>): array<string, Value|null> $responses the item's variables with something in each gap, by its
     *   token
     */
    public function __construct(
        private readonly string $stem,
        private readonly array $gaps,
        private readonly \Closure $responses,
        private readonly int $line,
        private readonly ?Ratio $loss = null,
    ) {
    }

    protected function pieces(): array
    {
        return array_map(static fn (GapPart $gap): array => ['right' => $gap->right(), 'wrong' => $gap->wrong()], $this->gaps);
    }

    /** @param array<int, string>|null $given what of it is an answer, where that is not what is typed */
    protected function tried(array $put, ?array $given = null): Tried
    {
        $given ??= $put;
        $gaps = [];
        foreach ($put as $i => $token) {
            $gaps[(string) ($i + 1)] = $this->gaps[$i]->isListed
                ? (string) (1 + (int) array_search($token, array_column($this->gaps[$i]->words, 'token'), true))
                : $token;
        }

        return new Tried(
            ($this->responses)($put),
            $put === [] ? null : ['gaps' => $gaps],
            array_map(static fn (int $i, string $t): string => $i . ' ' . $t, array_keys($given), $given),
        );
    }

    public function tries(): array
    {
        if ($this->all !== null) {
            return $this->all;
        }
        $this->all = parent::tries();
        $right = array_filter(
            array_map(static fn (array $p): ?string => $p['right'], $this->pieces()),
            static fn (?string $t): bool => $t !== null,
        );
        foreach ($this->gaps as $g => $gap) {
            foreach ($gap->words as $w => ['token' => $token]) {
                if ($token !== ($right[$g] ?? null)) {
                    $this->all[] = $this->tried([$g => $token] + $right);
                    $this->further[$g][$w] = count($this->all) - 1;
                }
                if (!$gap->isListed) {
                    array_push(
                        $this->all,
                        $this->tried([$g => $token]),
                        $this->tried([$g => TextItem::otherCase($token)] + $right, [$g => $token] + $right),
                    );
                    $this->alone[$g][$w] = [count($this->all) - 2, count($this->all) - 1];
                }
            }
        }

        return $this->all;
    }

    /** A wording is right as far as all is right with it. */
    public function settle(array $marks): void
    {
        $whole = $marks[1];
        foreach ($this->gaps as $g => $gap) {
            $one = isset($this->aloneRight[$g]) ? $marks[$this->aloneRight[$g]] : Ratio::zero();
            foreach ($gap->words as $w => $word) {
                $isRight = $word['token'] === $gap->right();
                $with = $isRight ? $whole : $marks[$this->further[$g][$w]];
                $share = match (true) {
                    $isRight || ($whole->isPositive() && $with->isEqualTo($whole)) => Ratio::one(),
                    !$gap->isListed && $one->isPositive() && $marks[$this->alone[$g][$w][0]]->isPositive() => $marks[
                        $this->alone[$g][$w][0]
                    ]->dividedBy($one),
                    default => null,
                };
                if ($share !== null) {
                    $this->shares[$g][$w] = $share;
                    $this->matters =
                        $this->matters ||
                        (!$gap->isListed &&
                            TextItem::otherCase($word['token']) !== $word['token'] &&
                            !$marks[$this->alone[$g][$w][1]]->isEqualTo($with));
                }
            }
        }
    }

    protected function lossByMapping(): ?Ratio
    {
        return $this->loss;
    }

    public function lines(Marking $marking, array $says = []): QuestionLines
    {
        $lines = new QuestionLines('gaps', $this->stem, $this->line);
        foreach ($this->gaps as $g => $gap) {
            $earnings = self::earnings($lines, $marking, $g);
            $words = array_keys($gap->words);
            if (!$gap->isListed) {
                $words = array_values(array_filter($words, fn (int $w): bool => isset($this->shares[$g][$w])));
                usort($words, fn (int $a, int $b): int => [$this->shares[$g][$b]->compareTo($this->shares[$g][$a]), $a] <=> [0, $b]);
            }
            foreach ($words as $w) {
                $share = $this->shares[$g][$w] ?? null;
                $head =
                    sprintf('gap %d', $g + 1) .
                    ($gap->isListed ? ($share !== null ? ' yes' : ' no') : NumberItem::head($share ?? Ratio::one()));
                $said = $says[$g . ' ' . $gap->words[$w]['token']] ?? null;
                $lines->add($head, $gap->words[$w]['text'], [
                    ...$earnings,
                    ...$said === null || $gap->isListed ? [] : [$lines->line('says', $said)],
                ]);
                $earnings = [];
            }
        }
        if ($this->matters) {
            $lines->add('ignore', 'nothing');
        }

        return $lines;
    }
}
