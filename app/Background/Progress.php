<?php

declare(strict_types=1);

namespace Zetema\App\Background;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Shared\Lock;
use Zetema\App\Shared\Transactions;
use Zetema\Core\Data\Fields;

/** How far a job is: stored with each piece, in the same transaction. Whoever else took the job up meanwhile has it alone. */
final class Progress
{
    /** Milliseconds that a piece may keep others from saving. */
    private const PIECE = 60.0;
    /** Microseconds between two pieces: whoever waits to save gets in. */
    private const GAP = 12_000;
    private bool $stopped = false;
    private float $beatAt = 0.0;
    private int $size = 20;

    /** @param int $try which try this is: one that was left is taken up with the next number */
    public function __construct(
        private readonly Transactions $transactions,
        private readonly EntityManagerInterface $em,
        private readonly int $job,
        private readonly int $try,
    ) {
    }

    public function begin(int $total): void
    {
        $this->mine("UPDATE job SET state = 'running', total = ?, beat_at = ? WHERE id = ? AND try = ?", [$total, self::now()]);
    }

    /** What the last piece left for the next; empty at the beginning. */
    public function cursor(): Fields
    {
        $cursor = $this->em->getConnection()->fetchOne('SELECT at FROM job WHERE id = ?', [$this->job]);

        return Fields::ofJson(is_string($cursor) ? $cursor : '{}');
    }

    /**
     * A piece, and how far the job is after it.
     *
     * @param int $size how much of the whole it is
     * @param callable(): array<array-key, mixed> $write what is written; gives the cursor for the next
     *
     * @return bool whether to go on; false once somebody asked to stop
     */
    public function piece(Lock $lock, int $done, callable $write, int $size = 1): bool
    {
        $began = hrtime(true);
        $this->transactions->over($lock, function () use ($done, $write): void {
            // Asked first: it has the lock, so nobody takes it up from here on.
            $this->mine('UPDATE job SET beat_at = ? WHERE id = ? AND try = ?', [self::now()]);
            $cursor = $write();
            $this->em->flush();
            $this->mine('UPDATE job SET done = ?, at = ? WHERE id = ? AND try = ?', [
                $done,
                json_encode((object) $cursor, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            ]);
        });
        $this->beatAt = microtime(true);
        $took = (hrtime(true) - $began) / 1e6;
        if ($size >= $this->size / 2) {
            $this->size = max(5, min(1_000, (int) (($size * self::PIECE) / max(1.0, $took))));
        }
        usleep(self::GAP);

        return $this->goesOn();
    }

    /** How many things the next piece may have, as long as the last one took. */
    public function size(): int
    {
        return $this->size;
    }

    /**
     * A sign of life, and how far it is, where nothing is written for long. Costs nothing when there was one lately.
     *
     * @return bool whether to go on
     */
    public function beat(?int $done = null): bool
    {
        if (microtime(true) - $this->beatAt >= 1) {
            $this->beatAt = microtime(true);
            $this->mine('UPDATE job SET beat_at = ?, done = COALESCE(?, done) WHERE id = ? AND try = ?', [self::now(), $done]);
            $this->goesOn();
        }

        return !$this->stopped;
    }

    public function isStopped(): bool
    {
        return $this->stopped;
    }

    private function goesOn(): bool
    {
        $this->stopped = (bool) $this->em->getConnection()->fetchOne('SELECT stop_asked FROM job WHERE id = ?', [$this->job]);

        return !$this->stopped;
    }

    /** @param list<string|int|null> $values */
    private function mine(string $update, array $values): void
    {
        $changed = $this->transactions->ofRows(
            Lock::house(),
            fn (): int|string => $this->em->getConnection()->executeStatement($update, [...$values, $this->job, $this->try]),
        );
        if ($changed === 0) {
            throw new NotOurs();
        }
    }

    private static function now(): int
    {
        return time();
    }
}
