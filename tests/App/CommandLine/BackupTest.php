<?php

declare(strict_types=1);

namespace Zetema\Tests\App\CommandLine;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\AsksServer;
use Zetema\Tests\Browser\Server;

/** Backed up beside somebody who saves, destroyed, restored, verified. */
final class BackupTest extends TestCase
{
    use AsksServer;

    private string $target;

    protected function setUp(): void
    {
        self::$server = new Server(workers: 2);
        $this->target = sys_get_temp_dir() . '/zetema-backup-' . bin2hex(random_bytes(4));
        $this->logIn('orrell');
    }

    protected function tearDown(): void
    {
        self::$server = null;
        (new Process(['rm', '-rf', $this->target]))->run();
    }

    public function test_a_backup_beside_a_writer_is_whole_and_brings_everything_back(): void
    {
        $server = self::$server ?? self::fail();
        $svg = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><circle r="4"/></svg>';
        self::assertSame(201, $this->atOnce([['PUT', '/api/banks/1/media/before.svg', $svg]])[0][0]);
        $path = Fields::ofJson($this->atOnce([['GET', '/api/banks/1/media', null]])[0][1])
            ->objects('media')[0]
            ->text('url');
        $writing = new Process([
            'php',
            '-r',
            '$db = new PDO($argv[1]); $db->exec("PRAGMA busy_timeout=8000"); for (;;) { $db->exec("UPDATE account SET name = name || \'\' WHERE id = 1"); usleep(500); }',
            'sqlite:' . $server->database,
        ]);
        $writing->start();
        [$code, $told] = $this->console('zetema:backup', $this->target);
        $writing->stop(0, 9);
        self::assertSame(0, $code, $told);
        self::assertSame(1, $this->console('zetema:backup', $this->target)[0], 'each has a folder of its own');
        self::assertSame(0, $this->console('zetema:verify')[0]);

        [$code, $told] = $this->console('zetema:restore', $this->target);
        self::assertSame(1, $code);
        self::assertStringContainsString('Something else has the database open', $told);

        $server->kill();
        // What happens to disks.
        file_put_contents($server->database, random_bytes(4_096), FILE_APPEND);
        $broken = (string) file_get_contents($server->database);
        file_put_contents($server->database, substr_replace($broken, str_repeat("\0", 8_192), 20_000, 8_192));
        (new Process(['rm', '-rf', $server->database . '-media', $server->database . '-wal', $server->database . '-shm']))->mustRun();
        self::assertNotSame(0, $this->console('zetema:verify')[0]);
        unlink($server->database);
        [$code, $told] = $this->console('zetema:restore', $this->target);
        self::assertSame(0, $code, $told);
        [$code, $told] = $this->console('zetema:verify');
        self::assertSame([0, true], [$code, Fields::ofJson($told)->flag('whole')], $told);
        $server->start();
        $this->logIn('orrell');
        self::assertStringContainsString('r="4"', $this->atOnce([['GET', $path, null]])[0][1]);
        self::assertSame(200, $this->atOnce([['GET', '/api/editions/1/results', null]])[0][0]);
    }

    public function test_what_is_no_backup_or_was_cut_off_is_not_restored(): void
    {
        self::assertStringContainsString('is no backup', $this->console('zetema:restore', $this->target)[1]);
        $this->console('zetema:backup', $this->target);
        (self::$server ?? self::fail())->kill();
        file_put_contents($this->target . '/zetema.sqlite', substr((string) file_get_contents($this->target . '/zetema.sqlite'), 0, 50_000));
        [$code, $told] = $this->console('zetema:restore', $this->target);

        self::assertSame(1, $code);
        self::assertStringContainsString('changed or cut off', $told);
        self::assertSame(0, $this->console('zetema:verify')[0], 'what is there stayed');
    }

    /** @return array{int|null, string} */
    private function console(string ...$words): array
    {
        $process = new Process(['php', 'bin/console', ...array_values($words)], dirname(__DIR__, 3), (self::$server ?? self::fail())->environment(), timeout: 900);
        $process->run();

        return [$process->getExitCode(), $process->getOutput() . $process->getErrorOutput()];
    }
}
