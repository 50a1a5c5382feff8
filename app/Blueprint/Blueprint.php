<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Batch;
use Zetema\App\Shared\Versioned;
use Zetema\Core\Blueprint\Blueprint as Assessment;
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

    /** @var array<string, mixed>|null all of it, questions by their ids; null: as plan and rules say, which is how older ones are stored */
    #[ORM\Column(type: Types::JSON, nullable: true)]
    private ?array $document = null;

    #[ORM\Version, ORM\Column(type: Types::INTEGER, options: ['default' => 1])]
    private int $version = 1;

    /** Whether it stands at the end of its list, and nobody begins it. */
    #[ORM\Column(options: ['default' => false])]
    private bool $isPutAway = false;

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
        $this->title = $title;
        $this->plan = $plan->toData();
        $this->rules = $rules->toData();
    }

    public function putAway(bool $isPutAway): void
    {
        $this->isPutAway = $isPutAway;
    }

    public function isPutAway(): bool
    {
        return $this->isPutAway;
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

    /** @return array<string, mixed> as it is stored and written down, questions by their ids */
    public function document(): array
    {
        return $this->document ??
            PlainBlueprint::document(
                $this->title,
                DealingPlan::fromData(Fields::of($this->plan)),
                PlainRules::fromData(Fields::of($this->rules)),
            );
    }

    /** How many each form has, fixed and drawn; counted as it is stored, so that a list of many need not read them. */
    public function questions(): int
    {
        $count = 0;
        $sections = $this->document['sections'] ?? [$this->plan]; // a plan has steps as a section has
        foreach (is_array($sections) ? $sections : [] as $section) {
            foreach (is_array($section) && is_array($section['steps'] ?? null) ? $section['steps'] : [] as $step) {
                $take = is_array($step) && is_array($step['draw'] ?? null) ? $step['draw']['take'] ?? 0 : 0;
                $count += is_array($step) && isset($step['question']) ? 1 : (is_int($take) ? $take : 0);
            }
        }

        return $count;
    }

    /** What dealing needs of it. */
    public function plan(): DealingPlan
    {
        return BlueprintDealer::plan($this->assessment());
    }

    /** The rules of it that candidates are told before they begin. */
    public function rules(): PlainRules
    {
        return PlainRules::of($this->assessment());
    }

    /** As it is planned; what may keep it from being sat is told beside it. */
    public function assessment(): Assessment
    {
        return BlueprintReader::planned($this->document());
    }
}
