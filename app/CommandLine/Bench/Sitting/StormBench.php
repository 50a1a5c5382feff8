<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Sitting;

use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Bench\Server\BenchClient;
use Zetema\App\CommandLine\Bench\Server\ProcessorTime;

/**
 * The same minute: a hall full of candidates logs in, begins, saves and hands in, each within a window, while the author reads
 * results all the time. What a log-in costs is what it costs in the house: passwords are hashed as there.
 */
final readonly class StormBench
{
    /** Seconds in which all log in; passwords cost more than everything else. */
    private const LOG_IN = 300.0;
    private const WINDOW = 60.0;
    private const ALONE = 40;

    public function __construct(
        private OutputInterface $output,
        private string $address,
        private int $edition,
        private ProcessorTime $processor,
    ) {
    }

    /** @return int 1 if any request was refused */
    public function run(int $candidates, float $shorter = 1.0): int
    {
        $author = new BenchClient($this->address, 'author');
        $alone = $this->alone($author);
        $hall = array_map(static fn (int $i): StormSitter => new StormSitter($i), range(0, $candidates - 1));
        $refused = 0;
        foreach (
            ['log in' => self::LOG_IN, 'begin' => self::WINDOW, 'save' => self::WINDOW, 'hand in' => self::WINDOW] as $act => $seconds
        ) {
            $before = $this->processor->milliseconds();
            $done = (new Storm($hall, $this->author($author)))->run($seconds * $shorter, function (StormSitter $sitter) use (
                $act,
            ): \CurlHandle {
                [$path, $body] = $sitter->asks($act, $this->edition);

                return BenchClient::to($this->address, 'POST', $path, $body, $sitter->cookie);
            });
            $used = ($this->processor->milliseconds() - $before - $done->meanwhile * $alone['results']) / $candidates;
            $refused += $this->told($act, $done, $seconds * $shorter);
            $this->output->writeln(sprintf('  processor time %.1f ms each, %.1f times nothing', $used, $used / $alone['nothing']));
        }

        return $refused === 0 ? 0 : 1;
    }

    /**
     * @return array{nothing: float, results: float} processor time of a request that does nothing, and of a page of results, each asked
     *   alone
     */
    private function alone(BenchClient $author): array
    {
        $used = [];
        foreach (['nothing' => '/api/me', 'results' => "/api/editions/{$this->edition}/results"] as $name => $path) {
            $before = $this->processor->milliseconds();
            for ($i = 0; $i < self::ALONE; ++$i) {
                $author->ask('GET', $path);
            }
            $used[$name] = ($this->processor->milliseconds() - $before) / self::ALONE;
        }
        $this->output->writeln(
            sprintf('alone, processor time: nothing %.1f ms, a page of results %.1f ms', $used['nothing'], $used['results']),
        );

        return $used;
    }

    /** @return callable(): \CurlHandle the author looks at the results */
    private function author(BenchClient $author): callable
    {
        $edition = $this->edition;

        return static fn (): \CurlHandle => $author->request('GET', "/api/editions/$edition/results", null);
    }

    private function told(string $name, Storm $storm, float $seconds): int
    {
        $this->output->writeln(
            sprintf(
                '%s: %d within %.0f s, %d refused; median %.0f ms, p95 %.0f ms, longest %.0f ms; the author read results %d times meanwhile, median %.0f ms, longest %.0f ms, %d refused',
                $name,
                $storm->answered,
                $seconds,
                $storm->refused,
                $storm->times->median(),
                $storm->times->p95(),
                $storm->times->longest(),
                $storm->meanwhile,
                $storm->author->median(),
                $storm->author->longest(),
                $storm->authorRefused,
            ),
        );

        return $storm->refused + $storm->authorRefused;
    }
}
