<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use Zetema\Core\Data\Fields;
use Zetema\Tests\Browser\Server;

/** Lets work in the background go on, stand still, or be killed in its midst, beside somebody else who saves. For whoever AsksServer. */
trait KillsWork
{
    private \PDO $db;
    /** How often somebody else saved meanwhile. */
    private int $saves = 0;

    /** @param (callable(self): void)|null $watch what is looked at while it is half done */
    private function killedHalfWay(Fields $job, ?callable $watch = null, bool $begun = false): Fields
    {
        $this->halfWay($job, $begun);
        if ($watch !== null) {
            $watch($this);
        }
        self::assertSame('running', $this->row('SELECT state FROM job WHERE id = ' . $job->integer('id'))[0]);
        // As if its worker had given no sign of life for half a minute.
        $this->db->exec('UPDATE job SET beat_at = beat_at - 31 WHERE id = ' . $job->integer('id'));
        self::server()->startWork();
        $ended = $this->ended($job);
        self::assertSame('done', $ended->text('state'), $ended->text('failure', ''));

        return $ended;
    }

    /**
     * Kills the worker of a job in its midst.
     *
     * @param bool $begun as soon as it is at it, where it tells how far it is once a second only
     */
    private function halfWay(Fields $job, bool $begun = false): void
    {
        $this->stepByStep(static fn (bool $isHeld) => self::server()->holdWork($isHeld), function () use ($job, $begun): bool {
            [$done, $total, $state] = $this->row('SELECT done, total, state FROM job WHERE id = ' . $job->integer('id'));
            self::assertContains($state, ['waiting', 'running'], 'it is not over before it was killed');

            return $begun ? $state === 'running' : $done > 0 && $done < $total;
        });
        self::server()->killWork();
    }

    /**
     * Lets somebody who works go on for a moment at a time until what is looked for is so, and leaves them held: nothing is over
     * before it was seen, on a machine of any speed. Between two moments somebody else saves, unless they were held while writing.
     *
     * @param callable(bool): void $hold
     * @param callable(): bool $isSo
     */
    private function stepByStep(callable $hold, callable $isSo): void
    {
        $hold(true);
        $this->db->setAttribute(\PDO::ATTR_TIMEOUT, 0);
        $this->until(function () use ($hold, $isSo): bool {
            if ($isSo()) {
                return true;
            }
            $hold(false);
            usleep(500);
            $hold(true);
            try {
                $this->whileNobodyWrites(static fn (): bool => true);
            } catch (\PDOException $busy) {
                self::assertStringContainsString('locked', $busy->getMessage());
            }

            return false;
        });
        $this->db->setAttribute(\PDO::ATTR_TIMEOUT, 60);
    }

    /** Lets the worker stand still; not while it writes, since then nobody else could. */
    private function hold(): void
    {
        $this->whileNobodyWrites(static function (): bool {
            self::server()->holdWork(true);

            return true;
        });
    }

    /** @param callable(): bool $look at what stands, on a connection of its own that saves too */
    private function whileNobodyWrites(callable $look): bool
    {
        $this->db->exec('BEGIN IMMEDIATE');
        $this->db->exec("UPDATE account SET name = name || '' WHERE id = 1");
        $seen = $look();
        $this->db->exec('COMMIT');
        ++$this->saves;
        usleep(1_000);

        return $seen;
    }

    private function ended(Fields $job): Fields
    {
        self::server()->holdWork(false);
        $this->until(function () use ($job): bool {
            $this->whileNobodyWrites(static fn (): bool => true);

            return in_array($this->row('SELECT state FROM job WHERE id = ' . $job->integer('id'))[0], ['done', 'failed', 'stopped'], true);
        });
        $this->hold();

        return $this->ask('GET', '/api/jobs/' . $job->integer('id'));
    }

    /** @param callable(): bool $holds */
    private function until(callable $holds): void
    {
        for ($end = time() + 300; !$holds(); usleep(2_000)) {
            self::assertLessThan($end, time(), 'it ends');
        }
    }

    private function number(string $sql): int
    {
        $number = $this->row($sql)[0] ?? null;

        return is_numeric($number) ? (int) $number : 0;
    }

    /** @return list<mixed> */
    private function row(string $sql): array
    {
        $row = $this->db->query($sql);
        $row = $row === false ? false : $row->fetchAll(\PDO::FETCH_NUM);

        return is_array($row) && is_array($row[0] ?? null) ? array_values($row[0]) : [];
    }

    private static function server(): Server
    {
        return self::$server ?? self::fail('the server runs');
    }
}
