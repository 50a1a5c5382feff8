<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Bank;

use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Bench\Server\BenchServer;
use Zetema\App\CommandLine\Bench\Server\Times;

/** A change of many questions: how long looking at it beforehand, doing and undoing it takes. */
final readonly class ChangeBench
{
    private const CHANGED = 5_000;

    public function __construct(private BenchServer $server, private OutputInterface $output)
    {
    }

    /** A change of five thousand questions (or of all there are): looked at beforehand, done, undone. */
    public function run(int $questions): void
    {
        $ids = range(1, min(self::CHANGED, $questions));
        $times = ['looked at beforehand' => new Times(), 'done' => new Times(), 'undone' => new Times()];
        $body = static fn (int $points): array => [
            'ids' => $ids,
            'change' => [
                'settings' => ['points' => (string) $points, 'attempts' => '2'],
                'byKind' => ['claim' => ['points' => (string) (5 + $points)]],
            ],
        ];
        foreach (range(2, 6) as $points) {
            $times['looked at beforehand']->take(
                fn (): array => $this->server->ask('POST', '/api/banks/1/questions/change/preview', $body($points)),
            );
        }
        $job = $this->server->ask('POST', '/api/banks/1/questions/change', $body(7));
        $peak = $times['done']->take(fn (): float => $this->server->workOne());
        $result = $this->server->ask('GET', '/api/jobs/' . (is_int($job['id'] ?? null) ? $job['id'] : 0))['result'] ?? [];
        [$changed, $change] = is_array($result) ? [$result['changed'] ?? 0, $result['change'] ?? 0] : [0, 0];
        $times['undone']->take(function () use ($change): float {
            $this->server->ask('POST', '/api/banks/1/changes/' . (is_int($change) ? $change : 0) . '/undo');

            return $this->server->workOne();
        });
        foreach ($times as $what => $time) {
            $this->output->writeln(
                sprintf(
                    '%-52s %.2f s',
                    sprintf('change %d questions: %s', is_int($changed) ? $changed : 0, $what),
                    $time->median() / 1000,
                ) . ($what === 'done' ? sprintf(', %.0f MB at most', $peak) : ''),
            );
        }
    }
}
