<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Exchange\Encoding;
use Zetema\Core\Exchange\Source;
use Zetema\Core\Exchange\Table\TableSource;
use Zetema\Core\Exchange\TypedPaper\PaperSource;
use Zetema\Tests\Speed;

final class HostileFilesTest extends TestCase
{
    /** @return iterable<string, array{callable(): Source, string}> a source, and some words of a problem; "" for none in particular */
    public static function files(): iterable
    {
        mt_srand(7);
        $noise = implode('', array_map(static fn (): string => chr(mt_rand(0, 255)), range(1, 400_000)));
        $paper = static fn (string $text, ?bool $isHtml = false): callable => static fn (): Source => new PaperSource($text, isHtml: $isHtml);
        $table = static fn (string $text): callable => static fn (): Source => TableSource::ofText($text);
        yield 'noise as a paper' => [$paper($noise), ''];
        yield 'noise as HTML' => [$paper($noise, true), ''];
        yield 'noise as a table' => [$table($noise), ''];
        yield 'a million empty lines' => [$paper(str_repeat("\n", 1_000_000)), '60,000'];
        yield 'a million empty rows' => [$table("Question,Answer\n" . str_repeat("\n", 1_000_000)), '100,000 rows'];
        yield 'one question without end' => [$paper("1. x\n" . str_repeat("more\n", 50_000)), '2,000 lines'];
        yield 'one line without end' => [$paper('1. ' . str_repeat('a) x b) y ', 50_000)), '100,000 characters'];
        yield 'numbers that open nothing' => [$paper(str_repeat("1. x\n", 50_000)), '2,000 lines'];
        yield 'choices without end' => [$paper("1. x\n" . str_repeat("a) x\n", 50_000)), '2,000 lines'];
        yield 'stars' => [$paper("1. x\na) " . str_repeat('*', 90_000) . "\nb) y"), 'key missing'];
        yield 'brackets' => [$paper('1. ' . str_repeat('(', 40_000) . str_repeat(' ', 40_000) . "\nAnswer: z"), ''];
        yield 'tags that never close' => [$paper(str_repeat('<b><ol><li>', 50_000) . 'x', true), ''];
        yield 'signs that open no tag' => [$paper(str_repeat('<', 500_000) . str_repeat('<a "', 50_000), true), ''];
        yield 'comments that never close' => [$paper(str_repeat('<!-- <script> ', 100_000), true), ''];
        yield 'a row without end' => [$table(str_repeat(',', 1_000_000)), ''];
        yield 'quotes without end' => [$table(str_repeat('"', 1_000_001)), 'never closes'];
    }

    /** @param callable(): Source $make */
    #[DataProvider('files')]
    public function test_hostile_files_get_a_report_in_good_time(callable $make, string $problem): void
    {
        $off = [];
        Speed::within(5_000, function () use ($make, &$off): void {
            $off = ReadOff::of($make());
        });
        self::assertNotSame(
            [],
            array_filter($off, static fn (string $line): bool => str_starts_with($line, '!') && ($problem === '' || str_contains($line, $problem))),
            mb_substr(implode("\n", array_slice($off, 0, 5)), 0, 500),
        );
    }

    /** @return iterable<string, array{string, Encoding}> */
    public static function encodings(): iterable
    {
        yield 'plain' => ["1. Who?\nAnswer: K\u{F6}nigin", Encoding::Utf8];
        yield 'with a mark' => ["\xEF\xBB\xBF1. Who?\nAnswer: K\u{F6}nigin", Encoding::Utf8];
        yield 'low byte first' => ["\xFF\xFE" . mb_convert_encoding("1. Who?\nAnswer: Königin", 'UTF-16LE', 'UTF-8'), Encoding::Utf16Le];
        yield 'high byte first' => ["\xFE\xFF" . mb_convert_encoding("1. Who?\nAnswer: Königin", 'UTF-16BE', 'UTF-8'), Encoding::Utf16Be];
        yield 'western' => ["1. Who?\nAnswer: K\xF6nigin", Encoding::Windows1252];
    }

    #[DataProvider('encodings')]
    public function test_encodings_are_recognised_and_told(string $bytes, Encoding $encoding): void
    {
        $source = new PaperSource($bytes);

        self::assertSame(['text: Who? / answer: Königin'], ReadOff::of($source));
        self::assertSame($encoding, $source->report()->encoding);
    }

    public function test_another_encoding_can_be_said(): void
    {
        self::assertSame(['text: Who? / answer: KÃ¶nigin'], ReadOff::of(new PaperSource("1. Who?\nAnswer: K\u{F6}nigin", Encoding::Windows1252)));
    }
}
