<?php

declare(strict_types=1);

namespace Zetema\Tests\App\CommandLine;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use Zetema\Core\Data\Fields;
use Zetema\Tests\Speed;

final class CommandLineTest extends TestCase
{
    private const TEXT = "bank: B\nobjective: A > B\none: Which?\n name: which\n points: 10\n yes: a\n no: b\n\ntrue: Bees fly.\n points: 2\n";

    public function test_read_tells_questions_and_ends_with_0(): void
    {
        [$code, $json] = self::console(['zetema:read', '-'], self::TEXT);
        $question = Fields::ofJson($json)->objects('questions')[0];

        self::assertSame(0, $code);
        self::assertSame(['which', 'one', 'A > B', 'Which?', '10', 'draft'], array_map($question->text(...), ['name', 'kind', 'objective', 'stem', 'points', 'status']));
    }

    public function test_problems_are_in_the_json_and_end_with_1(): void
    {
        [$code, $json] = self::console(['zetema:read', '-'], self::TEXT . "number: N\n answr: 4");

        self::assertSame(1, $code);
        self::assertCount(2, Fields::ofJson($json)->objects('questions'));
        self::assertSame(12, Fields::ofJson($json)->objects('problems')[0]->integer('line'));
    }

    public function test_wrong_use_ends_with_2(): void
    {
        foreach ([['zetema:read'], ['zetema:read', '/no/such/file'], ['zetema:mark', '-'], ['zetema:deal', '-', '-']] as $arguments) {
            [$code, $out] = self::console($arguments, '');
            self::assertSame([2, ''], [$code, $out]);
        }
    }

    public function test_write_gives_the_normal_form_that_reads_back_the_same(): void
    {
        [, $once] = self::console(['zetema:write', '-'], self::TEXT);
        [$code, $twice] = self::console(['zetema:write', '-'], $once);

        self::assertSame([0, $once], [$code, $twice]);
        self::assertStringContainsString('one: Which?', $once);
    }

    public function test_what_a_file_sets_for_its_bank_counts_and_is_written_again(): void
    {
        $text = "bank settings:\n  points: 8\n  wrong costs: 1\n\nbank settings for claim:\n  points: 4\n\none: Which?\n  yes: a\n  no: b\n\ntrue: Bees fly.\n";
        [, $json] = self::console(['zetema:read', '-'], $text);
        $read = Fields::ofJson($json);
        [, $written] = self::console(['zetema:write', '-'], $text);
        $cases = tempnam(sys_get_temp_dir(), 'cases');
        file_put_contents((string) $cases, '[{"question":1,"response":{"choose":[2]}},{"question":2,"response":{"choose":[1]}}]');
        [, $marked] = self::console(['zetema:mark', '-', '--cases=' . $cases], $text);
        unlink((string) $cases);

        self::assertSame(['8', '4'], array_map(static fn (Fields $q): string => $q->text('points'), $read->objects('questions')));
        self::assertSame(['points' => '4'], $read->object('bankSettings')->object('byKind')->textMap('claim'));
        self::assertSame($text, $written);
        self::assertSame(
            ['-1 of 8', '4 of 4'],
            array_map(static fn (mixed $m): string => is_array($m) && is_string($m['earned']) && is_string($m['max']) ? $m['earned'] . ' of ' . $m['max'] : '', (array) json_decode($marked, true)),
        );
    }

    public function test_mark_gives_a_verdict_or_an_error_for_each_case_in_order(): void
    {
        $cases = tempnam(sys_get_temp_dir(), 'cases');
        file_put_contents(
            (string) $cases,
            '[{"question":"which","response":{"choose":[1]}},{"question":2,"response":{"choose":[2]}},{"question":"2","response":null},{"question":1,"response":{"choose":[5]}},{"question":1,"response":null,"attempt":2}]',
        );
        [$code, $json] = self::console(['zetema:mark', '-', '--cases=' . $cases], self::TEXT);
        unlink((string) $cases);
        $results = json_decode($json, true);

        self::assertSame(0, $code, 'refused cases are answers too');
        self::assertIsArray($results);
        self::assertSame(['right', 'wrong', null, null, null], array_map(static fn (mixed $r): mixed => is_array($r) ? $r['outcome'] ?? null : null, $results));
        self::assertStringStartsWith('question:', Fields::of($results[2])->text('error'));
        self::assertStringStartsWith('choose:', Fields::of($results[3])->text('error'));
        self::assertStringStartsWith('attempt:', Fields::of($results[4])->text('error'));
    }

