<?php

declare(strict_types=1);

namespace Zetema\Tests\Core;

use PHPUnit\Framework\TestCase;

/** The code can be read on one screen: no file of more than 300 lines, no line of more than 140 characters but for one with a long text. */
final class LengthTest extends TestCase
{
    private const ROOT = __DIR__ . '/../../';

    public function test_files_and_lines_are_no_longer_than_one_can_see(): void
    {
        $long = [];
        foreach (['core', 'app'] as $folder) {
            foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(self::ROOT . $folder, \FilesystemIterator::SKIP_DOTS)) as $file) {
                if ($file instanceof \SplFileInfo && $file->getExtension() === 'php') {
                    $path = substr($file->getPathname(), strlen(self::ROOT));
                    $long = [...$long, ...self::long($path, (array) file($file->getPathname(), FILE_IGNORE_NEW_LINES))];
                }
            }
        }

        self::assertSame([], $long, 'run bin/format; what it leaves wants to be said shorter, or to be a file of its own');
    }

    public function test_what_is_too_long_is_told(): void
    {
        self::assertSame(['a.php: 301 lines'], self::long('a.php', array_fill(0, 301, '')));
        self::assertSame(['a.php:1 has 141 characters'], self::long('a.php', [str_repeat('ü', 141)]));
        self::assertSame([], self::long('a.php', [str_repeat('ü', 140), '$sql = "' . str_repeat('s', 140) . '";']));
    }

    /**
     * @param array<mixed> $lines
     *
     * @return list<string>
     */
    private static function long(string $path, array $lines): array
    {
        $long = count($lines) > 300 ? [sprintf('%s: %d lines', $path, count($lines))] : [];
        foreach (array_filter($lines, is_string(...)) as $i => $line) {
            $isText = preg_match('/["\'][^\']{35,}|^\s*(?:SELECT|FROM|WHERE|LEFT JOIN|JOIN|AND|OR|http|location) /u', $line) === 1;
            if (mb_strlen($line) > 140 && !$isText) {
                $long[] = sprintf('%s:%d has %d characters', $path, $i + 1, mb_strlen($line));
            }
        }

        return $long;
    }
}
