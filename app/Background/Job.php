<?php

declare(strict_types=1);

namespace Zetema\App\Background;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;

/** Something that takes longer than a request should: worked off in the background, told how far it is, stopped when asked. */
#[ORM\Entity]
#[ORM\Table(name: 'job')]
#[ORM\Index(name: 'job_open', columns: ['bank_id', 'task', 'state'])]
class Job
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    #[ORM\Column(length: 10, enumType: JobState::class)]
    private JobState $state = JobState::Waiting;

    #[ORM\Column]
    private int $done = 0;

    #[ORM\Column]
    private int $total = 0;

    #[ORM\Column]
    private bool $stopAsked = false;

    /** @var array<string, mixed> what its last piece left for the next */
    #[ORM\Column(name: 'at', type: Types::JSON, options: ['default' => '{}'])]
    private array $at = [];

    /** Seconds since 1970 at which its worker last gave a sign of life. */
    #[ORM\Column(options: ['default' => 0])]
    private int $beatAt;

    /** Which try it is at: each worker that takes it up has a number of its own. */
    #[ORM\Column(name: 'try', options: ['default' => 0])]
    private int $try = 0;

    /** @var array<string, mixed>|null what came of it */
    #[ORM\Column(type: Types::JSON, nullable: true)]
    private ?array $result = null;

    #[ORM\Column(type: Types::TEXT, nullable: true)]
    private ?string $failure = null;

    /** @param array<string, mixed> $input what its task needs to know */
    public function __construct(
        #[ORM\Column(length: 40)]
        public readonly string $task,
        #[ORM\Column]
        public readonly int $bankId,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Account $account,
        #[ORM\Column(type: Types::JSON)]
        public readonly array $input,
        #[ORM\Column]
        public readonly \DateTimeImmutable $begunAt,
    ) {
        $this->beatAt = $begunAt->getTimestamp();
    }

    /** What its last piece left for the next; empty before the first. */
    public function cursor(): Fields
    {
        return Fields::of($this->at);
    }

    /** Whether it is at this try, and nobody else has taken it up since. */
    public function isOf(int $try): bool
    {
        return $this->try === $try && !$this->state->isOver();
    }

    public function state(): JobState
    {
        return $this->state;
    }

    /** @return array<string, mixed>|null what came of it */
    public function result(): ?array
    {
        return $this->result;
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return [
            'id' => $this->id,
            'task' => $this->task,
            'state' => $this->state->value,
            'done' => $this->done,
            'total' => $this->total,
            'stopAsked' => $this->stopAsked,
            'result' => $this->result,
            'failure' => $this->failure,
        ];
    }
}
