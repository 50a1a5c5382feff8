<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Editions;

use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Bank\Question\Revision;

/** A question that an edition holds: its revision, and what dealing asked for when it was frozen. Written by StoredStock, many at once. */
#[ORM\Entity]
#[ORM\Table(name: 'edition_question')]
#[ORM\Index(name: 'edition_question_revision', columns: ['revision_id'])]
#[ORM\Index(name: 'edition_question_dealt', columns: ['edition_id', 'objective_path', 'kind', 'difficulty', 'worth', 'question_id'])]
class EditionQuestion
{
    public function __construct(
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Edition $edition,
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Revision $revision,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Question $question,
        #[ORM\Column(length: 500, nullable: true)]
        public readonly ?string $objectivePath,
        #[ORM\Column(length: 20)]
        public readonly string $kind,
        #[ORM\Column(length: 20, nullable: true)]
        public readonly ?string $difficulty,
        #[ORM\Column(length: 20)]
        public readonly string $worth,
    ) {
    }
}
