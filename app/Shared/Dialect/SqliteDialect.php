<?php

declare(strict_types=1);

namespace Zetema\App\Shared\Dialect;

use Doctrine\DBAL\Connection;

/** SQLite's: from 3.40 on. */
final readonly class SqliteDialect implements Dialect
{
    public function inList(string $parameter): string
    {
        return "SELECT value FROM json_each($parameter)";
    }

    public function listed(string $parameter): string
    {
        return "json_each($parameter)";
    }

    public function jsonText(string $column, string $path): string
    {
        return "json_extract($column, '$.$path')";
    }

    public function jsonTextAt(string $column, string $parameter): string
    {
        return "json_extract($column, $parameter)";
    }

    public function jsonPath(string ...$fields): string
    {
        return '$' . implode('', array_map(static fn (string $field): string => '."' . $field . '"', $fields));
    }

    public function jsonLength(string $column, string $path): string
    {
        return "json_array_length($column, '$.$path')";
    }

    public function jsonRows(string $column, string $path): string
    {
        return "json_each($column, '$.$path')";
    }

    public function jsonTree(string $column): string
    {
        return "json_tree($column)";
    }

    public function jsonList(string $expression): string
    {
        return "json_group_array($expression)";
    }

    public function joined(string $expression): string
    {
        return "GROUP_CONCAT($expression, CHAR(10))";
    }

    public function hint(string $index): string
    {
        return "INDEXED BY $index";
    }

    public function thenLookUp(): string
    {
        return 'CROSS JOIN';
    }

    public function whateverCapitals(): string
    {
        return 'COLLATE NOCASE';
    }

    public function character(int $number): string
    {
        return "char($number)";
    }

    public function insertNew(): string
    {
        return 'INSERT OR IGNORE';
    }

    public function lastId(string $table): string
    {
        return "SELECT MAX(COALESCE((SELECT MAX(id) FROM $table), 0), COALESCE((SELECT MAX(seq) FROM sqlite_sequence WHERE name = '$table'), 0))";
    }

    public function passIds(string $table): string
    {
        return "UPDATE sqlite_sequence SET seq = ? WHERE name = '$table'";
    }

    public function lookAtAll(): string
    {
        return 'PRAGMA optimize';
    }

    public function damage(Connection $db): array
    {
        $text = static fn (mixed $value): string => is_scalar($value) ? (string) $value : '';
        $broken = array_filter($db->fetchFirstColumn('PRAGMA integrity_check'), static fn (mixed $line): bool => $line !== 'ok');

        return [
            ...array_map(static fn (mixed $line): string => 'the database: ' . $text($line), array_values($broken)),
            ...array_map(
                static fn (array $row): string => sprintf(
                    'row %s of %s refers to a %s that is not there',
                    $text($row['rowid']),
                    $text($row['table']),
                    $text($row['parent']),
                ),
                $db->fetchAllAssociative('PRAGMA foreign_key_check'),
            ),
        ];
    }

    public function words(): Words
    {
        return new SqliteWords();
    }
}
