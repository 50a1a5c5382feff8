<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Pool;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Bank;

/**
 * Questions of a bank under a name, for draws to take from: all that fit a filter, whenever it is asked, or those that were put in by hand.
 */
#[ORM\Entity]
#[ORM\Table(name: 'pool')]
#[ORM\UniqueConstraint(name: 'pool_name', columns: ['bank_id', 'name'])]
class Pool
{
    /** @param array<array-key, mixed>|null $filter as PoolFilter keeps it; null: by hand */
    public function __construct(
        #[ORM\Id, ORM\Column, ORM\GeneratedValue]
        public readonly int $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Bank $bank,
        #[ORM\Column(length: 80)]
        public readonly string $name,
        #[ORM\Column(type: Types::JSON, nullable: true)]
        public readonly ?array $filter,
        #[ORM\Column(options: ['default' => 1])]
        public readonly int $version,
    ) {
    }
}
