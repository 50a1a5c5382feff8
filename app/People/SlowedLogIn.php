<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/** How often logging in under a name failed from an address of late. */
#[ORM\Entity]
#[ORM\Table(name: 'slowed_log_in')]
#[ORM\UniqueConstraint(name: 'slowed_log_in_once', columns: ['login', 'address'])]
class SlowedLogIn
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    public function __construct(
        #[ORM\Column(length: 60)]
        public readonly string $login,
        #[ORM\Column(length: 45)]
        public readonly string $address,
        #[ORM\Column]
        public readonly int $failures,
        /** Milliseconds since 1970. */
        #[ORM\Column(type: Types::BIGINT)]
        public readonly int $lastAt,
        /** Whether somebody has logged in under it from there. */
        #[ORM\Column(options: ['default' => false])]
        public readonly bool $hasLoggedIn = false,
    ) {
    }
}
