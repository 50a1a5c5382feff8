<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Question\Revision;
use Zetema\App\Delivery\Stored\SittingStore;
use Zetema\App\People\Account;

/** A mark as it was made. Only ever added; of those of a question one stands. Written by SittingStore. */
#[ORM\Entity]
#[ORM\Table(name: 'mark')]
#[ORM\Index(name: 'mark_revision', columns: ['revision_id'])]
#[ORM\Index(name: 'mark_of', columns: ['sitting_id', 'place', 'stands'])]
class SittingMark
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    /**
     * @param string $plan a checksum of the marking plan that was run
     * @param list<string> $working
     * @param string $reason why it was made: "checked", "left", "ran out" or "blank"
     * @param Account|null $by who marked again; null: the application, when it happened
     * @param int $at microseconds since 1970
     * @param bool $isGraded whether its question is one that is marked at all
     * @param string|null $response what was given, as JSON, to a question that is not
     */
    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Sitting $sitting,
        #[ORM\Column(length: 200)]
        public readonly string $place,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Revision $revision,
        #[ORM\Column(type: Types::SMALLINT)]
        public readonly int $round,
        #[ORM\Column(type: Types::SMALLINT)]
        public readonly int $attempt,
        #[ORM\Column(length: 16)]
        public readonly string $plan,
        #[ORM\Column(length: 20)]
        public readonly string $outcome,
        #[ORM\Column(length: 20)]
        public readonly string $earned,
        #[ORM\Column(length: 20)]
        public readonly string $max,
        #[ORM\Column(type: Types::JSON)]
        public readonly array $working,
        #[ORM\Column(length: 20)]
        public readonly string $reason,
        #[ORM\Column(type: Types::BIGINT)]
        public readonly int $at,
        #[ORM\Column]
        public readonly bool $stands,
        #[ORM\ManyToOne]
        public readonly ?Account $by = null,
        #[ORM\Column(options: ['default' => true])]
        public readonly bool $isGraded = true,
        #[ORM\Column(type: Types::TEXT, nullable: true)]
        public readonly ?string $response = null,
    ) {
    }
}
