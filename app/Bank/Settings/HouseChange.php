<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Settings;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;

/** A change of the house rules: who, when, what it was before and after. */
#[ORM\Entity]
#[ORM\Table(name: 'house_change')]
class HouseChange
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    /** @var array<string, mixed> */
    #[ORM\Column(type: Types::JSON)]
    private array $kept;

    #[ORM\Column(nullable: true)]
    private ?\DateTimeImmutable $undoneAt = null;

    #[ORM\ManyToOne]
    private ?Account $undoneBy = null;

    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Account $account,
        ChangedSettings $change,
        #[ORM\Column]
        public readonly \DateTimeImmutable $at,
    ) {
        $this->kept = $change->toData();
    }

    public function what(): ChangedSettings
    {
        return ChangedSettings::of(Fields::of(json_decode(json_encode($this->kept, JSON_THROW_ON_ERROR), true)));
    }

    public function become(ChangedSettings $change): void
    {
        $this->kept = $change->toData();
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
     *   undoneBy: string|null} as the history of a bank tells it
     */
    public function toData(): array
    {
        return [
            'id' => $this->id,
            'kind' => 'house rules',
            'words' => $this->what()->words(),
            'atWork' => false,
            'by' => $this->account->name,
            'at' => $this->at->format(\DATE_ATOM),
            'undoneAt' => $this->undoneAt?->format(\DATE_ATOM),
            'undoneBy' => $this->undoneBy?->name,
        ];
    }
}
