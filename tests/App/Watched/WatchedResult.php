<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Watched;

use Doctrine\DBAL\Driver\Middleware\AbstractResultMiddleware;

/** Knows whether its last row was read. */
final class WatchedResult extends AbstractResultMiddleware
{
    public bool $isRead = false;

    public function fetchNumeric(): array|false
    {
        return $this->seen(parent::fetchNumeric());
    }

    public function fetchAssociative(): array|false
    {
        return $this->seen(parent::fetchAssociative());
    }

    public function fetchOne(): mixed
    {
        return $this->seen(parent::fetchOne());
    }

    public function fetchAllNumeric(): array
    {
        $this->isRead = true;

        return parent::fetchAllNumeric();
    }

    public function fetchAllAssociative(): array
    {
        $this->isRead = true;

        return parent::fetchAllAssociative();
    }

    public function fetchFirstColumn(): array
    {
        $this->isRead = true;

        return parent::fetchFirstColumn();
    }

    public function free(): void
    {
        $this->isRead = true;
        parent::free();
    }

    /**
     * @template R
     *
     * @param R $row
     *
     * @return R
     */
    private function seen(mixed $row): mixed
    {
        if ($row === false) {
            $this->isRead = true;
        }

        return $row;
    }
}
