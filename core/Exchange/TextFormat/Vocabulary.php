<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TextFormat;

use Zetema\Core\Question\Feedback\Condition;
use Zetema\Core\Question\Settings\Setting;

/** The words of the text format: what may stand before a line's colon. */
final class Vocabulary
{
    public const OPENING = ['one', 'several', 'true', 'false', 'number', 'text', 'gaps', 'pairs', 'groups', 'order', 'regions', 'place', 'rating'];
    /** Words whose text may run over several lines. */
    public const RUNNING = [
        ...self::OPENING, 'yes', 'no', 'says', 'hint', 'if', 'note', 'reads', 'pair', 'with', 'spare with', 'group', 'item', 'spare item', 'label', 'spare label',
    ];

    private const NUMBER = '(?<number>[-−]?\d+(?:\.\d+)?)';
    private const OUTCOMES = '(?<outcome>right|partly right|wrong|unanswered|out of time|recorded)';
    private const ATTEMPT = '(?: on (?:attempt (?<attempt>\d{1,2})|the (?<last>last) attempt))?';

    private const BANK_SETTINGS = '/^bank settings(?: for (?<what>one|several|claim|number|text|gaps|pairs|groups|order|regions|place|rating))?$/';

    /** The farthest place of a line's colon; notes with many conditions need some room. */
    public const FARTHEST_COLON = 160;

    /** Words that take something between them and the colon. */
    private const PATTERNS = [
        'every' => '/^every (?<what>question|one|several|claim|number|text|gaps|pairs|groups|order|regions|place|rating)$/',
        'yes' => '/^(?<pinned>pinned )?yes(?: ' . self::NUMBER . ')?$/u',
        'no' => '/^(?<pinned>pinned )?no(?: ' . self::NUMBER . ')?$/u',
        'answer' => '/^answer(?: (?<share>\d+(?:\.\d+)?) ?%)?$/',
        'pattern' => '/^pattern(?: (?<share>\d+(?:\.\d+)?) ?%)?$/',
        'weight' => '/^weight (?<which>true|false)$/',
        'if' => '/^if ' . self::OUTCOMES . self::ATTEMPT . '$/',
        'gap' => '/^gap (?<n>[1-9]\d?)(?: (?<which>yes|no)| (?<share>\d+(?:\.\d+)?) ?%)?$/',
        'area' => '/^area (?<which>yes|no)(?: ' . self::NUMBER . ')?$/u',
        'note' => '/^note when (?<when>' . Condition::PATTERN . '(?:(?: and | or | (?=on ))' . Condition::PATTERN . ')*)$/',
    ];
    private const PLAIN = [
        'bank', 'objective', 'page', 'heading', 'reads', 'name', 'tags', 'difficulty', 'status', 'says', 'tally', 'leads to',
        'words', 'hint', 'from attempt', 'after', 'costs', 'pair', 'with', 'spare with', 'group', 'item', 'spare item', 'image', 'shows', 'size', 'spot',
        'label', 'spare label', 'at', 'scale', 'ends', 'earns', 'loses',
    ];
    /** @var array<string, true> */
    private array $plain;
    /** @var array<string, array{string, array<string, string>}|string|null> what heads were found to be */
    private array $known = [];

    public function __construct()
    {
        $settings = array_map(static fn (Setting $s): string => $s->value, Setting::cases());
        $this->plain = array_fill_keys([...self::PLAIN, ...self::OPENING, ...$settings], true);
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
        if (preg_match(self::BANK_SETTINGS, $head, $m) === 1) {
            return ['bank settings', array_filter($m, is_string(...), ARRAY_FILTER_USE_KEY)];
        }
        if (str_starts_with($head, 'bank settings ')) {
            return sprintf('`%s:` is no line of this format; `bank settings:` or `bank settings for claim:` would be', $head);
        }
        $first = explode(' ', preg_replace('/^pinned /', '', $head) ?? '')[0];
        if (isset(self::PATTERNS[$first])) {
            if (preg_match(self::PATTERNS[$first], $head, $m) === 1) {
                return [$first, array_filter($m, is_string(...), ARRAY_FILTER_USE_KEY)];
            }

            return ($first === 'note' ? !str_starts_with($head, 'note when ') : substr_count($head, ' ') > 5) ? null : sprintf('`%s:` is no line of this format%s. If it belongs to the text above, put a backslash before it', $head, match ($first) {
                'if' => '; `if wrong:` or `if wrong on attempt 1:` would be',
                'note' => '; `note when chosen 2:`, `note when wrong and not chosen 2 on attempt 1:` would be',
                'answer', 'pattern' => sprintf('; `%s:` or `%1$s 50 %%:` would be', $first),
                'gap' => '; `gap 1:` would be',
                'area' => '; `area yes:` would be',
                'every' => '; `every question:` or `every claim:` would be',
                default => sprintf('; `%s:` or `%1$s 5:` would be', $first),
            });
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
        foreach ([...array_keys($this->plain), ...array_keys(self::PATTERNS)] as $word) {
            $swapped = count_chars($head, 3) === count_chars($word, 3) && strlen($head) === strlen($word);
            if (strlen($word) > 3 && ($d = $swapped ? 1 : levenshtein($head, $word)) < $distance) {
                $nearest = $word;
                $distance = $d;
            }
        }

        return $nearest === null ? null : sprintf('`%s:` is no word of this format; did you mean `%s:`? If it belongs to the text above, put a backslash before it', $head, $nearest);
    }
}
