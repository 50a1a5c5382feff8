<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Settings;

use Zetema\App\Bank\Bank;
use Zetema\Core\Marking\Feedback\FeedbackChooser;
use Zetema\Core\Question as Core;
use Zetema\Core\Question\Clearing;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;

/**
 * A place that sets something for many questions, as its screen has it: what it sets, what counts where it does not, which kinds take what.
 */
final readonly class SettingsPlace
{
    /** @return array<string, mixed> */
    public static function told(int $version, BankSettings $own, BankSettings $further): array
    {
        return [
            'version' => $version,
            ...self::written($own),
            'takes' => self::takes(),
            'house' => self::written(
                $further,
                [
                    ...array_combine(
                        array_map(static fn (Setting $s): string => $s->value, Bank::SETTINGS),
                        array_map(static fn (Setting $s): string => $s->houseValue() ?? '', Bank::SETTINGS),
                    ),
                    ...$further->every->values,
                ],
                self::houseWording(),
                Clearing::Anybody,
            ),
        ];
    }

    /**
     * @param array<string, string>|null $every
     * @param array<string, string> $wording
     *
     * @return array{settings: object, byKind: object, wording: object, kindWording: object, clearing: string|null}
     */
    private static function written(BankSettings $place, ?array $every = null, array $wording = [], ?Clearing $clearing = null): array
    {
        return [
            'settings' => (object) ($every ?? $place->every->values),
            'byKind' => (object) array_map(static fn (Settings $s): object => (object) $s->values, $place->byKind),
            'wording' => (object) [...$wording, ...$place->wording],
            'kindWording' => (object) array_map(static fn (array $said): object => (object) $said, $place->kindWording),
            'clearing' => ($place->clearing ?? $clearing)?->value,
        ];
    }

    /** @return array<string, string> by outcome */
    private static function houseWording(): array
    {
        $words = [];
        foreach (Outcome::cases() as $outcome) {
            $words[$outcome->value] = FeedbackChooser::houseWords($outcome);
        }

        return $words;
    }

    /** @return array<string, list<string>> the settings that have a meaning for a kind, by kind */
    public static function takes(): array
    {
        $takes = [];
        foreach (KindId::cases() as $kind) {
            $fitting = array_filter(
                Bank::SETTINGS,
                static fn (Setting $s): bool => Core\Question::kindTakes($kind, $s, $s->houseValue() ?? ''),
            );
            $takes[$kind->value] = array_values(array_map(static fn (Setting $s): string => $s->value, $fitting));
        }

        return $takes;
    }
}
