<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange;

/** How the characters of a file are written as bytes. */
enum Encoding: string
{
    case Utf8 = 'utf-8';
    case Utf16Le = 'utf-16le';
    case Utf16Be = 'utf-16be';
    case Windows1252 = 'windows-1252';

    /** By its byte order mark; without one UTF-8 if it is valid, else windows-1252. */
    public static function of(string $bytes): self
    {
        return match (true) {
            str_starts_with($bytes, "\xFF\xFE") => self::Utf16Le,
            str_starts_with($bytes, "\xFE\xFF") => self::Utf16Be,
            mb_check_encoding($bytes, 'UTF-8') => self::Utf8,
            default => self::Windows1252,
        };
    }

    /** As UTF-8 without a byte order mark; bytes that mean nothing become question marks. */
    public function decode(string $bytes): string
    {
        $text = match ($this) {
            self::Utf8 => mb_scrub($bytes, 'UTF-8'),
            self::Utf16Le => mb_convert_encoding($bytes, 'UTF-8', 'UTF-16LE'),
            self::Utf16Be => mb_convert_encoding($bytes, 'UTF-8', 'UTF-16BE'),
            self::Windows1252 => mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252'),
        };

        return str_starts_with($text, "\u{FEFF}") ? substr($text, 3) : $text;
    }
}
