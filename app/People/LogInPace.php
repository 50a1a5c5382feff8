<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Zetema\App\Shared\Lock;
use Zetema\App\Shared\Row;
use Zetema\App\Shared\Transactions;
use Zetema\Core\Time\Instant;

/**
 * Guessing passwords is made slow, not impossible: after some failures for one name from one address the next attempt has to wait,
 * longer each time; after failures for many names from one address, so does every name that never logged in from there. That name
 * from elsewhere waits for nothing, so nobody can lock somebody else out. Only what failed is counted: a class that logs in rightly
 * behind one address waits for nothing and writes nothing here, however many at once.
 */
final readonly class LogInPace
{
    /** So many failures wait for nothing. */
    private const FREE = 5;
    /** So many names that failed from one address wait for nothing. */
    private const FREE_NAMES = 25;
    /** Wrong access codes from one address that wait for nothing. */
    private const FREE_CODES = 60;
    /** What wrong access codes are counted under; no log-in has such a name. */
    private const CODES = ':codes';
    /** Seconds. */
    private const LONGEST_WAIT = 30;
    /** Milliseconds after which failures are forgotten. */
    private const FORGOTTEN_AFTER = 900_000;

    public function __construct(private Connection $db, private Transactions $transactions, private ClockInterface $clock)
    {
    }

    /**
     * Before a password is looked at. Where attempts are slowed, one is counted beforehand, so that many at once gain nothing.
     *
     * @return array{wait: int, counted: bool} the seconds to wait first, 0: go on; and whether it is counted already
     */
    public function begin(string $login, string $address): array
    {
        if ($this->slowedTo($login, $address) === null) {
            return ['wait' => 0, 'counted' => false];
        }

        return $this->transactions->ofRows(Lock::house(), function () use ($login, $address): array {
            // Looked at again now that nobody else can be counted.
            $at = $this->slowedTo($login, $address);
            $wait = $at === null ? 0 : (int) ceil(($at - $this->now()) / 1000);
            if ($at !== null && $wait <= 0) {
                $this->count($login, $address);
            }

            return ['wait' => max(0, $wait), 'counted' => $at !== null];
        });
    }

    public function failed(string $login, string $address): void
    {
        $this->transactions->ofRows(Lock::house(), fn () => $this->count($login, $address));
    }

    /** Failures of this name from there are forgotten, and that it logged in from there is kept. */
    public function succeeded(string $login, string $address): void
    {
        $known = $this->db->fetchOne('SELECT failures FROM slowed_log_in WHERE login = ? AND address = ?', [self::name($login), $address]);
        if ($known === false || $known !== 0) {
            $this->transactions->ofRows(
                Lock::house(),
                fn () => $this->db->executeStatement(
                    'INSERT INTO slowed_log_in (login, address, failures, last_at, has_logged_in) VALUES (?, ?, 0, ?, 1) ON CONFLICT (login, address) DO UPDATE SET failures = 0, has_logged_in = TRUE',
                    [self::name($login), $address, $this->now()],
                ),
            );
        }
    }

    /** Before an access code is looked up. @return int the seconds to wait first; 0: go on */
    public function beginCode(string $address): int
    {
        $row = $this->row(self::CODES, $address);

        return $row === null
            ? 0
            : max(0, (int) ceil(($row['lastAt'] + 1000 * self::waitAfter($row['failures'], self::FREE_CODES) - $this->now()) / 1000));
    }

    public function wrongCode(string $address): void
    {
        $this->failed(self::CODES, $address);
    }

    public function forget(string $login, string $address): void
    {
        $this->transactions->ofRows(
            Lock::house(),
            fn () => $this->db->executeStatement('DELETE FROM slowed_log_in WHERE login = ? AND address = ?', [
                self::name($login),
                $address,
            ]),
        );
    }

    /** @return int|null the moment from which the next attempt may be made, in milliseconds; null: attempts are not slowed */
    private function slowedTo(string $login, string $address): ?int
    {
        $row = $this->row($login, $address);
        if ($row !== null && $row['failures'] >= self::FREE) {
            return $row['lastAt'] + 1000 * self::waitAfter($row['failures'], self::FREE);
        }
        if ($row !== null && $row['hasLoggedIn']) {
            return null;
        }
        $names = $this->db->fetchNumeric(
            'SELECT COUNT(*), MAX(last_at) FROM slowed_log_in WHERE address = ? AND failures > 0 AND last_at >= ? AND login <> ?',
            [$address, $this->now() - self::FORGOTTEN_AFTER, self::CODES],
        );
        [$failed, $lastAt] = array_map(Row::int(...), $names === false ? [0, 0] : [$names[0], $names[1]]);

        return $failed < self::FREE_NAMES ? null : $lastAt + 1000 * self::waitAfter($failed, self::FREE_NAMES);
    }

    /** @return array{failures: int, lastAt: int, hasLoggedIn: bool}|null of late */
    private function row(string $login, string $address): ?array
    {
        $row = $this->db->fetchNumeric('SELECT failures, last_at, has_logged_in FROM slowed_log_in WHERE login = ? AND address = ?', [
            self::name($login),
            $address,
        ]);
        if ($row === false) {
            return null;
        }
        [$failures, $lastAt, $hasLoggedIn] = array_map(Row::int(...), [$row[0], $row[1], $row[2]]);

        return [
            'failures' => $lastAt < $this->now() - self::FORGOTTEN_AFTER ? 0 : $failures,
            'lastAt' => $lastAt,
            'hasLoggedIn' => $hasLoggedIn === 1,
        ];
    }

    /** Within a transaction. */
    private function count(string $login, string $address): void
    {
        $now = $this->now();
        $old = $now - self::FORGOTTEN_AFTER;
        $this->db->executeStatement('DELETE FROM slowed_log_in WHERE last_at < ? AND NOT has_logged_in', [$old]);
        $this->db->executeStatement(
            'INSERT INTO slowed_log_in (login, address, failures, last_at, has_logged_in) VALUES (?, ?, 1, ?, 0) ON CONFLICT (login, address) DO UPDATE SET failures = CASE WHEN slowed_log_in.last_at < ? THEN 1 ELSE slowed_log_in.failures + 1 END, last_at = excluded.last_at',
            [self::name($login), $address, $now, $old],
        );
    }

    private function now(): int
    {
        return Instant::of($this->clock->now())->inMillis();
    }

    /** @return list<array<string, mixed>> those that have to wait between attempts now */
    public function slowed(): array
    {
        return $this->db->fetchAllAssociative(
            'SELECT id, login, address, failures FROM slowed_log_in WHERE failures >= CASE WHEN login = ? THEN ? ELSE ? END AND last_at >= ? ORDER BY login, address',
            [self::CODES, self::FREE_CODES, self::FREE, $this->now() - self::FORGOTTEN_AFTER],
        );
    }

    public function lift(SlowedLogIn $slowed): void
    {
        $this->forget($slowed->login, $slowed->address);
    }

    private static function waitAfter(int $failures, int $free): int
    {
        return $failures < $free ? 0 : min(self::LONGEST_WAIT, 1 << min(10, $failures - $free));
    }

    private static function name(string $login): string
    {
        return mb_substr(mb_strtolower(mb_scrub($login)), 0, 60);
    }
}
