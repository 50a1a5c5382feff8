<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Delivery\Rehearsing\RehearsalClock;
use Zetema\App\Delivery\Stored\SittingStore;
use Zetema\App\People\Account;
use Zetema\Core\Blueprint\Blueprint as Assessment;
use Zetema\Core\Blueprint\Check\TrustedNames;
use Zetema\Core\Blueprint\Plain\PlainBlueprint;
use Zetema\Core\Blueprint\Plain\PlainRules;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Data\Fields;
use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Sitting\Candidacy;
use Zetema\Core\Sitting\Run\Terms;
use Zetema\Core\Time\Instant;

/**
 * One candidate's run through an edition, or an author's rehearsal of a blueprint. It stores the form dealt and the state that its
 * events have come to; the columns of its result are only for lists. What changes is written by SittingStore.
 */
#[ORM\Entity]
#[ORM\Table(name: 'sitting')]
#[ORM\Index(name: 'sitting_open', columns: ['ended_at', 'due'])]
#[ORM\Index(name: 'sitting_listed', columns: ['edition_id', 'ended_at', 'due', 'started_at', 'passed', 'percent', 'earned', 'account_id'])]
#[ORM\Index(name: 'sitting_marked', columns: ['edition_id', 'percent', 'passed', 'ended_at'])]
#[ORM\Index(name: 'sitting_began', columns: ['edition_id', 'started_at', 'ended_at', 'due', 'passed', 'account_id'])]
#[ORM\Index(name: 'sitting_candidate', columns: ['account_id', 'edition_id'])]
class Sitting
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    /** @var int|null milliseconds since 1970 */
    #[ORM\Column(type: Types::BIGINT, nullable: true)]
    private ?int $startedAt = null;

    /** When its clock brings something about next. */
    #[ORM\Column(type: Types::BIGINT, nullable: true)]
    private ?int $due = null;

    #[ORM\Column(type: Types::BIGINT, nullable: true)]
    private ?int $endedAt = null;

    #[ORM\Column(length: 20, nullable: true)]
    private ?string $earned = null;

    #[ORM\Column(length: 20, nullable: true)]
    private ?string $max = null;

    #[ORM\Column(length: 20, nullable: true)]
    private ?string $percent = null;

    #[ORM\Column(nullable: true)]
    private ?bool $passed = null;

    /**
     * @var array<string, mixed>|null what it has come to beside points, once it has ended (core Summary); null: it runs, or ended before
     *   this was kept
     */
    #[ORM\Column(type: Types::JSON, nullable: true)]
    private ?array $summary = null;

    /** The state as JSON, with the number of events it stands for; null: none was taken yet. Read by SittingStore, where it is written. */
    #[ORM\Column(type: Types::TEXT, nullable: true)]
    private ?string $state = null;

    /** How many questions have something given to them. */
    #[ORM\Column(options: ['default' => 0])]
    private int $answered = 0;

    /** When its candidate last did something, in milliseconds since 1970. */
    #[ORM\Column(type: Types::BIGINT, nullable: true)]
    private ?int $lastSign = null;

    /** @var array<string, mixed>|null of a rehearsal: what the blueprint said then, or plan and rules, as it was stored at first */
    #[ORM\Column(type: Types::JSON, nullable: true)]
    private ?array $rehearsed = null;

    /** Percent by which its times are longer. */
    #[ORM\Column(options: ['default' => 0])]
    private int $extraTime = 0;

    /** When the assessment closes, in milliseconds since 1970. */
    #[ORM\Column(type: Types::BIGINT, nullable: true)]
    private ?int $closesAt = null;

    /** Its own time, if it is a rehearsal. */
    #[ORM\Embedded(class: RehearsalClock::class, columnPrefix: 'rehearsal_')]
    private RehearsalClock $rehearsalClock;

    /** @param array<array-key, mixed> $form what was dealt, as FormCodec has it, or the list of the first version */
    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Account $account,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Blueprint $blueprint,
        #[ORM\ManyToOne(fetch: 'EAGER')]
        public readonly ?Edition $edition,
        #[ORM\Column(type: Types::BIGINT)]
        public readonly int $seed,
        #[ORM\Column(type: Types::JSON)]
        public readonly array $form,
        /**
         * @var list<list<string>>|null questions that its candidate had had before, as Seen has them; its form follows from these and the
         *   seed. Null: none
         */
        #[ORM\Column(type: Types::JSON, nullable: true)]
        public readonly ?array $seen = null,
    ) {
        $this->rehearsed = $edition === null ? $blueprint->document() : null;
        $this->rehearsalClock = new RehearsalClock();
    }

    /**
     * What its events have come to, for lists.
     *
     * @param array{earned: string, max: string, percent: string|null, passed: bool|null}|null $result
     * @param array<string, mixed>|null $summary
     *
     * @return array<string, mixed> the columns to write
     */
    public function cameTo(?Instant $startedAt, ?Instant $due, ?Instant $endedAt, ?array $result, ?array $summary): array
    {
        [$this->startedAt, $this->due, $this->endedAt] = [$startedAt?->inMillis(), $due?->inMillis(), $endedAt?->inMillis()];
        ['earned' => $this->earned, 'max' => $this->max, 'percent' => $this->percent, 'passed' => $this->passed] =
            $result ?? $this->result();

        $this->summary = $summary;

        return [
            'started_at' => $this->startedAt,
            'due' => $this->due,
            'ended_at' => $this->endedAt,
            'summary' => $summary,
            ...$this->result(),
        ];
    }

    public function rehearsalClock(): RehearsalClock
    {
        return $this->rehearsalClock;
    }

    public function isRehearsal(): bool
    {
        return $this->edition === null;
    }

    /** @param Instant|null $due when its clock is to act anew; null: as it was */
    public function goesBy(Candidacy $candidacy, ?Instant $due = null): void
    {
        $this->extraTime = $candidacy->extraTime;
        $this->closesAt = $candidacy->closes?->inMillis();
        $this->due = $due?->inMillis() ?? $this->due;
    }

    /** Rehearsals end when their author ends them. */
    public function terms(): Terms
    {
        return Candidacy::termsOf($this->extraTime, self::moment($this->closesAt));
    }

    /** What is rehearsed. */
    public function assessment(): Assessment
    {
        if ($this->rehearsed === null) {
            return $this->blueprint->assessment();
        }
        $data = Fields::of($this->rehearsed);

        return $data->has('plan')
            ? PlainBlueprint::of(
                $this->blueprint->title(),
                DealingPlan::fromData($data->object('plan')),
                PlainRules::fromData($data->object('rules')),
            )
            : BlueprintReader::read($this->rehearsed, new TrustedNames());
    }

    /** The revision that was dealt for a question. */
    public function revisionOf(string $question): int
    {
        $steps = array_is_list($this->form)
            ? $this->form
            : array_merge(
                ...array_map(static fn (Fields $section): array => $section->items('steps'), Fields::of($this->form)->objects('sections')),
            );
        foreach ($steps as $step) {
            $step = Fields::of($step);
            if (($step->optionalText('question') ?? 'r' . $step->integer('revision', 0)) === $question) {
                return $step->integer('revision');
            }
        }

        throw new \LogicException('every question of a paper was dealt');
    }

    public function endedAt(): ?Instant
    {
        return self::moment($this->endedAt);
    }

    /** @return array{earned: string|null, max: string|null, percent: string|null, passed: bool|null} */
    public function result(): array
    {
        return ['earned' => $this->earned, 'max' => $this->max, 'percent' => $this->percent, 'passed' => $this->passed];
    }

    /** @return array<string, mixed>|null */
    public function summary(): ?array
    {
        return $this->summary;
    }

    public function due(): ?Instant
    {
        return self::moment($this->due);
    }

    private static function moment(?int $millis): ?Instant
    {
        return $millis === null ? null : Instant::millis($millis);
    }
}
