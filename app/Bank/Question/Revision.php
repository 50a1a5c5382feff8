<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question as Core;

/** One state of a question's text, answers and marking. What dealing asks for stands in columns beside it. */
#[ORM\Entity]
#[ORM\Table(name: 'revision')]
#[ORM\UniqueConstraint(name: 'revision_number', columns: ['question_id', 'number'])]
#[ORM\Index(name: 'revision_dealt', columns: ['bank_id', 'is_dealt', 'objective_path', 'kind', 'difficulty', 'worth', 'question_id'])]
class Revision
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    /** @var array<string, mixed> the core's stored form of a question, versioned; as typed while it is not whole */
    #[ORM\Column(type: Types::JSON)]
    private array $content;

    /** @var array{field: string|null, message: string}|null why it is not whole yet */
    #[ORM\Column(type: Types::JSON, nullable: true)]
    private ?array $problem = null;

    /** The question's, beside what lists are drawn by. */
    #[ORM\ManyToOne]
    private Bank $bank;

    #[ORM\Column(length: 20, options: ['default' => ''])]
    private string $kind;

    #[ORM\Column(length: 20, nullable: true)]
    private ?string $difficulty = null;

    /** @var Collection<string, RevisionTag> tags are also rows, to be asked for one by one */
    #[ORM\OneToMany(mappedBy: 'revision', targetEntity: RevisionTag::class, cascade: ['persist'], orphanRemoval: true, indexBy: 'tag')]
    private Collection $tags;

    /** Where the key stands, counted from 0, in a claim or in a multiple choice whose answers are not shuffled. */
    #[ORM\Column(type: Types::SMALLINT, nullable: true)]
    private ?int $keyPlace = null;

    /** Whether it is the one that is dealt. */
    #[ORM\Column(options: ['default' => false])]
    private bool $isDealt = false;

    #[ORM\Column(length: 20)]
    private string $worth;

    /** Where it stood in the tree, so that what an edition holds does not move with the bank. */
    #[ORM\Column(length: 500, nullable: true)]
    private ?string $objectivePath;

    /** Once cleared it is never written again: papers may hold it. */
    #[ORM\Column]
    private bool $wasCleared = false;

    #[ORM\Column]
    private \DateTimeImmutable $savedAt;

    public function __construct(
        #[ORM\ManyToOne(inversedBy: 'revisions')]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE'),]
        public readonly Question $question,
        #[ORM\Column]
        public readonly int $number,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Account $author,
        Core\Sketch $sketch,
        \DateTimeImmutable $now,
    ) {
        $this->bank = $question->bank;
        $this->tags = new ArrayCollection();
        $this->write($sketch, $now);
    }

    public function write(Core\Sketch $sketch, \DateTimeImmutable $now): void
    {
        if ($this->wasCleared) {
            throw new \LogicException('a revision that was cleared is never written again');
        }
        $facts = RevisionFacts::of($sketch, $this->question->objective()?->names(), $this->bank->settings());
        [$this->content, $this->problem, $this->objectivePath, $this->kind, $this->difficulty] = [
            $facts->content,
            $facts->problem,
            $facts->objectivePath,
            $facts->kind,
            $facts->difficulty,
        ];
        [$this->worth, $this->keyPlace, $this->savedAt] = [$facts->worth, $facts->keyPlace, $now];
        foreach (array_diff($this->tags->getKeys(), $facts->tags) as $gone) {
            $this->tags->remove($gone);
        }
        foreach (array_diff($facts->tags, $this->tags->getKeys()) as $tag) {
            $this->tags->set($tag, new RevisionTag($this, $tag));
        }
    }

    /** Works out anew what depends on the bank's settings too. */
    public function followSettings(): void
    {
        $sketch = $this->isWhole() ? Core\Sketch::whole($this->question()) : Core\Sketch::of(Fields::of($this->content), null, []);
        $facts = RevisionFacts::of($sketch, null, $this->bank->settings());
        [$this->worth, $this->keyPlace] = [$facts->worth, $facts->keyPlace];
    }

    public function keepWhatFollowed(Connection $db): void
    {
        $db->update('revision', ['worth' => $this->worth, 'key_place' => $this->keyPlace], ['id' => $this->id]);
    }

    /** @return array{field: string|null, message: string}|null */
    public function problem(): ?array
    {
        return $this->problem;
    }

    public function isWhole(): bool
    {
        return $this->problem === null;
    }

    public function inLists(string $stem): InLists
    {
        return new InLists($this->worth, $this->number, $this->isWhole(), $stem, $this->keyPlace);
    }

    public function clear(): void
    {
        $this->wasCleared = true;
    }

    public function deal(bool $isDealt): void
    {
        $this->isDealt = $isDealt;
    }

    public function difficulty(): ?string
    {
        return $this->difficulty;
    }

    public function objectivePath(): ?string
    {
        return $this->objectivePath;
    }

    public function wasCleared(): bool
    {
        return $this->wasCleared;
    }

    public function savedAt(): \DateTimeImmutable
    {
        return $this->savedAt;
    }

    public function worth(): string
    {
        return $this->worth;
    }

    public function kind(): Core\Kinds\KindId
    {
        return Core\Kinds\KindId::from($this->kind);
    }

    /** @return array<string, mixed> */
    public function content(): array
    {
        return $this->content;
    }

    /** The core's question as it is dealt: without what its bank calls it, so that nothing but these two columns is read. */
    public static function dealt(Fields $content, ?string $objectivePath): Core\Question
    {
        return Core\Question::fromData($content, null, self::path($objectivePath), Core\Status::Cleared, verified: true);
    }

    /** The core's question, with the name and objective it has in the bank; only of one that is whole. */
    public function question(): Core\Question
    {
        return Core\Question::fromData(
            Fields::of($this->content),
            $this->question->name(),
            self::path($this->objectivePath),
            $this->question->status(),
            verified: true,
        );
    }

    /** @return list<string> */
    private static function path(?string $objectivePath): array
    {
        return $objectivePath === null ? [] : explode(Objective::SEPARATOR, $objectivePath);
    }
}
