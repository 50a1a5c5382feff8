<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Watched;

use Doctrine\Bundle\DoctrineBundle\Attribute\AsDoctrineListener;
use Doctrine\Bundle\DoctrineBundle\Attribute\AsMiddleware;
use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Middleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;
use Doctrine\ORM\Event\OnFlushEventArgs;
use Doctrine\ORM\Events;

/**
 * What every test of the application goes through, so that a way past Saving and Transactions is found wherever a test happens to take
 * it: a write outside a transaction, entities that are written in one that nobody began, and rows that are still being read when a
 * transaction begins (SQLite refuses to turn such a read into a write as soon as anybody else has written).
 */
#[AsMiddleware]
#[AsDoctrineListener(Events::onFlush)]
final class WatchedDatabase implements Middleware
{
    public function wrap(Driver $driver): Driver
    {
        return new class ($driver) extends AbstractDriverMiddleware {
            public function connect(#[\SensitiveParameter] array $params): Connection
            {
                return new WatchedConnection(parent::connect($params));
            }
        };
    }

    public function onFlush(OnFlushEventArgs $flush): void
    {
        $em = $flush->getObjectManager();
        $unit = $em->getUnitOfWork();
        $changes = [...$unit->getScheduledEntityInsertions(), ...$unit->getScheduledEntityUpdates(), ...$unit->getScheduledEntityDeletions()];
        if ($changes !== [] && !$em->getConnection()->isTransactionActive() && self::isOurs()) {
            throw new \LogicException(sprintf('%s is written past Saving and Transactions', implode(', ', array_unique(array_map(get_debug_type(...), $changes)))));
        }
    }

    /** Whether the application asks for it; tests put things as they want them. */
    public static function isOurs(): bool
    {
        foreach (debug_backtrace(DEBUG_BACKTRACE_IGNORE_ARGS) as $frame) {
            $class = $frame['class'] ?? '';
            if (str_starts_with($class, 'Zetema\\') && !str_starts_with($class, __NAMESPACE__)) {
                return str_starts_with($class, 'Zetema\App\\') && !str_starts_with($class, 'Zetema\App\CommandLine\Bench\\');
            }
        }

        return false;
    }
}
