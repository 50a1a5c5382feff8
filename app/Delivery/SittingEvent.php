<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\Core\Sitting\Event;
use Zetema\Core\Sitting\EventType;

/** One event of a sitting. Only ever added, never changed. */
#[ORM\Entity]
#[ORM\Table(name: 'sitting_event')]
#[ORM\UniqueConstraint(name: 'sitting_event_number', columns: ['sitting_id', 'number'])]
#[ORM\UniqueConstraint(name: 'sitting_event_request', columns: ['sitting_id', 'request'])]
class SittingEvent
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    #[ORM\Column(type: Types::STRING, length: 20, enumType: EventType::class)]
    public readonly EventType $type;

    /** @var int milliseconds since 1970 */
    #[ORM\Column(type: Types::BIGINT)]
    public readonly int $at;

    #[ORM\Column(nullable: true)]
    public readonly ?int $sheet;

    /** @var array<string, mixed>|null */
    #[ORM\Column(type: Types::JSON, nullable: true)]
    public readonly ?array $response;

    /** @param string $request the id that the candidate's page gave the request: repeated → nothing twice */
    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Sitting $sitting,
        #[ORM\Column]
        public readonly int $number,
        #[ORM\Column(length: 60)]
        public readonly string $request,
        Event $event,
    ) {
        $this->type = $event->type;
        $this->at = $event->at;
        $this->sheet = $event->sheet;
        $this->response = $event->response?->toData();
    }
}