    public function test_deal_gives_forms_or_the_smallest_shortage(): void
    {
        [$code, $json] = $this->deal('{"steps":[{"draw":{"take":1,"pool":{"objective":"A"}}},{"question":"which"}]}');
        self::assertSame([0, ['2', 'which']], [$code, Fields::ofJson($json)->objects('forms')[0]->texts('questions')]);
        self::assertCount(3, Fields::ofJson($json)->objects('forms'));

        [$code, $json] = $this->deal('{"steps":[{"draw":{"take":3,"pool":{}}}]}');
        self::assertSame([1, '{"infeasible":{"draws":[1],"ask":3,"fit":2}}'], [$code, trim($json)]);

        [$code, $json] = $this->deal('{"steps":[{"question":"gone"}]}');
        self::assertSame(1, $code);
        self::assertStringContainsString('gone', Fields::ofJson($json)->texts('problems')[0]);
    }

    public function test_sit_tells_what_events_come_to_one_sitting_or_many(): void
    {
        $blueprint = '{"v":2,"title":"T","sections":[{"id":"a","steps":[{"id":"q1","question":"which"},{"id":"d","draw":{"take":1,"pool":{"objective":"A","without":["which"]}}}]}]}';
        $sitting = '{"id":"a-1","events":[{"at":"0","do":"start"},{"at":"1","do":"go on"},{"at":"2.5","do":"hand in"}]}';
        [$code, $json] = $this->sit($blueprint, $sitting);
        $one = Fields::ofJson($json);
        self::assertSame([0, 'a-1', 1, 'handed in', '2.5'], [$code, $one->text('id'), $one->integer('seed'), $one->object('ended')->text('how'), $one->object('ended')->text('at')]);
        self::assertSame(['q1', 'd:2'], array_map(static fn (Fields $step): string => $step->text('step'), $one->objects('steps')));

        [$code, $json] = $this->sit($blueprint, "[$sitting,$sitting]");
        self::assertSame([0, [$one->raw(), $one->raw()]], [$code, json_decode($json, true)]);
    }

    public function test_sit_and_check_refuse_what_cannot_be_sat(): void
    {
        $refused = '{"v":2,"title":"T","sections":[{"id":"a","steps":[{"id":"q1","question":"gone"}]}]}';
        foreach ([fn (): array => $this->sit($refused, '{"events":[]}'), fn (): array => $this->onBlueprint('zetema:check', $refused)] as $run) {
            [$code, $json] = $run();
            $problem = Fields::ofJson($json)->objects('problems')[0];
            self::assertSame([1, 'q1', 'unknown'], [$code, $problem->text('where'), $problem->text('subject')]);
        }
        $plan = '{"v":2,"title":"T","sections":[{"id":"a","steps":[{"id":"q1","question":"which"}]}]}';
        [$code, $json] = $this->onBlueprint('zetema:check', $plan);
        $told = Fields::ofJson($json);
        self::assertSame([0, [], 1, '10', '10'], [$code, $told->items('problems'), $told->integer('questions'), $told->object('points')->text('least'), $told->object('points')->text('most')]);
        self::assertSame(
            [1, '{"infeasible":{"draws":[1],"ask":9,"fit":2}}'],
            array_map(static fn (mixed $told): mixed => is_string($told) ? trim($told) : $told, $this->sit('{"v":2,"title":"T","sections":[{"id":"a","steps":[{"id":"d","draw":{"take":9,"pool":{}}}]}]}', '{"events":[]}')),
        );
        foreach (['[{"events":5}]', '{"events":[],"factor":"0.5"}', '{"when":1}', 'no json'] as $wrong) {
            self::assertSame(2, $this->sit($plan, $wrong)[0], $wrong);
        }
    }

    public function test_many_forms_are_dealt_and_told(): void
    {
        $blueprint = '{"v":2,"title":"T","pass":{"points":"2"},"sections":[{"id":"a","steps":[{"id":"d","draw":{"take":1,"pool":{"kinds":["one","claim"]}}}]}]}';
        [$code, $json] = $this->onBlueprint('zetema:simulate', $blueprint, '--forms=400', '--seed=5');
        $told = Fields::ofJson($json);
        $exposure = $told->object('exposure')->raw();
        self::assertSame([0, 400, 400], [$code, $told->integer('forms'), array_sum($exposure)]);
        self::assertSame(['2', '10'], [$told->object('points')->text('least'), $told->object('points')->text('most')]);
        self::assertSame('1/2', $told->object('pass')->text('byGuessing'), 'both are guessed alike');
        self::assertSame($json, $this->onBlueprint('zetema:simulate', $blueprint, '--forms=400', '--seed=5')[1], 'the same seeds, the same forms');
        self::assertSame(
            [1, '{"infeasible":{"draws":[1],"ask":9,"fit":2}}'],
            array_map(static fn (mixed $t): mixed => is_string($t) ? trim($t) : $t, $this->onBlueprint('zetema:simulate', '{"steps":[{"draw":{"take":9,"pool":{}}}]}')),
        );
        self::assertSame(2, $this->onBlueprint('zetema:simulate', $blueprint, '--forms=none')[0]);
    }

