<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items\Kinds;

use Zetema\Core\Exchange\Qti\Marks\Constants;
use Zetema\Core\Exchange\Qti\Marks\Marking;
use Zetema\Core\Exchange\Qti\Marks\NumberRuns;
use Zetema\Core\Exchange\Qti\Marks\Tried;
use Zetema\Core\Exchange\Qti\Variables\ResponseDeclaration;
use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Exchange\Written\QuestionLines;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;

/** One field for a number: the spans that the rules accept, found by trying each end, what is between two, and what is beyond. */
final class NumberItem extends TypedItem
{
    private readonly NumberRuns $runs;
    /** @var list<Tried> */
    private array $tries;
    /** @var list<array{words: string, share: Ratio, from: int, to: int}> with the places tried that lie in it */
    private array $spans = [];

    public function __construct(
        private readonly string $stem,
        private readonly ResponseDeclaration $declaration,
        private readonly ?Element $rules,
        private readonly int $line,
    ) {
        $this->runs = new NumberRuns(Constants::ends($declaration, $rules));
        $this->tries = [new Tried([$declaration->identifier => null], null)];
        foreach ($this->runs->samples as $i => $sample) {
            $this->tries[] = new Tried(
                [$declaration->identifier => Value::ofNumber($sample)],
                ['text' => self::written($sample)],
                [$i + 1],
            );
        }
    }

    /** As it may stand in an answer. */
    public static function written(Ratio $number): string
    {
        return $number->decimal() ?? (string) $number;
    }

    /** What stands behind “answer” for a share of the mark. */
    public static function head(Ratio $share): string
    {
        return $share->isEqualTo(1) ? '' : ' ' . Points::rounded($share->multipliedBy(100), 4) . ' %';
    }

    public function tries(): array
    {
        return $this->tries;
    }

    public function settle(array $marks): void
    {
        $earned = array_slice($marks, 1);
        $values = [];
        foreach ($earned as $mark) {
            if ($mark->isPositive()) {
                $values[(string) $mark] = $mark;
            }
        }
        usort($values, static fn (Ratio $a, Ratio $b): int => $a->compareTo($b));
        $most = $values === [] ? Ratio::zero() : $values[count($values) - 1];
        // Where spans overlap, the one that earns most counts: each share has all that earns it or more.
        foreach ($values as $least) {
            $runs = $this->runs->where(static fn (int $i): bool => !$least->isGreaterThan($earned[$i]));
            foreach ($runs as [$from, $to]) {
                if (
                    array_filter(array_slice($earned, $from, $to - $from + 1), static fn (Ratio $m): bool => $m->isEqualTo($least)) !== []
                ) {
                    $this->spans[] = [
                        'words' => $this->runs->words($from, $to, $this->forms()),
                        'share' => $least->dividedBy($most),
                        'from' => $from + 1,
                        'to' => $to + 1,
                    ];
                }
            }
        }
        $this->best = array_key_first(
            array_filter(
                $marks,
                static fn (Ratio $m, int $i): bool => $i > 0 && $most->isPositive() && $m->isEqualTo($most),
                ARRAY_FILTER_USE_BOTH,
            ),
        );
    }

    /** @return list<array{Ratio, Ratio, string}> spans as a tolerance has them: ends, and words */
    private function forms(): array
    {
        $forms = [];
        foreach ($this->rules?->below('equal') ?? [] as $equal) {
            $right = Constants::right($equal, $this->declaration);
            $tolerance = $equal->list('tolerance');
            $mode = $equal->attribute('toleranceMode') ?? 'exact';
            $distance = Value::number($tolerance[0] ?? '');
            if (
                $right === null ||
                $distance === null ||
                $mode === 'exact' ||
                Value::number($tolerance[1] ?? $tolerance[0])?->isEqualTo($distance) !== true
            ) {
                continue;
            }
            $within = $mode === 'relative' ? $right->abs()->multipliedBy($distance)->dividedBy(100) : $distance;
            $forms[] = [
                $right->minus($within),
                $right->plus($within),
                self::written($right) . ' within ' . self::written($distance) . ($mode === 'relative' ? ' %' : ''),
            ];
        }

        return $forms;
    }

    public function parts(int $try): array
    {
        $isIn = array_filter($this->spans, static fn (array $s): bool => $try >= $s['from'] && $try <= $s['to']) !== [];

        return [(int) $isIn, (int) !$isIn];
    }

    public function lines(Marking $marking, array $says = []): QuestionLines
    {
        $lines = new QuestionLines('number', $this->stem, $this->line);
        foreach ($marking->rule === 'none' ? [] : $this->spans as $span) {
            $said = array_intersect_key($says, array_fill_keys(range($span['from'], $span['to']), true));
            $lines->add(
                'answer' . self::head($span['share']),
                $span['words'],
                $said === [] ? [] : [$lines->line('says', array_values($said)[0])],
            );
        }

        return $lines;
    }
}
