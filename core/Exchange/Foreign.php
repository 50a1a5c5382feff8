<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange;

use Zetema\Core\Exchange\Zip\SafeZip;

/** Files that people have their questions in and that no way in reads: what each is, and what to do with it. */
final class Foreign
{
    /** @return string|null as what stands behind the name of the file; null: it is none of them */
    public static function told(string $bytes): ?string
    {
        return match (true) {
            str_starts_with($bytes, '%PDF') => 'is a PDF, which says where letters stand on a page and not what belongs together. Open it, copy its text and paste it here; or take the document it was made of',
            str_starts_with($bytes, "\xD0\xCF\x11\xE0") => 'is a document or a spreadsheet of an older program. Save a document there as HTML or as plain text, a spreadsheet as .xlsx or .csv, and open that',
            str_starts_with($bytes, '{\rtf'),
            self::isDocument($bytes) => 'is a document of a word processor. Save it there as HTML or as plain text and open that; or copy all of it and paste it here, which keeps bold words and lists',
            default => null,
        };
    }

    /** A zip that names its text so, in the order its writers keep. */
    private static function isDocument(string $bytes): bool
    {
        return str_starts_with($bytes, SafeZip::BEGINS) &&
            (str_contains($bytes, 'word/document.xml') ||
                str_contains(substr($bytes, 0, 200), 'opendocument.text') ||
                str_contains($bytes, 'ppt/presentation.xml'));
    }
}
