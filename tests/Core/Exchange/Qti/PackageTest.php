<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange\Qti;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Exchange\Found;
use Zetema\Core\Exchange\Qti\Package\PackageSource;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Exchange\TextFormat\Writer;
use Zetema\Core\Question\Problem;
use Zetema\Tests\Core\Exchange\TemporaryFile;

/** A zip with a manifest: which of its files are questions, in which order, with what is said about them. */
final class PackageTest extends TestCase
{
    use TemporaryFile;

    private static function item(string $identifier, string $before = '', string $correct = 'A'): string
    {
        return Items::xml(Items::response($correct) . $before . Items::choices(['A' => 'a', 'B' => 'b'], prompt: "Which, $identifier?"), $identifier);
    }

    private static function resource(string $identifier, string $href, string $inside = '', string $type = 'imsqti_item_xmlv2p1', string $more = ''): string
    {
        return "<resource identifier=\"$identifier\" type=\"$type\" href=\"$href\" $more><file href=\"$href\"/>$inside</resource>";
    }

    private static function manifest(string $resources, string $base = ''): string
    {
        return "<manifest xmlns=\"http://www.imsglobal.org/xsd/imscp_v1p1\" identifier=\"M\"><resources $base>$resources</resources></manifest>";
    }

    /**
     * @param array<string, string> $files contents by path
     *
     * @return array{questions: list<Found>, problems: list<string>, unmatched: list<string>, pages: list<Page>}
     */
    private function read(array $files): array
    {
        $zip = new \ZipArchive();
        $zip->open($this->file, \ZipArchive::OVERWRITE);
        foreach ($files as $path => $contents) {
            $zip->addFromString($path, $contents);
        }
        $zip->close();
        $source = PackageSource::ofZip($this->file);
        $questions = iterator_to_array($source->questions(), false);
        $problems = array_merge($source->report()->problems, ...array_map(static fn (Found $f): array => $f->problems, $questions));

        return [
            'questions' => $questions,
            'problems' => array_map(static fn (Problem $p): string => "$p->file: $p->message", $problems),
            'unmatched' => array_map(static fn (Unmatched $u): string => "$u->item: $u->what", $source->report()->unmatched),
            'pages' => $source->report()->pages,
        ];
    }

    /**
     * @param list<Found> $questions
     *
     * @return list<string>
     */
    private static function names(array $questions): array
    {
        return array_map(static fn (Found $f): string => $f->question->name ?? '-', $questions);
    }

    public function test_items_come_in_the_order_of_the_manifest_with_what_it_says_of_them(): void
    {
        $metadata =
            '<metadata><lom xmlns="http://ltsc.ieee.org/xsd/LOM"><general><keyword><string language="en">brood</string></keyword><keyword><string>spring</string></keyword></general>' .
            '<educational><difficulty><value>very difficult</value></difficulty></educational><classification><purpose><value>educational objective</value></purpose><taxonPath><taxon><entry><string>Hive inspection</string></entry></taxon><taxon><entry><string>Reading a frame</string></entry></taxon></taxonPath></classification></lom></metadata>';
        $read = $this->read([
            'imsmanifest.xml' => self::manifest(self::resource('R2', 'items/second.xml', $metadata) . self::resource('R1', 'items/first.xml') . self::resource('P', 'img/hut.png', type: 'webcontent')),
            'items/first.xml' => self::item('first'),
            'items/second.xml' => self::item('second'),
            'img/hut.png' => 'x',
        ]);
        self::assertSame(['second', 'first'], self::names($read['questions']));
        $question = $read['questions'][0]->question;
        self::assertSame([['brood', 'spring'], 'hard', ['Hive inspection', 'Reading a frame']], [$question?->tags, $question?->difficulty?->value, $question?->objective]);
        self::assertSame([[], []], [$read['problems'], $read['unmatched']]);
    }

    public function test_paths_are_from_the_package_whatever_folder_it_is_in(): void
    {
        $item = Items::xml(
            Items::response('A') .
                '<itemBody><p><img src="../img/my%20hut.png" alt="A hut"/></p><choiceInteraction responseIdentifier="RESPONSE"><simpleChoice identifier="A">a</simpleChoice><simpleChoice identifier="B">b</simpleChoice></choiceInteraction></itemBody>',
        );
        $read = $this->read([
            'package/imsmanifest.xml' => self::manifest(self::resource('R1', 'lead.xml', '<file href="../img/my%20hut.png"/>', more: 'xml:base="items/"'), 'xml:base="bank"'),
            'package/bank/items/lead.xml' => $item,
            'package/bank/img/my hut.png' => 'x',
        ]);
        self::assertSame('![A hut](bank/img/my%20hut.png)', $read['questions'][0]->question?->stem);
        self::assertSame([[], []], [$read['problems'], $read['unmatched']]);
    }

    public function test_a_stimulus_stands_in_front_of_each_item_that_names_it(): void
    {
        $stimulus = '<assessmentStimulus xmlns="http://www.imsglobal.org/xsd/imsqti_v2p2" identifier="S" title="Notes"><stimulusBody><p>The hive hums.</p></stimulusBody></assessmentStimulus>';
        $reference = '<assessmentStimulusRef identifier="S" href="notes.xml"/>';
        $read = $this->read([
            'imsmanifest.xml' => self::manifest(self::resource('R1', 'a.xml') . self::resource('R2', 'b.xml') . self::resource('R3', 'notes.xml', type: 'imsqti_stimulus_xmlv2p2')),
            'a.xml' => self::item('a', $reference),
            'b.xml' => self::item('b', '<assessmentStimulusRef identifier="S" href="gone.xml"/>'),
            'notes.xml' => $stimulus,
        ]);
        self::assertSame("The hive hums.\n\nWhich, a?", $read['questions'][0]->question?->stem);
        self::assertSame(['b.xml: assessmentStimulusRef: “gone.xml” is not in the package'], $read['problems']);
    }

