<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

/** What a transaction has for itself while it reads and writes. SQLite lets one writer in, whatever its lock is called. */
final readonly class Lock
{
    private function __construct(public string $of, public int $id)
    {
    }

    public static function sitting(int $id): self
    {
        return new self('sitting', $id);
    }

    public static function edition(int $id): self
    {
        return new self('edition', $id);
    }

    public static function blueprint(int $id): self
    {
        return new self('blueprint', $id);
    }

    public static function bank(int $id): self
    {
        return new self('bank', $id);
    }

    public static function account(int $id): self
    {
        return new self('account', $id);
    }

    /** For what concerns no bank and no assessment alone. */
    public static function house(): self
    {
        return new self('house', 0);
    }
}
