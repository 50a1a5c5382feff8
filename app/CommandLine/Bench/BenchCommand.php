<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Exception\InvalidArgumentException;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Bench\Bank\BankBench;
use Zetema\App\CommandLine\Bench\Bank\DealBench;
use Zetema\App\CommandLine\Bench\Bank\IntakeBench;
use Zetema\App\CommandLine\Bench\Bank\JobsBench;
use Zetema\App\CommandLine\Bench\Bank\MarkingBench;
use Zetema\App\CommandLine\Bench\Sitting\ResultsBench;
use Zetema\App\CommandLine\Bench\Sitting\SittingBench;

#[AsCommand(
    'zetema:bench',
    'Measures, beside a floor measured in the same run: marking, dealing, a large bank, a crowd of candidates behind the real server, their results, work in the background, or the ways in',
),]
final readonly class BenchCommand
{
    public function __construct(
        private MarkingBench $marking,
        private DealBench $deal,
        private BankBench $bank,
        private SittingBench $sitting,
        private IntakeBench $intake,
        private ResultsBench $results,
        private JobsBench $jobs,
    ) {
    }

    public function __invoke(
        OutputInterface $output,
        #[Argument('What to measure: marking, deal, bank, sitting, results, jobs or intake')]
        string $what,
        #[Argument('For marking: a file in the text format; the demo if none is named')]
        string $file = '',
        #[Option('For bank and jobs: how many questions it has')]
        string $questions = '100000',
        #[Option('For sitting: how many candidates there are at once')]
        string $candidates = '200',
        #[Option('For sitting: how often the server is killed meanwhile, instead of being timed')]
        string $kills = '0',
        #[Option('For sitting: behind php-fpm with so many children, instead of PHP’s own server')]
        string $fpm = '0',
        #[Option('For sitting: all of them log in, begin, save and hand in, each within a minute, while the author reads results'),]
        bool $storm = false,
        #[Option('For sitting with --storm: the windows in percent of their length, for a try')]
        string $shorter = '100',
        #[Option('For results: how many sittings the edition has')]
        string $sittings = '10000',
        #[Option('For intake: how many mutated files are read')]
        string $mutated = '10000',
    ): int {
        if (preg_match('/^[1-9]\d{2,6}$/', $questions) !== 1) {
            throw new InvalidArgumentException('--questions is a number from 100.');
        }

        return match ($what) {
            'marking' => $this->marking->run($output, $file),
            'deal' => $this->deal->run($output),
            'bank' => $this->bank->run($output, (int) $questions),
            'sitting' => (int) $kills > 0
                ? $this->sitting->kills($output, min(500, (int) $kills))
                : $this->sitting->run(
                    $output,
                    max(1, min(2000, (int) $candidates)),
                    max(0, min(64, (int) $fpm)),
                    $storm,
                    max(1, min(100, (int) $shorter)) / 100,
                ),
            'results' => $this->results->run($output, max(200, min(50_000, (int) $sittings))),
            'jobs' => $this->jobs->run($output, (int) $questions),
            'intake' => $this->intake->run($output, max(1, min(1_000_000, (int) $mutated))),
            default => throw new InvalidArgumentException(
                'There are seven things to measure: marking, deal, bank, sitting, results, jobs and intake.',
            ),
        };
    }
}
