<?php

declare(strict_types=1);

namespace Zetema\App\Bank\History;

use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Question\Question;
use Zetema\Core\Question\Status;

/**
 * A question as it was before a change of many, with the version that the change gave it: what undoing needs. A row goes when it is undone.
 */
#[ORM\Entity]
#[ORM\Table(name: 'changed_question')]
class ChangedQuestion
{
    public function __construct(
        #[ORM\Id, ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly BankChange $change,
        #[ORM\Id, ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Question $question,
        #[ORM\Column]
        public readonly int $version,
        #[ORM\Column]
        public readonly int $revisionId,
        #[ORM\Column(length: 20)]
        public readonly Status $status,
        #[ORM\Column(nullable: true)]
        public readonly ?int $objectiveId,
        #[ORM\Column(nullable: true)]
        public readonly ?int $clearedId,
        #[ORM\Column]
        public readonly int $place,
    ) {
    }
}
