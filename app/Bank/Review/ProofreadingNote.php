<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Review;

use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Question;

/** What the proofreader noticed in a question's newest revision. Written with the question; see ProofreadingStore. */
#[ORM\Entity]
#[ORM\Table(name: 'proofreading_note')]
#[ORM\Index(name: 'proofreading_note_bank', columns: ['bank_id', 'question_id'])]
#[ORM\Index(name: 'proofreading_note_rule', columns: ['bank_id', 'rule', 'question_id'])]
class ProofreadingNote
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Bank $bank,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Question $question,
        #[ORM\Column(length: 40)]
        public readonly string $rule,
        #[ORM\Column(length: 40)]
        public readonly string $line,
        #[ORM\Column(length: 300)]
        public readonly string $message,
        /** @var string line and message by ids, as what is waved off is kept */
        #[ORM\Column(length: 40)]
        public readonly string $lineId,
        #[ORM\Column(length: 300)]
        public readonly string $messageByIds,
    ) {
    }
}
