<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use Zetema\Tests\Browser\FreePort;

/** The installation as a whole: copied elsewhere, started and ended. */
final class InstallationTest extends TestCase
{
    private const ROOT = __DIR__ . '/../..';

    public function test_a_copied_installation_uses_its_own_database_and_media_whatever_its_cache_says(): void
    {
        $copy = sys_get_temp_dir() . '/zetema-copy-' . bin2hex(random_bytes(4));
        (new Process(['php', 'bin/console', 'cache:warmup', '--quiet'], self::ROOT, ['APP_ENV' => 'prod']))->mustRun();
        // That of the tests is not copied: other tests write and remove files there meanwhile.
        (new Process(
            ['sh', '-c', 'mkdir -p "$1/var/cache" && cp -a app bin config core demo migrations public vendor composer.json "$1/" && cp -a var/cache/prod "$1/var/cache/"', 'copy', $copy],
            self::ROOT,
            timeout: 900,
        ))->mustRun();
        $ask = new Process(
            [
                'php',
                '-r',
                'require "vendor/autoload.php"; $k = Zetema\App\Kernel::inEnvironment("prod"); $k->boot(); $c = $k->getContainer()->get("doctrine.dbal.default_connection"); echo json_encode([$c->getParams()["path"], $_ENV["MEDIA_DIR"]]);',
            ],
            $copy,
            ['APP_ENV' => 'prod', 'DATABASE_URL' => false, 'MEDIA_DIR' => false],
        );
        $ask->mustRun();
        (new Process(['rm', '-rf', $copy]))->run();

        self::assertSame([$copy . '/var/data/zetema.sqlite', $copy . '/var/media'], json_decode($ask->getOutput(), true));
    }

    public function test_the_stamps_of_a_build_know_their_folder(): void
    {
        $build = (string) file_get_contents(self::ROOT . '/bin/build');

        self::assertSame(2, substr_count($build, 'echo "$here"'), 'of the interface and of the application');
    }

    public function test_nothing_is_built_anew_because_tests_and_tools_ran(): void
    {
        $stamps = static fn (): array => array_map(static fn (string $of): string => (string) @file_get_contents(self::ROOT . "/var/stamp-$of"), ['ui', 'app']);
        $build = static fn () => (new Process(['bin/build'], self::ROOT, timeout: 900))->mustRun();
        $build();
        $before = $stamps();
        $written = ['ui/node_modules/.vite/vitest/results.json', 'config/reference.php'];
        foreach ($written as $file) {
            is_dir(dirname(self::ROOT . "/$file")) || mkdir(dirname(self::ROOT . "/$file"), recursive: true);
            file_put_contents(self::ROOT . "/$file", is_file(self::ROOT . "/$file") ? file_get_contents(self::ROOT . "/$file") . "\n" : "\n");
        }
        self::assertStringNotContainsString('Building', $build()->getOutput());
        self::assertSame($before, $stamps());
    }

    public function test_the_server_ends_with_whoever_started_it_however_that_ends(): void
    {
        // Both of one database: the second start takes a second.
        $database = sys_get_temp_dir() . '/zetema-demo-' . bin2hex(random_bytes(4)) . '.sqlite';
        foreach ([SIGTERM, SIGKILL] as $signal) {
            $free = new FreePort();
            $port = $free->number;
            $demo = new Process(['bin/demo', "--port=$port"], self::ROOT, ['APP_ENV' => 'prod', 'DATABASE_URL' => 'sqlite:///' . $database, 'MEDIA_DIR' => $database . '-media'], timeout: null);
            $demo->start();
            self::assertTrue(self::comesTo(true, $port, 900, $demo), 'it runs: ' . $demo->getOutput() . $demo->getErrorOutput());
            $demo->signal($signal);
            self::assertTrue(self::comesTo(false, $port, 300), 'no worker stays on the port');
        }
        (new Process(['rm', '-rf', ...(array) glob($database . '*')]))->run();
    }

    /** Whether the port answers, or answers no more, within some seconds: many, for a host may be busy, and only a failing test waits so long. */
    private static function comesTo(bool $answers, int $port, int $seconds, ?Process $by = null): bool
    {
        for ($end = microtime(true) + $seconds; microtime(true) < $end && $by?->isRunning() !== false; usleep(100_000)) {
            if (self::answers($port) === $answers) {
                return true;
            }
        }

        return false;
    }

    private static function answers(int $port): bool
    {
        $socket = @fsockopen('127.0.0.1', $port, timeout: 1);
        if ($socket !== false) {
            fclose($socket);
        }

        return $socket !== false;
    }
}
