<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Bank;

use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Zetema\Core\Exchange\Source;
use Zetema\Core\Exchange\Table\TableSource;
use Zetema\Core\Exchange\TextFormat\TextSource;
use Zetema\Core\Exchange\TypedPaper\PaperSource;
use Zetema\Core\Exchange\Written\Characters;

/** How fast papers, tables and texts are read, beside the cutting of the same bytes into lines; and what mutated files do. */
final readonly class IntakeBench
{
    private const QUESTIONS = 2_000;

    public function __construct(#[Autowire('%kernel.project_dir%')] private string $root)
    {
    }

    public function run(OutputInterface $output, int $files): int
    {
        $figures = [];
        foreach ($this->sources() as $what => [$text, $make]) {
            $began = hrtime(true);
            $lines = count(Characters::lines($text));
            $floor = (hrtime(true) - $began) / 1e9;
            $whole = 0;
            $began = hrtime(true);
            foreach ($make($text)->questions() as $found) {
                $whole += $found->question === null ? 0 : 1;
            }
            $took = (hrtime(true) - $began) / 1e9;
            $figures[$what] = [
                'questions' => $whole,
                'lines' => $lines,
                'seconds' => round($took, 2),
                'timesCuttingIntoLines' => round($took / max($floor, 1e-9)),
            ];
        }
        $packages = new PackageFuzz($this->root . '/demo');
        $output->writeln(
            json_encode(
                [
                    'read' => $figures,
                    'items' => $packages->whole(self::QUESTIONS),
                    'mutated' => $this->mutated($files),
                    'mutatedItemsAndZips' => $packages->run($files),
                    'peakMegabytes' => round(memory_get_peak_usage() / 1e6),
                ],
                JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT,
            ),
            OutputInterface::OUTPUT_RAW,
        );

        return 0;
    }

    /** @return iterable<string, array{string, callable(string): Source}> distinct questions in each way in */
    private function sources(): iterable
    {
        $text = $paper = '';
        $table = "Question,A,B,C,Answer,Points,Topic\n";
        for ($i = 1; $i <= self::QUESTIONS; ++$i) {
            $n = (($i - 1) % 999) + 1;
            $text .= "one: Which sign number $i shows a queen?\n  points: 2\n  yes: Single eggs, $i\n  no: Capped cells\n  no: Honey\n\n";
            $paper .= "$n. Which sign number $i shows a queen? (2 points)\na) Single eggs, $i\nb) Capped cells\nc) Honey\nAnswer: A\n\n";
            $table .= "Which sign number $i shows a queen?,\"Single eggs, $i\",Capped cells,Honey,A,2,Queens > Part $n\n";
        }
        yield 'text' => [$text, static fn (string $t): Source => new TextSource($t)];
        yield 'paper' => [$paper, static fn (string $t): Source => new PaperSource($t, isHtml: false)];
        yield 'html' => [
            '<p>' . str_replace("\n", "</p>\n<p>", $paper) . '</p>',
            static fn (string $t): Source => new PaperSource($t, isHtml: true),
        ];
        yield 'table' => [$table, static fn (string $t): Source => TableSource::ofText($t)];
    }

    /**
     * Sample files with bytes changed, left out, doubled and put elsewhere; each is read in every way in.
     *
     * @return array{files: int, questions: int, problems: int, slowestSeconds: float}
     */
    private function mutated(int $files): array
    {
        mt_srand(20261126);
        $names = ['intake/evening-paper.txt', 'intake/summer-quiz.csv', 'certificate.zet.txt'];
        $samples = array_map(
            fn (string $name): string => substr((string) file_get_contents($this->root . '/demo/' . $name), 0, 6_000),
            $names,
        );
        $questions = $problems = 0;
        $slowest = 0.0;
        for ($i = 0; $i < $files; ++$i) {
            $text = self::mutate($samples[$i % count($samples)]);
            $began = hrtime(true);
            foreach (
                [new TextSource($text), new PaperSource($text), new PaperSource($text, isHtml: true), TableSource::ofText($text)] as $source
            ) {
                foreach ($source->questions() as $found) {
                    ++$questions;
                    $problems += count($found->problems);
                }
                $problems += count($source->report()->problems);
            }
            $slowest = max($slowest, (hrtime(true) - $began) / 1e9);
        }

        return ['files' => $files, 'questions' => $questions, 'problems' => $problems, 'slowestSeconds' => round($slowest, 3)];
    }

    private static function mutate(string $text): string
    {
        for ($n = mt_rand(1, 12); $n > 0; --$n) {
            $length = strlen($text);
            $at = mt_rand(0, max(0, $length - 1));
            $size = mt_rand(1, 80);
            $piece = substr($text, mt_rand(0, max(0, $length - 1)), $size);
            $text = match (mt_rand(0, 5)) {
                0 => substr_replace($text, chr(mt_rand(0, 255)), $at, 1),
                1 => substr_replace($text, '', $at, $size),
                2 => substr_replace($text, $piece, $at, 0),
                3 => substr_replace($text, str_repeat($piece, mt_rand(2, 30)), $at, 0),
                4 => substr_replace(
                    $text,
                    ["\n", "\t", '"', '<b>', '* ', '___', '1. ', 'a) ', '=', "\u{00A0}", "\0"][mt_rand(0, 10)],
                    $at,
                    0,
                ),
                default => substr($text, 0, $at) . substr($text, min($length, $at + 1)),
            };
        }

        return $text;
    }
}
