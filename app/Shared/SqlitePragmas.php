<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

use Doctrine\Bundle\DoctrineBundle\Attribute\AsMiddleware;
use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Exception;
use Doctrine\DBAL\Driver\Middleware;
use Doctrine\DBAL\Driver\Middleware\AbstractConnectionMiddleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;

/** Every connection: transactions that have the write lock from their beginning, so that what is read in them still stands when they write; write-ahead log, foreign keys, patience when another process writes, every commit on the disk
 * before it is acknowledged; and a function that folds letters of all alphabets. */
#[AsMiddleware(priority: 200)]
final class SqlitePragmas implements Middleware
{
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
                            $this->exec('BEGIN IMMEDIATE');
                        } catch (Exception $e) {
                            $this->exec('BEGIN');
                            parent::rollBack();
                            throw $e;
                        }
                    }
                };
                foreach (['journal_mode=WAL', 'busy_timeout=8000', 'foreign_keys=ON', 'synchronous=FULL'] as $pragma) {
                    $connection->exec('PRAGMA ' . $pragma);
                }
                // SQLite's own LOWER() knows a to z alone.
                $native = $connection->getNativeConnection();
                if ($native instanceof \PDO) {
                    $native->sqliteCreateFunction('folded', static fn (?string $text): string => mb_strtolower((string) $text), 1, \PDO::SQLITE_DETERMINISTIC);
                }

                return $connection;
            }
        };
    }
}
