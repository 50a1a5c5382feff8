<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Intake\Batch;
use Zetema\App\People\Account;
use Zetema\Core\Data\Text;
use Zetema\Core\Question as Core;

/**
 * A question of a bank: where it stands and how far it has come. Its text is in its revisions; the newest is edited, the last
 * cleared one is dealt.
 */
#[ORM\Entity]
#[ORM\Table(name: 'question')]
#[ORM\Index(name: 'question_board', columns: ['bank_id', 'objective_id', 'kind', 'status'])]
class Question
{
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

    #[ORM\Column(length: 200)]
    private string $excerpt = '';

    /** Raised by every save, so that a second tab is noticed. */
    #[ORM\Column]
    private int $version = 1;

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
        Core\Question $content,
        Account $author,
        \DateTimeImmutable $now,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(onDelete: 'SET NULL')]
        public readonly ?Batch $batch = null,
    ) {
        $this->revisions = new ArrayCollection();
        $this->name = $content->name;
        $this->kind = $content->kind::id()->value;
        $this->status = $content->status;
        $this->excerpt = Text::excerpt($content->stem);
        $this->newest = new Revision($this, 1, $author, $content, $now);
        $this->revisions->add($this->newest);
        if ($content->status === Core\Status::Cleared) {
            $this->newest->clear();
            $this->cleared = $this->newest;
        }
    }

    /** Saves what was edited: into the newest revision, or into a new one after a pause, by another person, or when the newest is cleared. */
    public function edit(Core\Question $content, ?Objective $objective, Account $author, \DateTimeImmutable $now): void
    {
        $newest = $this->newest();
        $pause = $now->getTimestamp() - $newest->savedAt()->getTimestamp();
        if ($newest->wasCleared() || $newest->author !== $author || $pause > self::ONE_REVISION) {
            $this->newest = new Revision($this, $newest->number + 1, $author, $content, $now);
            $this->revisions->add($this->newest);
        } else {
            $newest->write($content, $now);
        }
        if ($this->status === Core\Status::Cleared) {
            $this->status = Core\Status::Draft;
        }
        $this->name = $content->name;
        $this->objective = $objective;
        $this->kind = $content->kind::id()->value;
        $this->excerpt = Text::excerpt($content->stem);
        ++$this->version;
    }

    public function moveTo(Core\Status $status): void
    {
        $this->status = $status;
        if ($status === Core\Status::Cleared) {
            $this->newest()->clear();
        }
        $this->cleared = match ($status) {
            Core\Status::Cleared => $this->newest,
            Core\Status::Retired => null,
            default => $this->cleared,
        };
        ++$this->version;
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
        return $this->excerpt;
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
        return array_values($this->revisions->toArray());
    }
}
