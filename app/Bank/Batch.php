<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\History\BankChange;
use Zetema\App\People\Account;

/** One intake: what came in together and can be taken back together. */
#[ORM\Entity]
#[ORM\Table(name: 'batch')]
class Batch
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    #[ORM\Column(nullable: true)]
    private ?\DateTimeImmutable $takenBackAt = null;

    /** How many came in. */
    #[ORM\Column]
    private int $questions = 0;

    /** How many files came into it. */
    #[ORM\Column(options: ['default' => 1])]
    private int $files = 1;

    /** How many of the bank's questions got a new revision. */
    #[ORM\Column(options: ['default' => 0])]
    private int $revised = 0;

    /** The step in the bank's history that made these revisions. */
    #[ORM\ManyToOne]
    private ?BankChange $change = null;

    /** Its own step in the bank's history. */
    #[ORM\ManyToOne]
    #[ORM\JoinColumn(onDelete: 'SET NULL')]
    private ?BankChange $entry = null;

    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Bank $bank,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Account $account,
        #[ORM\Column(length: 160)]
        private string $name,
        #[ORM\Column]
        public readonly \DateTimeImmutable $takenInAt,
    ) {
    }

    public function name(): string
    {
        return $this->name;
    }

    /** Another file came into it. */
    public function alsoOf(string $name): void
    {
        ++$this->files;
        $this->name =
            $this->files === 2
                ? mb_substr($this->name, 0, 120) . ' and 1 more'
                : preg_replace('/ and \d+ more$/', sprintf(' and %d more', $this->files - 1), $this->name) ?? $name;
    }

    public function count(int $more): void
    {
        $this->questions += $more;
    }

    public function questions(): int
    {
        return $this->questions;
    }

    public function revised(BankChange $change, int $count): void
    {
        [$this->change, $this->revised] = [$change, $count];
    }

    /** How many of the bank's questions got a new revision. */
    public function revisions(): int
    {
        return $this->revised;
    }

    public function change(): ?BankChange
    {
        return $this->change;
    }

    public function recordedAs(BankChange $entry): void
    {
        $this->entry = $entry;
    }

    public function entry(): ?BankChange
    {
        return $this->entry;
    }

    public function takeBack(\DateTimeImmutable $now): void
    {
        $this->takenBackAt = $now;
    }

    public function isTakenBack(): bool
    {
        return $this->takenBackAt !== null;
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'questions' => $this->questions,
            'revised' => $this->revised,
            'by' => $this->account->name,
            'takenInAt' => $this->takenInAt->format(DATE_ATOM),
            'takenBackAt' => $this->takenBackAt?->format(DATE_ATOM),
        ];
    }
}
