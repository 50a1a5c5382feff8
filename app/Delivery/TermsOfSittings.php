<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Zetema\App\Admission\SittingsUnderWay;
use Zetema\App\Blueprint\Blueprint;

/** Sittings of which closing time or extra time is another now are settled anew, so that the clock acts when it should also where nobody is there. */
final readonly class TermsOfSittings implements SittingsUnderWay
{
    public function __construct(private Connection $db, private ClockInterface $clock)
    {
    }

    public function termsChanged(Blueprint $blueprint): void
    {
        $this->db->executeStatement('UPDATE sitting SET due = ? WHERE blueprint_id = ? AND edition_id IS NOT NULL AND started_at IS NOT NULL AND ended_at IS NULL', [(int) $this->clock->now()->format('Uv'), $blueprint->id]);
    }
}
