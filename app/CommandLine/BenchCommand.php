<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Exception\InvalidArgumentException;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Marking\Table\WhatScoresWhat;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;

#[AsCommand('zetema:bench', 'Measures: markings a second, beside an empty loop that decodes the same responses')]
final class BenchCommand
{
    private const SECONDS = 2;

    public function __construct(#[Autowire('%kernel.project_dir%/demo/certificate.zet.txt')] private readonly string $demo)
    {
    }

    public function __invoke(OutputInterface $output, #[Argument('What to measure: marking')] string $what, #[Argument('A file in the text format; the demo if none is named')] string $file = ''): int
    {
        if ($what !== 'marking') {
            throw new InvalidArgumentException('There is one thing to measure: zetema:bench marking');
        }
        $cases = [];
        foreach ((new TextFiles())->questions([$file === '' ? $this->demo : $file]) as $question) {
            $settings = $question->effective();
            $plan = MarkingPlan::of($question, $settings);
            foreach (WhatScoresWhat::responses($question, $settings) as $i => $response) {
                $cases[] = [$question, $settings, $plan, json_encode($response->toData(), JSON_THROW_ON_ERROR)];
                if ($i > 50) {
                    break;
                }
            }
        }
        $marker = new Marker();
        $marked = self::rate($cases, static function (Question $question, EffectiveSettings $settings, MarkingPlan $plan, string $json) use ($marker): void {
            $marker->mark($plan, $question->kind->response(json_decode($json, true), $settings, complete: false));
        });
        $empty = self::rate($cases, static function (Question $question, EffectiveSettings $settings, MarkingPlan $plan, string $json): void {
            json_decode($json, true);
        });
        TextFiles::print($output, ['cases' => count($cases), 'markingsPerSecond' => $marked, 'emptyLoopPerSecond' => $empty]);

        return 0;
    }

    /**
     * @param list<array{Question, EffectiveSettings, MarkingPlan, string}> $cases
     * @param callable(Question, EffectiveSettings, MarkingPlan, string): void $each
     */
    private static function rate(array $cases, callable $each): int
    {
        $start = hrtime(true);
        $done = 0;
        do {
            foreach ($cases as $case) {
                $each(...$case);
            }
            $done += count($cases);
            $seconds = (hrtime(true) - $start) / 1e9;
        } while ($seconds < self::SECONDS);

        return (int) ($done / $seconds);
    }
}
