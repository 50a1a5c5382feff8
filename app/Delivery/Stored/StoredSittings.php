<?php

declare(strict_types=1);

namespace Zetema\App\Delivery\Stored;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Blueprint\SittingsOfAssessments;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Row;
use Zetema\Core\Time\Instant;

final readonly class StoredSittings implements SittingsOfAssessments
{
    public function __construct(private Connection $db, private ClockInterface $clock)
    {
    }

    public function begun(Edition $edition): int
    {
        return Row::int($this->db->fetchOne('SELECT COUNT(DISTINCT account_id) FROM sitting WHERE edition_id = ?', [$edition->id]));
    }

    public function running(Blueprint $blueprint): array
    {
        $dialect = Dialects::of($this->db);

        return Row::ints(
            $this->db->fetchFirstColumn(
                "SELECT s.id FROM edition e {$dialect->thenLookUp()} sitting s {$dialect->hint(
                    'sitting_listed',
                )} ON s.edition_id = e.id WHERE e.blueprint_id = ? AND s.ended_at IS NULL AND (s.due IS NULL OR s.due >= ?) ORDER BY s.id",
                [$blueprint->id, Instant::of($this->clock->now())->inMillis()],
            ),
        );
    }

    public function counted(Bank $bank): array
    {
        $dialect = Dialects::of($this->db);
        $rows = $this->db->fetchAllNumeric(
            "SELECT e.blueprint_id, e.id, COUNT(*), COUNT(*) - COUNT(s.ended_at) FROM blueprint b {$dialect->thenLookUp()} edition e ON e.blueprint_id = b.id {$dialect->thenLookUp()} sitting s {$dialect->hint(
                'sitting_listed',
            )} ON s.edition_id = e.id WHERE b.bank_id = ? GROUP BY e.blueprint_id, e.id",
            [$bank->id],
        );

        return array_map(
            static fn (array $row): array => [
                'blueprint' => Row::int($row[0] ?? 0),
                'edition' => Row::int($row[1] ?? 0),
                'sittings' => Row::int($row[2] ?? 0),
                'running' => Row::int($row[3] ?? 0),
            ],
            $rows,
        );
    }

    public function none(string $blueprint): string
    {
        return "NOT EXISTS (SELECT 1 FROM sitting s WHERE s.blueprint_id = $blueprint)";
    }
}
