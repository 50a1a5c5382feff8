<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Editions;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/** A page as it read when an edition was frozen. Media need no copy: a name never gets another content. */
#[ORM\Entity]
#[ORM\Table(name: 'edition_page')]
class EditionPage
{
    public function __construct(
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Edition $edition,
        #[ORM\Id]
        #[ORM\Column(length: 80)]
        public readonly string $name,
        #[ORM\Column(length: 200, nullable: true)]
        public readonly ?string $heading,
        #[ORM\Column(type: Types::TEXT)]
        public readonly string $reads,
    ) {
    }
}
