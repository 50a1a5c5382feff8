<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Watched;

use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Middleware\AbstractConnectionMiddleware;
use Doctrine\DBAL\Driver\Middleware\AbstractStatementMiddleware;
use Doctrine\DBAL\Driver\Result;
use Doctrine\DBAL\Driver\Statement;

final class WatchedConnection extends AbstractConnectionMiddleware
{
    private bool $isWithin = false;
    /** @var \WeakMap<WatchedResult, string> what is being read, with its SQL */
    private \WeakMap $read;

    public function __construct(Connection $connection)
    {
        parent::__construct($connection);
        $this->read = new \WeakMap();
    }

    public function beginTransaction(): void
    {
        $this->refuseWhileReading('a transaction begins');
        parent::beginTransaction();
        $this->isWithin = true;
    }

    public function commit(): void
    {
        parent::commit();
        $this->isWithin = false;
    }

    public function rollBack(): void
    {
        parent::rollBack();
        $this->isWithin = false;
    }

    public function exec(string $sql): int|string
    {
        $this->look($sql);

        return parent::exec($sql);
    }

    public function query(string $sql): Result
    {
        $this->look($sql);

        return $this->watched(parent::query($sql), $sql);
    }

    public function prepare(string $sql): Statement
    {
        return new class (parent::prepare($sql), function (?Result $result) use ($sql): ?Result {
            $result === null ? $this->look($sql) : null;

            return $result === null ? null : $this->watched($result, $sql);
        }) extends AbstractStatementMiddleware {

            /** @param \Closure(Result|null): (Result|null) $watch */
            public function __construct(Statement $statement, private readonly \Closure $watch)
            {
                parent::__construct($statement);
            }

            public function execute(): Result
            {
                ($this->watch)(null);

                return ($this->watch)(parent::execute()) ?? throw new \LogicException();
            }
        };
    }

    private function watched(Result $result, string $sql): Result
    {
        $watched = new WatchedResult($result);
        if (preg_match('/^\s*(SELECT|WITH)\b/i', $sql) === 1) {
            $this->read[$watched] = $sql;
        }

        return $watched;
    }

    private function look(string $sql): void
    {
        if ($this->isWithin || preg_match('/^\s*(INSERT|UPDATE|DELETE|REPLACE)\b(?! INTO presence| FROM presence)/i', $sql) !== 1 || !WatchedDatabase::isOurs()) {
            return;
        }
        throw new \LogicException('written outside a transaction: ' . $sql);
    }

    private function refuseWhileReading(string $what): void
    {
        foreach ($this->read as $result => $sql) {
            if (!$result->isRead && WatchedDatabase::isOurs()) {
                throw new \LogicException("$what while this is still being read: $sql");
            }
        }
    }
}
