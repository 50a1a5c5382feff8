<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;

/**
 * Guessing passwords is made slow, not impossible: after some failures for one name from one address the next attempt has to wait,
 * longer each time. Other names from that address and that name from elsewhere wait for nothing, so a classroom behind one address
 * logs in, and nobody can lock somebody else out.
 */
final readonly class LogInPace
{
    /** So many failures wait for nothing. */
    private const FREE = 5;
    /** Seconds. */
    private const LONGEST_WAIT = 30;
    /** Milliseconds after which failures are forgotten. */
    private const FORGOTTEN_AFTER = 900_000;

    public function __construct(private Connection $db, private ClockInterface $clock)
    {
    }

    /** Counts an attempt before its password is looked at, so that many at once gain nothing. Returns the seconds to wait first; 0: go on. */
    public function begin(string $login, string $address): int
    {
        $now = (int) $this->clock->now()->format('Uv');

        return $this->db->transactional(function () use ($login, $address, $now): int {
            $this->db->executeStatement('DELETE FROM slowed_log_in WHERE last_at < ?', [$now - self::FORGOTTEN_AFTER]);
            $this->db->executeStatement('INSERT INTO slowed_log_in (login, address, failures, last_at) VALUES (?, ?, 0, ?) ON CONFLICT DO NOTHING', [self::name($login), $address, $now]);
            $row = $this->db->fetchNumeric('SELECT failures, last_at FROM slowed_log_in WHERE login = ? AND address = ?', [self::name($login), $address]);
            [$failures, $lastAt] = $row === false ? [0, 0] : array_map(static fn (mixed $n): int => is_numeric($n) ? (int) $n : 0, [$row[0], $row[1]]);
            $wait = (int) ceil(($lastAt + 1000 * self::waitAfter($failures) - $now) / 1000);
            if ($wait > 0) {
                return $wait;
            }
            $this->db->executeStatement('UPDATE slowed_log_in SET failures = failures + 1, last_at = ? WHERE login = ? AND address = ?', [$now, self::name($login), $address]);

            return 0;
        });
    }

    public function forget(string $login, string $address): void
    {
        $this->db->executeStatement('DELETE FROM slowed_log_in WHERE login = ? AND address = ?', [self::name($login), $address]);
    }

    /** @return list<array<string, mixed>> those that have to wait between attempts now */
    public function slowed(): array
    {
        return $this->db->fetchAllAssociative('SELECT id, login, address, failures FROM slowed_log_in WHERE failures >= ? AND last_at >= ? ORDER BY login, address', [
            self::FREE, (int) $this->clock->now()->format('Uv') - self::FORGOTTEN_AFTER,
        ]);
    }

    public function lift(SlowedLogIn $slowed): void
    {
        $this->forget($slowed->login, $slowed->address);
    }

    private static function waitAfter(int $failures): int
    {
        return $failures < self::FREE ? 0 : min(self::LONGEST_WAIT, 1 << min(10, $failures - self::FREE));
    }

    private static function name(string $login): string
    {
        return mb_substr(mb_strtolower(mb_scrub($login)), 0, 60);
    }
}
