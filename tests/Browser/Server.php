<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

use Symfony\Component\Process\Process;

/** The real server with a database of its own, freshly loaded with the demo; ends with this object. */
final class Server
{
    public readonly string $address;
    private readonly FreePort $port;
    private readonly string $log;
    public readonly string $database;
    private static ?string $made = null;
    private Process $process;
    private Process $work;

    /**
     * @param int $workers processes that answer at the same time
     * @param int $crowd simulated candidates who have sat everything
     */
    public function __construct(private readonly int $workers = 1, private readonly int $crowd = 0)
    {
        $this->port = new FreePort();
        $this->address = 'http://127.0.0.1:' . $this->port->number;
        $this->database = self::root() . '/var/data/browser-' . $this->port->number . '.sqlite';
        $this->log = $this->database . '.log';
        self::$made ??= $this->make();
        foreach (['', '-media'] as $part) {
            (new Process(['cp', '-r', self::$made . $part, $this->database . $part]))->run();
        }
        $this->start();
    }

    /** The demo as it is loaded, once for all classes of a run. */
    private function make(): string
    {
        $made = self::root() . '/var/data/browser-made-' . getmypid() . '.sqlite';
        foreach ([['doctrine:migrations:migrate', '--no-interaction', '--quiet'], ['zetema:demo', '--quiet', '--crowd=' . $this->crowd]] as $command) {
            (new Process(['php', 'bin/console', ...$command], self::root(), self::environmentOf($made), timeout: 900))->mustRun();
        }
        register_shutdown_function(static fn () => (new Process(['rm', '-rf', ...(array) glob($made . '*')]))->run());

        return $made;
    }

    public function __destruct()
    {
        $this->kill();
        (new Process(['rm', '-rf', ...(array) glob($this->database . '*')]))->run();
    }

    public function start(): void
    {
        // What it says goes into a file: a full pipe would stop it. A request that lasts too long ends, and not the server with it.
        $this->process = Process::fromShellCommandline(
            'exec setsid php -d opcache.enable_cli=1 -d hard_timeout=0 -S 127.0.0.1:' . $this->port->number . ' -t public public/router.php 2>>' . escapeshellarg($this->log),
            self::root(),
            $this->environment(),
            timeout: null,
        );
        $this->process->disableOutput();
        $this->process->start();
        $this->startWork();
        Chromium::waitFor($this->port->number);
    }

    public function startWork(): void
    {
        $this->work = new Process(['php', 'bin/console', 'messenger:consume', 'background', '--quiet'], self::root(), $this->environment(), timeout: null);
        $this->work->disableOutput();
        $this->work->start();
    }

    public function killWork(): void
    {
        $this->work->stop(0, 9);
    }

    /** Lets the worker stand still, or go on: what happens in its midst can then be looked at on a machine of any speed. */
    public function holdWork(bool $isHeld): void
    {
        $this->work->signal($isHeld ? SIGSTOP : SIGCONT);
    }

    /** The same with those who answer requests. */
    public function hold(bool $isHeld): void
    {
        posix_kill(-(int) $this->process->getPid(), $isHeld ? SIGSTOP : SIGCONT);
    }

    /** Whether it runs, and the last of what it wrote that is no request. */
    public function told(): string
    {
        $lines = array_filter(explode("\n", (string) @file_get_contents($this->log)), static fn (string $line): bool => preg_match('/Accepted|Closing|\[[23]\d\d\]/', $line) !== 1);

        return ($this->process->isRunning() ? 'it runs' : 'it ended with ' . $this->process->getExitCode()) . "\n" . implode("\n", array_slice($lines, -8));
    }

    /** As when the machine goes down: no time to tidy up. */
    public function kill(): void
    {
        $pid = $this->process->getPid();
        if ($pid !== null) {
            posix_kill(-$pid, SIGKILL); // its workers outlive it
        }
        $this->process->stop(0, 9);
        $this->killWork();
    }

    private static function root(): string
    {
        return dirname(__DIR__, 2);
    }

    /** @return array<string, string> */
    public function environment(): array
    {
        return [...self::environmentOf($this->database), ...$this->workers > 1 ? ['PHP_CLI_SERVER_WORKERS' => (string) $this->workers] : []];
    }

    /** @return array<string, string> */
    private static function environmentOf(string $database): array
    {
        return ['APP_ENV' => 'prod', 'DATABASE_URL' => 'sqlite:///' . $database, 'MEDIA_DIR' => $database . '-media'];
    }
}
