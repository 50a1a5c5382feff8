<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

/** What a file is called that is saved: after what it holds, so that a folder of them tells them apart. */
final class NamedFile
{
    private const LONGEST = 60;

    /** @param string $title of the bank or the assessment; accents are dropped, what is no letter or digit parts words */
    public static function after(string $title, string $ending, string $otherwise): string
    {
        $apart = \Normalizer::normalize(mb_strtolower($title), \Normalizer::NFD);
        $plain = (string) preg_replace('/\p{Mn}+/u', '', is_string($apart) ? $apart : $title);
        $words = trim(preg_replace('/[^a-z0-9]+/', '-', $plain) ?? '', '-');
        $name = rtrim(substr($words, 0, self::LONGEST), '-');

        return ($name === '' ? $otherwise : $name) . '.' . $ending;
    }
}
