<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Review;

use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Question\Question;
use Zetema\App\People\Account;

/**
 * A note of the proofreader waved off with a reason. It holds for the note as it reads: a change that makes it read otherwise brings it
 * back.
 */
#[ORM\Entity]
#[ORM\Table(name: 'waving')]
#[ORM\Index(name: 'waving_rule', columns: ['rule', 'question_id'])]
#[ORM\UniqueConstraint(name: 'waving_once', columns: ['question_id', 'rule', 'line', 'message'])]
class WavedNote
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Question $question,
        #[ORM\Column(length: 40)]
        public readonly string $rule,
        #[ORM\Column(length: 40)]
        public readonly string $line,
        #[ORM\Column(length: 300)]
        public readonly string $message,
        #[ORM\Column(length: 300)]
        public readonly string $reason,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Account $account,
        #[ORM\Column]
        public readonly \DateTimeImmutable $madeAt,
    ) {
    }
}
