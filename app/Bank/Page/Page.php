<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Page;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Batch;
use Zetema\App\People\Account;
use Zetema\App\Shared\Versioned;

/** A page for reading: a refresher, what follows a decision, a closing page. Its name is for authors and never shown. */
#[ORM\Entity]
#[ORM\Table(name: 'page')]
#[ORM\UniqueConstraint(name: 'page_name', columns: ['bank_id', 'name'])]
class Page implements Versioned
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    #[ORM\Version, ORM\Column(type: Types::INTEGER, options: ['default' => 1])]
    private int $version = 1;

    #[ORM\Column(length: 80)]
    private string $name = '';

    #[ORM\Column(length: 200, nullable: true)]
    private ?string $heading = null;

    #[ORM\Column(type: Types::TEXT)]
    private string $reads = '';

    #[ORM\ManyToOne]
    #[ORM\JoinColumn(nullable: false)]
    private Account $author;

    #[ORM\Column]
    private \DateTimeImmutable $savedAt;

    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Bank $bank,
        string $name,
        ?string $heading,
        string $reads,
        Account $author,
        \DateTimeImmutable $now,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(onDelete: 'SET NULL')]
        public readonly ?Batch $batch = null,
    ) {
        $this->write($name, $heading, $reads, $author, $now);
    }

    public function write(string $name, ?string $heading, string $reads, Account $author, \DateTimeImmutable $now): void
    {
        $this->name = $name;
        $this->heading = $heading;
        $this->reads = $reads;
        $this->author = $author;
        $this->savedAt = $now;
    }

    public function version(): int
    {
        return $this->version;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function heading(): ?string
    {
        return $this->heading;
    }

    public function reads(): string
    {
        return $this->reads;
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return [
            'id' => $this->id,
            'version' => $this->version,
            'name' => $this->name,
            'heading' => $this->heading,
            'reads' => $this->reads,
            'by' => $this->author->name,
            'savedAt' => $this->savedAt->format(DATE_ATOM),
        ];
    }
}
