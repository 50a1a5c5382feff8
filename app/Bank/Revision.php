<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;
use Zetema\Core\Marking\MarkingPlan;
use Zetema\Core\Question as Core;

/** One state of a question's text, answers and marking. What dealing asks for stands in columns beside it. */
#[ORM\Entity]
#[ORM\Table(name: 'revision')]
#[ORM\UniqueConstraint(name: 'revision_number', columns: ['question_id', 'number'])]
class Revision
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    /** @var array<string, mixed> the core's stored form of a question, versioned */
    #[ORM\Column(type: Types::JSON)]
    private array $content;

    #[ORM\Column(length: 20)]
    private string $worth;

    #[ORM\Column]
    private bool $countsPoints;

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
        Core\Question $content,
        \DateTimeImmutable $now,
    ) {
        $this->write($content, $now);
    }

    public function write(Core\Question $content, \DateTimeImmutable $now): void
    {
        if ($this->wasCleared) {
            throw new \LogicException('a revision that was cleared is never written again');
        }
        $this->content = $content->toData();
        $plan = MarkingPlan::of($content, $content->effective());
        $this->worth = (string) $plan->max();
        $this->countsPoints = !$plan->max()->isZero() && $content->settings->get(Core\Setting::Marking) !== 'weighed';
        $this->objectivePath = $content->objective === [] ? null : implode(Objective::SEPARATOR, $content->objective);
        $this->savedAt = $now;
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

    public function countsPoints(): bool
    {
        return $this->countsPoints;
    }

    /** @return array<string, mixed> */
    public function content(): array
    {
        return $this->content;
    }

    /** The core's question, with the name and objective it has in the bank. */
    public function question(): Core\Question
    {
        return Core\Question::fromData(Fields::of($this->content), $this->question->name(), $this->objectivePath === null ? [] : explode(Objective::SEPARATOR, $this->objectivePath), $this->question->status());
    }
}
