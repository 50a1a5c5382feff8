<?php

declare(strict_types=1);

namespace Zetema\App\Delivery\Rehearsing;

use Doctrine\ORM\Mapping as ORM;

/** The time of a rehearsal: the server's, wound on by whoever rehearses, or stopped. A candidate's sitting never has one of its own. */
#[ORM\Embeddable]
final class RehearsalClock
{
    /** Microseconds that it is ahead. */
    #[ORM\Column(options: ['default' => 0])]
    private int $ahead = 0;

    /** Where it stands, in microseconds since 1970; null: it runs. */
    #[ORM\Column(nullable: true)]
    private ?int $stopped = null;

    /** @param int $now by the server's clock, in microseconds */
    public function at(int $now): int
    {
        return $this->stopped ?? $now + $this->ahead;
    }

    public function isStopped(): bool
    {
        return $this->stopped !== null;
    }

    /** @param int $to never before where it is */
    public function windOn(int $to, int $now): void
    {
        $by = max(0, $to - $this->at($now));
        $this->ahead += $by;
        $this->stopped = $this->stopped === null ? null : $this->stopped + $by;
    }

    public function stop(int $now): void
    {
        $this->stopped = $this->at($now);
    }

    public function goOn(int $now): void
    {
        if ($this->stopped !== null) {
            $this->ahead = $this->stopped - $now;
            $this->stopped = null;
        }
    }

    /** Back to an earlier moment of its own: where the event that stands last now was made. */
    public function goBack(int $to, int $now): void
    {
        $this->ahead = $to - $now;
        $this->stopped = $this->stopped === null ? null : $to;
    }
}
