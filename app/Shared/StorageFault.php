<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

use Doctrine\DBAL\Exception\DriverException;

/** What keeps the database from working, in words for whoever is in front of it. */
enum StorageFault
{
    case Full;
    case Busy;
    case ReadOnly;
    case Unreachable;

    /** Null if it is no fault of the storage but of our own. */
    public static function in(\Throwable $e): ?self
    {
        for ($cause = $e; $cause !== null; $cause = $cause->getPrevious()) {
            if ($cause instanceof NoRoom) {
                return self::Full;
            }
            if ($cause instanceof DriverException || $cause instanceof \PDOException) {
                return self::named($cause->getMessage());
            }
        }

        return null;
    }

    public function inWords(): string
    {
        return match ($this) {
            self::Full => 'The disk of the server is full, so nothing can be saved now. What you typed stays on this page and is sent again. Please tell whoever looks after the server.',
            self::Busy => 'The database is busy with something else and did not answer in time. Nothing was changed; what you typed stays on this page and is sent again.',
            self::ReadOnly => 'The database can be read but not written now. Nothing was changed; what you typed stays on this page. Please tell whoever looks after the server.',
            self::Unreachable => 'The database of the server cannot be reached now. Nothing was changed; what you typed stays on this page. Please tell whoever looks after the server.',
        };
    }

    private static function named(string $message): ?self
    {
        return match (1) {
            preg_match('/database or disk is full|no space left/i', $message) => self::Full,
            preg_match('/database (table )?is locked|database is busy/i', $message) => self::Busy,
            preg_match('/readonly database/i', $message) => self::ReadOnly,
            preg_match('/unable to open database|disk i\/o error|malformed|not a database|no such table/i', $message) => self::Unreachable,
            default => null,
        };
    }
}
