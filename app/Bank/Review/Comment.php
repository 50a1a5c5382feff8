<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Review;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Question\Question;
use Zetema\App\People\Account;
use Zetema\App\Shared\Versioned;

/** A reviewer's comment at a line of a question: answered, and in the end closed. */
#[ORM\Entity]
#[ORM\Table(name: 'comment')]
class Comment implements Versioned
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    #[ORM\Version, ORM\Column(type: Types::INTEGER, options: ['default' => 1])]
    private int $version = 1;

    /** @var list<array{by: string, at: string, text: string}> */
    #[ORM\Column(type: Types::JSON)]
    private array $answers = [];

    #[ORM\Column(nullable: true)]
    private ?\DateTimeImmutable $closedAt = null;

    #[ORM\ManyToOne]
    private ?Account $closedBy = null;

    /** @param string $line as the proofreader names lines: "stem", "answer 2"; empty: the question as a whole */
    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Question $question,
        #[ORM\Column(length: 40)]
        public readonly string $line,
        #[ORM\Column(type: Types::TEXT)]
        public readonly string $text,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Account $author,
        #[ORM\Column]
        public readonly \DateTimeImmutable $madeAt,
    ) {
    }

    public function version(): int
    {
        return $this->version;
    }

    public function answer(Account $by, string $text, \DateTimeImmutable $now): void
    {
        $this->answers[] = ['by' => $by->name, 'at' => $now->format(DATE_ATOM), 'text' => $text];
    }

    public function close(?Account $by, ?\DateTimeImmutable $now): void
    {
        $this->closedBy = $by;
        $this->closedAt = $now;
    }

    public function isClosed(): bool
    {
        return $this->closedAt !== null;
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return [
            'id' => $this->id,
            'where' => $this->line,
            'text' => $this->text,
            'by' => $this->author->name,
            'at' => $this->madeAt->format(DATE_ATOM),
            'answers' => $this->answers,
            'closedBy' => $this->closedBy?->name,
            'closedAt' => $this->closedAt?->format(DATE_ATOM),
        ];
    }
}
