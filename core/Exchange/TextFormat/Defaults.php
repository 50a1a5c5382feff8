<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TextFormat;

use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Setting;

/** What `every question:` and `every KIND:` say; blocks add up, each setting stays until it is set again. */
final class Defaults
{
    private const OTHER = ['tags', 'difficulty', 'status'];

    /** @var array<string, array<string, string>> values by word, by kind ("" for every question) */
    private array $values = [];

    /** @throws InvalidSetting */
    public function set(KindId|string|null $kind, Line $line): void
    {
        $scope = $kind instanceof KindId ? $kind->value : $kind ?? '';
        $setting = Setting::tryFrom($line->word);
        if ($setting === null && !in_array($line->word, self::OTHER, true)) {
            throw new InvalidSetting(sprintf('`%s:` is no setting; under “every” stand settings only', $line->word));
        }
        if (
            $setting === Setting::Marking &&
            $kind instanceof KindId &&
            !Question::kindTakes($kind, $setting, $setting->canonical($line->text))
        ) {
            throw new InvalidSetting(sprintf('“marking: %s” does not go with a question of kind %s', $line->text, $kind->value));
        }
        $this->values[$scope][$line->word] = $setting === null ? $line->text : $setting->canonical($line->text);
    }

    /** @return array<string, string> by word, for questions of a kind; a kind's own are nearer wherever they stand */
    public function for(KindId $kind): array
    {
        $general = $this->values[''] ?? [];
        foreach ($kind->facts()->notFromEvery as $setting) {
            unset($general[$setting->value]);
        }
        $values = [...$general, ...$this->values[$kind->value] ?? []];

        return array_filter(
            $values,
            static function (string $value, string $word) use ($kind): bool {
                $setting = Setting::tryFrom($word);

                return $setting === null || Question::kindTakes($kind, $setting, $value);
            },
            ARRAY_FILTER_USE_BOTH,
        );
    }
}
