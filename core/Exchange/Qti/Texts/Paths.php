<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Texts;

/** Where a file's references lead. */
final class Paths
{
    public static function hasScheme(string $reference): bool
    {
        return preg_match('#^(?:[a-z][a-z0-9+.-]*:|//)#i', $reference) === 1;
    }

    /**
     * The path from the package's root; a lone item's stays as it is written.
     *
     * @param string|null $folder of the file that refers; null: there is no package
     *
     * @return string|null null where it leads out of the package
     */
    public static function resolved(string $reference, ?string $folder): ?string
    {
        $path = rawurldecode(preg_replace('/[?#].*$/s', '', $reference) ?? $reference);
        if ($folder === null) {
            return $path;
        }
        $parts = [];
        foreach (explode('/', ($folder === '' ? '' : $folder . '/') . $path) as $part) {
            if ($part === '..') {
                if ($parts === []) {
                    return null;
                }
                array_pop($parts);
            } elseif ($part !== '' && $part !== '.') {
                $parts[] = $part;
            }
        }

        return str_starts_with($path, '/') ? null : implode('/', $parts);
    }

    /** A path as it stands between the brackets of the small Markdown. */
    public static function inMarkdown(string $path): string
    {
        return str_replace([' ', '(', ')'], ['%20', '%28', '%29'], $path);
    }
}
