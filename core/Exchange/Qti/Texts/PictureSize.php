<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Texts;

/** How large a picture is, by its bytes; a drawing says it itself. */
final class PictureSize
{
    /** @return array{int, int}|null width and height in pixels; null: no picture, or it does not say */
    public static function of(string $bytes): ?array
    {
        $known = @getimagesizefromstring($bytes);
        if ($known !== false) {
            return [$known[0], $known[1]];
        }
        if (preg_match('/<svg\b([^>]*)>/i', substr($bytes, 0, 20_000), $m) !== 1) {
            return null;
        }
        $size = [self::length($m[1], 'width'), self::length($m[1], 'height')];
        if (in_array(0, $size, true)) {
            $n = '[\s,]+(\d+(?:\.\d+)?)';
            $size =
                preg_match("/\\sviewBox\\s*=\\s*[\"']\\s*-?[\\d.]+[\\s,]+-?[\\d.]+$n$n\\s*[\"']/i", $m[1], $box) === 1
                    ? [(int) round((float) $box[1]), (int) round((float) $box[2])]
                    : [0, 0];
        }

        return min($size) > 0 && max($size) < 100_000 ? [$size[0], $size[1]] : null;
    }

    private static function length(string $attributes, string $name): int
    {
        return preg_match("/\\s$name\\s*=\\s*[\"']\\s*(\\d+(?:\\.\\d+)?)(?:px)?\\s*[\"']/i", $attributes, $m) === 1
            ? (int) round((float) $m[1])
            : 0;
    }
}
