<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\Edition;
use Zetema\App\People\Account;
use Zetema\Core\Sitting\Result;
use Zetema\Core\Sitting\Sitting as Run;

/**
 * One candidate's run through an edition, or an author's rehearsal of a blueprint. It stores the form dealt; what happened is in its
 * events, and the columns of its result are only for lists.
 */
#[ORM\Entity]
#[ORM\Table(name: 'sitting')]
#[ORM\Index(name: 'sitting_open', columns: ['ended_at', 'deadline'])]
#[ORM\Index(name: 'sitting_candidate', columns: ['account_id', 'edition_id'])]
class Sitting
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    /** @var int|null milliseconds since 1970 */
    #[ORM\Column(type: Types::BIGINT, nullable: true)]
    private ?int $startedAt = null;

    #[ORM\Column(type: Types::BIGINT, nullable: true)]
    private ?int $deadline = null;

    #[ORM\Column(type: Types::BIGINT, nullable: true)]
    private ?int $endedAt = null;

    #[ORM\Column(length: 20, nullable: true)]
    private ?string $earned = null;

    #[ORM\Column(length: 20, nullable: true)]
    private ?string $max = null;

    #[ORM\Column(length: 20, nullable: true)]
    private ?string $percent = null;

    #[ORM\Column(nullable: true)]
    private ?bool $passed = null;

    /** @param list<array{revision: int, choices: list<int>, points: string|null}> $form what was dealt, in order */
    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Account $account,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Blueprint $blueprint,
        #[ORM\ManyToOne]
        public readonly ?Edition $edition,
        #[ORM\Column(type: Types::BIGINT)]
        public readonly int $seed,
        #[ORM\Column(type: Types::JSON)]
        public readonly array $form,
    ) {
    }

    public function isRehearsal(): bool
    {
        return $this->edition === null;
    }

    public function note(Run $run): void
    {
        $this->startedAt = $run->startedAt;
        $this->deadline = $run->deadline();
        $this->endedAt = $run->endedAt;
        if ($run->endedAt !== null) {
            $result = Result::of($run);
            $this->earned = (string) $result->earned;
            $this->max = (string) $result->max;
            $this->percent = $result->percent;
            $this->passed = $result->passed;
        }
    }

    public function startedAt(): ?int
    {
        return $this->startedAt;
    }

    public function endedAt(): ?int
    {
        return $this->endedAt;
    }

    public function deadline(): ?int
    {
        return $this->deadline;
    }

    /** @return array{earned: string|null, max: string|null, percent: string|null, passed: bool|null} */
    public function result(): array
    {
        return ['earned' => $this->earned, 'max' => $this->max, 'percent' => $this->percent, 'passed' => $this->passed];
    }
}
