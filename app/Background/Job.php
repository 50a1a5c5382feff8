<?php

declare(strict_types=1);

namespace Zetema\App\Background;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\People\Account;

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
    }

    public function state(): JobState
    {
        return $this->state;
    }

    public function askToStop(): void
    {
        $this->stopAsked = true;
        if ($this->state === JobState::Waiting) {
            $this->state = JobState::Stopped;
        }
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return [
            'id' => $this->id, 'task' => $this->task, 'state' => $this->state->value, 'done' => $this->done, 'total' => $this->total,
            'stopAsked' => $this->stopAsked, 'result' => $this->result, 'failure' => $this->failure,
        ];
    }
}
