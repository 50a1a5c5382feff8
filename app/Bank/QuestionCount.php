<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\ORM\Mapping as ORM;

/**
 * How many questions of a bank stand under an objective, are of a kind and have a status. The database keeps it with every change of
 * a question (triggers of the migration that made this table), so that it is always right and a board need not count.
 */
#[ORM\Entity]
#[ORM\Table(name: 'question_count')]
class QuestionCount
{
    /**
     * @param int $objectiveId 0: none
     * @param int $dealt of them, those that are dealt from where their draft stands
     */
    public function __construct(
        #[ORM\Id, ORM\Column]
        public readonly int $bankId,
        #[ORM\Id, ORM\Column]
        public readonly int $objectiveId,
        #[ORM\Id, ORM\Column(length: 20)]
        public readonly string $kind,
        #[ORM\Id, ORM\Column(length: 20)]
        public readonly string $status,
        #[ORM\Column]
        public readonly int $questions,
        #[ORM\Column]
        public readonly int $dealt,
    ) {
    }
}
