<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Apart;

use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Question\Question;

/** Two questions of a bank that never meet in a form: one gives the other away, say. The one with the lower id stands first. */
#[ORM\Entity]
#[ORM\Table(name: 'kept_apart')]
class KeptApart
{
    public function __construct(
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Question $first,
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Question $second,
    ) {
    }
}
