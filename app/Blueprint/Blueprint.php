<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Batch;
use Zetema\App\Shared\Versioned;
use Zetema\Core\Blueprint\Blueprint as Assessment;
use Zetema\Core\Blueprint\Check\TrustedNames;
use Zetema\Core\Blueprint\Dealing\BlueprintDealer;
use Zetema\Core\Blueprint\Plain\PlainBlueprint;
use Zetema\Core\Blueprint\Plain\PlainRules;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Data\Fields;
use Zetema\Core\Drawing\DealingPlan;

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

    /** @var array<string, mixed>|null the whole blueprint, where it says more than draws, pass mark and rules can; questions by their ids */
    #[ORM\Column(type: Types::JSON, nullable: true)]
    private ?array $document = null;

    #[ORM\Version, ORM\Column(type: Types::INTEGER, options: ['default' => 1])]
    private int $version = 1;

    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Bank $bank,
        string $title,
        DealingPlan $plan,
        PlainRules $rules,
        /** The intake it came in with. */
        #[ORM\ManyToOne]
        public readonly ?Batch $batch = null,
    ) {
        $this->edit($title, $plan, $rules);
    }

    public function edit(string $title, DealingPlan $plan, PlainRules $rules): void
    {
        $this->title = $title;
        $this->plan = $plan->toData();
        $this->rules = $rules->toData();
        $this->document = null;
    }

    public function title(): string
    {
        return $this->title;
    }

    public function version(): int
    {
        return $this->version;
    }

    /** @param array<array-key, mixed> $document that was read and checked */
    public function write(string $title, array $document): void
    {
        $this->title = $title;
        $this->document = array_combine(array_map(strval(...), array_keys($document)), $document);
    }

    /** Whether it is edited as a whole, and not by the quota board. */
    public function isWhole(): bool
    {
        return $this->document !== null;
    }

    /** @return array<string, mixed> as it is stored and written down, questions by their ids */
    public function document(): array
    {
        return $this->document ?? PlainBlueprint::document($this->title, DealingPlan::fromData(Fields::of($this->plan)), PlainRules::fromData(Fields::of($this->rules)));
    }

    public function plan(): DealingPlan
    {
        return $this->document === null ? DealingPlan::fromData(Fields::of($this->plan)) : BlueprintDealer::plan($this->assessment());
    }

    public function rules(): PlainRules
    {
        return $this->document === null ? PlainRules::fromData(Fields::of($this->rules)) : PlainRules::of($this->assessment());
    }

    /** The blueprint that forms are dealt from and sat by. */
    public function assessment(): Assessment
    {
        return BlueprintReader::read($this->document(), new TrustedNames());
    }
}
