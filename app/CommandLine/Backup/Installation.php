<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Backup;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Zetema\App\Shared\NoRoom;

/** Where the data of this installation is, and a backup of it: a whole database, the files that it names, and what both come to. */
final readonly class Installation
{
    public const DATABASE = 'zetema.sqlite';
    public const MANIFEST = 'backup.json';

    public function __construct(
        #[Autowire('%env(resolve:DATABASE_URL)%')]
        private string $url,
        #[Autowire('%env(resolve:MEDIA_DIR)%')]
        public string $media,
    ) {
    }

    /** @return string the path of the database */
    public function database(): string
    {
        return str_starts_with($this->url, 'sqlite:///')
            ? substr($this->url, strlen('sqlite:///'))
            : throw new \RuntimeException('Only a database of SQLite is backed up so.');
    }

    /**
     * The files that a database names and a folder should have.
     *
     * @return list<string> hashes
     */
    public static function named(\PDO $db): array
    {
        $hashes = $db->query('SELECT DISTINCT hash FROM medium ORDER BY hash');

        return $hashes === false ? [] : array_values(array_filter($hashes->fetchAll(\PDO::FETCH_COLUMN), is_string(...)));
    }

    /** @return array<string, int> how many rows each table has */
    public static function counts(\PDO $db): array
    {
        $counts = [];
        $tables = $db->query(
            "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name NOT LIKE 'question_search_%' ORDER BY name",
        );
        foreach ($tables === false ? [] : $tables->fetchAll(\PDO::FETCH_COLUMN) as $table) {
            if (is_string($table)) {
                $count = $db->query("SELECT COUNT(*) FROM \"$table\"");
                $counts[$table] = (int) ($count === false ? 0 : $count->fetchColumn());
            }
        }

        return $counts;
    }

    public static function path(string $folder, string $hash): string
    {
        return $folder . '/' . substr($hash, 0, 2) . '/' . $hash;
    }

    /**
     * Copies what is missing there, each file beside first, and only what holds what its name says.
     *
     * @param list<string> $hashes
     *
     * @return list<string> those that are not in the folder they should come from, or are not whole there
     *
     * @throws NoRoom
     */
    public static function copy(array $hashes, string $from, string $to): array
    {
        $missing = [];
        foreach ($hashes as $hash) {
            [$source, $target] = [self::path($from, $hash), self::path($to, $hash)];
            if (is_file($target) && hash_file('sha256', $target) === $hash) {
                continue;
            }
            if (!is_file($source) || hash_file('sha256', $source) !== $hash) {
                $missing[] = $hash;
                continue;
            }
            if (!is_dir(dirname($target))) {
                mkdir(dirname($target), 0o775, true);
            }
            if (
                !copy($source, $target . '.part') ||
                hash_file('sha256', $target . '.part') !== $hash ||
                !rename($target . '.part', $target)
            ) {
                @unlink($target . '.part');
                throw new NoRoom('There is no room for a file.');
            }
        }

        return $missing;
    }
}
