<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Server;

use Symfony\Component\Process\Process;
use Zetema\App\CommandLine\Bench\Bank\LargeBank;

/** The real server on a database of its own, with one worker and a limit of memory, spoken to over HTTP as a browser does. */
final class BenchServer
{
    private readonly int $port;
    private readonly Process $process;
    private readonly \CurlHandle $curl;

    public function __construct(
        private readonly string $root,
        private readonly string $database,
        private readonly string $memory,
        string $login = 'author',
    ) {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        $name = is_resource($socket) ? (string) stream_socket_get_name($socket, false) : '';
        is_resource($socket) && fclose($socket);
        $this->port = (int) substr($name, (int) strrpos($name, ':') + 1);
        $this->process = new Process(
            [
                'php',
                '-d',
                'opcache.enable_cli=1',
                '-d',
                'memory_limit=' . $memory,
                '-S',
                '127.0.0.1:' . $this->port,
                '-t',
                'public',
                'public/router.php',
            ],
            $root,
            $this->environment(),
            timeout: null,
        );
        $this->process->disableOutput();
        $this->process->start();
        $this->curl = curl_init();
        for ($i = 0; $i < 100 && !is_resource(@fsockopen('127.0.0.1', $this->port)); ++$i) {
            usleep(50_000);
        }
        curl_setopt($this->curl, CURLOPT_COOKIEFILE, '');
        $this->ask('POST', '/api/log-in', ['login' => $login, 'password' => LargeBank::PASSWORD]);
    }

    public function __destruct()
    {
        $this->process->stop(0, 9);
    }

    /**
     * @param array<string, mixed>|null $body
     *
     * @return array<array-key, mixed>
     */
    public function ask(string $method, string $path, ?array $body = null): array
    {
        $answer = json_decode($this->fetch($method, $path, $body), true);

        return is_array($answer) ? $answer : [];
    }

    /** @param array<string, mixed>|null $body */
    public function fetch(string $method, string $path, ?array $body = null): string
    {
        curl_setopt($this->curl, CURLOPT_URL, 'http://127.0.0.1:' . $this->port . str_replace(' ', '%20', $path));
        curl_setopt($this->curl, CURLOPT_CUSTOMREQUEST, $method === '' ? 'GET' : $method);
        curl_setopt($this->curl, CURLOPT_RETURNTRANSFER, true);
        curl_setopt($this->curl, CURLOPT_POSTFIELDS, $body === null ? '' : json_encode($body, JSON_THROW_ON_ERROR));
        curl_setopt($this->curl, CURLOPT_HTTPHEADER, ['Content-Type: application/json', 'X-Zetema: 1', 'Expect:']);
        $answer = curl_exec($this->curl);
        $status = curl_getinfo($this->curl, CURLINFO_RESPONSE_CODE);
        if (!is_string($answer) || $status >= 400 || $status === 0) {
            throw new \RuntimeException(
                sprintf('%s %s was answered with %s: %s', $method, $path, json_encode($status), mb_substr((string) $answer, 0, 300)),
            );
        }

        return $answer;
    }

    /**
     * Works off one job in the background, within the same limit of memory.
     *
     * @param (callable(): void)|null $meanwhile done again and again until it is done
     *
     * @return float MB of memory at its peak
     */
    public function workOne(?callable $meanwhile = null): float
    {
        $work = new Process(
            ['php', '-d', 'memory_limit=' . $this->memory, 'bin/console', 'messenger:consume', 'background', '--limit=1', '--quiet'],
            $this->root,
            $this->environment(),
            timeout: null,
        );
        $work->start();
        $peak = 0;
        while ($work->isRunning()) {
            if (preg_match('/VmHWM:\s+(\d+)/', (string) @file_get_contents('/proc/' . $work->getPid() . '/status'), $m) === 1) {
                $peak = max($peak, (int) $m[1]);
            }
            if ($meanwhile !== null) {
                $meanwhile();
            }
            usleep(20_000);
        }

        return $peak / 1024;
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return ['APP_ENV' => 'prod', 'DATABASE_URL' => 'sqlite:///' . $this->database, 'MEDIA_DIR' => $this->database . '-media'];
    }
}
