<?php

declare(strict_types=1);

namespace Zetema\App\Intake\Package;

use Psr\Clock\ClockInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Media\Media;
use Zetema\Core\Blueprint\Check\TrustedNames;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\BlueprintRefused;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Archive\Archive;
use Zetema\Core\Exchange\Archive\ArchiveSource;
use Zetema\Core\Exchange\Qti\Package\Manifest;
use Zetema\Core\Exchange\Qti\Package\PackageSource;
use Zetema\Core\Exchange\Qti\Package\ZipFiles;
use Zetema\Core\Exchange\Qti\PackageFiles;
use Zetema\Core\Exchange\Qti\QtiSource;
use Zetema\Core\Exchange\Qti\Tests\TestDocument;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Exchange\Report;
use Zetema\Core\Exchange\TextFormat\Writer;
use Zetema\Core\Exchange\Zip\RefusedZip;
use Zetema\Core\Exchange\Zip\SafeZip;
use Zetema\Core\Question\Problem;

/** Opens an item or a package of the open standard as text that can be put right by hand, with a list of what did not come along. */
final readonly class PackageOpening
{
    public function __construct(private Media $media, private ClockInterface $clock)
    {
    }

    /**
     * @param string $path of the file
     *
     * @return array{text: string, blueprints: list<array{title: string, document: array<string, mixed>}>, pictures: array<string, string>,
     *   unmatched: list<array<string, mixed>>, problems: list<array<string, mixed>>} pictures: hashes of files that are kept for the bank,
     *   by the names that it will have for them
     *
     * @throws Malformed if nothing of it can be read
     */
    public function open(Bank $bank, string $path, string $name): array
    {
        $this->media->forgetWaiting($this->clock->now());
        $files = null;
        $isZip = file_get_contents($path, length: strlen(SafeZip::BEGINS)) === SafeZip::BEGINS;
        $archive = $isZip ? self::archive($path) : null;
        $source =
            $archive !== null
                ? new ArchiveSource($path)
                : ($isZip
                    ? new PackageSource(function () use ($bank, $path, &$files): PackageFiles {
                        return $files = new BankFiles(new ZipFiles(SafeZip::open($path)), $this->media, $bank);
                    })
                    : new QtiSource((string) file_get_contents($path), $name));
        $writer = new Writer();
        $text = '';
        $problems = [];
        foreach ($source->questions() as $found) {
            $text .= $found->question === null ? '' : $writer->question($found->question);
            array_push($problems, ...$found->problems);
        }
        $report = $source->report();
        array_push($problems, ...$report->problems);
        if ($text === '' && $report->pages === [] && $report->unmatched === []) {
            throw new Malformed('file', $problems[0]->message ?? 'holds no item');
        }
        [$text, $kept] =
            $archive === null ? [$text, $files instanceof BankFiles ? $files->kept() : []] : $this->media($bank, $archive, $text);
        [$blueprints, $left] = self::assessments($report);
        foreach ($files instanceof BankFiles ? $files->refused() : [] as $refused => $why) {
            $problems[] = new Problem(1, 1, $why, file: $refused);
        }

        return [
            'text' => ltrim(implode('', array_map($writer->page(...), $report->pages)) . $text, "\n"),
            'blueprints' => $blueprints,
            'pictures' => $kept,
            'unmatched' => array_map(static fn (Unmatched $u): array => $u->toData(), [...$report->unmatched, ...$left]),
            'problems' => array_map(static fn (Problem $p): array => $p->toData(), $problems),
        ];
    }

    /**
     * @return array{list<array{title: string, document: array<string, mixed>}>, list<Unmatched>} tests as blueprints, and what of them does
     *   not come along
     */
    private static function assessments(Report $report): array
    {
        $blueprints = $left = [];
        foreach ($report->assessments as $test) {
            $lost = static fn (string $what): Unmatched => new Unmatched($test->name, $what, 1, Manifest::NAME);
            $why = '';
            // What it leads to may be where nothing here can lead; the rest of it comes along then.
            foreach ([new TestDocument($test), new TestDocument($test, withRoutes: false)] as $document) {
                try {
                    BlueprintReader::read($document->document, new TrustedNames());
                    $blueprints[] = ['title' => $document->title(), 'document' => $document->document];
                    array_push($left, ...array_map($lost, $document->left));
                    continue 2;
                } catch (BlueprintRefused $e) {
                    $why = $e->getMessage();
                }
            }
            $left[] = $lost(sprintf('assessmentTest “%s”: its questions come along; %s', $test->title, $why));
        }

        return [$blueprints, $left];
    }

    /** @throws Malformed if it is refused */
    private static function archive(string $path): ?Archive
    {
        try {
            $zip = SafeZip::open($path);

            return Archive::isOne($zip) ? new Archive($zip) : null;
        } catch (RefusedZip $e) {
            throw new Malformed('file', $e->getMessage());
        }
    }

    /**
     * Keeps the files of an archive for the bank; where it has another under a name, the text says the new one.
     *
     * @return array{string, array<string, string>} the text, and hashes by name
     */
    private function media(Bank $bank, Archive $archive, string $text): array
    {
        $kept = $renamed = [];
        foreach ($archive->media() as $name) {
            ['name' => $free, 'hash' => $hash] = $this->media->await($bank, $name, $archive->medium($name), $kept);
            $kept[$free] = $hash;
            if ($free !== $name) {
                $renamed['](' . $name . ')'] = '](' . $free . ')';
                $renamed['image: ' . $name . "\n"] = 'image: ' . $free . "\n";
            }
        }

        return [strtr($text, $renamed), $kept];
    }
}
