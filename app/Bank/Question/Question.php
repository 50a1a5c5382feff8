<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Batch;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\People\Account;
use Zetema\App\Shared\Versioned;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question as Core;

/**
 * A question of a bank: where it stands and how far it has come. Its text is in its revisions; the newest is edited, the last
 * cleared one is dealt.
 */
#[ORM\Entity]
#[ORM\Table(name: 'question')]
#[ORM\UniqueConstraint(name: 'question_name', columns: ['bank_id', 'name'])]
#[ORM\Index(name: 'question_board', columns: ['bank_id', 'objective_id', 'kind'])]
#[ORM\Index(name: 'question_text', columns: ['bank_id', 'stem_key'])]
#[ORM\Index(name: 'question_keyed', columns: ['bank_id', 'kind', 'key_place'])]
#[ORM\Index(name: 'question_noted', columns: ['bank_id', 'has_notes'])]
#[ORM\Index(name: 'question_status', columns: ['bank_id', 'status'])]
#[ORM\Index(name: 'question_worth', columns: ['bank_id', 'micro_points'])]
#[ORM\Index(name: 'question_neighbours', columns: ['objective_id', 'bank_id', 'place'])]
#[ORM\Index(name: 'question_elsewhere', columns: ['bank_id', 'dealt_elsewhere'])]
class Question implements Versioned
{
    use KeptBeside;

    /** Saves by the same person within so many seconds go into the same revision. */
    private const ONE_REVISION = 900;

    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    #[ORM\Column(length: 80, nullable: true)]
    private ?string $name = null;

    #[ORM\Column(length: 20)]
    private string $kind;

    #[ORM\Column(type: Types::STRING, length: 20, enumType: Core\Status::class)]
    private Core\Status $status;

    #[ORM\Embedded(columnPrefix: false)]
    private InLists $inLists;

    /** Whether what is dealt stands under another objective, or is of another kind, than the draft. */
    #[ORM\Column(options: ['default' => false])]
    private bool $dealtElsewhere = false;

    /** Whether the proofreader has notes at it that nobody waved off. Kept by triggers, see ReadCount. */
    #[ORM\Column(insertable: false, updatable: false, options: ['default' => false])]
    public readonly bool $hasNotes;

    /** Where it stands within its objective: below 0 as somebody put it (Arranging), 0 as it was made. */
    #[ORM\Column(options: ['default' => 0])]
    private int $place = 0;

    /** Raised by every save, so that a second tab is noticed. */
    #[ORM\Version, ORM\Column(type: Types::INTEGER, options: ['default' => 1])]
    private int $version = 1;

    /** The version as it came in with a batch: whether anybody has changed it since. */
    #[ORM\Column(nullable: true)]
    private ?int $intakeVersion = null;

    #[ORM\ManyToOne(cascade: ['persist'])]
    #[ORM\JoinColumn(onDelete: 'SET NULL')]
    private ?Revision $newest = null;

    #[ORM\ManyToOne]
    #[ORM\JoinColumn(onDelete: 'SET NULL')]
    private ?Revision $cleared = null;

