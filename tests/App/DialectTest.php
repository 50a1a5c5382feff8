<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use PHPUnit\Framework\TestCase;

/** SQL of one database alone stands in its dialect, so that another one needs one more class. */
final class DialectTest extends TestCase
{
    private const APP = __DIR__ . '/../../app/';
    private const ONE_ALONE = '/\bjson_\w+\(|\bMATCH\b|\browid\b|INDEXED BY|\bPRAGMA\b|\bILIKE\b|GROUP_CONCAT|NOCASE|OR IGNORE|CROSS JOIN|\bchar\(|\bbm25\b|\bsnippet\(|sqlite_sequence|(?<!\w)IS (?!NOT |NULL|TRUE|FALSE|DISTINCT)[:?\w]|\b(?:is_[a-z_]+|has_[a-z_]+|stands|passed|dealt_elsewhere) = [01]\b|SUM\((?!CASE)[^()]*(?:=|<|>| IS )/';

    public function test_no_other_place_has_sql_that_one_database_knows_alone(): void
    {
        $found = [];
        $files = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(self::APP, \FilesystemIterator::SKIP_DOTS));
        foreach ($files as $file) {
            $path = $file instanceof \SplFileInfo ? substr($file->getPathname(), strlen(self::APP)) : '';
            if (!str_ends_with($path, '.php') || str_starts_with($path, 'Shared/Dialect/')) {
                continue;
            }
            foreach (self::sql((string) file_get_contents(self::APP . $path)) as $line => $sql) {
                if (preg_match_all(self::ONE_ALONE, $sql, $m) > 0) {
                    $found[] = "$path:$line " . implode(', ', $m[0]);
                }
            }
        }

        self::assertSame([], $found, 'it belongs into app/Shared/Dialect');
    }

    public function test_what_one_database_knows_alone_is_recognised(): void
    {
        $known = [
            "SELECT json_extract(a, '$.b')",
            'WHERE question_search MATCH ?',
            'ORDER BY s.rowid',
            'FROM sitting INDEXED BY x',
            'PRAGMA optimize',
            'AND is_dealt = 1',
            'SUM(status = 1)',
            'WHERE a IS :b',
            'ORDER BY name COLLATE NOCASE',
        ];
        foreach ($known as $sql) {
            self::assertSame(1, preg_match(self::ONE_ALONE, $sql), $sql);
        }
        foreach (['AND is_dealt = TRUE', 'WHERE a IS NOT DISTINCT FROM :b', 'SUM(CASE WHEN a = 1 THEN 1 ELSE 0 END)', 'WHERE a IS NULL', 'matches nothing'] as $sql) {
            self::assertSame(0, preg_match(self::ONE_ALONE, $sql), $sql);
        }
    }

    /** @return iterable<int, string> texts that are SQL, by their line */
    private static function sql(string $php): iterable
    {
        foreach (token_get_all($php) as $token) {
            if (
                is_array($token) &&
                in_array($token[0], [T_CONSTANT_ENCAPSED_STRING, T_ENCAPSED_AND_WHITESPACE], true) &&
                preg_match('/\b(?:SELECT|FROM|WHERE|JOIN|INSERT|UPDATE|DELETE|AND|ORDER BY|GROUP BY|PRAGMA)\b|rowid|MATCH|\b\w+ = [01]\b/', $token[1]) === 1
            ) {
                yield $token[2] => $token[1];
            }
        }
    }
}
