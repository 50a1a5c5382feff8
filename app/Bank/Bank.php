<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\InvalidSetting;
use Zetema\Core\Question\Setting;
use Zetema\Core\Question\Settings;

/** A bank of questions, with the settings that count where a question makes none of its own. */
#[ORM\Entity]
#[ORM\Table(name: 'bank')]
class Bank
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

    /** Raised by every change of the settings. */
    #[ORM\Column(options: ['default' => 1])]
    private int $version = 1;

    public function __construct(#[ORM\Column(length: 160)] public readonly string $name)
    {
    }

    public function settings(): Settings
    {
        return Settings::of($this->settings);
    }

    /** @return array<string, Settings> for EffectiveSettings: the places beyond the question */
    public function further(): array
    {
        return ['bank' => $this->settings()];
    }

    public function version(): int
    {
        return $this->version;
    }

    /** @throws Malformed|InvalidSetting for a setting that only a question can make */
    public function set(Settings $settings): void
    {
        $allowed = array_map(static fn (Setting $s): string => $s->value, self::SETTINGS);
        foreach ($settings->values as $word => $value) {
            if (!in_array($word, $allowed, true) || ($word === Setting::Marking->value && !in_array($value, ['whole', 'parts'], true))) {
                throw new Malformed($word, sprintf('cannot be “%s” for a whole bank; set it at the questions', $value));
            }
        }
        $this->settings = $settings->values;
        ++$this->version;
    }
}