    /** @var Collection<int, Revision> */
    #[ORM\OneToMany(mappedBy: 'question', targetEntity: Revision::class, cascade: ['persist'])]
    #[ORM\OrderBy(['number' => 'DESC'])]
    private Collection $revisions;

    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Bank $bank,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(onDelete: 'SET NULL')]
        private ?Objective $objective,
        Core\Sketch $sketch,
        ?string $name,
        Account $author,
        \DateTimeImmutable $now,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(onDelete: 'SET NULL')]
        public readonly ?Batch $batch = null,
    ) {
        $this->revisions = new ArrayCollection();
        $this->name = $name;
        $status = $sketch->question->status ?? Core\Status::Draft;
        // A file says that it is cleared, and whoever brings it in is nobody else.
        $this->status = $status === Core\Status::Cleared && $bank->clearing() === Core\Clearing::Another ? Core\Status::InReview : $status;
        $this->newest = new Revision($this, 1, $author, $sketch, $now);
        $this->revisions->add($this->newest);
        if ($this->status === Core\Status::Cleared) {
            $this->newest->clear();
            $this->dealNow($this->newest);
        }
        $this->describe($sketch);
    }

    /**
     * Saves what was edited: into the newest revision, or into a new one after a pause, by another person, when the newest is cleared, or
     * if asked for afresh.
     */
    public function edit(
        Core\Sketch $sketch,
        ?string $name,
        ?Objective $objective,
        Account $author,
        \DateTimeImmutable $now,
        bool $afresh = false,
    ): void {
        $this->place = $objective === $this->objective ? $this->place : 0; // it is new there
        $this->name = $name;
        $this->objective = $objective;
        $newest = $this->newest();
        $pause = $now->getTimestamp() - $newest->savedAt()->getTimestamp();
        if ($afresh || $newest->wasCleared() || $newest->author !== $author || $pause > self::ONE_REVISION) {
            $this->newest = new Revision($this, $newest->number + 1, $author, $sketch, $now);
            $this->revisions->add($this->newest);
        } else {
            $newest->write($sketch, $now);
        }
        if ($this->status === Core\Status::Cleared || ($this->status === Core\Status::InReview && !$this->newest()->isWhole())) {
            $this->status = Core\Status::Draft;
        }
        $this->describe($sketch);
    }

    /** What lists need of the newest revision. */
    private function describe(Core\Sketch $sketch): void
    {
        $this->kind = $sketch->kind()->value;
        $this->inLists = $this->newest()->inLists($sketch->stem());
        $this->compareWithDealt();
    }

    /**
     * Works out anew all that follows from the text and the settings, as after an upgrade. Whoever has it open loses nothing by it: no
     * version is raised.
     */
    public function refresh(Connection $db): void
    {
        $this->describe(Core\Sketch::of(Fields::of($this->newest()->content()), $this->name, $this->objective?->names() ?? []));
        $db->update('question', ['dealt_elsewhere' => (int) $this->dealtElsewhere], ['id' => $this->id]);
        $this->followSettings($db);
    }

    /** Works out anew what depends on the bank's settings too. No version is raised. */
    public function followSettings(Connection $db): void
    {
        foreach (array_filter([$this->newest, $this->cleared]) as $revision) {
            $revision->followSettings();
            $revision->keepWhatFollowed($db);
        }
        $stem = $this->newest()->content()['stem'] ?? '';
        $this->inLists = $this->newest()->inLists(is_string($stem) ? $stem : '');
        $db->update('question', $this->inLists->columns(), ['id' => $this->id]);
    }

    private function compareWithDealt(): void
    {
        $dealt = $this->cleared;
        $this->dealtElsewhere =
            $dealt !== null && ($dealt->objectivePath() !== $this->objective?->path || $dealt->kind()->value !== $this->kind);
    }

    private function dealNow(?Revision $revision): void
    {
        $this->cleared?->deal(false);
        $this->cleared = $revision;
        $this->cleared?->deal(true);
    }

    /**
     * @param Core\BankRole|null $role of whoever moves it
     *
     * @throws Core\InvalidQuestion if a question that is not whole should be reviewed or cleared
     * @throws StepRefused if this step is not theirs to take, or there is none
     */
    public function moveTo(Core\Status $status, ?Core\BankRole $role): void
    {
        if ($status === $this->status) {
            return;
        }
        if ($role === null || !in_array($status, $this->status->next($role), true)) {
            throw StepRefused::step($this->status, $status, in_array($status, $this->status->next(Core\BankRole::Author), true));
        }
        if (in_array($status, [Core\Status::InReview, Core\Status::Cleared], true)) {
            // Held against the rules of today, which may ask for more than those of the day it was saved.
            $problem = Core\Sketch::of(Fields::of($this->newest()->content()), $this->name, $this->objective?->names() ?? [])->problem;
            if ($problem !== null) {
                throw new Core\InvalidQuestion('it is not whole yet: ' . $problem['message'], $problem['field']);
            }
        }
        $this->status = $status;
        if ($status === Core\Status::Cleared) {
            $this->newest()->clear();
        }
        $this->dealNow(
            match ($status) {
                Core\Status::Cleared => $this->newest,
                Core\Status::Retired => null,
                Core\Status::Draft, Core\Status::InReview => $this->cleared,
            },
        );
        $this->compareWithDealt();
    }

    /** Before it is removed: the newest revision is removed with it. */
    public function forgetNewest(): void
    {
        $this->newest = null;
    }

    public function name(): ?string
    {
        return $this->name;
    }

    public function kind(): string
    {
        return $this->kind;
    }

    public function excerpt(): string
    {
        return $this->inLists->excerpt;
    }

    public function status(): Core\Status
    {
        return $this->status;
    }

    public function objective(): ?Objective
    {
        return $this->objective;
    }

    public function version(): int
    {
        return $this->version;
    }

    /** Whether it is about to be removed. */
    public function isGoing(): bool
    {
        return $this->newest === null;
    }

    public function newest(): Revision
    {
        return $this->newest ?? throw new \LogicException('a question has a revision');
    }

    public function cleared(): ?Revision
    {
        return $this->cleared;
    }

    /** @return list<Revision> the newest first */
    public function revisions(): array
    {
        // One that was added in this request stands last in the collection.
        $revisions = array_values($this->revisions->toArray());
        usort($revisions, static fn (Revision $a, Revision $b): int => $b->number <=> $a->number);

        return $revisions;
    }
}
