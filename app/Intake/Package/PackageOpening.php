<?php

declare(strict_types=1);

namespace Zetema\App\Intake\Package;

use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Media\Media;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Qti\Package\PackageSource;
use Zetema\Core\Exchange\Qti\Package\ZipFiles;
use Zetema\Core\Exchange\Qti\PackageFiles;
use Zetema\Core\Exchange\Qti\QtiSource;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Exchange\TextFormat\Writer;
use Zetema\Core\Exchange\Zip\SafeZip;
use Zetema\Core\Question\Problem;

/** Opens an item or a package of the open standard as text that can be put right by hand, with a list of what did not come along. */
final readonly class PackageOpening
{
    public function __construct(private Media $media)
    {
    }

    /** Whether it begins like an item; a zip is known by its first bytes. */
    public static function isItem(string $beginning): bool
    {
        return preg_match('/<(?:[a-z]+:)?(?:qti-assessment-|assessment)(?:item|test|section|stimulus)\b/i', str_replace("\0", '', substr($beginning, 0, 4_000))) === 1;
    }

    /**
     * @param string $path of the file
     *
     * @return array{text: string, pictures: array<string, string>, unmatched: list<array<string, mixed>>, problems: list<array<string, mixed>>} pictures: hashes of files that are kept for the bank, by the names that it will have for them
     *
     * @throws Malformed if nothing of it can be read
     */
    public function open(Bank $bank, string $path, string $name): array
    {
        $files = null;
        $isZip = file_get_contents($path, length: strlen(SafeZip::BEGINS)) === SafeZip::BEGINS;
        $source = $isZip ? new PackageSource(function () use ($bank, $path, &$files): PackageFiles {
            return $files = new BankFiles(new ZipFiles(SafeZip::open($path)), $this->media, $bank);
        }) : new QtiSource((string) file_get_contents($path), $name);
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
        foreach ($files instanceof BankFiles ? $files->refused() : [] as $refused => $why) {
            $problems[] = new Problem(1, 1, $why, file: $refused);
        }

        return [
            'text' => ltrim(implode('', array_map($writer->page(...), $report->pages)) . $text, "\n"),
            'pictures' => $files instanceof BankFiles ? $files->kept() : [],
            'unmatched' => array_map(static fn (Unmatched $u): array => $u->toData(), $report->unmatched),
            'problems' => array_map(static fn (Problem $p): array => $p->toData(), $problems),
        ];
    }
}
