<?php

declare(strict_types=1);

namespace Zetema\App\Shared\Dialect;

use Doctrine\DBAL\Connection;

/** The SQL in which one database differs from another. All else is said in words that each knows; a test holds that. */
interface Dialect
{
    /** @param string $parameter a list of ids or texts as JSON: those of it, as a subquery's SELECT */
    public function inList(string $parameter): string;

    /** A list of ids or texts as JSON, as a table; each stands in a column `value`. */
    public function listed(string $parameter): string;

    /** The text of a field of a column with JSON; the path of fields within one another is joined by dots. */
    public function jsonText(string $column, string $path): string;

    /** The same, the path being a parameter: jsonPath() of it. */
    public function jsonTextAt(string $column, string $parameter): string;

    /** @param string ...$fields one within another */
    public function jsonPath(string ...$fields): string;

    /** How long a list in a column with JSON is. */
    public function jsonLength(string $column, string $path): string;

    /** The fields or items of what stands at a path of a column with JSON, as a table with `key` and `value`. */
    public function jsonRows(string $column, string $path): string;

    /** All that a column with JSON holds, at any depth, as a table with `key`, `value` and `type`. */
    public function jsonTree(string $column): string;

    /** What stands in rows of a group, as a JSON list. */
    public function jsonList(string $expression): string;

    /** Texts of rows of a group in one, each on a line. */
    public function joined(string $expression): string;

    /** After a table's name: the index to read it by, where the database's own choice is known to be wrong. */
    public function hint(string $index): string;

    /** Between two tables: the left one is gone through, and the right one looked up. */
    public function thenLookUp(): string;

    /** After a column to sort by: whatever its capitals. */
    public function whateverCapitals(): string;

    /** A character by its number. */
    public function character(int $number): string;

    /** Before INTO: rows that are there already stay as they are. */
    public function insertNew(): string;

    /** The highest id that any row of a table has had. */
    public function lastId(string $table): string;

    /** Sets ids of a table apart: the next is above the one given. */
    public function passIds(string $table): string;

    /** Lets the database look at how values lie, after many rows came in. */
    public function lookAtAll(): string;

    /** @return list<string> what is broken in the database itself, and rows that refer to none */
    public function damage(Connection $db): array;

    public function words(): Words;
}
