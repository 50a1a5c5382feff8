<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Texts;

use Zetema\Core\Question\Kinds\KindFacts;
use Zetema\Core\Question\Kinds\KindId;

/**
 * All of the author's texts in a question's stored form, whole or half written: those that every question can have, and those that
 * its kind says it has (KindFacts::$texts). Whatever goes through texts goes by this: search, find and replace, what they mention,
 * the proofreader, what a screen can show.
 */
final class QuestionTexts
{
    private const COMMON = [
        'stem' => TextSort::Stem,
        'settings.how' => TextSort::Instruction,
        'outcomeTexts.*.text' => TextSort::Feedback,
        'notes.*.text' => TextSort::Feedback,
        'hints.*.text' => TextSort::Hint,
    ];
    private const EACH = '*';

    /**
     * @param array<array-key, mixed> $data
     *
     * @return list<QuestionText> in the order of their places
     */
    public static function of(array $data): array
    {
        $texts = [];
        self::replaced($data, static function (string $text, TextSort $sort, string $where) use (&$texts): string {
            $texts[] = new QuestionText($sort, $where, $text);

            return $text;
        });

        return $texts;
    }

    /**
     * @template K of array-key
     *
     * @param array<K, mixed> $data
     * @param callable(string, TextSort, string): string $with for a text, what it is and where it stands, what stands there instead
     *
     * @return array<K, mixed>
     */
    public static function replaced(array $data, callable $with): array
    {
        $facts = self::kind($data)?->facts();
        foreach ([...self::COMMON, ...$facts->texts ?? []] as $path => $sort) {
            $steps = explode('.', $path);
            $data = self::at(
                $data,
                $steps,
                static fn (string $text, ?int $n): string => $with($text, $sort, self::where($facts, $steps[0], $sort, $n)),
                null,
            );
        }

        return $data;
    }

    /**
     * @template K of array-key
     *
     * @param array<K, mixed> $data
     * @param list<string> $steps from here to the text
     * @param callable(string, int|null): string $with
     * @param int|null $n the number of the line it stands at, where there are several
     *
     * @return array<K, mixed>
     */
    private static function at(array $data, array $steps, callable $with, ?int $n): array
    {
        [$step, $rest] = [$steps[0], array_slice($steps, 1)];
        foreach ($step === self::EACH ? array_keys($data) : [$step] as $key) {
            $value = $data[$key] ?? null;
            $line = $step === self::EACH && $n === null && is_int($key) ? $key + 1 : $n;
            // A pattern is no text: it is not shown, and what it says of letters would be changed by replacing them.
            if (is_string($value) && $rest === [] && !(($data['pattern'] ?? false) === true && $key === 'text')) {
                $data[$key] = $with($value, $line);
            } elseif (is_array($value) && $rest !== []) {
                $data[$key] = self::at($value, $rest, $with, $line);
            }
        }

        return $data;
    }

    private static function where(?KindFacts $facts, string $field, TextSort $sort, ?int $n): string
    {
        $lists = $facts->lists ?? [];

        return match (true) {
            $field === 'hints' => 'hint ' . $n,
            $field === 'outcomeTexts', $field === 'notes' => 'feedback',
            $facts !== null && $n !== null && $field === end($lists) => $facts->line . ' ' . $n,
            default => 'stem',
        };
    }

    /** @param array<array-key, mixed> $data */
    private static function kind(array $data): ?KindId
    {
        return is_string($data['kind'] ?? null) ? KindId::tryFrom($data['kind']) : null;
    }
}
