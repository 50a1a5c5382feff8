<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\ORM\Mapping as ORM;

/** A bank of questions. */
#[ORM\Entity]
#[ORM\Table(name: 'bank')]
class Bank
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    public function __construct(#[ORM\Column(length: 160)] public readonly string $name)
    {
    }
}
