<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Bank;
use Zetema\App\Shared\Versioned;
use Zetema\Core\Blueprint\Blueprint as Assessment;
use Zetema\Core\Blueprint\Plain\PlainBlueprint;
use Zetema\Core\Blueprint\Plain\PlainRules;
use Zetema\Core\Data\Fields;
use Zetema\Core\Drawing;

/** The plan of an assessment, as it is edited. */
#[ORM\Entity]
#[ORM\Table(name: 'blueprint')]
class Blueprint implements Versioned
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    #[ORM\Column(length: 160)]
    private string $title;

    /** @var array<string, mixed> */
    #[ORM\Column(type: Types::JSON)]
    private array $plan;

    /** @var array<string, mixed> */
    #[ORM\Column(type: Types::JSON)]
    private array $rules;

    #[ORM\Version, ORM\Column(type: Types::INTEGER, options: ['default' => 1])]
    private int $version = 1;

    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Bank $bank,
        string $title,
        Drawing\DealingPlan $plan,
        PlainRules $rules,
    ) {
        $this->edit($title, $plan, $rules);
    }

    public function edit(string $title, Drawing\DealingPlan $plan, PlainRules $rules): void
    {
        $this->title = $title;
        $this->plan = $plan->toData();
        $this->rules = $rules->toData();
    }

    public function title(): string
    {
        return $this->title;
    }

    public function version(): int
    {
        return $this->version;
    }

    public function plan(): Drawing\DealingPlan
    {
        return Drawing\DealingPlan::fromData(Fields::of($this->plan));
    }

    public function rules(): PlainRules
    {
        return PlainRules::fromData(Fields::of($this->rules));
    }

    /** The blueprint that forms are dealt from and sat by. */
    public function assessment(): Assessment
    {
        return PlainBlueprint::of($this->title, $this->plan(), $this->rules());
    }
}
