<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Sitting;

use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Process\Process;
use Zetema\App\CommandLine\Bench\Bank\LargeBank;
use Zetema\App\CommandLine\Bench\Server\BenchClient;
use Zetema\App\CommandLine\Bench\Server\FpmServer;
use Zetema\App\CommandLine\Bench\Server\ProcessorTime;
use Zetema\App\CommandLine\Bench\Server\Times;
use Zetema\App\Shared\Dialect\SqliteFile;
use Zetema\App\Shared\Row;

/** A crowd: candidates who each save every five seconds for a minute, over HTTP, beside a request that does nothing. */
final class SittingBench
{
    private const SECONDS = 60;
    private const EVERY = 5;
    private const QUESTIONS = 35;
    private const ROUNDS = 4;

    private string $address = '';
    private OutputInterface $output;

    public function __construct(#[Autowire('%kernel.project_dir%')] private readonly string $root)
    {
    }

    /** @param int $children of php-fpm behind nginx; 0: PHP's own server with four workers */
    public function run(OutputInterface $output, int $candidates, int $children = 0, bool $storm = false, float $shorter = 1.0): int
    {
        $this->output = $output;
        $db = $this->database($candidates, $storm ? 12 : 4);
        $port = self::freePort();
        $this->address = 'http://127.0.0.1:' . $port;
        $server = $children === 0 ? $this->server() : new FpmServer($this->root, $port, $children, $this->environment());
        $this->waitFor($port);
        $output->writeln($children === 0 ? 'PHP’s own server, four workers' : "php-fpm with $children children behind nginx");
        try {
            $processor = new ProcessorTime($server instanceof FpmServer ? $server->processes() : [(int) $server->getPid()]);
            if ($storm) {
                return (new StormBench($output, $this->address, $this->edition(), $processor))->run($candidates, $shorter);
            }
            $this->measure($db, $candidates, $this->edition(), $processor);
        } finally {
            $server instanceof FpmServer ? $server->stop() : self::kill($server);
        }

        return 0;
    }

    /** Candidates save and go on while the server is killed, again and again; every acknowledged event is there, once. */
    public function kills(OutputInterface $output, int $kills): int
    {
        $db = $this->database(20);
        $server = $this->server();
        $crowd = $this->crowd(20, $this->edition());
        for ($kill = 0; $kill < $kills; ++$kill) {
            $at = random_int(50, 950) / 1000;
            $killed = false;
            (new Crowd($crowd))->run(1.0, 0.2, static function (float $since) use (&$killed, $at, $server): void {
                if (!$killed && $since > $at) {
                    self::kill($server);
                    $killed = true;
                }
            });
            self::kill($server);
            $server = $this->server();
        }
        (new Crowd($crowd))->run(1.0, 0.2);
        self::kill($server);
        $acknowledged = array_merge(...array_map(static fn (Sitter $sitter): array => $sitter->acknowledged, $crowd));
        $query = $db->query('SELECT request, COUNT(*) FROM sitting_event GROUP BY request');
        $kept = $query === false ? [] : $query->fetchAll(\PDO::FETCH_KEY_PAIR);
        $once = count(array_filter($acknowledged, static fn (string $request): bool => ($kept[$request] ?? 0) === 1));
        $output->writeln(
            sprintf('%d kills while 20 candidates wrote: %d acknowledged, %d of them found once', $kills, count($acknowledged), $once),
        );

        return $once === count($acknowledged) && count(array_unique($acknowledged)) === $once ? 0 : 1;
    }

    /** @param int $cost of a password: 12 as in the house, less where log-ins are not what is measured */
    private function database(int $candidates, int $cost = 4): \PDO
    {
        $database = $this->environment()['DATABASE_URL'];
        $file = substr($database, strlen('sqlite:///'));
        is_dir(dirname($file)) || mkdir(dirname($file), recursive: true);
        array_map(unlink(...), array_filter((array) glob($file . '*'), is_string(...)));
        foreach ([['doctrine:migrations:migrate', '--no-interaction', '--quiet'], ['zetema:make-large-bank', '2000']] as $command) {
            (new Process(['php', 'bin/console', ...$command], $this->root, $this->environment(), timeout: null))->mustRun();
        }
        $db = (new SqliteFile($file, patience: 8_000))->db;
        $hash = password_hash(LargeBank::PASSWORD, PASSWORD_BCRYPT, ['cost' => $cost]);
        $insert = $db->prepare("INSERT INTO account (login, name, role, password_hash, folded) VALUES (?, ?, 'candidate', ?, ?)");
        for ($i = 0; $i < $candidates; ++$i) {
            $insert->execute(["crowd$i", "C. $i", $hash, "c. $i crowd$i"]);
        }

        return $db;
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        $database = $this->root . '/var/bench/sitting.sqlite';

        return [
            'APP_ENV' => 'prod',
            'DATABASE_URL' => 'sqlite:///' . $database,
            'MEDIA_DIR' => $database . '-media',
            'PHP_CLI_SERVER_WORKERS' => '4',
        ];
    }

    /** PHP's own server with four workers, in a group of its own. */
    private function server(): Process
    {
        $port = $this->address === '' ? self::freePort() : (int) substr($this->address, (int) strrpos($this->address, ':') + 1);
        $this->address = 'http://127.0.0.1:' . $port;
        $server = new Process(
            [
                'setsid',
                'php',
                '-d',
                'opcache.enable_cli=1',
                '-d',
                'memory_limit=128M',
                '-S',
                '127.0.0.1:' . $port,
                '-t',
                'public',
                'public/router.php',
            ],
            $this->root,
            $this->environment(),
            timeout: null,
        );
        $server->disableOutput();
        $server->start();
        $this->waitFor($port);

        return $server;
    }

    /** With its workers, which would outlive it. */
    private static function kill(Process $server): void
    {
        $server->isRunning() && posix_kill(-(int) $server->getPid(), SIGKILL);
        $server->stop(0, 9);
    }

    private function waitFor(int $port): void
    {
        for ($i = 0; $i < 100 && !is_resource(@fsockopen('127.0.0.1', $port)); ++$i) {
            usleep(50_000);
        }
    }

    /** @return list<Sitter> */
    private function crowd(int $candidates, int $edition): array
    {
        $crowd = [];
        for ($i = 0; $i < $candidates; ++$i) {
            $client = new BenchClient($this->address, "crowd$i");
            $crowd[] = new Sitter($client, $client->ask('POST', "/api/editions/$edition/sittings", []));
        }

        return $crowd;
    }

    /** @return int an edition of 35 questions with a clock each, gone through forward, past a checkpoint */
    private function edition(): int
    {
        $author = new BenchClient($this->address, 'author');
        $settings = $author->ask('GET', '/api/banks/1/settings');
        $author->ask('PUT', '/api/banks/1/settings', [
            'version' => $settings['version'] ?? 0,
            'settings' => ['time' => '5 min', 'shuffle' => 'yes'],
        ]);
        $blueprint = $author->ask('POST', '/api/banks/1/blueprints', ['title' => 'Crowd']);
        $id = is_int($blueprint['id'] ?? null) ? $blueprint['id'] : 0;
        $draw = static fn (string $id, int $take): array => ['id' => $id, 'draw' => ['take' => $take, 'pool' => ['kinds' => ['one']]]];
        $route = ['when' => ['points' => 'all', 'is' => '>', 'value' => '3'], 'to' => 'last'];
        $saved = $author->ask('PUT', "/api/blueprints/$id/document", [
            'version' => $blueprint['version'] ?? 0,
            'document' => [
                'v' => 2,
                'title' => 'Crowd',
                'sections' => [
                    [
                        'id' => 'first',
                        'steps' => [$draw('d1', 2), ['id' => 'c', 'checkpoint' => ['routes' => [$route]]], $draw('d2', 8)],
                    ],
                    ['id' => 'last', 'steps' => [$draw('d3', self::QUESTIONS - 10)]],
                ],
            ],
        ]);
        $edition = $author->ask('POST', "/api/blueprints/$id/editions", ['version' => $saved['version'] ?? 0]);

        return is_int($edition['id'] ?? null) ? $edition['id'] : throw new \RuntimeException('no edition was frozen');
    }

    private function measure(\PDO $db, int $candidates, int $edition, ProcessorTime $processor): void
    {
        $crowd = $this->crowd($candidates, $edition);
        $this->output->writeln(
            sprintf('%s, %d candidates, %d questions with a clock each and a route', date('j F Y'), $candidates, self::QUESTIONS),
        );
        $this->oneAfterTheOther(array_slice($crowd, 0, 60), $processor);
        $before = $this->events($db);
        $crowded = (new Crowd($crowd))->run(self::SECONDS, self::EVERY);
        $kept = $this->events($db) - $before;
        $this->output->writeln(
            sprintf(
                'the crowd: %d requests in %d s, %.1f a second of %.1f asked for; median %.0f ms, p95 %.0f ms, longest %.0f ms; %d errors',
                $crowded->answered,
                self::SECONDS,
                $crowded->answered / self::SECONDS,
                $candidates / self::EVERY,
                $crowded->at(0.5),
                $crowded->at(0.95),
                $crowded->at(1.0),
                $crowded->errors,
            ),
        );
        $this->output->writeln(
            sprintf(
                'acknowledged %d, found in the database %d: %s',
                $crowded->answered,
                $kept,
                $kept >= $crowded->answered ? 'none lost' : 'LOST',
            ),
        );
    }

    /**
     * Rounds of requests that do nothing and of saves in turn, so that a slower minute of the machine falls on both.
     *
     * @param list<Sitter> $sitters
     */
    private function oneAfterTheOther(array $sitters, ProcessorTime $processor): void
    {
        $works = [
            'nothing' => static fn (Sitter $sitter): array => $sitter->client->ask('GET', '/api/me'),
            'a save' => static fn (Sitter $sitter): array => $sitter->went($sitter->client->ask(...$sitter->next())),
        ];
        $times = ['nothing' => new Times(), 'a save' => new Times()];
        $used = ['nothing' => 0.0, 'a save' => 0.0];
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            foreach ($works as $name => $work) {
                $before = $processor->milliseconds();
                foreach ($sitters as $sitter) {
                    $times[$name]->take(static fn (): array => $work($sitter));
                }
                $used[$name] += $processor->milliseconds() - $before;
            }
        }
        foreach ($times as $name => $time) {
            $this->output->writeln(
                sprintf(
                    'one after the other, %s: %.1f ms (p95 %.1f); processor time of the server %.1f ms',
                    $name,
                    $time->median(),
                    $time->p95(),
                    $used[$name] / $time->count(),
                ),
            );
        }
        $this->output->writeln(
            sprintf(
                'a save : nothing %.1f by the clock, %.1f in processor time',
                $times['a save']->median() / $times['nothing']->median(),
                $used['a save'] / $used['nothing'],
            ),
        );
    }

    private function events(\PDO $db): int
    {
        $count = $db->query("SELECT COUNT(*) FROM sitting_event WHERE kind IN ('saved', 'went on')");
        $row = $count === false ? false : $count->fetchColumn();

        return Row::int($row);
    }

    private static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        $name = is_resource($socket) ? (string) stream_socket_get_name($socket, false) : '';
        is_resource($socket) && fclose($socket);

        return (int) substr($name, (int) strrpos($name, ':') + 1);
    }
}
