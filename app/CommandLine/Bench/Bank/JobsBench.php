<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Bank;

use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Zetema\App\CommandLine\Bench\Server\BenchDatabase;
use Zetema\App\CommandLine\Bench\Server\BenchServer;
use Zetema\App\CommandLine\Bench\Server\Times;

/** Work in the background on a large bank, within 128 MB: how long, whole to the last line, and how long others wait meanwhile to save. */
final class JobsBench
{
    private BenchServer $server;
    private OutputInterface $output;

    public function __construct(#[Autowire('%kernel.project_dir%')] private readonly string $root)
    {
    }

    public function run(OutputInterface $output, int $questions): int
    {
        $this->output = $output;
        $database = BenchDatabase::made($this->root, 'jobs', ['zetema:make-large-bank', (string) $questions]);
        $this->server = new BenchServer($this->root, $database, '128M');
        $output->writeln(sprintf('%d questions, %s', $questions, date('j F Y')));
        foreach (['text', 'table', 'archive'] as $as) {
            $job = $this->worked("bank as $as", $this->server->ask('POST', '/api/banks/1/out', ['as' => $as, 'filter' => (object) []]));
            $file = $this->server->fetch('GET', "/api/jobs/$job/file");
            $output->writeln(sprintf('  %s: %s', $as, $this->whole($as, $file, $questions)));
        }
        // Not the first, which is saved meanwhile.
        $some = range(2, min(5_001, $questions));
        $this->worked(
            '5,000 questions changed',
            $this->server->ask('POST', '/api/banks/1/questions/change', ['ids' => $some, 'change' => ['settings' => ['points' => '7']]]),
        );
        $changes = $this->server->ask('GET', '/api/banks/1/changes')['changes'] ?? [];
        $change = is_array($changes) && is_array($changes[0] ?? null) && is_int($changes[0]['id'] ?? null) ? $changes[0]['id'] : 0;
        $undo = $this->server->ask('POST', "/api/banks/1/changes/$change/undo")['job'] ?? [];
        $this->worked('the same undone', is_array($undo) ? $undo : []);
        $this->worked('bank copied', $this->server->ask('POST', '/api/banks/1/copy', ['name' => 'The copy']));

        return 0;
    }

    /** How much of the bank is in a file. */
    private function whole(string $as, string $file, int $questions): string
    {
        $found = match ($as) {
            'text' => preg_match_all(
                '/^(?:-- )?(?:one|several|true|false|number|text|order|pairs|groups|gaps|regions|place|rating): /m',
                $file,
            ),
            'table' => substr_count($file, "\n") - 1,
            default => $this->inArchive($file),
        };

        return sprintf(
            '%.1f MB, %d of %d questions%s',
            strlen($file) / 1e6,
            $found,
            $questions,
            $as === 'table' ? ' as lines (kinds that no row can hold stay out)' : '',
        );
    }

    private function inArchive(string $file): int
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'zetema-bench');
        file_put_contents($path, $file);
        $zip = new \ZipArchive();
        $zip->open($path);
        $found = 0;
        for ($i = 0; $i < $zip->numFiles; ++$i) {
            if (preg_match('#^questions/#', (string) $zip->getNameIndex($i)) === 1) {
                $found += substr_count((string) $zip->getFromIndex($i), '"number":');
            }
        }
        $zip->close();
        unlink($path);

        return $found;
    }

    /**
     * Works a job off while a question is saved again and again.
     *
     * @param array<array-key, mixed> $job
     *
     * @return int its id
     */
    private function worked(string $what, array $job): int
    {
        $id = is_int($job['id'] ?? null) ? $job['id'] : throw new \RuntimeException($what . ' did not begin');
        $saves = new Times();
        $idle = new Times();
        $took = new Times();
        $peak = $took->take(
            fn (): float => $this->server->workOne(function () use ($saves, $idle): void {
                $idle->take(fn (): array => $this->server->ask('GET', '/api/me'));
                $question = $this->server->ask('GET', '/api/questions/1');
                $saves->take(
                    fn (): array => $this->server->ask('PUT', '/api/questions/1/about', [
                        'version' => $question['version'] ?? 0,
                        'selfNote' => 'note ' . random_int(1, 1_000_000),
                    ]),
                );
            }),
        );
        $told = $this->server->ask('GET', "/api/jobs/$id");
        $this->output->writeln(
            sprintf(
                '%-26s %s in %.1f s, %.0f MB at most; meanwhile a save waited %.0f ms at the median, %.0f at p95, %.0f at most (%d saves; nothing %.0f, %.0f, %.0f)',
                $what,
                is_string($told['state'] ?? null) ? $told['state'] : '',
                $took->median() / 1000,
                $peak,
                $saves->median(),
                $saves->p95(),
                $saves->longest(),
                $saves->count(),
                $idle->median(),
                $idle->p95(),
                $idle->longest(),
            ),
        );

        return $id;
    }
}
