<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Bank;

use Zetema\Core\Exchange\Archive\ArchiveSource;
use Zetema\Core\Exchange\Qti\Items\ItemReader;
use Zetema\Core\Exchange\Qti\Package\PackageSource;
use Zetema\Core\Exchange\Qti\QtiSource;
use Zetema\Core\Exchange\Qti\Writing\ItemWriter;
use Zetema\Core\Exchange\Qti\Writing\KindWriters;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Exchange\Qti\Xml\XmlFile;
use Zetema\Core\Exchange\Source;
use Zetema\Core\Exchange\Table\TableSource;
use Zetema\Core\Exchange\Table\UnreadableTable;
use Zetema\Core\Exchange\TextFormat\Reader;

/** Items, packages, archives and spreadsheets that are broken in many ways: each gets a report, none an end of its own. */
final class PackageFuzz
{
    /** Pieces that matter to XML and to the standard. */
    private const PIECES = [
        '<',
        '>',
        '"',
        '&',
        '&amp;',
        '</p>',
        '<p>',
        '<![CDATA[',
        '<!--',
        '-->',
        'RESPONSE',
        'SCORE',
        'identifier="A"',
        'maxChoices="0"',
        'cardinality="multiple"',
        'cardinality="ordered"',
        'baseType="float"',
        '<gap identifier="G"/>',
        '<value>C1</value>',
        "\u{FEFF}",
        '-1',
        '1e99',
        '..',
        "\0",
    ];

    private int $questions = 0;
    private int $told = 0;
    private float $slowest = 0.0;

    public function __construct(private readonly string $demo)
    {
    }

    /** @return array{files: int, questions: int, told: int, slowestSeconds: float} told: problems, and things without a counterpart */
    public function run(int $files): array
    {
        mt_srand(20261127);
        $items = $this->items();
        $path = (string) tempnam(sys_get_temp_dir(), 'zetema');
        for ($i = 0; $i < $files; ++$i) {
            if ($i % 4 < 3) {
                $this->read(new QtiSource($this->mutate($items[$i % count($items)]), 'x.xml'));
                continue;
            }
            $this->zip($path, $items[$i % count($items)], $i % 8 === 7);
            foreach ([PackageSource::ofZip($path), new ArchiveSource($path)] as $source) {
                $this->read($source);
            }
            try {
                $this->read(TableSource::ofSpreadsheet($path, null));
            } catch (UnreadableTable) {
                ++$this->told;
            }
        }
        unlink($path);

        return ['files' => $files, 'questions' => $this->questions, 'told' => $this->told, 'slowestSeconds' => round($this->slowest, 3)];
    }

    /**
     * Distinct whole items, read beside the making of a tree of the same bytes.
     *
     * @return array{questions: int, seconds: float, timesMakingATree: float}
     */
    public function whole(int $count): array
    {
        $items = $this->items();
        $files = array_map(
            static fn (int $i): string => preg_replace(
                '/<(qti-)?item-?body>/i',
                '$0<p>Number ' . $i . '.</p>',
                $items[$i % count($items)],
            ) ?? '',
            range(0, max(0, $count - 1)),
        );
        $began = hrtime(true);
        array_map(static fn (string $file): string => XmlFile::root($file)->name, $files);
        $floor = (hrtime(true) - $began) / 1e9;
        $whole = 0;
        $began = hrtime(true);
        foreach ($files as $file) {
            foreach ((new QtiSource($file, 'x.xml'))->questions() as $found) {
                $whole += $found->question === null ? 0 : 1;
            }
        }
        $took = (hrtime(true) - $began) / 1e9;

        return ['questions' => $whole, 'seconds' => round($took, 2), 'timesMakingATree' => round($took / $floor, 1)];
    }

    /** @return list<string> the demo's questions as items of each version */
    private function items(): array
    {
        $items = [];
        foreach ((new Reader())->questions((string) file_get_contents($this->demo . '/certificate.zet.txt')) as $i => $read) {
            if ($read->question !== null) {
                $version = Version::cases()[$i % 2];
                $items[] = (new ItemWriter($version, static fn (string $p): string => $p, KindWriters::all()))
                    ->item(
                        $read->question,
                        ItemReader::identifierOf($read->question->name ?? "q$i"),
                        $read->question->name ?? '',
                        $read->question->effective(),
                    )
                    ->document($version);
            }
        }

        return $items;
    }

