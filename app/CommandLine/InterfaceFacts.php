<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Zetema\App\Bank\Media\Media;
use Zetema\App\Intake\Brought;
use Zetema\Core\Blueprint\Outcome\Rung;
use Zetema\Core\Blueprint\Rules\Rule;
use Zetema\Core\Data\PlainSigns;
use Zetema\Core\Exchange\TextFormat\Templates;
use Zetema\Core\Exchange\TextFormat\Vocabulary;
use Zetema\Core\Marking\Feedback\FeedbackChooser;
use Zetema\Core\Question\Difficulty;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Kinds\KindFacts;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\Meanings;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Status;
use Zetema\Core\Question\TextWork;

/** What the interface has to know of the rules, as its generated file: written down in PHP only. */
final class InterfaceFacts
{
    public const FILE = 'ui/src/kinds/facts.gen.ts';
    public const RULES = 'ui/src/areas/blueprint/rules.gen.ts';
    public const LIMITS = 'ui/src/parts/text/limits.gen.ts';
    public const SIGNS = 'ui/src/parts/text/signs.gen.ts';

    public static function typescript(): string
    {
        $lines = [
            '// Made by `bin/console zetema:facts`. A test says when it is stale.',
            "import type { Kinds, Outcomes, Settings } from './facts';",
            "import type { Schema } from '../api/client';",
            '',
        ];
        foreach (self::all() as $name => [$type, $value]) {
            $lines[] = sprintf('export const %s: %s = %s;', $name, $type, self::json($value));
            $lines[] = '';
        }

        return implode("\n", $lines);
    }

    /** Rules of blueprints. */
    public static function rules(): string
    {
        $rules = [];
        foreach (Rule::cases() as $rule) {
            $facts = $rule->facts();
            $values = array_map(
                static fn (int|string $value, string $words): array => [
                    match ((string) $value) {
                        'true' => true,
                        'false' => false,
                        default => (string) $value,
                    },
                    $words,
                ],
                array_keys($facts->values),
                $facts->values,
            );
            $rules[$rule->value] = [
                'name' => $facts->name,
                'level' => $facts->level->value,
                'asks' => $facts->asks,
                'values' => $values,
            ];
        }
        $type =
            "Record<\n  string,\n  { name: string; level: 'whole' | 'section' | 'step'; asks: string; values: readonly (readonly [string | boolean, string])[] }\n>";

        return "// Made by `bin/console zetema:facts`. A test says when it is stale. Of each the first value counts where nothing is said.\nexport const rules = " .
            self::json($rules) .
            " as const satisfies $type;\n";
    }

    /** Limits of texts, which the parts of the interface know too. */
    public static function limits(): string
    {
        return "// Made by `bin/console zetema:facts`. A test says when it is stale.\nexport const textWork = " .
            sprintf(
                '{ quotes: %d, signs: %d, formula: %d, nested: %d }',
                TextWork::QUOTES,
                TextWork::SIGNS,
                TextWork::FORMULA,
                TextWork::NESTED,
            ) .
            ";\n";
    }

    /** Plain characters for what is raised, lowered or written as a formula, for names that are read out. */
    public static function signs(): string
    {
        $lines = ['// Made by `bin/console zetema:facts`. A test says when it is stale.'];
        foreach (
            ['raised' => PlainSigns::RAISED, 'lowered' => PlainSigns::LOWERED, 'commands' => PlainSigns::COMMANDS] as $name => $signs
        ) {
            $lines[] = sprintf(
                'export const %s: Record<string, string> = %s;',
                $name,
                json_encode((object) $signs, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            );
        }

        return implode("\n", $lines) . "\n";
    }

    /** @return array<string, array{string, mixed}> type and value by name */
    private static function all(): array
    {
        $kinds = $settings = $outcomes = [];
        foreach (KindId::cases() as $kind) {
            $kinds[$kind->value] = self::kind($kind, $kind->facts());
        }
        foreach (Setting::cases() as $setting) {
            $settings[$setting->value] = ['house' => $setting->houseValue(), 'words' => $setting->words()];
        }
        foreach (Outcome::cases() as $outcome) {
            $outcomes[$outcome->value] = FeedbackChooser::houseWords($outcome);
        }

        return [
            'kinds' => ['Kinds', $kinds],
            'settings' => ['Settings', $settings],
            'meanings' => ['Record<string, string>', Meanings::ALL],
            'houseWords' => ['Outcomes', $outcomes],
            'outcomes' => ["Schema['Outcome'][]", array_column(Outcome::cases(), 'value')],
            'statuses' => ["Schema['Status'][]", array_column(Status::cases(), 'value')],
            'difficulties' => ["NonNullable<Schema['AnyContent']['difficulty']>[]", array_column(Difficulty::cases(), 'value')],
            'rungs' => ["Schema['Rung'][]", array_column(Rung::cases(), 'value')],
            'textWords' => ['string[]', (new Vocabulary())->heads()],
            'templates' => [
                'Record<string, string>',
                array_combine(array_column(KindId::cases(), 'value'), array_map(Templates::of(...), KindId::cases())),
            ],
            'largest' => [
                '{ picture: number; soundOrFilm: number; text: number }',
                ['picture' => Media::LARGEST_PICTURE, 'soundOrFilm' => Media::LARGEST_OTHER, 'text' => Brought::LONGEST],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function kind(KindId $kind, KindFacts $facts): array
    {
        return [
            'names' => $facts->names,
            'line' => $facts->line,
            'how' => $facts->how,
            'stemHint' => $facts->stemHint,
            'rules' => $facts->rules,
            'settings' => array_map(static fn (Setting $s): string => $s->value, $facts->settings),
            'defaults' => (object) $facts->defaults,
            'isJudged' => $facts->isJudged,
            'isPartly' => $facts->isPartly,
            'isStatement' => $facts->isStatement,
            'empty' => ['v' => Question::VERSION, 'kind' => $kind->value, 'stem' => '', ...$facts->empty],
        ];
    }

    /** One line for each kind, setting …, so that a change shows where it was made. */
    private static function json(mixed $value): string
    {
        $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES;
        if (!is_array($value) || array_is_list($value)) {
            return json_encode($value, $flags);
        }
        $lines = array_map(
            static fn (string $key, mixed $one): string => '  ' . json_encode($key, $flags) . ': ' . json_encode($one, $flags) . ',',
            array_keys($value),
            $value,
        );

        return "{\n" . implode("\n", $lines) . "\n}";
    }
}
