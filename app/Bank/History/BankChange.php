<?php

declare(strict_types=1);

namespace Zetema\App\Bank\History;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Bank;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;

/** Something that was done to a bank as a whole: who, when, in words, and what it takes to undo it. */
#[ORM\Entity]
#[ORM\Table(name: 'bank_change')]
#[ORM\Index(name: 'bank_change_order', columns: ['bank_id', 'id'])]
class BankChange
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    #[ORM\Column(nullable: true)]
    private ?\DateTimeImmutable $undoneAt = null;

    #[ORM\ManyToOne]
    private ?Account $undoneBy = null;

    /** @param array<string, mixed> $undo as the kind of change needs it */
    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Bank $bank,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Account $account,
        #[ORM\Column(length: 20)]
        public readonly string $kind,
        #[ORM\Column(type: Types::TEXT)]
        private string $words,
        #[ORM\Column(type: Types::JSON)]
        public readonly array $undo,
        #[ORM\Column]
        public readonly \DateTimeImmutable $at,
        /** Whether more of it comes: a change in pieces is one entry from its first piece on. */
        #[ORM\Column(options: ['default' => false])]
        private bool $isAtWork = false,
    ) {
    }

    public function isAtWork(): bool
    {
        return $this->isAtWork;
    }

    public function isUndone(): bool
    {
        return $this->undoneAt !== null;
    }

    public function undone(Account $by, \DateTimeImmutable $at): void
    {
        [$this->undoneBy, $this->undoneAt] = [$by, $at];
    }

    /**
     * @return array{id: int, kind: string, words: string, atWork: bool, by: string, at: string, undoneAt: string|null,
     *   undoneBy: string|null, question: array{id: int, objective: string}|null} question: what came back, and where it stands
     */
    public function toData(): array
    {
        return [
            'id' => $this->id,
            'kind' => $this->kind,
            'words' => $this->words,
            'atWork' => $this->isAtWork,
            'by' => $this->account->name,
            'at' => $this->at->format(\DATE_ATOM),
            'undoneAt' => $this->undoneAt?->format(\DATE_ATOM),
            'undoneBy' => $this->undoneBy?->name,
            'question' => $this->isUndone() ? $this->restored() : null,
        ];
    }

    /** @return array{id: int, objective: string}|null of a question that was thrown away and came back */
    private function restored(): ?array
    {
        $kept = Fields::of($this->undo);
        $rows = $kept->has('rows') ? $kept->object('rows')->objects('question', optional: true) : [];

        return $rows === [] ? null : ['id' => $rows[0]->integer('id'), 'objective' => $kept->optionalText('objective') ?? ''];
    }
}
