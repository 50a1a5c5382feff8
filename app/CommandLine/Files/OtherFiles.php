<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Files;

use Symfony\Component\Console\Exception\InvalidArgumentException;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Archive\ArchiveSource;
use Zetema\Core\Exchange\Aside;
use Zetema\Core\Exchange\Encoding;
use Zetema\Core\Exchange\Found;
use Zetema\Core\Exchange\Qti\Package\PackageSource;
use Zetema\Core\Exchange\Qti\QtiSource;
use Zetema\Core\Exchange\Qti\Tests\Assessment;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Exchange\Source;
use Zetema\Core\Exchange\SourceFormat;
use Zetema\Core\Exchange\Table\Mapping;
use Zetema\Core\Exchange\Table\TableSource;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Exchange\TypedPaper\PaperSource;
use Zetema\Core\Exchange\Zip\SafeZip;
use Zetema\Core\Question\Problem;

/** Questions from files in other formats than the text format. */
final class OtherFiles
{
    /** @var list<array<string, mixed>> */
    private array $problems = [];
    /** @var list<array{line: int, toLine: int, text: string}> */
    private array $kept = [];
    /** @var list<Aside> */
    private array $aside = [];
    /** @var list<Page> */
    private array $pages = [];
    /** @var list<Assessment> */
    private array $assessments = [];
    /** @var list<Unmatched> */
    private array $unmatched = [];
    /** @var list<string> */
    private array $unread = [];
    private Encoding $encodingOfLast = Encoding::Utf8;

    private readonly ?Mapping $mapping;

    /** @param string|null $map a file that says which column of a table is what */
    public function __construct(private readonly SourceFormat $format, private readonly ?Encoding $encoding, ?string $map)
    {
        try {
            $this->mapping = $map === null ? null : Mapping::of(Fields::of(JsonFile::read($map)));
        } catch (Malformed $e) {
            throw new InvalidArgumentException('The mapping: ' . $e->getMessage());
        }
    }

    /**
     * @param list<string> $files
     *
     * @return \Generator<int, Found>
     */
    public function found(array $files): \Generator
    {
        foreach ($files as $file) {
            $source = $this->source($file);
            foreach ($source->questions() as $found) {
                $this->note($file, $found->problems);
                if ($found->question === null) {
                    $this->kept[] = ['line' => $found->fromLine, 'toLine' => $found->toLine, 'text' => $found->kept];
                }
                yield $found;
            }
            $report = $source->report();
            $this->note($file, $report->problems);
            array_push($this->aside, ...$report->aside);
            array_push($this->pages, ...$report->pages);
            array_push($this->unmatched, ...$report->unmatched);
            array_push($this->assessments, ...$report->assessments);
            array_push($this->unread, ...$report->unread);
            $this->encodingOfLast = $report->encoding;
        }
    }

    private function source(string $file): Source
    {
        $bytes = TextFiles::contents($file);
        if ($this->format === SourceFormat::Table) {
            return TableSource::isSpreadsheet($bytes) ? TableSource::ofSpreadsheet($this->path($file, $bytes), $this->mapping) : TableSource::ofText($bytes, $this->encoding, $this->mapping);
        }

        return match ($this->format) {
            SourceFormat::Archive => new ArchiveSource($this->path($file, $bytes)),
            SourceFormat::Qti => str_starts_with($bytes, SafeZip::BEGINS) ? PackageSource::ofZip($this->path($file, $bytes)) : new QtiSource($bytes, $file),
            SourceFormat::Paper => new PaperSource($bytes, $this->encoding, $file === '-' ? null : preg_match('/\.html?$/i', $file) === 1),
            default => throw new InvalidArgumentException(sprintf('“%s” cannot be read as %s yet.', $file, $this->format->value)),
        };
    }

    /** A zip is opened where it lies; what comes by standard input lies somewhere first. */
    private function path(string $file, string $bytes): string
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

    /** @return list<array{line: int, toLine: int, text: string}> */
    public function kept(): array
    {
        return $this->kept;
    }

    /** @return list<Aside> */
    public function aside(): array
    {
        return $this->aside;
    }

    /** @return list<Page> */
    public function pages(): array
    {
        return $this->pages;
    }

    /** @return list<Assessment> */
    public function assessments(): array
    {
        return $this->assessments;
    }

    /** @return list<Unmatched> */
    public function unmatched(): array
    {
        return $this->unmatched;
    }

    /** @return list<string> */
    public function unread(): array
    {
        return $this->unread;
    }

    public function encoding(): string
    {
        return $this->encodingOfLast->value;
    }

    /** @return list<array<string, mixed>> in the order of the lines */
    public function problems(): array
    {
        return $this->problems;
    }

    /** @param list<Problem> $problems */
    private function note(string $file, array $problems): void
    {
        foreach ($problems as $problem) {
            $this->problems[] = ['file' => $file, ...$problem->toData()];
        }
    }
}
