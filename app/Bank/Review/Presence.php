<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Review;

use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Question\Question;
use Zetema\App\People\Account;

/** That somebody has a question open: their page says so every few seconds. */
#[ORM\Entity]
#[ORM\Table(name: 'presence')]
#[ORM\UniqueConstraint(name: 'presence_once', columns: ['question_id', 'account_id'])]
class Presence
{
    /** Who has not been heard of for so many seconds has gone. */
    public const GONE_AFTER = 45;

    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Question $question,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Account $account,
        #[ORM\Column]
        private \DateTimeImmutable $seenAt,
    ) {
    }

    public function see(\DateTimeImmutable $now): void
    {
        $this->seenAt = $now;
    }

    public function isHere(\DateTimeImmutable $now): bool
    {
        return $now->getTimestamp() - $this->seenAt->getTimestamp() <= self::GONE_AFTER;
    }
}
