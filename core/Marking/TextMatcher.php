<?php

declare(strict_types=1);

namespace Zetema\Core\Marking;

/** Compares what was typed with an accepted wording: NFC, then case, accents, punctuation and spaces as set; then typos. */
final class TextMatcher
{
    public const EXACT = 3;
    public const PATTERN = 2;
    public const TYPO = 1;

    /** @var array<string, string> wordings as they are compared */
    private array $folded = [];

    /** @param list<string> $ignore any of "case", "accents", "punctuation" */
    public function __construct(private readonly array $ignore, private readonly int $typos)
    {
    }

    /** @param array<array-key, mixed> $options of a marking plan */
    public static function of(array $options): self
    {
        $ignore = is_array($options['ignore'] ?? null) ? array_values(array_filter($options['ignore'], is_string(...))) : [];

        return new self($ignore, is_int($options['typos'] ?? null) ? $options['typos'] : 0);
    }

    /** 0 if it does not fit, else EXACT or TYPO. */
    public function fit(string $typed, string $wording): int
    {
        $a = $this->fold($typed);
        $b = $this->folded[$wording] ??= $this->fold($wording);
        if ($a === $b) {
            return self::EXACT;
        }
        if ($this->typos === 0) {
            return 0;
        }
        $letters = preg_match_all('/\p{L}/u', $wording);
        $allowed = min($this->typos, intdiv($letters === false ? 0 : $letters, 5));

        return $allowed > 0 && self::distanceWithin($a, $b, $allowed) ? self::TYPO : 0;
    }

    /** `*` stands for any run, also none; `?` for one character; a backslash takes their meaning away. */
    public function fitsPattern(string $typed, string $pattern): bool
    {
        $tokens = preg_split('/(\\\\[*?\\\\]|[*?])/', $pattern, -1, PREG_SPLIT_DELIM_CAPTURE);
        $plan = [];
        foreach ($tokens === false ? [] : $tokens as $i => $token) {
            if ($i % 2 === 1 && strlen($token) === 1) {
                $plan[] = $token === '*' ? null : false;
            } else {
                $literal = $i % 2 === 1 ? substr($token, 1) : $token;
                array_push($plan, ...($literal === '' ? [] : mb_str_split($this->foldPart($literal))));
            }
        }

        return self::glob(mb_str_split($this->fold($typed)), self::withoutDoubleSpaces($plan));
    }

    /** The form in which texts are compared. */
    public function fold(string $text): string
    {
        return preg_replace('/^ +| +$/', '', $this->foldPart($text)) ?? '';
    }

    private function foldPart(string $text): string
    {
        if (preg_match('/^[a-z0-9]+(?: [a-z0-9]+)*$/D', $text) === 1) {
            return $text; // nothing to fold in plain words, and most are
        }
        $text = self::normal($text, \Normalizer::FORM_C);
        if (in_array('case', $this->ignore, true)) {
            $text = mb_convert_case($text, MB_CASE_FOLD, 'UTF-8');
        }
        if (in_array('accents', $this->ignore, true)) {
            $bare = preg_replace('/\p{Mn}+/u', '', self::normal($text, \Normalizer::FORM_D)) ?? '';
            $text = self::normal($bare, \Normalizer::FORM_C);
        }
        if (in_array('punctuation', $this->ignore, true)) {
            $text = preg_replace(["/['’]/u", '/\p{P}+/u'], ['', ' '], $text) ?? '';
        }

        return preg_replace('/[\s\p{Z}\x{85}]+/u', ' ', $text) ?? '';
    }

    private static function normal(string $text, int $form): string
    {
        $normal = \Normalizer::normalize($text, $form);

        return is_string($normal) ? $normal : '';
    }

    /**
     * @param list<string|false|null> $plan
     *
     * @return list<string|false|null>
     */
    private static function withoutDoubleSpaces(array $plan): array
    {
        $clean = [];
        foreach ($plan as $token) {
            if ($token !== ' ' || ($clean !== [] && end($clean) !== ' ')) {
                $clean[] = $token;
            }
        }
        while ($clean !== [] && end($clean) === ' ') {
            array_pop($clean);
        }

        return $clean;
    }

    /**
     * Linear-memory matching with one place to go back to, so a hostile text costs at most its length times the pattern's.
     *
     * @param list<string> $text
     * @param list<string|false|null> $plan characters; false: any one; null: any run
     */
    private static function glob(array $text, array $plan): bool
    {
        $t = $p = $mark = 0;
        $star = -1;
        while ($t < count($text)) {
            if ($p < count($plan) && ($plan[$p] === false || $plan[$p] === $text[$t])) {
                ++$t;
                ++$p;
            } elseif ($p < count($plan) && $plan[$p] === null) {
                $star = $p++;
                $mark = $t;
            } elseif ($star >= 0) {
                $p = $star + 1;
                $t = ++$mark;
            } else {
                return false;
            }
        }
        while ($p < count($plan) && $plan[$p] === null) {
            ++$p;
        }

        return $p === count($plan);
    }

    /** Optimal string alignment distance (each part edited once), in a band as wide as what is allowed. */
    private static function distanceWithin(string $a, string $b, int $allowed): bool
    {
        $lengths = [mb_strlen($a), mb_strlen($b)];
        if (abs($lengths[0] - $lengths[1]) > $allowed) {
            return false;
        }
        $x = mb_str_split($a);
        $y = mb_str_split($b);
        $far = $allowed + 1;
        $before = [];
        $last = range(0, $lengths[1]);
        foreach ($x as $i => $letter) {
            $row = array_fill(0, $lengths[1] + 1, $far);
            if ($i + 1 <= $allowed) {
                $row[0] = $i + 1;
            }
            for ($j = max(1, $i + 1 - $allowed); $j <= min($lengths[1], $i + 1 + $allowed); ++$j) {
                $same = $letter === $y[$j - 1];
                $row[$j] = min($last[$j] + 1, $row[$j - 1] + 1, $last[$j - 1] + ($same ? 0 : 1));
                if ($i > 0 && $j > 1 && $letter === $y[$j - 2] && $x[$i - 1] === $y[$j - 1]) {
                    $row[$j] = min($row[$j], ($before[$j - 2] ?? $far) + 1);
                }
            }
            $before = $last;
            $last = $row;
        }

        return $last[$lengths[1]] <= $allowed;
    }
}
