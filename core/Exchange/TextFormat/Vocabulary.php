<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TextFormat;

use Zetema\Core\Question\Feedback\Condition;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\LineWord;
use Zetema\Core\Question\Settings\Setting;

/** The words of the text format: what may stand before a line's colon. */
final class Vocabulary
{
    /** Words that hang on the line above them. */
    public const BELOW = [
        'says' => ['yes', 'no', 'answer', 'pattern', 'gap', 'area'],
        'tally' => ['yes', 'no'],
        'leads to' => ['yes', 'no'],
        'from attempt' => ['hint'],
        'after' => ['hint'],
        'costs' => ['hint'],
        'with' => ['pair'],
        'earns' => ['pair', 'item', 'label', 'gap'],
        'loses' => ['pair', 'item', 'label', 'gap', 'spare item', 'spare label'],
        'at' => ['label'],
        'shows' => ['image'],
        'size' => ['image'],
    ];

    /** Words of lines that any question or bank may have. */
    private const GENERAL = [
        'bank',
        'objective',
        'page',
        'heading',
        'reads',
        'name',
        'tags',
        'difficulty',
        'status',
        'hint',
        'from attempt',
        'after',
        'costs',
    ];
    /** Those of them whose text may run over several lines. */
    private const GENERAL_RUNNING = ['hint', 'if', 'note', 'reads'];
    private const OUTCOMES = '(?<outcome>right|partly right|wrong|unanswered|out of time|recorded)';
    private const ATTEMPT = '(?: on (?:attempt (?<attempt>\d{1,2})|the (?<last>last) attempt))?';

    /** The farthest place of a line's colon; notes with many conditions need some room. */
    public const FARTHEST_COLON = 160;

    /** @var array<string, true> words that stand alone before the colon */
    private array $plain;
    /** @var array<string, string> what may stand before the colon, by the first word of it */
    private array $patterns;
    /** @var array<string, list<string>> what would be right, by the first word */
    private array $examples = [
        'every' => ['every question', 'every claim'],
        'if' => ['if wrong', 'if wrong on attempt 1'],
        'note' => ['note when chosen 2', 'note when wrong and not chosen 2 on attempt 1'],
    ];
    /** @var list<string> words that may stand before another */
    private array $prefixes = [];
    private string $bankSettings;
    /** @var array<string, array{string, array<string, string>}|string|null> what heads were found to be */
    private array $known = [];

    public function __construct()
    {
        $kinds = implode('|', array_map(static fn (KindId $kind): string => $kind->value, KindId::cases()));
        $this->bankSettings = '/^bank settings(?: for (?<what>' . $kinds . '))?$/';
        $this->patterns = [
            'every' => '/^every (?<what>question|' . $kinds . ')$/',
            'if' => '/^if ' . self::OUTCOMES . self::ATTEMPT . '$/',
            'note' => '/^note when (?<when>' . Condition::PATTERN . '(?:(?: and | or | (?=on ))' . Condition::PATTERN . ')*)$/',
        ];
        $plain = self::GENERAL;
        foreach (self::kindWords() as $word) {
            if ($word->pattern === null) {
                $plain[] = $word->word;
                continue;
            }
            $this->patterns[$word->word] = '/^' . $word->pattern . '$/u';
            $this->examples[$word->word] = $word->examples;
            if ($word->prefix !== null && !in_array($word->prefix, $this->prefixes, true)) {
                $this->prefixes[] = $word->prefix;
            }
        }
        $settings = array_map(static fn (Setting $s): string => $s->value, Setting::cases());
        $this->plain = array_fill_keys([...$plain, ...self::opening(), ...$settings], true);
    }

    /** @return list<string> what may stand before a colon, of what takes numbers or conditions an example */
    public function heads(): array
    {
        $heads = [...array_keys($this->plain), 'bank settings', ...array_merge(...array_values($this->examples))];
        sort($heads);

        return array_values(array_unique($heads));
    }

