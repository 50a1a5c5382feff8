<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Settings;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Bank\Bank;
use Zetema\App\Shared\Versioned;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Settings\BankSettings;

/** What the organisation sets for all its banks. Each bank has a copy, so that nothing that reads a bank asks for it. */
#[ORM\Entity]
#[ORM\Table(name: 'house_rules')]
class HouseRules implements Versioned
{
    /** There is one organisation; the migration that made the table put its row there. */
    public const ID = 1;

    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    /** @var array<string, mixed> */
    #[ORM\Column(type: Types::JSON)]
    private array $rules = [];

    #[ORM\Version, ORM\Column(type: Types::INTEGER, options: ['default' => 1])]
    private int $version = 1;

    public function version(): int
    {
        return $this->version;
    }

    public function settings(): BankSettings
    {
        return BankSettings::fromData(Fields::of($this->rules));
    }

    public function set(BankSettings $rules): void
    {
        Bank::refuseOwn($rules);
        $this->rules = $rules->toData();
    }
}
