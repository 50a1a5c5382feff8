<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Media;

use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Bank;

/** A picture, sound or film of a bank, under the name that texts call it by. A name never changes its content; the content is kept once. */
#[ORM\Entity]
#[ORM\Table(name: 'medium')]
#[ORM\UniqueConstraint(name: 'medium_name', columns: ['bank_id', 'name'])]
#[ORM\Index(name: 'medium_hash', columns: ['hash'])]
class Medium
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Bank $bank,
        #[ORM\Column(length: 120)]
        public readonly string $name,
        #[ORM\Column(length: 64)]
        public readonly string $hash,
        #[ORM\Column(length: 40)]
        public readonly string $type,
        #[ORM\Column]
        public readonly int $bytes,
        #[ORM\Column(nullable: true)]
        public readonly ?int $width = null,
        #[ORM\Column(nullable: true)]
        public readonly ?int $height = null,
    ) {
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return [
            'name' => $this->name,
            'url' => '/api/media/' . $this->hash,
            'type' => $this->type,
            'bytes' => $this->bytes,
            'width' => $this->width,
            'height' => $this->height,
        ];
    }
}