    /** @return list<string> words that open a question */
    public static function opening(): array
    {
        /** @var list<string>|null $opening */
        static $opening = null;

        return $opening ??= array_merge(...array_map(static fn (KindId $kind): array => $kind->facts()->opening, KindId::cases()));
    }

    /** Whether the text behind a word may run over several lines. */
    public static function runsOn(string $word): bool
    {
        /** @var array<string, true>|null $running */
        static $running = null;
        $running ??= array_fill_keys(
            [
                ...self::GENERAL_RUNNING,
                ...self::opening(),
                ...array_map(
                    static fn (LineWord $w): string => $w->word,
                    array_filter(self::kindWords(), static fn (LineWord $w): bool => $w->runsOn),
                ),
            ],
            true,
        );

        return isset($running[$word]);
    }

    /** @return list<string> first words of the lines of a question's answers */
    public static function answerWords(): array
    {
        return array_values(
            array_unique(array_merge(...array_map(static fn (KindId $kind): array => $kind->facts()->topWords(), KindId::cases()))),
        );
    }

    /** @return list<LineWord> */
    private static function kindWords(): array
    {
        return array_merge(...array_map(static fn (KindId $kind): array => $kind->facts()->words, KindId::cases()));
    }

    /**
     * What stands before a colon: a word with its arguments, or a message saying why it is none though it looks like one,
     * or null for ordinary text.
     *
     * @return array{string, array<string, string>}|string|null
     */
    public function classify(string $head): array|string|null
    {
        $head = mb_strtolower(preg_replace('/\s+/u', ' ', $head) ?? '');
        if (count($this->known) > 5_000) {
            $this->known = [];
        }

        return $this->known[$head] ??= $this->look($head);
    }

    /** @return array{string, array<string, string>}|string|null */
    private function look(string $head): array|string|null
    {
        if (isset($this->plain[$head])) {
            return [$head, []];
        }
        if (preg_match($this->bankSettings, $head, $m) === 1) {
            return ['bank settings', array_filter($m, is_string(...), ARRAY_FILTER_USE_KEY)];
        }
        if (str_starts_with($head, 'bank settings ')) {
            return sprintf('`%s:` is no line of this format; `bank settings:` or `bank settings for claim:` would be', $head);
        }
        $words = explode(' ', $head);
        $first = in_array($words[0], $this->prefixes, true) ? $words[1] ?? '' : $words[0];
        if (isset($this->patterns[$first])) {
            if (preg_match($this->patterns[$first], $head, $m) === 1) {
                return [$first, array_filter($m, is_string(...), ARRAY_FILTER_USE_KEY)];
            }
            $isProse = $first === 'note' ? !str_starts_with($head, 'note when ') : count($words) > 6;
            $examples = implode(
                $first === 'note' ? ', ' : ' or ',
                array_map(static fn (string $example): string => '`' . $example . ':`', $this->examples[$first]),
            );

            return $isProse
                ? null
                : sprintf(
                    '`%s:` is no line of this format; %s would be. If it belongs to the text above, put a backslash before it',
                    $head,
                    $examples,
                );
        }

        return $this->nearMiss($head);
    }

    private function nearMiss(string $head): ?string
    {
        if (strlen($head) < 4 || strlen($head) > 18 || preg_match('/^[a-z ]+$/', $head) !== 1) {
            return null;
        }
        $nearest = null;
        $distance = strlen($head) >= 6 ? 3 : 2;
        foreach ([...array_keys($this->plain), ...array_keys($this->patterns)] as $word) {
            $swapped = count_chars($head, 3) === count_chars($word, 3) && strlen($head) === strlen($word);
            if (strlen($word) > 3 && ($d = $swapped ? 1 : levenshtein($head, $word)) < $distance) {
                $nearest = $word;
                $distance = $d;
            }
        }

        return $nearest === null
            ? null
            : sprintf(
                '`%s:` is no word of this format; did you mean `%s:`? If it belongs to the text above, put a backslash before it',
                $head,
                $nearest,
            );
    }
}
