<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Shared\Versioned;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Clearing;
use Zetema\Core\Question\Feedback\Outcome;
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
        Setting::Points,
        Setting::Marking,
        Setting::WrongPartCosts,
        Setting::WrongCosts,
        Setting::BlankCosts,
        Setting::Attempts,
        Setting::AttemptCosts,
        Setting::Stands,
        Setting::HintCosts,
        Setting::Floor,
        Setting::Decimals,
        Setting::Time,
        Setting::Late,
        Setting::Shuffle,
        Setting::Layout,
        Setting::Clicks,
        Setting::Areas,
        Setting::Ignore,
        Setting::Typos,
        Setting::How,
    ];

    private const LONGEST_WORDING = 2_000;

    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    public readonly int $id;

    /** @var array<string, string> */
    #[ORM\Column(type: Types::JSON, options: ['default' => '{}'])]
    private array $settings = [];

    /** @var array<string, array<string, string>> those for one kind, by kind */
    #[ORM\Column(type: Types::JSON, options: ['default' => '{}'])]
    private array $kindSettings = [];

    /** @var array<string, string> what is said after an outcome */
    #[ORM\Column(type: Types::JSON, options: ['default' => '{}'])]
    private array $wording = [];

    /** @var array<string, array<string, string>> the same for one kind, by kind */
    #[ORM\Column(type: Types::JSON, options: ['default' => '{}'])]
    private array $kindWording = [];

    /** Who may clear; null: as the organisation says. */
    #[ORM\Column(length: 30, nullable: true)]
    private ?string $clearing = null;

    /** @var array<string, mixed> what the organisation sets, as HouseRules has it */
    #[ORM\Column(type: Types::JSON, options: ['default' => '{}'])]
    private array $house = [];

    /** Raised by every change of the settings. */
    #[ORM\Version, ORM\Column(type: Types::INTEGER, options: ['default' => 1])]
    private int $version = 1;

    #[ORM\Column(length: 160)]
    private string $name;

    /** Whether it is out of the way: kept whole, and listed apart. */
    #[ORM\Column(options: ['default' => false])]
    private bool $isPutAway = false;

    /** Whether it is being copied or restored: in no list until that is done. */
    #[ORM\Column(options: ['default' => false])]
    private bool $isUnfinished = false;

    /** What counts, once it was worked out: a save asks for it ten times. */
    private ?BankSettings $effective = null;

    public function __construct(string $name)
    {
        $this->rename($name);
    }

    /** @throws Malformed */
    public function rename(string $name): void
    {
        $name = trim($name);
        $this->name =
            $name !== '' && mb_strlen($name) <= 160
                ? $name
                : throw new Malformed('name', $name === '' ? 'is empty' : 'has more than 160 characters');
    }

    public function putAway(bool $isPutAway): void
    {
        $this->isPutAway = $isPutAway;
    }

    public function name(): string
    {
        return $this->name;
    }

    /** It is in no list until UnfinishedBanks finishes it. */
    public function isYetToBeFilled(): void
    {
        $this->isUnfinished = true;
    }

    public function isPutAway(): bool
    {
        return $this->isPutAway;
    }

    /** What counts where a question says nothing: what the bank sets, and what the organisation sets where it does not. */
    public function settings(): BankSettings
    {
        return $this->effective ??= $this->house === [] ? $this->own() : $this->own()->over($this->house());
    }

    /** What is set for this bank. */
    public function own(): BankSettings
    {
        return BankSettings::fromData(
            Fields::of([
                'settings' => $this->settings,
                'byKind' => $this->kindSettings,
                'wording' => $this->wording,
                'kindWording' => $this->kindWording,
                'clearing' => $this->clearing,
            ]),
        );
    }

    public function house(): BankSettings
    {
        return BankSettings::fromData(Fields::of($this->house));
    }

    public function follow(BankSettings $house): void
    {
        $this->effective = null;
        $this->house = $house->isEmpty() ? [] : $house->toData();
    }

    public function clearing(): Clearing
    {
        return $this->settings()->clearing ?? Clearing::Anybody;
    }

    public function version(): int
    {
        return $this->version;
    }

    /** @throws Malformed|InvalidSetting for a setting that only a question can make */
    public function set(BankSettings $settings): void
    {
        self::refuseOwn($settings);
        $this->effective = null;
        $this->settings = $settings->every->values;
        $this->kindSettings = array_filter(array_map(static fn (Settings $s): array => $s->values, $settings->byKind));
        $this->wording = $settings->wording;
        $this->kindWording = $settings->kindWording;
        $this->clearing = $settings->clearing?->value;
    }

    /** Takes over what it does not set itself; what it sets stays. */
    public function fillIn(BankSettings $others): void
    {
        $mine = $this->own();
        $byKind = $mine->byKind;
        foreach ($others->byKind as $kind => $settings) {
            $byKind[$kind] = isset($byKind[$kind]) ? $byKind[$kind]->over($settings) : $settings;
        }
        $kindWording = $mine->kindWording;
        foreach ($others->kindWording as $kind => $wording) {
            $kindWording[$kind] = [...$wording, ...$kindWording[$kind] ?? []];
        }
        $filled = new BankSettings(
            $mine->every->over($others->every),
            $byKind,
            [...$others->wording, ...$mine->wording],
            $kindWording,
            $mine->clearing,
        );
        if (!$filled->equals($mine)) {
            $this->set($filled);
        }
    }

    /** @throws Malformed for what only a question can say */
    public static function refuseOwn(BankSettings $settings): void
    {
        foreach ([$settings->every, ...array_values($settings->byKind)] as $place) {
            self::refuseIn($place);
        }
        foreach ($settings->byKind as $kind => $place) {
            foreach ($place->values as $word => $value) {
                if (!Question::kindTakes(KindId::from($kind), Setting::from($word), $value)) {
                    throw new Malformed($word, sprintf('cannot be “%s” for questions of kind %s', $value, $kind));
                }
            }
        }
        foreach (['' => $settings->wording, ...$settings->kindWording] as $kind => $wording) {
            foreach ($wording as $outcome => $text) {
                if (mb_strlen($text) > self::LONGEST_WORDING) {
                    throw new Malformed('if ' . $outcome, sprintf('has more than %d characters', self::LONGEST_WORDING));
                }
                if ($kind !== '' && !KindId::from($kind)->facts()->canBe(Outcome::from($outcome))) {
                    throw new Malformed(
                        'if ' . $outcome,
                        sprintf('cannot be said to a question of kind %s, which is never “%s”', $kind, $outcome),
                    );
                }
            }
        }
    }

    private static function refuseIn(Settings $settings): void
    {
        $allowed = array_map(static fn (Setting $s): string => $s->value, self::SETTINGS);
        foreach ($settings->values as $word => $value) {
            if (!in_array($word, $allowed, true) || ($word === Setting::Marking->value && !in_array($value, ['whole', 'parts'], true))) {
                throw new Malformed($word, sprintf('cannot be “%s” for a whole bank; set it at the questions', $value));
            }
        }
    }
}
