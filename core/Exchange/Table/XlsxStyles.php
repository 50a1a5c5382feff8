<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Table;

/** Which cells of a spreadsheet are dates, and how its numbers read. */
final class XlsxStyles
{
    /** Formats of dates that need no code of their own (ECMA-376, 18.8.30). */
    private const DATES = [14, 15, 16, 17, 22, 27, 28, 29, 30, 31, 34, 35, 36, 50, 51, 52, 53, 54, 55, 56, 57, 58];

    /** @var array<int, bool> whether a cell of a style is a date */
    private array $dates = [];

    public function __construct(?string $xml)
    {
        $styles = $xml === null ? false : simplexml_load_string($xml, options: LIBXML_NONET);
        if ($styles === false) {
            return;
        }
        $own = [];
        foreach ($styles->numFmts->numFmt ?? [] as $format) {
            // Letters in quotes or brackets are no date; neither are those behind a backslash.
            $code = preg_replace('/"[^"]*"|\[[^\]]*\]|\\\\./', '', (string) $format['formatCode']) ?? '';
            $own[(int) $format['numFmtId']] = preg_match('/[yd]/i', $code) === 1 && preg_match('/general/i', $code) !== 1;
        }
        foreach ($styles->cellXfs->xf ?? [] as $style) {
            $id = (int) $style['numFmtId'];
            $this->dates[] = $own[$id] ?? in_array($id, self::DATES, true);
        }
    }

    public function isDate(int $style): bool
    {
        return $this->dates[$style] ?? false;
    }

    /** Days since the end of 1899, counting a 29 February 1900 that there was not. */
    public static function date(string $days): string
    {
        $whole = (int) floor((float) $days);

        return $whole < 1
            ? self::number($days)
            : (new \DateTimeImmutable($whole < 60 ? '1899-12-31' : '1899-12-30'))->modify("+$whole days")->format('Y-m-d');
    }

    /** In the shortest decimal form that is the same number. */
    public static function number(string $stored): string
    {
        if (!is_numeric($stored) || preg_match('/^-?\d{1,15}$/', $stored) === 1) {
            return $stored;
        }
        $value = (float) $stored;
        if (!is_finite($value)) {
            return $stored;
        }
        $digits = 1;
        while ($digits < 17 && (float) sprintf('%.' . ($digits - 1) . 'e', $value) !== $value) {
            ++$digits;
        }
        $text = sprintf('%.' . ($digits - 1) . 'e', $value);
        [$mantissa, $exponent] = explode('e', $text);
        $decimals = max(0, $digits - 1 - (int) $exponent);

        return $decimals > 30 ? $text : number_format($value, $decimals, '.', '');
    }
}
