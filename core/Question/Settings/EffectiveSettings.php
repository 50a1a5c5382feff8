<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Settings;

use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;

/** The settings that count for one question: nearest place wins, each setting by itself, and each can tell its place. */
final readonly class EffectiveSettings
{
    public const STEP = 'step';
    public const QUESTION = 'question';
    public const HOUSE = 'house';

    /**
     * @param array<string, Settings> $nearestFirst
     * @param array<string, string> $values
     * @param array<string, string> $places where each value comes from: "question", "bank", … or "house"
     * @param array<string, string> $kinds what counts for the kind where nothing is set
     */
    private function __construct(private array $nearestFirst, private array $values, private array $places, private array $kinds)
    {
    }

    /**
     * @param array<string, Settings> $nearestFirst settings by the name of the place that makes them
     * @param array<string, string> $kinds what counts for the kind where nothing is set, by the setting's word
     */
    public static function from(array $nearestFirst, array $kinds = []): self
    {
        $values = [];
        $places = [];
        foreach ($nearestFirst as $place => $settings) {
            foreach ($settings->values as $word => $value) {
                if (!isset($values[$word])) {
                    $values[$word] = $value;
                    $places[$word] = $place;
                }
            }
        }

        return new self($nearestFirst, $values, $places, $kinds);
    }

    public function get(Setting $setting): ?string
    {
        return $this->values[$setting->value] ?? ($this->kinds[$setting->value] ?? $setting->houseValue());
    }

    public function placeOf(Setting $setting): string
    {
        return $this->places[$setting->value] ?? self::HOUSE;
    }

    /** What would count if a place did not say this. */
    public function without(string $place, Setting $setting): self
    {
        $here = $this->nearestFirst[$place] ?? Settings::none();

        return self::from([...$this->nearestFirst, $place => $here->without($setting)], $this->kinds);
    }

    public function points(Setting $setting): Points
    {
        return Points::of($this->get($setting) ?? '0');
    }

    public function integer(Setting $setting): int
    {
        return (int) $this->get($setting);
    }

    public function isYes(Setting $setting): bool
    {
        return $this->get($setting) === 'yes';
    }

    public function marking(): Marking
    {
        return Marking::tryFrom($this->get(Setting::Marking) ?? '') ?? Marking::Whole;
    }

    public function late(): Late
    {
        return Late::tryFrom($this->get(Setting::Late) ?? '') ?? Late::Wrong;
    }

    public function stands(): Stands
    {
        return Stands::tryFrom($this->get(Setting::Stands) ?? '') ?? Stands::Last;
    }

    public function areas(): Areas
    {
        return Areas::tryFrom($this->get(Setting::Areas) ?? '') ?? Areas::Hidden;
    }

    /** Whether it is recorded only: nothing is right. */
    public function isKeyless(): bool
    {
        return $this->get(Setting::Key) === 'none';
    }

    /** @return list<string> the entries of a list such as "2, 50 %" or "case, accents"; "nothing" is none */
    public function entries(Setting $setting): array
    {
        $value = $this->get($setting);

        return $value === null || $value === 'nothing' ? [] : explode(', ', $value);
    }

    /** The c of "parts". */
    public function wrongPartCosts(): Ratio
    {
        return Ratio::of($this->get(Setting::WrongPartCosts) ?? '0');
    }

    /** How many attempts there are; null: any number. */
    public function attempts(): ?int
    {
        return $this->get(Setting::Attempts) === 'unlimited' ? null : $this->integer(Setting::Attempts);
    }

    /** Seconds, or null without a limit. */
    public function seconds(): ?int
    {
        $time = $this->get(Setting::Time);

        return $time === null || $time === 'none' ? null : (int) $time * (str_ends_with($time, 'min') ? 60 : 1);
    }

    /** @return array{least: int, most: int|null} how many choices may be made */
    public function limits(): array
    {
        $choose = $this->get(Setting::Choose) ?? 'any';

        return match (true) {
            $choose === 'any' => ['least' => 0, 'most' => null],
            str_starts_with($choose, 'at most ') => ['least' => 0, 'most' => (int) substr($choose, 8)],
            default => ['least' => (int) $choose, 'most' => (int) $choose],
        };
    }
}
