<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\UserInterface;

/** Somebody who can log in. */
#[ORM\Entity(repositoryClass: Accounts::class)]
#[ORM\Table(name: 'account')]
class Account implements UserInterface, PasswordAuthenticatedUserInterface
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    #[ORM\Column]
    private string $passwordHash = '';

    /** Name and log-in in small letters, for searching and ordering. */
    #[ORM\Column(length: 200, options: ['default' => ''])]
    private string $folded;

    /** @param non-empty-string $login */
    public function __construct(
        #[ORM\Column(length: 60, unique: true)]
        public readonly string $login,
        #[ORM\Column(length: 120)]
        public readonly string $name,
        #[ORM\Column(type: Types::STRING, length: 20, enumType: Role::class)]
        public readonly Role $role,
    ) {
        $this->folded = mb_strtolower($name . ' ' . $login);
    }

    public function rememberPassword(string $hash): void
    {
        $this->passwordHash = $hash;
    }

    public function getPassword(): string
    {
        return $this->passwordHash;
    }

    /** @return list<string> */
    public function getRoles(): array
    {
        return ['ROLE_' . strtoupper($this->role->value)];
    }

    /** @return non-empty-string */
    public function getUserIdentifier(): string
    {
        return $this->login;
    }

    public function eraseCredentials(): void
    {
    }

    /** @return array{id: int, login: string, name: string, role: string} */
    public function toData(): array
    {
        return ['id' => $this->id, 'login' => $this->login, 'name' => $this->name, 'role' => $this->role->value];
    }
}
