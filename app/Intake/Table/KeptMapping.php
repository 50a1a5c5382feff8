<?php

declare(strict_types=1);

namespace Zetema\App\Intake\Table;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\People\Account;

/** Which column of a table holds what, under a name: offered to everybody for tables of the same headings. */
#[ORM\Entity]
#[ORM\Table(name: 'table_mapping')]
class KeptMapping
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    /** @var list<string> */
    #[ORM\Column(type: Types::JSON)]
    private array $headings = [];

    /** @var array<array-key, mixed> as Mapping reads it */
    #[ORM\Column(type: Types::JSON)]
    private array $mapping = [];

    public function __construct(
        #[ORM\Column(length: 80, unique: true)]
        public readonly string $name,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        private Account $account,
    ) {
    }

    /**
     * @param list<string> $headings of the columns, in their order
     * @param array<array-key, mixed> $mapping that Mapping has read
     */
    public function say(array $headings, array $mapping, Account $account): void
    {
        [$this->headings, $this->mapping, $this->account] = [$headings, $mapping, $account];
    }

    /** @return array{id: int, name: string, headings: list<string>, mapping: array<array-key, mixed>, by: string} */
    public function toData(): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'headings' => $this->headings,
            'mapping' => $this->mapping,
            'by' => $this->account->name,
        ];
    }
}
