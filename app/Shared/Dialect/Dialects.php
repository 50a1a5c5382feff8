<?php

declare(strict_types=1);

namespace Zetema\App\Shared\Dialect;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Platforms\SQLitePlatform;

/** The dialect of a connection's database. */
final class Dialects
{
    public static function of(Connection $db): Dialect
    {
        return match (true) {
            $db->getDatabasePlatform() instanceof SQLitePlatform => new SqliteDialect(),
            default => throw new \LogicException('There is no dialect for this database.'),
        };
    }
}
