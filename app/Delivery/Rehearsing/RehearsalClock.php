<?php

declare(strict_types=1);

namespace Zetema\App\Delivery\Rehearsing;

use Doctrine\ORM\Mapping as ORM;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

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

    /** @param Instant $now by the server's clock */
    public function at(Instant $now): Instant
    {
        return $this->stopped === null ? $now->plus(Duration::micros($this->ahead)) : Instant::micros($this->stopped);
    }

    public function isStopped(): bool
    {
        return $this->stopped !== null;
    }

    /** @param Instant $to never before where it is */
    public function windOn(Instant $to, Instant $now): void
    {
        $by = $to->later($this->at($now))->since($this->at($now))->micros;
        $this->ahead += $by;
        $this->stopped = $this->stopped === null ? null : $this->stopped + $by;
    }

    public function stop(Instant $now): void
    {
        $this->stopped = $this->at($now)->micros;
    }

    public function goOn(Instant $now): void
    {
        if ($this->stopped !== null) {
            $this->ahead = $this->stopped - $now->micros;
            $this->stopped = null;
        }
    }

    /** Back to an earlier moment of its own: where the event that stands last now was made. */
    public function goBack(Instant $to, Instant $now): void
    {
        $this->ahead = $to->since($now)->micros;
        $this->stopped = $this->stopped === null ? null : $to->micros;
    }
}
