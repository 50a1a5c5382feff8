<?php

declare(strict_types=1);

namespace Zetema\App\Results;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Delivery\Going;
use Zetema\App\Delivery\Invigilation;
use Zetema\App\Delivery\Sitting;
use Zetema\App\Shared\Dialect\Dialects;

/** The sittings of an edition, one by one; few of them are in memory. Before they are looked at, their clocks have acted. */
final readonly class EndedSittings
{
    private const PIECE = 50;

    public function __construct(private Connection $db, private EntityManagerInterface $em, private Invigilation $invigilation)
    {
    }

    /** @return \Generator<int, array{Sitting, Going}> those that have ended, oldest first */
    public function of(Edition $edition): \Generator
    {
        $this->settle($edition);
        $ids = $this->db->fetchFirstColumn(
            'SELECT id FROM sitting ' .
                Dialects::of($this->db)->hint('sitting_listed') .
                ' WHERE edition_id = ? AND ended_at IS NOT NULL ORDER BY id',
            [$edition->id],
        );
        foreach (array_chunk($ids, self::PIECE) as $piece) {
            foreach ($this->em->getRepository(Sitting::class)->findBy(['id' => $piece], ['id' => 'ASC']) as $sitting) {
                yield $sitting->id => [$sitting, $this->invigilation->settle($sitting)];
            }
            $this->em->clear();
        }
    }

    /** Lets the clocks act where nobody is there. */
    public function settle(Edition $edition): void
    {
        foreach (
            $this->db->fetchFirstColumn(
                'SELECT id FROM sitting ' .
                    Dialects::of($this->db)->hint('sitting_listed') .
                    ' WHERE edition_id = ? AND ended_at IS NULL AND due < ?',
                [$edition->id, $this->invigilation->now()->inMillis()],
            ) as $id
        ) {
            $sitting = $this->em->find(Sitting::class, $id);
            if ($sitting !== null) {
                $this->invigilation->settle($sitting);
            }
        }
    }
}
