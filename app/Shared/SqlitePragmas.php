<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

use Doctrine\Bundle\DoctrineBundle\Attribute\AsMiddleware;
use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Middleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;

/** Every connection: write-ahead log, foreign keys, patience when another process writes, and every commit on the disk
 * before it is acknowledged. */
#[AsMiddleware(priority: 200)]
final class SqlitePragmas implements Middleware
{
    public function wrap(Driver $driver): Driver
    {
        return new class ($driver) extends AbstractDriverMiddleware {
            public function connect(#[\SensitiveParameter] array $params): Connection
            {
                $connection = parent::connect($params);
                foreach (['journal_mode=WAL', 'busy_timeout=8000', 'foreign_keys=ON', 'synchronous=FULL'] as $pragma) {
                    $connection->exec('PRAGMA ' . $pragma);
                }

                return $connection;
            }
        };
    }
}
