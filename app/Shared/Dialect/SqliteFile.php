<?php

declare(strict_types=1);

namespace Zetema\App\Shared\Dialect;

/** A database of SQLite as a file, for backups: opened beside the application. */
final readonly class SqliteFile
{
    public \PDO $db;

    /** @param int $patience milliseconds for which it waits for others */
    public function __construct(string $path, int $patience = 0)
    {
        $this->db = new \PDO('sqlite:' . $path, options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
        if ($patience > 0) {
            $this->db->exec('PRAGMA busy_timeout=' . $patience);
        }
    }

    /** One read transaction: whoever writes meanwhile goes on, and is not in it. */
    public function copyTo(string $path): void
    {
        $this->db->prepare('VACUUM INTO ?')->execute([$path]);
    }

    public function isWhole(): bool
    {
        $whole = $this->db->query('PRAGMA integrity_check');

        return $whole !== false && $whole->fetchColumn() === 'ok';
    }

    /** Whether nobody else has it open, so that all of it is in the one file. */
    public function isAlone(): bool
    {
        $mode = $this->db->query('PRAGMA journal_mode=DELETE');

        return $mode !== false && $mode->fetchColumn() === 'delete';
    }
}
