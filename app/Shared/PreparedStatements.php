<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Statement;
use Symfony\Contracts\Service\ResetInterface;

/** The same few statements for thousands of rows: each is prepared once. */
final class PreparedStatements implements ResetInterface
{
    /** @var array<string, Statement> by their SQL */
    private array $prepared = [];

    public function __construct(private readonly Connection $db)
    {
    }

    /** @param list<string|int|null> $values in the order of the question marks */
    public function run(string $sql, array $values): void
    {
        $statement = $this->prepared[$sql] ??= $this->db->prepare($sql);
        foreach ($values as $i => $value) {
            $statement->bindValue($i + 1, $value);
        }
        $statement->executeStatement();
    }

    /** Forgets them, since the connection may be another one by the next message or request. */
    public function reset(): void
    {
        $this->prepared = [];
    }
}
