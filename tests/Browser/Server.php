<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

use Symfony\Component\Process\Process;

/** The real server with a database of its own, freshly loaded with the demo; ends with this object. */
final class Server
{
    public readonly string $address;
    private readonly int $port;
    private readonly string $database;
    private static ?string $made = null;
    private Process $process;
    private Process $work;

    /**
     * @param int $workers processes that answer at the same time
     * @param int $crowd simulated candidates who have sat everything
     */
    public function __construct(private readonly int $workers = 1, private readonly int $crowd = 0)
    {
        $this->port = Chromium::freePort();
        $this->address = 'http://127.0.0.1:' . $this->port;
        $this->database = self::root() . '/var/data/browser-' . $this->port . '.sqlite';
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
            (new Process(['php', 'bin/console', ...$command], self::root(), self::environmentOf($made), timeout: 120))->mustRun();
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
        $this->process = new Process(['setsid', 'php', '-d', 'opcache.enable_cli=1', '-S', '127.0.0.1:' . $this->port, '-t', 'public', 'public/router.php'], self::root(), $this->environment(), timeout: null);
        $this->process->disableOutput(); // nobody reads it, and a full pipe would stop the server
        $this->process->start();
        $this->work = new Process(['php', 'bin/console', 'messenger:consume', 'background', '--quiet'], self::root(), $this->environment(), timeout: null);
        $this->work->disableOutput();
        $this->work->start();
        Chromium::waitFor($this->port);
    }

    /** As when the machine goes down: no time to tidy up. */
    public function kill(): void
    {
        $pid = $this->process->getPid();
        if ($pid !== null) {
            posix_kill(-$pid, SIGKILL); // its workers outlive it
        }
        $this->process->stop(0, 9);
        $this->work->stop(0, 9);
    }

    private static function root(): string
    {
        return dirname(__DIR__, 2);
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return [...self::environmentOf($this->database), ...($this->workers > 1 ? ['PHP_CLI_SERVER_WORKERS' => (string) $this->workers] : [])];
    }

    /** @return array<string, string> */
    private static function environmentOf(string $database): array
    {
        return ['APP_ENV' => 'prod', 'DATABASE_URL' => 'sqlite:///' . $database, 'MEDIA_DIR' => $database . '-media'];
    }
}
