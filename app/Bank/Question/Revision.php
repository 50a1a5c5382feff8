<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question as Core;

/** One state of a question's text, answers and marking. What dealing asks for stands in columns beside it. */
#[ORM\Entity]
#[ORM\Table(name: 'revision')]
#[ORM\UniqueConstraint(name: 'revision_number', columns: ['question_id', 'number'])]
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
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Question $question,
        #[ORM\Column]
        public readonly int $number,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Account $author,
        Core\Sketch $sketch,
        \DateTimeImmutable $now,
    ) {
        $this->write($sketch, $now);
    }

    /** @param list<string>|null $objective where a question that is not whole stands */
    public function write(Core\Sketch $sketch, \DateTimeImmutable $now, ?array $objective = null): void
    {
        if ($this->wasCleared) {
            throw new \LogicException('a revision that was cleared is never written again');
        }
        $this->content = $sketch->data;
        $this->problem = $sketch->problem;
        $path = $sketch->question->objective ?? $objective ?? [];
        $this->objectivePath = $path === [] ? null : implode(Objective::SEPARATOR, $path);
        $this->savedAt = $now;
        $this->worth = '0';
        if ($sketch->question !== null) {
            $this->computeWorth($sketch->question);
        }
    }

    /** Works out anew what it is worth, as after a change of the bank's settings. */
    public function computeWorth(?Core\Question $question = null): void
    {
        $question ??= $this->question();
        $this->worth = (string) MarkingPlan::of($question, $question->effective($this->question->bank->settings()))->max();
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

    public function clear(): void
    {
        $this->wasCleared = true;
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

    public function isGraded(): bool
    {
        return $this->worth !== '0';
    }

    public function kind(): Core\KindId
    {
        return Core\KindId::from(is_string($this->content['kind'] ?? null) ? $this->content['kind'] : '');
    }

    /** @return array<string, mixed> */
    public function content(): array
    {
        return $this->content;
    }

    /** The core's question, with the name and objective it has in the bank; only of one that is whole. */
    public function question(): Core\Question
    {
        return Core\Question::fromData(Fields::of($this->content), $this->question->name(), $this->objectivePath === null ? [] : explode(Objective::SEPARATOR, $this->objectivePath), $this->question->status(), verified: true);
    }
}
