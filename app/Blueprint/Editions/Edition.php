<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Editions;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\People\Account;
use Zetema\Core\Blueprint\Blueprint as Assessment;
use Zetema\Core\Blueprint\Check\TrustedNames;
use Zetema\Core\Blueprint\Plain\PlainBlueprint;
use Zetema\Core\Blueprint\Plain\PlainRules;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Data\Fields;
use Zetema\Core\Drawing;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\Settings;

/** An assessment frozen for delivery: title, plan and rules as they were, and the revisions that its pools hold. */
#[ORM\Entity]
#[ORM\Table(name: 'edition')]
#[ORM\UniqueConstraint(name: 'edition_number', columns: ['blueprint_id', 'number'])]
class Edition
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    #[ORM\Column(length: 160)]
    public readonly string $title;

    /** @var array<string, mixed> */
    #[ORM\Column(type: Types::JSON)]
    private array $plan;

    /** @var array<string, mixed> */
    #[ORM\Column(type: Types::JSON)]
    private array $rules;

    /** @var array<string, mixed>|null the whole blueprint, where it says more than plan and rules can */
    #[ORM\Column(type: Types::JSON, nullable: true)]
    private ?array $document;

    /** @var array<string, string> the bank's settings as they were */
    #[ORM\Column(type: Types::JSON, options: ['default' => '{}'])]
    private array $bankSettings;

    /** @var array<string, array<string, string>> those for one kind, by kind, as they were */
    #[ORM\Column(type: Types::JSON, options: ['default' => '{}'])]
    private array $bankKindSettings;

    /** @var array<string, string> what is said after an outcome where a question says nothing, as it was */
    #[ORM\Column(type: Types::JSON, options: ['default' => '{}'])]
    private array $bankWording;

    /** @var array<string, array<string, string>> the same for one kind, by kind */
    #[ORM\Column(type: Types::JSON, options: ['default' => '{}'])]
    private array $bankKindWording;

    /** When it was taken out of the candidates' lists; only one that nobody has begun. */
    #[ORM\Column(nullable: true)]
    private ?\DateTimeImmutable $withdrawnAt = null;

    /** Since when nobody begins it any more; whoever has begun goes on. */
    #[ORM\Column(nullable: true)]
    private ?\DateTimeImmutable $closedAt = null;

    /** Which revisions it holds, as a checksum: to see whether another one holds the same. */
    #[ORM\Column(length: 64, options: ['default' => ''])]
    private string $holds;

    /** @var list<array{int, int}> ids of questions of it that the bank kept apart */
    #[ORM\Column(type: Types::JSON, options: ['default' => '[]'])]
    private array $apart;

    /**
     * @var array<string, list<int>> ids of the questions that were in the bank's pools, by the pool's name; of those that draws take from
     */
    #[ORM\Column(type: Types::JSON, options: ['default' => '{}'])]
    private array $pools;

    /** Read once; what it says never changes. */
    private ?Assessment $assessment = null;

    /**
     * @param list<int> $revisions ids of those that may be dealt, rising; StoredStock keeps them
     * @param array<string, list<int>> $pools ids of questions, rising
     * @param list<array{int, int}> $apart ids of questions that never meet
     */
    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Blueprint $blueprint,
        #[ORM\Column]
        public readonly int $number,
        array $revisions,
        array $pools,
        array $apart,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Account $frozenBy,
        #[ORM\Column]
        public readonly \DateTimeImmutable $frozenAt,
    ) {
        $this->holds = hash('sha256', implode(',', $revisions));
        $this->pools = $pools;
        $this->apart = $apart;
        $this->title = $blueprint->title();
        $this->plan = $blueprint->plan()->toData();
        $this->rules = $blueprint->rules()->toData();
        $this->document = $blueprint->document();
        $settings = $blueprint->bank->settings();
        $this->bankSettings = $settings->every->values;
        $this->bankKindSettings = array_map(static fn (Settings $s): array => $s->values, $settings->byKind);
        $this->bankWording = $settings->wording;
        $this->bankKindWording = $settings->kindWording;
    }

    /** The places beyond the question, as they were when it was frozen. */
    public function bankSettings(): BankSettings
    {
        return new BankSettings(
            Settings::of($this->bankSettings),
            array_map(Settings::of(...), $this->bankKindSettings),
            $this->bankWording,
            $this->bankKindWording,
        );
    }

    /** @return array<string, list<int>> ids of questions by the names of pools */
    public function pools(): array
    {
        return $this->pools;
    }

    /** @return list<array{int, int}> ids of questions that the bank kept apart */
    public function apart(): array
    {
        return $this->apart;
    }

    public function withdraw(\DateTimeImmutable $now): void
    {
        $this->withdrawnAt = $now;
    }

    public function isWithdrawn(): bool
    {
        return $this->withdrawnAt !== null;
    }

    /** @param \DateTimeImmutable|null $at null: it is opened again */
    public function close(?\DateTimeImmutable $at): void
    {
        $this->closedAt = $at;
    }

    public function isClosed(): bool
    {
        return $this->closedAt !== null;
    }

    /** Whether nobody can begin it any more, who has no sitting of it; there may be a newer one. */
    public function isOver(): bool
    {
        return $this->isClosed() || $this->blueprint->isPutAway();
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
        return $this->assessment ??= BlueprintReader::read($this->document(), new TrustedNames());
    }

    /** @return array<string, mixed> questions by their ids */
    public function document(): array
    {
        return $this->document ?? PlainBlueprint::document($this->title, $this->plan(), $this->rules());
    }

    /** A checksum of all that a form and its marks follow from, to keep what was worked out of it once. */
    public function checksum(): string
    {
        return hash('sha256', serialize($this->held()));
    }

    /** Whether candidates would notice no difference: title, plan, rules, questions and settings are the same. */
    public function holdsTheSameAs(self $other): bool
    {
        return $this->held() === $other->held();
    }

    /** @return list<mixed> all that makes a difference, in one order */
    private function held(): array
    {
        $settings = $this->bankSettings;
        $byKind = array_map(static fn (array $values): array => Settings::of($values)->values, $this->bankKindSettings);
        ksort($settings);
        ksort($byKind);

        return [
            $this->title,
            $this->holds,
            json_encode($this->document()),
            $settings,
            $byKind,
            $this->bankWording,
            $this->bankKindWording,
            $this->pools,
            $this->apart,
        ];
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return [
            'id' => $this->id,
            'number' => $this->number,
            'title' => $this->title,
            'frozenAt' => $this->frozenAt->format(DATE_ATOM),
            'frozenBy' => $this->frozenBy->name,
            'withdrawn' => $this->isWithdrawn(),
            'closed' => $this->isClosed(),
        ];
    }
}