    public function test_deal_takes_both_versions_and_gives_the_same_forms(): void
    {
        [, $first] = $this->deal('{"steps":[{"draw":{"take":1,"pool":{"objective":"A"},"points":"5"}},{"question":"which"}]}');
        [, $second] = $this->deal('{"v":2,"title":"T","sections":[{"id":"all","steps":[{"id":"1","draw":{"take":1,"pool":{"objective":"A"}},"settings":{"points":"5"}},{"id":"2","question":"which"}]}]}');

        self::assertSame($first, $second);
        self::assertStringContainsString('"forms"', $first);
    }

    public function test_guess_and_table_answer_for_one_question(): void
    {
        [$code, $json] = self::console(['zetema:guess', '-', '--question=which'], self::TEXT);
        self::assertSame([0, '[{"points":"0","chance":"1/2"},{"points":"10","chance":"1/2"}]'], [$code, trim($json)]);

        [$code, $json] = self::console(['zetema:table', '-', '--question=2'], self::TEXT);
        $rows = json_decode($json, true);
        self::assertSame(0, $code);
        self::assertIsArray($rows);
        self::assertSame(
            [[['choose' => [1]], 'right', ['2']], [['choose' => [2]], 'wrong', ['0']], [null, 'unanswered', ['0']]],
            array_map(static fn (mixed $r): array => is_array($r) ? [$r['response'], $r['outcome'], $r['earned']] : [], $rows),
        );

        self::assertSame(2, self::console(['zetema:guess', '-', '--question=gone'], self::TEXT)[0]);
    }

    public function test_a_marking_costs_a_few_dozen_turns_of_an_empty_loop(): void
    {
        $best = INF;
        // About 35 is usual. A busy machine only ever slows a run down, so the best of three tells what the code costs.
        for ($run = 0; $run < 3 && $best >= 80; ++$run) {
            [, $json] = self::console(['zetema:bench', 'marking'], '');
            $bench = Fields::ofJson($json);
            $best = min($best, $bench->integer('emptyLoopPerSecond') / $bench->integer('markingsPerSecond'));
        }

        self::assertGreaterThan(1, $best);
        self::assertLessThan(80, $best);
    }

    public function test_ten_thousand_questions_are_read_in_10_s_and_256_mb(): void
    {
        $text = '';
        for ($i = 0; $i < 10_000; ++$i) {
            $text .= "one: Question $i about bees?\n  name: q$i\n  yes: One answer\n    says: Because.\n  no: Another\n  no: A third\n  points: 5\n\n";
        }
        Speed::within(10_000, static function () use ($text): void {
            [$code, $json] = self::console(['zetema:read', '-'], $text, ['-d', 'memory_limit=256M']);

            self::assertSame(0, $code);
            self::assertSame(10_000, substr_count($json, '"kind":"one"'));
        });
    }

    /** @return array{int|null, string} */
    private function deal(string $blueprint): array
    {
        return $this->onBlueprint('zetema:deal', $blueprint, '--seed=5', '--forms=3');
    }

    /** @return array{int|null, string} */
    private function sit(string $blueprint, string $events): array
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'events');
        file_put_contents($file, $events);
        $result = $this->onBlueprint('zetema:sit', $blueprint, '--events=' . $file);
        unlink($file);

        return $result;
    }

    /** @return array{int|null, string} */
    private function onBlueprint(string $command, string $blueprint, string ...$options): array
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'blueprint');
        file_put_contents($file, $blueprint);
        $result = self::console([$command, $file, '-', ...array_values($options)], self::TEXT);
        unlink($file);

        return $result;
    }

    /**
     * @param list<string> $arguments
     * @param list<string> $php
     *
     * @return array{int|null, string} exit code and standard output
     */
    private static function console(array $arguments, string $input, array $php = []): array
    {
        $process = new Process(['php', ...$php, 'bin/console', ...$arguments], dirname(__DIR__, 3), ['APP_ENV' => 'test'], $input, 60);
        $process->run();

        return [$process->getExitCode(), $process->getOutput()];
    }
}
