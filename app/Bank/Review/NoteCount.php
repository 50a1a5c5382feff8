<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Review;

use Doctrine\ORM\Mapping as ORM;

/** How many notes of each rule the questions of a bank have that nobody waved off. Kept by triggers, as QuestionCount is. */
#[ORM\Entity]
#[ORM\Table(name: 'note_count')]
class NoteCount
{
    public function __construct(
        #[ORM\Id, ORM\Column]
        public readonly int $bankId,
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $rule,
        #[ORM\Column]
        public readonly int $notes,
    ) {
    }
}
