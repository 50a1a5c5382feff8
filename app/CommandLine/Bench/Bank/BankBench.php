<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Bank;

use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Process\Process;
use Zetema\App\CommandLine\Bench\Server\BenchServer;
use Zetema\App\CommandLine\Bench\Server\Times;
use Zetema\App\Shared\Dialect\SqliteWords;

/** The work of every day on a large bank, over HTTP, beside a request that does nothing and the bare SQL. */
final class BankBench
{
    private const TIMES = 40;
    /** What is written varies more: now and then the search index is put in order, or the log of writes is taken over. */
    private const WRITTEN = 120;
    private const TAKEN_IN = 20_000;

    private BenchServer $server;
    private \PDO $sql;
    private string $database;
    private OutputInterface $output;

    public function __construct(#[Autowire('%kernel.project_dir%')] private readonly string $root)
    {
    }

    public function run(OutputInterface $output, int $questions): int
    {
        $this->output = $output;
        $database = $this->root . '/var/bench/bank-' . $questions . '.sqlite';
        is_dir(dirname($database)) || mkdir(dirname($database), recursive: true);
        $environment = ['APP_ENV' => 'prod', 'DATABASE_URL' => 'sqlite:///' . $database, 'MEDIA_DIR' => $database . '-media'];
        foreach ((array) glob($database . '*') as $old) {
            unlink((string) $old);
        }
        foreach (
            [['doctrine:migrations:migrate', '--no-interaction', '--quiet'], ['zetema:make-large-bank', (string) $questions]] as $command
        ) {
            (new Process(['php', 'bin/console', ...$command], $this->root, $environment, timeout: null))->mustRun(static function (
                string $type,
                string $text,
            ) use ($output): void {
                if ($type !== Process::ERR) {
                    $output->write($text);
                }
            });
        }
        $this->sql = new \PDO('sqlite:' . $database);
        $this->database = $database;
        $this->server = new BenchServer($this->root, $database, '128M');
        $this->output->writeln(
            sprintf(
                "\n%d questions, %s; medians and p95 in milliseconds, each over 40 different requests (120 of what is written), beside as many that do nothing in between",
                $questions,
                date('j F Y'),
            ),
        );
        // A server that has just been started reads its program first; that is a matter of the first list after a start, not of lists.
        $this->server->ask('GET', '/api/banks/1/questions?order=made&kind=pairs');
        $this->measure('another request that does nothing', static fn (int $i): array => ['GET', '/api/me']);
        $this->lists($questions);
        $this->blueprints();
        $this->writing($questions);
        (new ChangeBench($this->server, $this->output))->run($questions);
        $this->whole();

        return 0;
    }

    private function lists(int $questions): void
    {
        foreach (['objective', 'made', 'newest', 'text', 'name', 'kind', 'points', 'status'] as $order) {
            $this->measure(
                "list by $order, first page of each of 40 objectives",
                static fn (int $i): array => ['GET', "/api/banks/1/questions?order=$order&objective=" . (2 + 5 * $i)],
            );
        }
        foreach (['objective', 'text', 'points', 'status'] as $order) {
            $after = '';
            $ends = [];
            for ($page = 0; $page < intdiv($questions, 100) - 1 && $page < 1000; ++$page) {
                $told = $this->server->ask('GET', "/api/banks/1/questions?order=$order&after=$after");
                $ends[] = $after = is_string($told['after'] ?? null) ? $told['after'] : '';
            }
            $deep = array_slice($ends, -2 * self::TIMES);
            $this->measure(
                "list by $order, a deep page",
                static fn (int $i): array => ['GET', "/api/banks/1/questions?order=$order&after=" . $deep[$i % max(1, count($deep))]],
                'SELECT * FROM question WHERE bank_id = 1 AND id > ' . intdiv($questions, 2) . ' + :i ORDER BY id LIMIT 100',
            );
        }
        $this->measure(
            'list, first page of all',
            static fn (int $i): array => ['GET', '/api/banks/1/questions?order=' . ['objective', 'text', 'points', 'kind'][$i % 4]],
        );
        $this->measure(
            'search, a rare word',
            static fn (int $i): array => ['GET', '/api/banks/1/questions?search=' . LargeBank::rareWord(intdiv($questions, 50) * $i + 1)],
            (new SqliteWords())->found('\'body : ref\' || :i') . ' LIMIT 100',
        );
        $words = LargeBank::frequentWords();
        $this->measure(
            'search, a frequent word',
            static fn (int $i): array => [
                'GET',
                '/api/banks/1/questions?search=' . $words[$i % count($words)] . ($i < count($words) ? '' : ' case'),
            ],
            'SELECT COUNT(*) FROM ' . (new SqliteWords())->from('\'body : hive OR body : x\' || :i'),
        );
        $this->measure(
            'filter by objective and kind',
            static fn (int $i): array => [
                'GET',
                '/api/banks/1/questions?objective=' . (1 + 11 * ($i % 20)) . '&kind=' . ['one', 'claim', 'number'][$i % 3],
            ],
        );
        $this->measure(
            'filter by kind',
            static fn (int $i): array => [
                'GET',
                '/api/banks/1/questions?kind=' .
                ['one', 'claim', 'number'][$i % 3] .
                '&order=' .
                ['objective', 'made', 'text'][intdiv($i, 3) % 3],
            ],
        );
        $this->measure(
            'board',
            static fn (int $i): array => ['GET', '/api/banks/1/board'],
            'SELECT objective_id, kind, SUM(questions), SUM(dealt) FROM question_count WHERE bank_id = 1 AND status <> \'x\' || :i GROUP BY 1, 2',
        );
    }

    private function blueprints(): void
    {
        $this->measure('list of 30 blueprints', static fn (int $i): array => ['GET', '/api/banks/1/blueprints']);
        $this->measure('blueprint with its proof', static fn (int $i): array => ['GET', '/api/blueprints/' . (1 + ($i % 30))]);
        $this->measure(
            'deal a form',
            static fn (int $i): array => ['POST', '/api/blueprints/' . (1 + ($i % 30)) . '/deal', ['seed' => $i]],
        );
    }

    private function writing(int $questions): void
    {
        $this->measure(
            'intake: read one question',
            static fn (int $i): array => [
                'POST',
                '/api/banks/1/intake/read',
                ['text' => "one: Which of these $i?\n name: question $i\n yes: a\n no: b"],
            ],
            'SELECT id FROM question WHERE bank_id = 1 AND stem_key = \'which of these \' || :i',
        );
        $opened = [];
        for ($i = 0; $i < self::WRITTEN; ++$i) {
            $id = 1 + intdiv($questions, self::WRITTEN) * $i;
            $opened[] = [$id, $this->server->ask('GET', "/api/questions/$id")];
        }
        $this->measure('open a question', static fn (int $i): array => ['GET', '/api/questions/' . (7 + intdiv($questions, 50) * $i)]);
        $this->measure(
            'save a question',
            static function (int $i) use ($opened): array {
                [$id, $question] = $opened[$i];
                $content = is_array($question['content'] ?? null) ? $question['content'] : [];
                $stem = is_string($content['stem'] ?? null) ? $content['stem'] : '';

                return [
                    'PUT',
                    "/api/questions/$id",
                    [
                        'version' => $question['version'] ?? 0,
                        'name' => $question['name'] ?? '',
                        'objective' => $question['objective'] ?? '',
                        'content' => [...$content, 'stem' => "$stem And after $i?"],
                    ],
                ];
            },
            times: self::WRITTEN,
        );
        $this->measure(
            'proofreading, a page of notes',
            static fn (int $i): array => ['GET', '/api/banks/1/proofreading' . ($i % 2 === 0 ? '' : '?after=' . 100 * $i)],
        );
    }

    private function whole(): void
    {
        $version = $this->server->ask('GET', '/api/banks/1/settings')['version'] ?? 0;
        $this->measure(
            'change a setting of the bank',
            static function (int $i) use (&$version): array {
                return [
                    'PUT',
                    '/api/banks/1/settings',
                    ['version' => is_int($version) ? $version++ : 0, 'settings' => ['points' => (string) (1 + $i)]],
                ];
            },
            times: self::WRITTEN,
        );
        $text = '';
        for ($i = 0; $i < self::TAKEN_IN; ++$i) {
            $text .= "one: Taken in as number $i, by whom?\n yes: the $i. of them\n no: nobody at all\n\n";
        }
        $lines = array_map(static fn (int $i): int => 1 + 4 * $i, range(0, self::TAKEN_IN - 1));
        $begin = new Times();
        $begin->take(
            fn () => $this->server->ask('POST', '/api/banks/1/intake', ['text' => $text, 'lines' => $lines, 'name' => 'many.zet.txt']),
        );
        for ($i = 0; $i < self::WRITTEN; ++$i) {
            $this->server->workOne(); // the settings changed before: all but the last were stopped
        }
        $this->job('what follows from a setting', "task = 'follow settings' AND state = 'done'", 0.0, 0.0);
        $work = new Times();
        $peak = $work->take(fn (): float => $this->server->workOne());
        $this->job(
            sprintf('take in %d: accepted after %.1f s', self::TAKEN_IN, $begin->median() / 1000),
            "task = 'take in'",
            $work->median(),
            $peak,
        );
        $this->streamed();
    }

    private function job(string $what, string $which, float $ms, float $peak): void
    {
        $job = $this->sql->query("SELECT state, done, 'of', total FROM job WHERE $which ORDER BY id DESC LIMIT 1");
        $row = $job === false ? false : $job->fetch(\PDO::FETCH_NUM);
        $told = is_array($row) ? implode(' ', array_filter($row, is_scalar(...))) : 'none';
        $this->output->writeln(
            sprintf('%-55s %s', $what, $told . ($ms > 0 ? sprintf(' in %.1f s, %.0f MB at most', $ms / 1000, $peak) : '')),
        );
    }

    /** The bank as text from a server that may use 64 MB. */
    private function streamed(): void
    {
        $this->server = new BenchServer($this->root, $this->database, '64M');
        $times = new Times();
        $bytes = $times->take(fn (): int => strlen($this->server->fetch('GET', '/api/banks/1/text')));
        $this->output->writeln(
            sprintf('%-55s %.1f MB in %.1f s with 64 MB allowed', 'the bank as text', $bytes / 1e6, $times->median() / 1000),
        );
    }

    /**
     * Each request has one that does nothing before it, so that what else the machine does falls on both.
     *
     * @param callable(int): array{0: string, 1: string, 2?: array<string, mixed>} $request the i-th, from 0
     * @param string $sql what the database does of it, with :i
     */
    private function measure(string $what, callable $request, string $sql = '', int $times = self::TIMES): void
    {
        $taken = new Times();
        $nothing = new Times();
        for ($i = 0; $i < $times; ++$i) {
            [$method, $path, $body] = [...$request($i), null];
            $nothing->take(fn () => $this->server->fetch('GET', '/api/me'));
            $taken->take(fn () => $this->server->fetch($method, $path, $body));
        }
        $bare = new Times();
        for ($i = 0; $i < self::TIMES && $sql !== ''; ++$i) {
            $statement = $this->sql->prepare($sql);
            $bare->take(static fn (): bool => $statement->execute(['i' => $i]) && $statement->fetchAll() !== [null]);
        }
        $this->output->writeln(
            sprintf(
                '%-52s %7.1f %7.1f | nothing %5.1f %5.1f | %4.1f × and %4.1f × at p95%s',
                $what,
                $taken->median(),
                $taken->p95(),
                $nothing->median(),
                $nothing->p95(),
                $taken->median() / $nothing->median(),
                $taken->p95() / $nothing->p95(),
                $sql === '' ? '' : sprintf(' | %.1f × the SQL', $taken->median() / max(0.01, $bare->median())),
            ),
        );
    }
}
