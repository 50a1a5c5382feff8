<?php

declare(strict_types=1);

namespace Zetema\App\Intake;

use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Encoding;
use Zetema\Core\Exchange\Foreign;
use Zetema\Core\Exchange\Recognition;
use Zetema\Core\Exchange\SourceFormat;
use Zetema\Core\Exchange\Table\CsvText;
use Zetema\Core\Exchange\Table\TableSource;
use Zetema\Core\Exchange\Table\UnreadableTable;
use Zetema\Core\Exchange\Table\XlsxRows;
use Zetema\Core\Exchange\TypedPaper\PaperText;
use Zetema\Core\Exchange\Written\Characters;

/** Opens a file as text that can be put right by hand: spreadsheets and documents in HTML become such text, other encodings are named. */
final readonly class Opening
{
    private const SAMPLE = 200;

    /**
     * @param string $bytes of the file
     * @param string $encoding as somebody says; empty: as it looks
     *
     * @return array{text: string, as: string, encoding: string, isSure: bool, sample: string} sample: the first words that are written
     *   otherwise than in ASCII, as they would read
     *
     * @throws Malformed
     */
    public function open(string $bytes, string $name, string $encoding): array
    {
        $foreign = Foreign::told($bytes);
        if ($foreign !== null) {
            throw new Malformed('file', $foreign);
        }
        if (TableSource::isSpreadsheet($bytes)) {
            return [
                'text' => $this->spreadsheet($bytes),
                'as' => SourceFormat::Table->value,
                'encoding' => Encoding::Utf8->value,
                'isSure' => true,
                'sample' => '',
            ];
        }
        $seen = Encoding::of($bytes);
        $chosen =
            $encoding === ''
                ? $seen
                : Encoding::tryFrom($encoding) ??
                    throw new Malformed('encoding', 'is not known; utf-8, utf-16le, utf-16be and windows-1252 are');
        $text = str_replace(["\r\n", "\r"], "\n", $chosen->decode($bytes));
        $isHtml =
            preg_match('/\.html?$/i', $name) === 1 ||
            preg_match('/^\s*<(?:!doctype|!--|html|body|p|div|table|ol|ul|h[1-6]|meta|span|b|article|section)[\s>]/i', $text) === 1;
        $text = $isHtml ? PaperText::ofHtml($text) : $text;
        if (strlen($text) > Brought::LONGEST) {
            throw new Malformed(
                'file',
                sprintf(
                    'has %.1f MB of text; up to %d MB can be read at once, so bring it in as several files',
                    strlen($text) / 1e6,
                    intdiv(Brought::LONGEST, 1_000_000),
                ),
            );
        }
        if (substr_count($text, "\0") > 0) {
            throw new Malformed('file', 'is no text: it holds characters that no text has');
        }

        return [
            'text' => $text,
            'as' => match (true) {
                $isHtml => SourceFormat::Paper->value,
                preg_match('/\.[ct]sv$/i', $name) === 1 => SourceFormat::Table->value,
                default => Recognition::of($text)->value,
            },
            'encoding' => $chosen->value,
            'isSure' => $chosen === Encoding::Utf8 || ($chosen === $seen && $chosen !== Encoding::Windows1252),
            'sample' => preg_match('/[^\n]{0,60}[^\x00-\x7F][^\n]{0,60}/u', $text, $m) === 1
                    ? mb_substr(Characters::tidy($m[0]), 0, self::SAMPLE)
                    : '',
        ];
    }

    private function spreadsheet(string $bytes): string
    {
        $path = tempnam(sys_get_temp_dir(), 'zetema');
        if ($path === false || file_put_contents($path, $bytes) === false) {
            throw new \RuntimeException('There is no room to open a file.');
        }
        try {
            return CsvText::of(new XlsxRows($path));
        } catch (UnreadableTable $e) {
            throw new Malformed('file', $e->getMessage());
        } finally {
            unlink($path);
        }
    }
}
