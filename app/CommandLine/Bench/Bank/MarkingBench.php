<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Bank;

use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Zetema\App\CommandLine\Files\FileSources;
use Zetema\App\CommandLine\Files\QuestionFiles;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Marking\Table\WhatScoresWhat;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;

/**
 * Markings a second, from the JSON of a response to its verdict with the working, beside an empty loop that decodes the same JSON.
 * No response is marked twice, and the marker remembers no verdict: choices are marked for each question and attempt once, texts,
 * numbers and clicks are different each time.
 */
final class MarkingBench
{
    private const OF_EACH = 3_000;

    public function __construct(#[Autowire('%kernel.project_dir%/demo/certificate.zet.txt')] private readonly string $demo)
    {
    }

    public function run(OutputInterface $output, string $file): int
    {
        $kinds = [];
        $cases = [];
        foreach ((new QuestionFiles(FileSources::said('text')))->questions([$file === '' ? $this->demo : $file]) as $question) {
            $settings = $question->effective();
            $plan = MarkingPlan::of($question, $settings);
            foreach ($this->responses($question, $settings) as [$response, $attempt, $hints]) {
                $case = [$question, $settings, $plan, json_encode($response, JSON_THROW_ON_ERROR), $attempt, $hints];
                $kinds[$question->kind::id()->value][] = $case;
                $cases[] = $case;
            }
        }
        $marker = new Marker();
        $mark = static function (
            Question $question,
            EffectiveSettings $settings,
            MarkingPlan $plan,
            string $json,
            int $attempt,
            int $hints,
        ) use ($marker): void {
            $marker->mark($plan, $question->kind->response(json_decode($json, true), $settings, complete: false), $attempt, $hints);
        };
        $byKind = [];
        foreach ($kinds as $kind => $ofKind) {
            $byKind[$kind] = self::rate($ofKind, $mark);
        }
        $marked = self::rate($cases, $mark);
        $empty = self::rate($cases, static function (
            Question $question,
            EffectiveSettings $settings,
            MarkingPlan $plan,
            string $json,
        ): void {
            json_decode($json, true);
        });
        QuestionFiles::print($output, [
            'cases' => count($cases),
            'markingsPerSecond' => $marked,
            'emptyLoopPerSecond' => $empty,
            'timesTheEmptyLoop' => sprintf('%.1f', $empty / max(1, $marked)),
            'byKind' => $byKind,
        ]);

        return 0;
    }

    /** @return \Generator<int, array{mixed, int, int}> response, attempt and hints used, none twice */
    private function responses(Question $question, EffectiveSettings $settings): \Generator
    {
        if (in_array($question->kind::id(), [KindId::Text, KindId::Number], true)) {
            for ($i = 0; $i < self::OF_EACH; ++$i) {
                yield [
                    [
                        'text' => $question->kind::id() === KindId::Number
                                ? sprintf('%d,%03d', $i % 40, $i)
                                : ['Varroa', 'the varoa mite', 'a mite named', 'drone'][$i % 4] . ' ' . $i,
                    ],
                    1,
                    0,
                ];
            }

            return;
        }
        if ($question->kind::id() === KindId::Regions) {
            for ($i = 0; $i < self::OF_EACH; ++$i) {
                yield [['points' => [[(7 * $i) % 600, intdiv($i, 2) % 400]]], 1, 0];
            }

            return;
        }
        $n = 0;
        foreach (WhatScoresWhat::responses($question, $settings) as $response) {
            for ($attempt = 1; $attempt <= 3; ++$attempt) {
                for ($hints = 0; $hints <= 2; ++$hints) {
                    yield [$response->toData(), $attempt, $hints];
                }
            }
            if (++$n > self::OF_EACH / 9) {
                return;
            }
        }
    }

    /**
     * @param list<array{Question, EffectiveSettings, MarkingPlan, string, int, int}> $cases
     * @param callable(Question, EffectiveSettings, MarkingPlan, string, int, int): void $each
     */
    private static function rate(array $cases, callable $each): int
    {
        $start = hrtime(true);
        foreach ($cases as $case) {
            $each(...$case);
        }

        return (int) (count($cases) / max(1e-6, (hrtime(true) - $start) / 1e9));
    }
}