    private function read(Source $source): void
    {
        $began = hrtime(true);
        foreach ($source->questions() as $found) {
            ++$this->questions;
            $this->told += count($found->problems);
        }
        $report = $source->report();
        $this->told += count($report->problems) + count($report->unmatched);
        $this->slowest = max($this->slowest, (hrtime(true) - $began) / 1e9);
    }

    /** A zip of a broken item, a broken manifest and a broken sheet; or a whole one with broken bytes. */
    private function zip(string $path, string $item, bool $breaksBytes): void
    {
        $zip = new \ZipArchive();
        $zip->open($path, \ZipArchive::OVERWRITE);
        $manifest =
            '<manifest xmlns="http://www.imsglobal.org/xsd/imscp_v1p1"><resources><resource identifier="R" type="imsqti_item_xmlv2p1" href="a.xml"><file href="a.xml"/></resource></resources></manifest>';
        $head = '{"archive":1,"bank":"B","questions":1}';
        $sheet =
            '<worksheet><sheetData><row r="1"><c r="A1" t="inlineStr"><is><t>Question</t></is></c><c r="B1" t="inlineStr"><is><t>Answer</t></is></c></row><row r="2"><c r="A2" t="s"><v>0</v></c><c r="B2"><v>12</v></c></row></sheetData></worksheet>';
        foreach (
            [
                'a.xml' => $item,
                'imsmanifest.xml' => $manifest,
                'archive.json' => $head,
                'questions/0001.json' => '{"questions":[{"number":1,"name":null,"objective":[],"status":"draft","content":{"kind":"claim","stem":"x","choices":[]}}]}',
                'xl/workbook.xml' => '<workbook xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="A" r:id="r1"/></sheets></workbook>',
                'xl/_rels/workbook.xml.rels' => '<Relationships><Relationship Id="r1" Target="worksheets/sheet1.xml"/></Relationships>',
                'xl/worksheets/sheet1.xml' => $sheet,
            ] as $name => $contents
        ) {
            $zip->addFromString($name, $breaksBytes || mt_rand(0, 1) === 0 ? $contents : $this->mutate($contents));
        }
        $zip->close();
        if ($breaksBytes) {
            $bytes = (string) file_get_contents($path);
            for ($n = mt_rand(1, 8); $n > 0; --$n) {
                $bytes[mt_rand(4, strlen($bytes) - 1)] = chr(mt_rand(0, 255));
            }
            file_put_contents($path, $bytes);
        }
    }

    private function mutate(string $text): string
    {
        for ($n = mt_rand(1, 6); $n > 0; --$n) {
            $at = mt_rand(0, max(0, strlen($text) - 1));
            $tags = preg_match_all('/<[^<>]+>/', $text, $m) > 0 ? $m[0] : [''];
            $tag = $tags[mt_rand(0, count($tags) - 1)];
            $other = $tags[mt_rand(0, count($tags) - 1)];
            $text = match (mt_rand(0, 6)) {
                0 => substr_replace($text, chr(mt_rand(0, 255)), $at, 1),
                1 => substr_replace($text, '', $at, mt_rand(1, 40)),
                2 => substr_replace($text, self::PIECES[mt_rand(0, count(self::PIECES) - 1)], $at, 0),
                // Whole XML that says something else.
                3 => preg_replace(
                    '/(?<==")[^"]*(?=")/',
                    ['', '0', '-1', 'C1', 'RESPONSE', 'true', '99999999'][mt_rand(0, 6)],
                    $text,
                    mt_rand(1, 3),
                ) ?? $text,
                4 => str_replace($tag, $other, $text),
                5 => $tag === '' ? $text : preg_replace('/' . preg_quote($tag, '/') . '/', str_repeat($tag, 2), $text, 1) ?? $text,
                default => preg_replace(
                    '/>[^<>]+</',
                    '>' . ['', '1/0', '1e9999', str_repeat('9', 400), '<', 'C1 C2'][mt_rand(0, 3)] . '<',
                    $text,
                    mt_rand(1, 4),
                ) ?? $text,
            };
        }

        return $text;
    }
}
