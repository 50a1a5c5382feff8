<?php

declare(strict_types=1);

namespace Zetema\Tests\App\CommandLine;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;
use Zetema\App\CommandLine\Bench\Server\FpmServer;
use Zetema\App\CommandLine\Bench\Server\ProcessorTime;

/** What figures are measured with: servers are waited for, and only their own processor time is counted. */
final class BenchTest extends TestCase
{
    private string $root;

    protected function setUp(): void
    {
        $this->root = sys_get_temp_dir() . '/zetema-bench-' . bin2hex(random_bytes(6));
        mkdir($this->root . '/var/bench', recursive: true);
        mkdir($this->root . '/bin');
        (new Filesystem())->copy(dirname(__DIR__, 3) . '/deploy/php-fpm.conf', $this->root . '/deploy/php-fpm.conf');
    }

    protected function tearDown(): void
    {
        (new Filesystem())->remove($this->root);
    }

    public function test_the_web_server_is_not_up_before_php_listens(): void
    {
        $this->standIn('php-fpm8.2', 'sleep 0.4; exec ' . PHP_BINARY . ' -r \'$server = stream_socket_server("unix://" . $argv[1]); sleep(20);\' "$(sed -n "s/^listen = //p" "$4")"');
        $this->standIn('nginx', 'test -S "${2%nginx.conf}fpm.sock" && echo listens > "${2%nginx.conf}found" || echo nobody > "${2%nginx.conf}found"; sleep 20');
        $server = new FpmServer($this->root, 1, 2, ['PATH' => $this->root . '/bin:' . getenv('PATH')]);
        for ($i = 0; $i < 200 && !is_file($this->root . '/var/bench/found'); ++$i) {
            usleep(20_000);
        }
        $server->stop();

        self::assertSame("listens\n", file_get_contents($this->root . '/var/bench/found'));
        self::assertStringContainsString("pm.max_children = 2\n", (string) file_get_contents($this->root . '/var/bench/fpm.conf'));
    }

    public function test_a_php_that_ends_at_once_is_told_with_its_log(): void
    {
        $this->standIn('php-fpm8.2', 'echo "no such user" > "${4%fpm.conf}fpm.log"; exit 78');
        $this->expectExceptionMessage('no such user');

        new FpmServer($this->root, 1, 2, ['PATH' => $this->root . '/bin:' . getenv('PATH')]);
    }

    public function test_processor_time_is_that_of_a_process_and_its_children_alone(): void
    {
        $busy = 'for ($until = hrtime(true) + 4e8; hrtime(true) < $until;) { md5("x"); } echo "done"; sleep(20);';
        $parent = new Process(['sh', '-c', '"$1" -r "$2" & sleep 20', '-', PHP_BINARY, $busy]);
        $idle = new Process(['sleep', '20']);
        $parent->start();
        $idle->start();
        $parent->waitUntil(static fn (string $type, string $text): bool => str_contains($text, 'done'));
        $used = (new ProcessorTime([(int) $parent->getPid()]))->milliseconds();
        $usedByNobody = (new ProcessorTime([(int) $idle->getPid()]))->milliseconds();
        $parent->stop(0, 9);
        $idle->stop(0, 9);

        self::assertGreaterThan(40, $used, 'a child that was busy for 400 ms, on a machine that may be shared');
        self::assertLessThan($used / 2, $usedByNobody);
    }

    private function standIn(string $program, string $does): void
    {
        file_put_contents($this->root . '/bin/' . $program, "#!/bin/sh\n$does\n");
        chmod($this->root . '/bin/' . $program, 0o755);
    }
}
