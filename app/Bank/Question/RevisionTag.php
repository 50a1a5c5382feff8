<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Doctrine\ORM\Mapping as ORM;

/** A tag of a revision, as a row. */
#[ORM\Entity]
#[ORM\Table(name: 'revision_tag')]
#[ORM\Index(name: 'revision_tag_tag', columns: ['tag', 'revision_id'])]
class RevisionTag
{
    public function __construct(
        #[ORM\Id]
        #[ORM\ManyToOne(inversedBy: 'tags')]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE'),]
        public readonly Revision $revision,
        #[ORM\Id]
        #[ORM\Column(length: 80)]
        public readonly string $tag,
    ) {
    }
}
