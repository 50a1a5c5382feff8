<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Delivery\Stored\SittingStore;

/** One event of a sitting, as EventCodec has it. Only ever added, never changed; written by SittingStore. */
#[ORM\Entity]
#[ORM\Table(name: 'sitting_event')]
#[ORM\UniqueConstraint(name: 'sitting_event_number', columns: ['sitting_id', 'number'])]
#[ORM\UniqueConstraint(name: 'sitting_event_request', columns: ['sitting_id', 'request'])]
class SittingEvent
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    /**
     * @param string $request the id that the candidate's page gave the request: repeated → nothing twice
     * @param int $at microseconds since 1970
     * @param array<string, mixed>|null $data
     */
    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Sitting $sitting,
        #[ORM\Column]
        public readonly int $number,
        #[ORM\Column(length: 60)]
        public readonly string $request,
        #[ORM\Column(length: 20)]
        public readonly string $kind,
        #[ORM\Column(type: Types::BIGINT)]
        public readonly int $at,
        #[ORM\Column(length: 200, nullable: true)]
        public readonly ?string $place,
        #[ORM\Column(type: Types::JSON, nullable: true)]
        public readonly ?array $data,
    ) {
    }
}
