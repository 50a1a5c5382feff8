<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Files;

use Symfony\Component\Console\Exception\InvalidArgumentException;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Archive\ArchiveSource;
use Zetema\Core\Exchange\Encoding;
use Zetema\Core\Exchange\Qti\Package\PackageSource;
use Zetema\Core\Exchange\Qti\QtiSource;
use Zetema\Core\Exchange\Recognition;
use Zetema\Core\Exchange\Source;
use Zetema\Core\Exchange\SourceFormat;
use Zetema\Core\Exchange\Table\Mapping;
use Zetema\Core\Exchange\Table\TableSource;
use Zetema\Core\Exchange\TextFormat\TextSource;
use Zetema\Core\Exchange\TypedPaper\PaperSource;
use Zetema\Core\Exchange\Zip\SafeZip;

/** Files as sources of questions: in the format that is said, else in the one they look like. */
final readonly class FileSources
{
    /** What `--from` says of itself in each command's help. */
    public const FROM = 'text, paper, table, qti or archive, where files are not in the format they look like';

    private function __construct(private ?SourceFormat $from, private ?Encoding $encoding, private ?Mapping $mapping)
    {
    }

    /**
     * @param string|null $from a format; null: as each file looks
     * @param string|null $map a file that says which column of a table is what
     *
     * @throws InvalidArgumentException if there is no such format, encoding or mapping
     */
    public static function said(?string $from = null, ?string $encoding = null, ?string $map = null): self
    {
        $format =
            $from === null
                ? null
                : SourceFormat::tryFrom($from) ??
                    throw new InvalidArgumentException(
                        sprintf('There is no way in “%s”; text, paper, table, qti and archive are.', $from),
                    );
        $encoded =
            $encoding === null
                ? null
                : Encoding::tryFrom(strtolower($encoding)) ??
                    throw new InvalidArgumentException(
                        sprintf('The encoding “%s” is not known; utf-8, utf-16le, utf-16be and windows-1252 are.', $encoding),
                    );
        try {
            return new self($format, $encoded, $map === null ? null : Mapping::of(Fields::of(JsonFile::read($map))));
        } catch (Malformed $e) {
            throw new InvalidArgumentException('The mapping: ' . $e->getMessage());
        }
    }

    /**
     * Whether all files are in the text format.
     *
     * @param list<string> $files
     */
    public function areTexts(array $files): bool
    {
        if ($this->from !== null || in_array('-', $files, true)) {
            return $this->from === SourceFormat::Text ||
                ($this->from === null && count($files) === 1 && $this->formatOf('-', QuestionFiles::contents('-')) === SourceFormat::Text);
        }

        return array_filter(
            $files,
            fn (string $file): bool => $this->formatOf($file, QuestionFiles::contents($file)) !== SourceFormat::Text,
        ) === [];
    }

    public function of(string $file): Source
    {
        $bytes = QuestionFiles::contents($file);
        $isZip = str_starts_with($bytes, SafeZip::BEGINS);

        return match ($this->formatOf($file, $bytes)) {
            SourceFormat::Text => new TextSource($bytes),
            SourceFormat::Table => $isZip
                ? TableSource::ofSpreadsheet(self::path($file, $bytes), $this->mapping)
                : TableSource::ofText($bytes, $this->encoding, $this->mapping),
            SourceFormat::Archive => new ArchiveSource(self::path($file, $bytes)),
            SourceFormat::Qti => $isZip ? PackageSource::ofZip(self::path($file, $bytes)) : new QtiSource($bytes, $file),
            SourceFormat::Paper => new PaperSource(
                $bytes,
                $this->encoding,
                $file === '-' ? null : preg_match('/\.html?$/i', $file) === 1,
            ),
        };
    }

    private function formatOf(string $file, string $bytes): SourceFormat
    {
        return $this->from ?? Recognition::ofFile($bytes, $file, static fn (): string => self::path($file, $bytes));
    }

    /** A zip is opened where it lies; what comes by standard input lies somewhere first. */
    private static function path(string $file, string $bytes): string
    {
        if ($file !== '-') {
            return $file;
        }
        $path = tempnam(sys_get_temp_dir(), 'zetema');
        if ($path === false || file_put_contents($path, $bytes) === false) {
            throw new InvalidArgumentException('There is no room for what came by standard input.');
        }
        register_shutdown_function(static fn (): bool => @unlink($path));

        return $path;
    }
}
