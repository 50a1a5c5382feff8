<?php

declare(strict_types=1);

namespace Zetema\App\Results;

use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\People\Account;

/** What staff did to a candidate's sitting, and why. Only ever added; it stays when the sitting is deleted, and then names nobody. */
#[ORM\Entity]
#[ORM\Table(name: 'staff_act')]
#[ORM\Index(name: 'staff_act_edition', columns: ['edition_id', 'id'])]
class StaffAct
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    /** @param int $sitting its id, if it is still there or not */
    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Edition $edition,
        #[ORM\Column(name: 'sitting_number')]
        public readonly int $sitting,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Account $account,
        #[ORM\Column]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(length: 200)]
        public readonly string $words,
        #[ORM\Column(length: 500)]
        public readonly string $reason,
    ) {
    }

    /** @return array{id: int, sitting: int, by: string, at: string, words: string, reason: string} */
    public function toData(): array
    {
        return [
            'id' => $this->id,
            'sitting' => $this->sitting,
            'by' => $this->account->name,
            'at' => $this->at->format(DATE_ATOM),
            'words' => $this->words,
            'reason' => $this->reason,
        ];
    }
}
