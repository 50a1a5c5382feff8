<?php

declare(strict_types=1);

namespace Zetema\Tests\App\CommandLine;

use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;
use Symfony\Component\Console\Exception\InvalidArgumentException;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\Filesystem\Filesystem;

/** Every command that takes questions takes every format, as it looks or as it is said. */
final class EveryFormatTest extends KernelTestCase
{
    private const TEXT = "one: Who lays?\n  name: lays\n  no: drone\n  yes: queen\n\nnumber: How many legs has a bee?\n  name: legs\n  answer: 6\n";
    private string $folder;
    private Application $console;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir() . '/zetema-formats-' . bin2hex(random_bytes(6));
        $files = [
            'bank.zet.txt' => self::TEXT,
            'paper.txt' => "1. Who lays?\na) drone\nb) queen*\n\n2. How many legs has a bee?\nAnswer: 6\n",
            'page.html' => '<p>1. Who lays?</p><ul><li>drone</li><li><b>queen</b></li></ul><p>2. How many legs has a bee?</p><p>Answer: 6</p>',
            'draw.json' => '{"steps":[{"draw":{"take":2,"pool":{}}}]}',
            'named.json' => '{"steps":[{"question":"lays"},{"question":"legs"}]}',
            'cases.json' => '[{"question":1,"response":{"choose":[2]}}]',
            'events.json' => '{"events":[{"at":"0","do":"start"},{"at":"1","do":"hand in"}]}',
        ];
        foreach ($files as $name => $contents) {
            (new Filesystem())->dumpFile("$this->folder/$name", $contents);
        }
        $this->console = new Application(self::bootKernel());
        foreach (['table' => 'table.csv', 'archive' => 'archive.bin'] as $as => $name) {
            (new Filesystem())->dumpFile("$this->folder/$name", $this->told('write', ['file' => "$this->folder/bank.zet.txt", '--as' => $as]));
        }
        $this->told('package', ['blueprint' => "$this->folder/named.json", 'files' => ["$this->folder/bank.zet.txt"], '--as' => 'qti30', '--out' => "$this->folder/package.bin"]);
    }

    protected function tearDown(): void
    {
        (new Filesystem())->remove($this->folder);
        parent::tearDown();
    }

    /** @return iterable<string, array{string, string}> */
    public static function formats(): iterable
    {
        yield 'text' => ['bank.zet.txt', 'text'];
        yield 'a paper' => ['paper.txt', 'paper'];
        yield 'a paper in HTML' => ['page.html', 'paper'];
        yield 'a table' => ['table.csv', 'table'];
        yield 'a package of the standard' => ['package.bin', 'qti'];
        yield 'an archive' => ['archive.bin', 'archive'];
    }

    #[DataProvider('formats')]
    public function test_every_command_takes_it(string $file, string $format): void
    {
        $path = "$this->folder/$file";
        foreach ([[], ['--from' => $format]] as $from) {
            $one = ['file' => $path, ...$from];
            $many = ['blueprint' => "$this->folder/draw.json", 'files' => [$path], ...$from];
            self::assertStringContainsString('"outcome":"right"', $this->told('mark', ['--cases' => "$this->folder/cases.json", ...$one]));
            self::assertStringContainsString('{"text":"6"},"outcome":"right"', $this->told('table', ['--question' => '2', ...$one]));
            self::assertSame('[{"points":"0","chance":"1/2"},{"points":"1","chance":"1/2"}]', trim($this->told('guess', ['--question' => '1', ...$one])));
            self::assertStringContainsString('number: How many legs has a bee?', $this->told('write', $one));
            self::assertStringContainsString('"no feedback"', $this->told('proofread', ['files' => [$path], ...$from]));
            self::assertStringContainsString('"stem":"Who lays?"', $this->told('read', ['files' => [$path], ...$from]));
            self::assertStringContainsString('"points":"2"', $this->told('deal', ['--seed' => '3', ...$many]));
            self::assertStringContainsString('"how":"handed in"', $this->told('sit', ['--events' => "$this->folder/events.json", ...$many]));
            self::assertStringContainsString('"most":"2"', $this->told('check', $many));
            self::assertStringContainsString('"most":"2"', $this->told('simulate', ['--forms' => '5', ...$many]));
            self::assertStringContainsString('tests/assessment.xml', $this->told('package', ['--as' => 'qti21', '--out' => "$this->folder/out.zip", ...$many]));
        }
    }

    public function test_as_is_another_spelling_where_nothing_is_written(): void
    {
        $paper = "$this->folder/paper.txt";
        self::assertStringContainsString('"outcome":"right"', $this->told('mark', ['file' => $paper, '--as' => 'paper', '--cases' => "$this->folder/cases.json"]));
        self::assertStringContainsString('"outcome":"right"', $this->told('table', ['file' => $paper, '--as' => 'paper', '--question' => '1']));
        self::assertStringContainsString('"stem":"Who lays?"', $this->told('read', ['files' => [$paper], '--as' => 'paper']));
        $this->expectException(InvalidArgumentException::class);
        $this->expectExceptionMessage('There is no way in “sketch”');
        $this->told('guess', ['file' => $paper, '--from' => 'sketch', '--question' => '1']);
    }

    /** @param array<string, mixed> $input */
    private function told(string $command, array $input): string
    {
        $tester = new CommandTester($this->console->find("zetema:$command"));
        $tester->execute($input);

        return $tester->getDisplay();
    }
}
