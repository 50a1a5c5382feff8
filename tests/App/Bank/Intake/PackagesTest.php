<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Intake;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;
use Zetema\Tests\Core\Exchange\Qti\Items;

/** Items and packages of the open standard, opened as text for a bank; pictures come in with the questions that show them. */
final class PackagesTest extends ApiTestCase
{
    use Packages;

    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    private static function item(string $identifier, string $picture, string $more = ''): string
    {
        return Items::xml(
            Items::response('A') .
                "<itemBody><p>Which, $identifier?</p><p><img src=\"../img/$picture\" alt=\"A hut\"/></p>$more<choiceInteraction responseIdentifier=\"RESPONSE\"><simpleChoice identifier=\"A\">a</simpleChoice><simpleChoice identifier=\"B\">b</simpleChoice></choiceInteraction></itemBody>",
            $identifier,
        );
    }

    /** A picture of one colour. */
    /** @param int<1, max> $width */
    private static function picture(int $colour, int $width = 8): string
    {
        $image = imagecreatetruecolor($width, 6);
        self::assertNotFalse($image);
        imagefill($image, 0, 0, $colour);
        ob_start();
        imagepng($image);

        return (string) ob_get_clean();
    }

    /** @return list<string> */
    private function media(): array
    {
        return array_map(static fn (Fields $m): string => $m->text('name'), $this->send('GET', '/api/banks/1/media')->objects('media'));
    }

    public function test_a_package_is_opened_as_text_and_its_pictures_come_in_with_what_is_taken_in(): void
    {
        $before = $this->media();
        $opened = $this->opened(
            self::package([
                'items/lead.xml' => self::item('lead', 'hut.png'),
                'items/tail.xml' => self::item('tail', 'tail.png', '<p onclick="x()">Look.</p>'),
                'img/hut.png' => self::picture(0xAA5500),
                'img/tail.png' => self::picture(0x0055AA, 16),
                'img/alone.gif' => 'x',
            ]),
            'bees.zip',
        );
        self::assertStringContainsString("![A hut](hut.png)\n  name: lead\n", $opened->text('text'));
        self::assertSame(['hut.png', 'tail.png'], array_keys($opened->textMap('pictures')));
        self::assertSame([['tail', 'onclick', 'items/tail.xml']], array_map(static fn (Fields $u): array => array_map($u->text(...), ['item', 'what', 'file']), $opened->objects('unmatched')));
        self::assertSame($before, $this->media(), 'opening is not taking in');

        $understood = $this->send('POST', '/api/banks/1/intake/read', ['text' => $opened->text('text'), 'as' => 'text'], 'Understood')->objects('questions');
        $job = $this->send(
            'POST',
            '/api/banks/1/intake',
            ['text' => $opened->text('text'), 'as' => 'text', 'lines' => [$understood[0]->integer('fromLine')], 'name' => 'bees.zip', 'pictures' => $opened->textMap('pictures')],
            'Job',
            201,
        );
        self::assertSame(1, $job->object('result')->integer('questions'));
        self::assertSame(['hut.png'], array_values(array_diff($this->media(), $before)), 'only what is shown');
        $hut = array_values(array_filter($this->send('GET', '/api/banks/1/media')->objects('media'), static fn (Fields $m): bool => $m->text('name') === 'hut.png'))[0];
        self::assertSame([8, 6], [$hut->integer('width'), $hut->integer('height')]);
    }

    public function test_pictures_that_nobody_takes_in_are_let_go_of_after_a_month(): void
    {
        $folder = getenv('MEDIA_DIR') . '/waiting/';
        $waiting = static fn (): array => array_values(array_diff((array) scandir($folder), ['.', '..']));
        $opened = $this->opened(self::package(['items/a.xml' => self::item('a', 'a.png'), 'img/a.png' => self::picture(0x123456, 21)]), 'a.zip');
        $hash = $opened->textMap('pictures')['a.png'];
        self::assertContains($hash, $waiting());
        touch($folder . $hash, time() - 29 * 86_400);
        $other = fn () => $this->opened(self::package(['items/b.xml' => self::item('b', 'b.png'), 'img/b.png' => self::picture(0x654321, 22)]), 'b.zip');
        $other();
        self::assertContains($hash, $waiting(), 'it waits for a month');
        touch($folder . $hash, time() - 31 * 86_400);
        $other();
        self::assertNotContains($hash, $waiting());
        $refused = $this->send('POST', '/api/banks/1/intake', ['text' => $opened->text('text'), 'as' => 'text', 'lines' => [1], 'pictures' => $opened->textMap('pictures')], status: 422);
        self::assertStringContainsString('open the package again', $refused->text('detail'));
    }

    public function test_a_picture_whose_name_the_bank_has_for_another_gets_its_own(): void
    {
        $taken = function (string $name, int $colour): string {
            $opened = $this->opened(self::package(['items/lead.xml' => self::item($name, 'hut.png'), 'img/hut.png' => self::picture($colour)]), 'bees.zip');
            $this->send('POST', '/api/banks/1/intake', ['text' => $opened->text('text'), 'as' => 'text', 'lines' => [1], 'pictures' => $opened->textMap('pictures')], 'Job', 201);

            return $opened->text('text');
        };
        self::assertStringContainsString('(hut.png)', $taken('a', 0xAA5500));
        self::assertStringContainsString('(hut-2.png)', $taken('b', 0x0055AA));
        self::assertStringContainsString('(hut.png)', $taken('c', 0xAA5500), 'the same picture is there already');
    }

    public function test_what_was_not_kept_is_not_taken_in(): void
    {
        $text = "one: Which? ![A hut](hut.png)\n  yes: a\n  no: b\n";
        foreach ([str_repeat('0', 64), '../../etc/passwd'] as $hash) {
            $refused = $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'as' => 'text', 'lines' => [1], 'pictures' => ['hut.png' => $hash]], status: 422);
            self::assertStringContainsString('open the package again', $refused->text('detail'));
        }
    }

    public function test_one_item_by_itself_is_opened_too(): void
    {
        $opened = $this->opened(Items::xml(Items::response('A') . Items::choices(['A' => 'a', 'B' => 'b'])), 'lead.xml');
        self::assertStringStartsWith("one: Which?\n  name: lead\n", $opened->text('text'));
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'noise' => ["\xC3" . random_bytes(2_000), 'UTF'];
        yield 'a broken zip' => ["PK\x03\x04" . random_bytes(2_000), 'no whole zip'];
        yield 'a zip without a manifest' => [(string) file_get_contents(__DIR__ . '/../../../../demo/intake/evening-paper.txt'), 'XML'];
        yield 'an item that is broken' => [Items::xml(Items::response('Z') . Items::choices(['A' => 'a', 'B' => 'b'])), 'no choice of this item'];
    }

    #[DataProvider('refused')]
    public function test_what_holds_no_item_is_refused_with_the_reason(string $bytes, string $why): void
    {
        self::assertStringContainsString($why, $this->opened($bytes, 'x.zip', 422)->text('detail'));
    }
}
