<?php

declare(strict_types=1);

namespace Zetema\App\Admission;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\People\Account;
use Zetema\App\People\Group;
use Zetema\App\Shared\Versioned;
use Zetema\Core\Sitting\Candidacy;
use Zetema\Core\Time\Instant;

/**
 * Who may sit an assessment, when, and with how much more time and how many more sittings. One without any is open for every candidate,
 * always.
 */
#[ORM\Entity]
#[ORM\Table(name: 'admission')]
class Admission implements Versioned
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    #[ORM\Version, ORM\Column(type: Types::INTEGER, options: ['default' => 1])]
    private int $version = 1;

    #[ORM\Column]
    private bool $isForAll = true;

    #[ORM\Column(nullable: true)]
    private ?\DateTimeImmutable $opensAt = null;

    #[ORM\Column(nullable: true)]
    private ?\DateTimeImmutable $closesAt = null;

    /** With which candidates admit themselves. */
    #[ORM\Column(length: 20, unique: true, nullable: true)]
    private ?string $code = null;

    /** @var list<int> ids of groups that are admitted */
    #[ORM\Column(name: 'admitted_groups', type: Types::JSON)]
    private array $groups = [];

    /**
     * @var array<int, array{extraTime: int, sittings: int, byCode: bool}> who is admitted by name, by account: percent of time more,
     *   sittings more, and whether they came with the code
     */
    #[ORM\Column(name: 'admitted_people', type: Types::JSON)]
    private array $people = [];

    public function __construct(
        #[ORM\OneToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly Blueprint $blueprint,
    ) {
    }

    public function version(): int
    {
        return $this->version;
    }

    /**
     * @param list<int> $groups
     * @param array<int, array{extraTime: int, sittings: int, byCode: bool}> $people
     */
    public function set(bool $isForAll, ?\DateTimeImmutable $opensAt, ?\DateTimeImmutable $closesAt, array $groups, array $people): void
    {
        $this->isForAll = $isForAll;
        $this->opensAt = $opensAt;
        $this->closesAt = $closesAt;
        $this->groups = $groups;
        $this->people = $people;
    }

    public function code(): ?string
    {
        return $this->code;
    }

    public function setCode(?string $code): void
    {
        $this->code = $code;
    }

    /** Somebody who came with the code. */
    public function admit(Account $account): void
    {
        $this->people[$account->id] ??= ['extraTime' => 0, 'sittings' => 0, 'byCode' => true];
    }

    public function allowAnother(Account $account, int $most): void
    {
        $own = $this->people[$account->id] ?? ['extraTime' => 0, 'sittings' => 0, 'byCode' => false];
        $this->people[$account->id] = [...$own, 'sittings' => min($most, $own['sittings'] + 1)];
    }

    /** @param list<Group> $groups all there are */
    public function candidacy(Account $account, array $groups): Candidacy
    {
        $own = $this->people[$account->id] ?? null;
        $isIn = static fn (Group $group): bool => $group->holds($account);

        return new Candidacy(
            $this->isForAll ||
                $own !== null ||
                array_filter($groups, fn (Group $group): bool => in_array($group->id, $this->groups, true) && $isIn($group)) !== [],
            self::moment($this->opensAt),
            self::moment($this->closesAt),
            $own['extraTime'] ?? 0,
            $own['sittings'] ?? 0,
        );
    }

    /**
     * @return array{version: int, everybody: bool, opens: string|null, closes: string|null, code: string|null, groups: list<int>,
     *   people: list<array{account: int, extraTime: int, sittings: int, byCode: bool}>}
     */
    public function toData(): array
    {
        return [
            'version' => $this->version,
            'everybody' => $this->isForAll,
            'opens' => $this->opensAt?->format(DATE_ATOM),
            'closes' => $this->closesAt?->format(DATE_ATOM),
            'code' => $this->code,
            'groups' => $this->groups,
            'people' => array_map(
                static fn (int $account, array $terms): array => ['account' => $account, ...$terms],
                array_keys($this->people),
                array_values($this->people),
            ),
        ];
    }

    private static function moment(?\DateTimeImmutable $moment): ?Instant
    {
        return $moment === null ? null : Instant::of($moment);
    }
}
