<?php

declare(strict_types=1);

namespace Zetema\App\Shared\Dialect;

use Doctrine\Bundle\DoctrineBundle\Attribute\AsMiddleware;
use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Exception;
use Doctrine\DBAL\Driver\Middleware;
use Doctrine\DBAL\Driver\Middleware\AbstractConnectionMiddleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;

/**
 * Every connection: transactions that have the write lock from their beginning, so that what is read in them still stands when they write;
 * write-ahead log, foreign keys, patience when another process writes, every commit on the disk before it is acknowledged; and a function
 * that folds letters of all alphabets.
 */
#[AsMiddleware(priority: 200)]
final class SqlitePragmas implements Middleware
{
    /** For so many milliseconds a transaction waits for its turn. */
    public const PATIENCE = 8_000;

    public function wrap(Driver $driver): Driver
    {
        return new class ($driver) extends AbstractDriverMiddleware {
            public function connect(#[\SensitiveParameter] array $params): Connection
            {
                $connection = new class (parent::connect($params)) extends AbstractConnectionMiddleware {
                    /** PDO has no word for an immediate transaction, and must know that there is one. */
                    public function beginTransaction(): void
                    {
                        parent::beginTransaction();
                        $this->exec('COMMIT');
                        try {
                            $this->beginImmediate();
                        } catch (Exception $e) {
                            $this->exec('BEGIN');
                            parent::rollBack();
                            throw $e;
                        }
                    }

                    /**
                     * Whoever waits looks every few milliseconds whether it is its turn. Left alone, SQLite comes to look ten times a
                     * second only, and of many who wait some never find the moment between two others.
                     */
                    private function beginImmediate(): void
                    {
                        $this->exec('PRAGMA busy_timeout=0');
                        try {
                            for ($end = hrtime(true) + SqlitePragmas::PATIENCE * 1_000_000;;) {
                                try {
                                    $this->exec('BEGIN IMMEDIATE');

                                    return;
                                } catch (Exception $e) {
                                    if (hrtime(true) > $end || !str_contains($e->getMessage(), 'locked')) {
                                        throw $e;
                                    }
                                    usleep(random_int(2_000, 5_000));
                                }
                            }
                        } finally {
                            $this->exec('PRAGMA busy_timeout=' . SqlitePragmas::PATIENCE);
                        }
                    }
                };
                foreach (
                    ['journal_mode=WAL', 'busy_timeout=' . SqlitePragmas::PATIENCE, 'foreign_keys=ON', 'synchronous=FULL'] as $pragma
                ) {
                    $connection->exec('PRAGMA ' . $pragma);
                }
                // SQLite's own LOWER() knows a to z alone.
                $native = $connection->getNativeConnection();
                if ($native instanceof \PDO) {
                    $native->sqliteCreateFunction(
                        'folded',
                        static fn (?string $text): string => mb_strtolower((string) $text),
                        1,
                        \PDO::SQLITE_DETERMINISTIC,
                    );
                }

                return $connection;
            }
        };
    }
}
