<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Shared\Versioned;

/** People under one name, such as a course. */
#[ORM\Entity]
#[ORM\Table(name: 'person_group')]
class Group implements Versioned
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    #[ORM\Version, ORM\Column(type: Types::INTEGER, options: ['default' => 1])]
    private int $version = 1;

    /** @var list<int> ids of accounts, rising */
    #[ORM\Column(type: Types::JSON)]
    private array $members = [];

    public function __construct(#[ORM\Column(length: 80, unique: true)] private string $name)
    {
    }

    public function name(): string
    {
        return $this->name;
    }

    public function rename(string $name): void
    {
        $this->name = $name;
    }

    /** @param list<int> $members ids of accounts, rising */
    public function hold(array $members): void
    {
        $this->members = $members;
    }

    public function holds(Account $account): bool
    {
        return in_array($account->id, $this->members, true);
    }

    public function version(): int
    {
        return $this->version;
    }

    /** @return array{id: int, version: int, name: string, members: list<int>} */
    public function toData(): array
    {
        return ['id' => $this->id, 'version' => $this->version, 'name' => $this->name, 'members' => $this->members];
    }
}
