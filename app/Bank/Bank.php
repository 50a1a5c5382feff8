<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Shared\Versioned;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;

/** A bank of questions, with the settings that count where a question makes none of its own. */
#[ORM\Entity]
#[ORM\Table(name: 'bank')]
class Bank implements Versioned
{
    /** Settings that make sense for many questions at once. */
    public const SETTINGS = [
        Setting::Points, Setting::Marking, Setting::WrongPartCosts, Setting::WrongCosts, Setting::BlankCosts, Setting::Attempts, Setting::AttemptCosts,
        Setting::Stands, Setting::HintCosts, Setting::Floor, Setting::Time, Setting::Late, Setting::Shuffle, Setting::Ignore, Setting::Typos,
    ];

    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    /** @var array<string, string> */
    #[ORM\Column(type: Types::JSON, options: ['default' => '{}'])]
    private array $settings = [];

    /** @var array<string, array<string, string>> those for one kind, by kind */
    #[ORM\Column(type: Types::JSON, options: ['default' => '{}'])]
    private array $kindSettings = [];

    /** Raised by every change of the settings. */
    #[ORM\Version, ORM\Column(type: Types::INTEGER, options: ['default' => 1])]
    private int $version = 1;

    #[ORM\Column(length: 160)]
    private string $name;

    /** Whether it is out of the way: kept whole, and listed apart. */
    #[ORM\Column(options: ['default' => false])]
    private bool $isPutAway = false;

    public function __construct(string $name)
    {
        $this->rename($name);
    }

    /** @throws Malformed */
    public function rename(string $name): void
    {
        $name = trim($name);
        $this->name = $name !== '' && mb_strlen($name) <= 160 ? $name : throw new Malformed('name', $name === '' ? 'is empty' : 'has more than 160 characters');
    }

    public function putAway(bool $isPutAway): void
    {
        $this->isPutAway = $isPutAway;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function isPutAway(): bool
    {
        return $this->isPutAway;
    }

    public function settings(): BankSettings
    {
        return new BankSettings(Settings::of($this->settings), array_map(Settings::of(...), $this->kindSettings));
    }

    public function version(): int
    {
        return $this->version;
    }

    /** @throws Malformed|InvalidSetting for a setting that only a question can make */
    public function set(BankSettings $settings): void
    {
        foreach ([$settings->every, ...array_values($settings->byKind)] as $place) {
            self::refuseOwn($place);
        }
        foreach ($settings->byKind as $kind => $place) {
            foreach ($place->values as $word => $value) {
                if (!Question::kindTakes(KindId::from($kind), Setting::from($word), $value)) {
                    throw new Malformed($word, sprintf('cannot be “%s” for questions of kind %s', $value, $kind));
                }
            }
        }
        $this->settings = $settings->every->values;
        $this->kindSettings = array_filter(array_map(static fn (Settings $s): array => $s->values, $settings->byKind));
    }

    /** Takes over what it does not set itself; what it sets stays. */
    public function fillIn(BankSettings $others): void
    {
        $mine = $this->settings();
        $byKind = $mine->byKind;
        foreach ($others->byKind as $kind => $settings) {
            $byKind[$kind] = isset($byKind[$kind]) ? $byKind[$kind]->over($settings) : $settings;
        }
        $filled = new BankSettings($mine->every->over($others->every), $byKind);
        if (!$filled->equals($mine)) {
            $this->set($filled);
        }
    }

    private static function refuseOwn(Settings $settings): void
    {
        $allowed = array_map(static fn (Setting $s): string => $s->value, self::SETTINGS);
        foreach ($settings->values as $word => $value) {
            if (!in_array($word, $allowed, true) || ($word === Setting::Marking->value && !in_array($value, ['whole', 'parts'], true))) {
                throw new Malformed($word, sprintf('cannot be “%s” for a whole bank; set it at the questions', $value));
            }
        }
    }
}
