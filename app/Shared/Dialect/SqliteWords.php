<?php

declare(strict_types=1);

namespace Zetema\App\Shared\Dialect;

/** SQLite's FTS5, whose row ids are the questions' ids. */
final readonly class SqliteWords implements Words
{
    public const CREATE = 'CREATE VIRTUAL TABLE question_search USING fts5(bank, body, tokenize = "unicode61 remove_diacritics 2", prefix = "2 3 4 5")';

    public function found(string $parameter): string
    {
        return "SELECT rowid FROM question_search WHERE question_search MATCH $parameter";
    }

    public function from(string $parameter): string
    {
        return "question_search WHERE question_search MATCH $parameter";
    }

    public function alongFrom(): string
    {
        return 'question_search s CROSS JOIN question';
    }

    public function alongWhere(string $parameter): string
    {
        return "q.id = s.rowid AND question_search MATCH $parameter";
    }

    public function order(): string
    {
        return 's.rowid';
    }

    public function nearest(): string
    {
        return 'bm25(question_search)';
    }

    public function hit(): string
    {
        return "snippet(question_search, 1, char(2), char(3), ' … ', 9)";
    }

    public function put(): string
    {
        return 'INSERT INTO question_search (rowid, bank, body) VALUES (?, ?, ?)';
    }

    public function forget(): string
    {
        return 'DELETE FROM question_search WHERE rowid = ?';
    }

    public function forgetRemoved(): string
    {
        return 'DELETE FROM question_search WHERE rowid NOT IN (SELECT id FROM question)';
    }

    public function copy(): string
    {
        return 'INSERT INTO question_search (rowid, bank, body) SELECT s.rowid + ?, ?, s.body FROM question_search s WHERE s.rowid IN (SELECT id FROM question WHERE bank_id = ? AND id > ? AND id <= ?)';
    }
}
