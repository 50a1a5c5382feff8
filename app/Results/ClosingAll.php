<?php

declare(strict_types=1);

namespace Zetema\App\Results;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\Editions\ClosesSittings;
use Zetema\App\Blueprint\SittingsOfAssessments;
use Zetema\App\Delivery\Sitting;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;
use Zetema\Core\Sitting\Act\Refused;

/** Closes all that run, one by one, each with its line in the log. */
final readonly class ClosingAll implements ClosesSittings
{
    public function __construct(private EntityManagerInterface $em, private SittingsOfAssessments $sittings, private SittingRoom $room)
    {
    }

    public function closeRunning(Blueprint $blueprint, Account $by): void
    {
        foreach ($this->sittings->running($blueprint) as $id) {
            $sitting = $this->em->find(Sitting::class, $id);
            $account = $this->em->find(Account::class, $by->id);
            if ($sitting?->edition === null || $account === null) {
                continue;
            }
            try {
                $this->room->do(
                    $sitting,
                    $sitting->edition,
                    Fields::of(['do' => 'close', 'reason' => 'the assessment was closed']),
                    $account,
                );
            } catch (Refused) {
                // it ended in the same moment
            }
            $this->em->clear();
        }
    }
}
