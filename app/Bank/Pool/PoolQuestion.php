<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Pool;

use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Question\Question;

/** A question that was put into a pool by hand. */
#[ORM\Entity]
#[ORM\Table(name: 'pool_question')]
class PoolQuestion
{
    public function __construct(
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Pool $pool,
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Question $question,
    ) {
    }
}
