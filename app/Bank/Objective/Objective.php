<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Objective;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Batch;
use Zetema\Core\Objective\ObjectiveTree;

/** A learning objective: a node of a bank's tree. */
#[ORM\Entity]
#[ORM\Table(name: 'objective')]
#[ORM\UniqueConstraint(name: 'objective_path', columns: ['bank_id', 'path'])]
#[ORM\Index(name: 'objective_place', columns: ['bank_id', 'place'])]
class Objective
{
    public const SEPARATOR = ObjectiveTree::SEPARATOR;

    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    /** Names from the top, joined by " > ". */
    #[ORM\Column(length: 500)]
    public readonly string $path;

    /** Place in the order of the tree, parents before what lies below them. */
    #[ORM\Column(options: ['default' => 0])]
    private int $place = 0;

    /** A short sign for it, as a syllabus has. */
    #[ORM\Column(length: 40, options: ['default' => ''])]
    private string $code = '';

    #[ORM\Column(type: Types::TEXT, options: ['default' => ''])]
    private string $description = '';

    /** Of its name, code and description: who describes it builds on what they saw. */
    #[ORM\Column(options: ['default' => 1])]
    private int $version = 1;

    /** Made by hand on the board: it stays when it holds nothing. */
    #[ORM\Column(options: ['default' => false])]
    private bool $isKept = false;

    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Bank $bank,
        #[ORM\ManyToOne(targetEntity: self::class)]
        public readonly ?self $parent,
        #[ORM\Column(length: 160)]
        public readonly string $name,
        #[ORM\Column]
        public readonly int $position,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(onDelete: 'SET NULL')]
        public readonly ?Batch $batch = null,
    ) {
        $this->path = $parent === null ? $name : $parent->path . self::SEPARATOR . $name;
    }

    public function stand(int $place): void
    {
        $this->place = $place;
    }

    /** @return list<string> */
    public function names(): array
    {
        return explode(self::SEPARATOR, $this->path);
    }
}
