<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Review;

use Doctrine\ORM\Mapping as ORM;

/**
 * How many questions of a bank the proofreader has read: those that are whole and not retired, by kind, where their key stands, and
 * whether they have notes that nobody waved off. Kept by triggers, as QuestionCount is.
 */
#[ORM\Entity]
#[ORM\Table(name: 'read_count')]
class ReadCount
{
    /** @param int $keyPlace -1: none that stands alone */
    public function __construct(
        #[ORM\Id, ORM\Column]
        public readonly int $bankId,
        #[ORM\Id, ORM\Column(length: 20)]
        public readonly string $kind,
        #[ORM\Id, ORM\Column]
        public readonly int $keyPlace,
        #[ORM\Id, ORM\Column]
        public readonly bool $hasNotes,
        #[ORM\Column]
        public readonly int $questions,
    ) {
    }
}
