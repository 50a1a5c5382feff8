<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Scoring;

/** Compares what was typed with an accepted wording: NFC, then case, accents, punctuation and spaces as set; then typos. */
final class TextMatcher
{
    public const EXACT = 3;
    public const PATTERN = 2;
    public const TYPO = 1;

    /** @var array<string, array{string, int, int}> wordings as they are compared */
    private array $folded = [];
    private string $typed = '';
    private string $typedFolded = '';
    private int $typedLength = 0;

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
        $a = $this->foldTyped($typed);
        [$b, $length, $allowed] = $this->folded[$wording] ??= $this->prepared($wording);
        if ($a === $b) {
            return self::EXACT;
        }

        return $allowed > 0 && abs($this->typedLength - $length) <= $allowed && self::distanceWithin($a, $b, $allowed) ? self::TYPO : 0;
    }

    /** The same text is compared with many wordings, so the last one is kept. */
    private function foldTyped(string $typed): string
    {
        if ($typed !== $this->typed) {
            $this->typed = $typed;
            $this->typedFolded = $this->fold($typed);
            $this->typedLength = mb_strlen($this->typedFolded);
        }

        return $this->typedFolded;
    }

    /** @return array{string, int, int} as it is compared, its length, and how many typos it allows */
    private function prepared(string $wording): array
    {
        $folded = $this->fold($wording);
        $letters = preg_match_all('/\p{L}/u', $wording);

        return [$folded, mb_strlen($folded), min($this->typos, intdiv($letters === false ? 0 : $letters, 5))];
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
                array_push($plan, ...$literal === '' ? [] : mb_str_split($this->foldPart($literal)));
            }
        }

        return self::glob(mb_str_split($this->foldTyped($typed)), self::withoutDoubleSpaces($plan));
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
        $isPlain = preg_match('/[^\x00-\x7F]/', $a . $b) !== 1;
        // A swap is one edit here and two for levenshtein(), which is quick and counts bytes.
        if ($isPlain) {
            $edits = levenshtein($a, $b);
            if ($edits <= $allowed || $edits > 2 * $allowed) {
                return $edits <= $allowed;
            }
        }
        $x = $isPlain ? str_split($a) : mb_str_split($a);
        $y = $isPlain ? str_split($b) : mb_str_split($b);
        $length = count($y);
        $far = $allowed + 1;
        $before = [];
        $last = range(0, $length);
        foreach ($x as $i => $letter) {
            $row = $i < $allowed ? [0 => $i + 1] : [];
            $least = $row[0] ?? $far;
            for ($j = max(1, $i + 1 - $allowed), $to = min($length, $i + 1 + $allowed); $j <= $to; ++$j) {
                $d = min(($last[$j] ?? $far) + 1, ($row[$j - 1] ?? $far) + 1, ($last[$j - 1] ?? $far) + ($letter === $y[$j - 1] ? 0 : 1));
                if ($i > 0 && $j > 1 && $letter === $y[$j - 2] && $x[$i - 1] === $y[$j - 1]) {
                    $d = min($d, ($before[$j - 2] ?? $far) + 1);
                }
                $row[$j] = $d;
                $least = min($least, $d);
            }
            if ($least > $allowed) {
                return false;
            }
            $before = $last;
            $last = $row;
        }

        return ($last[$length] ?? $far) <= $allowed;
    }
}