    public function test_one_bad_item_never_stops_the_others_and_everything_left_is_told(): void
    {
        $read = $this->read([
            'imsmanifest.xml' => self::manifest(
                self::resource('R1', 'a.xml') .
                    self::resource('R2', 'broken.xml') .
                    self::resource('R3', 'gone.xml') .
                    self::resource('R4', '../out.xml') .
                    self::resource('R5', 'same.xml', '<dependency identifierref="NOWHERE"/>') .
                    self::resource('R6', 'old.xml') .
                    self::resource('R7', 'essay.xml') .
                    self::resource('R8', 'key.xml') .
                    self::resource('R9', 'page.xml'),
            ),
            'a.xml' => self::item('a'),
            'broken.xml' => '<assessmentItem',
            'same.xml' => self::item('a'),
            'old.xml' => '<questestinterop/>',
            'essay.xml' => Items::xml(Items::response('', type: 'string') . '<itemBody><extendedTextInteraction responseIdentifier="RESPONSE"/></itemBody>', 'essay'),
            'key.xml' => self::item('key', correct: 'Z'),
            'page.xml' => Items::xml('<itemBody><p>Read this.</p></itemBody>', 'page'),
            'left/alone.png' => 'x',
            'schema.xsd' => 'x',
            '.hidden' => 'x',
            '__MACOSX/._a.xml' => 'x',
        ]);
        self::assertSame(['a', 'a-2', '-'], self::names($read['questions']));
        self::assertSame(['essay: extendedTextInteraction', 'left/alone.png: left/alone.png'], $read['unmatched']);
        self::assertSame(['page', 'Read this.'], [$read['pages'][0]->name, $read['pages'][0]->reads]);
        $told = implode("\n", $read['problems']);
        foreach (
            [
                'broken.xml: ',
                'imsmanifest.xml: href: “gone.xml” is not in the package',
                'imsmanifest.xml: href: “../out.xml” leads out of the package',
                'imsmanifest.xml: dependency: there is no resource “NOWHERE”',
                'old.xml: questestinterop has no namespace',
                'same.xml: identifier: “a” is that of an earlier item',
                'key.xml: correctResponse: “Z” is no choice',
            ] as $problem
        ) {
            self::assertStringContainsString($problem, $told);
        }
        self::assertCount(7, $read['problems'], $told);
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function refused(): iterable
    {
        yield 'no manifest' => [['a/x.xml' => 'x', 'b/y.xml' => 'y'], 'imsmanifest.xml'];
        yield 'a manifest that is none' => [['imsmanifest.xml' => '<items/>'], 'no manifest'];
        yield 'a manifest with a doctype' => [['imsmanifest.xml' => '<!DOCTYPE manifest><manifest/>'], 'DOCTYPE'];
        yield 'a path out of it' => [['../imsmanifest.xml' => '<manifest/>'], 'leads out'];
    }

    /** @param array<string, string> $files */
    #[DataProvider('refused')]
    public function test_what_is_no_package_is_refused(array $files, string $why): void
    {
        $read = $this->read($files);
        self::assertSame([[], 1], [$read['questions'], count($read['problems'])]);
        self::assertStringContainsString($why, $read['problems'][0]);
    }

    public function test_noise_is_no_package(): void
    {
        file_put_contents($this->file, "PK\x03\x04" . random_bytes(5_000));
        $source = PackageSource::ofZip($this->file);
        self::assertSame([], iterator_to_array($source->questions(), false));
        self::assertStringContainsString('no whole zip', $source->report()->problems[0]->message);
    }

    public function test_a_picture_that_has_no_size_in_the_item_gets_that_of_its_file(): void
    {
        $item = static fn (string $picture): string => Items::xml(
            '<responseDeclaration identifier="RESPONSE" cardinality="single" baseType="point"><areaMapping><areaMapEntry shape="default" coords="" mappedValue="1"/></areaMapping></responseDeclaration>' .
                "<itemBody><selectPointInteraction responseIdentifier=\"RESPONSE\" maxChoices=\"1\"><prompt>Where?</prompt><object type=\"image/x\" data=\"$picture\">A hut</object></selectPointInteraction></itemBody>",
            $picture[0],
        );
        $pictures = [
            'a.gif' => ["GIF89a\x40\x00\x30\x00\x00\x00\x00", '0 0 64 48'],
            'b.svg' => ['<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" width="70" height="50px" viewBox="0 0 7 5"/>', '0 0 70 50'],
            'c.svg' => ['<svg viewBox="0 0 33.6 20" width="100%"/>', '0 0 34 20'],
        ];
        $files = ['imsmanifest.xml' => self::manifest(implode('', array_map(static fn (string $p): string => self::resource($p, "$p.xml", "<file href=\"$p\"/>"), array_keys($pictures))))];
        foreach ($pictures as $name => [$bytes]) {
            $files += [$name => $bytes, "$name.xml" => $item($name)];
        }
        $regions = array_map(static fn (Found $f): string => (new Writer())->question($f->question ?? throw new \LogicException('it is whole')), $this->read($files)['questions']);

        foreach (array_values($pictures) as $i => [1 => $all]) {
            self::assertStringContainsString("rectangle $all", $regions[$i]);
        }
    }
}
