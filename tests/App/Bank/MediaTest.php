<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** Pictures, sound and film: what is taken in is safe, kept once, and refused in words. */
final class MediaTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    /** @return iterable<string, array{string, string}> what is hostile, what must be gone */
    public static function hostile(): iterable
    {
        yield 'a script' => ['<script>alert(1)</script>', 'alert'];
        yield 'a handler' => ['<rect width="9" height="9" onclick="alert(1)"/>', 'onclick'];
        yield 'a page inside' => ['<foreignObject><iframe src="http://elsewhere.example"/></foreignObject>', 'iframe'];
        yield 'a link elsewhere' => ['<a href="http://elsewhere.example"><text>x</text></a>', 'elsewhere'];
        yield 'a picture from elsewhere' => ['<image href="http://elsewhere.example/x.png"/>', 'elsewhere'];
        yield 'a use from elsewhere' => ['<use href="http://elsewhere.example/x.svg#a"/>', 'elsewhere'];
        yield 'a style that loads' => ['<rect fill="url(http://elsewhere.example)" width="9" height="9"/>', 'elsewhere'];
        yield 'a style sheet' => ['<style>@import url(http://elsewhere.example)</style>', 'import'];
        yield 'a script address' => ['<use xlink:href="javascript:alert(1)" xmlns:xlink="http://www.w3.org/1999/xlink"/>', 'javascript'];
        yield 'a handler beside one of the same local name' => ['<rect xmlns:x="urn:x" x:onload="1" onload="alert(1)" width="9" height="9"/>', 'alert'];
        yield 'a handler before one of the same local name' => ['<rect xmlns:x="urn:x" onload="alert(1)" x:onload="1" width="9" height="9"/>', 'alert'];
        yield 'an attribute of another vocabulary' => ['<rect xmlns:x="urn:x" x:fill="elsewhere" width="9" height="9"/>', 'elsewhere'];
        yield 'an address spelled with escapes' => ['<rect fill="\\75rl(http://elsewhere.example)" width="9" height="9"/>', 'elsewhere'];
        yield 'an address with a comment in it' => ['<rect fill="u/**/rl(//elsewhere.example)" width="9" height="9"/>', 'elsewhere'];
        yield 'another word for an address' => ['<rect fill="src(//elsewhere.example)" width="9" height="9"/>', 'elsewhere'];
        yield 'a set of pictures' => ['<rect fill="image-set(\'//elsewhere.example\' 1x)" width="9" height="9"/>', 'elsewhere'];
        yield 'an address without quotes that begins within' => ['<rect fill="url(#a) url(//elsewhere.example)" width="9" height="9"/>', 'elsewhere'];
        yield 'an address in a style attribute' => ['<rect style="fill: url(//elsewhere.example)" width="9" height="9"/>', 'elsewhere'];
        yield 'an animation' => ['<animate attributeName="href" to="javascript:alert(1)"/>', 'javascript'];
        yield 'a processing instruction' => ['<?xml-stylesheet href="http://elsewhere.example"?>', 'stylesheet'];
    }

    #[DataProvider('hostile')]
    public function test_a_drawing_is_kept_without_what_could_run_load_or_lead_elsewhere(string $inside, string $gone): void
    {
        $medium = $this->take('a.svg', '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 30"><circle cx="9" cy="9" r="4" fill="red"/>' . $inside . '</svg>');
        $kept = $this->content($medium);

        self::assertStringNotContainsString($gone, $kept);
        self::assertStringContainsString('<circle cx="9" cy="9" r="4" fill="red"/>', $kept);
        self::assertSame([40, 30, 'image/svg+xml'], [$medium->integer('width'), $medium->integer('height'), $medium->text('type')]);
    }

    public function test_a_drawing_that_draws_itself_again_and_again_is_refused(): void
    {
        $uses = '<circle id="a0" r="1"/>';
        for ($i = 1; $i <= 7; ++$i) {
            $uses .= "<g id=\"a$i\">" . str_repeat('<use href="#a' . ($i - 1) . '"/>', 10) . '</g>';
        }
        $svg = static fn (string $inside): string => '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><defs>' . $inside . '</defs><use href="#a7"/></svg>';
        self::assertStringContainsString('again and again', $this->take('loops.svg', $svg($uses), 422)->text('detail'));
        self::assertStringContainsString('draws itself', $this->take('itself.svg', $svg('<g id="a7"><use href="#a7"/></g>'), 422)->text('detail'));
        self::assertNotSame('', $this->take('few.svg', $svg('<g id="a7"><use href="#b"/><use href="#b"/></g><circle id="b" r="2"/>'))->text('url'));
    }

    public function test_a_file_that_was_cut_off_once_is_whole_when_it_comes_again(): void
    {
        $svg = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 8 8"><circle r="3"/></svg>';
        $kept = $this->content($first = $this->take('round.svg', $svg));
        $path = self::getContainer()->get(\Zetema\App\Bank\Media\Media::class)->path(basename($first->text('url')));
        foreach (['', substr($kept, 0, 20)] as $cut) {
            file_put_contents($path, $cut);
            self::assertSame($kept, $this->content($this->take('round.svg', $svg)), 'also when it is taken for the same picture');
        }
        self::assertSame([], glob(dirname($path) . '/*.part*'));
    }

    public function test_where_there_is_no_room_nothing_is_kept_and_it_is_told(): void
    {
        if (posix_geteuid() !== 0) {
            self::markTestSkipped('A disk of its own can only be made by the administrator.');
        }
        $folder = sys_get_temp_dir() . '/zetema-full-' . bin2hex(random_bytes(4));
        mkdir($folder);
        exec('mount -t tmpfs -o size=256k tmpfs ' . escapeshellarg($folder) . ' 2>&1', $said, $code);
        if ($code !== 0) {
            self::markTestSkipped(implode(' ', $said));
        }
        try {
            $files = new \Zetema\App\Bank\Media\MediaFiles($folder);
            $bytes = random_bytes(600_000);
            $hash = hash('sha256', $bytes);
            try {
                $files->keep($hash, $bytes);
                self::fail('there is no room for it');
            } catch (\Zetema\App\Shared\NoRoom $e) {
                self::assertSame(\Zetema\App\Shared\StorageFault::Full, \Zetema\App\Shared\StorageFault::in($e));
            }
            self::assertFalse($files->has($hash));
            self::assertNull($files->contents($hash));
            self::assertSame([], glob($folder . '/*/*'), 'nothing of it is left');
            $files->keep(hash('sha256', 'small'), 'small');
            self::assertSame('small', $files->contents(hash('sha256', 'small')));
        } finally {
            exec('umount ' . escapeshellarg($folder));
            rmdir($folder);
        }
    }

    /** @return iterable<string, array{string, list<string>, string}> inside, what is told, what stays */
    public static function takenOut(): iterable
    {
        yield 'nothing' => [
            '<rect fill="url(#g)" transform="rotate(4) translate(1, 2)" stroke="rgb(1, 2, 3)" aria-label="A hive (in section)"/>',
            [],
            'fill="url(#g)" transform="rotate(4) translate(1, 2)" stroke="rgb(1, 2, 3)" aria-label="A hive (in section)"',
        ];
        yield 'a link, but not what it holds' => ['<a href="//x.example"><circle r="5"/><text>mites</text></a>', ['a link (what it held stays)'], '<circle r="5"/><text>mites</text>'];
        yield 'scripts' => ['<script>a</script><script>b</script>', ['a script, 2 times'], ''];
        yield 'a handler' => ['<rect onclick="a()"/>', ['something that would run (onclick)'], '<rect/>'];
        yield 'a picture' => ['<image href="a.png"/>', ['a picture within the drawing'], ''];
        yield 'a style becomes attributes' => ['<rect style="fill:#123; stroke-width: 2px"/>', [], '<rect fill="#123" stroke-width="2px"/>'];
    }

    /** @param list<string> $told */
    #[DataProvider('takenOut')]
    public function test_an_author_is_told_what_was_taken_out_of_a_drawing(string $inside, array $told, string $stays): void
    {
        $medium = $this->take('a.svg', '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9">' . $inside . '</svg>');

        self::assertSame($told, $medium->texts('takenOut'));
        self::assertStringContainsString($stays, $this->content($medium));
        self::assertSame($told, $this->take('a.svg', '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9">' . $inside . '</svg>')->texts('takenOut'), 'also when it is there already');
    }

    public function test_what_is_sent_out_says_how_it_may_be_used(): void
    {
        $this->content($this->take('a.svg', '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'));
        $headers = $this->client->getResponse()->headers;

        self::assertSame('nosniff', $headers->get('X-Content-Type-Options'));
        self::assertStringContainsString('sandbox', (string) $headers->get('Content-Security-Policy'));
        self::assertStringContainsString('immutable', (string) $headers->get('Cache-Control'));
    }

    /** @return iterable<string, array{string, string}> bytes, what is said */
    public static function refused(): iterable
    {
        yield 'nothing' => ['', 'is empty'];
        yield 'a text' => ['Just some words.', 'no picture that can be read'];
        yield 'a program' => ["MZ\x90\x00" . str_repeat("\0", 200), 'no picture that can be read'];
        yield 'half a picture' => [substr(self::png(20, 20), 0, 30), 'picture'];
        yield 'a drawing that is no XML' => ['<svg><circle></svg>', 'no SVG'];
        yield 'a drawing without a size' => ['<svg xmlns="http://www.w3.org/2000/svg"/>', 'how large'];
        yield 'a drawing with entities' => ['<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY a "aaaa">]><svg xmlns="http://www.w3.org/2000/svg" width="9" height="9">&a;</svg>', 'document type'];
        yield 'a drawing with any document type' => ["<!doctype svg>\n<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"9\" height=\"9\"/>", 'document type'];
        yield 'a drawing in UTF-7, which hides its entity' => [
            '<?xml version="1.0" encoding="UTF-7"?>+ADwAIQ-DOCTYPE svg +AFsAPAAh-ENTITY a "a"+AD4AXQA+<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9">+ACY-a;</svg>',
            'UTF-8',
        ];
        yield 'a drawing in UTF-16' => ["<?xml version=\"1.0\"?>\xFF\xFE<svg/>", 'UTF-8'];
        yield 'a drawing that says Latin 1' => ['<?xml version="1.0" encoding="ISO-8859-1"?><svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>', 'UTF-8'];
        yield 'too many bytes' => [self::png(4, 4) . str_repeat('x', 8_000_000), 'up to 8 MB'];
        yield 'too long a film' => ["\x1A\x45\xDF\xA3" . str_repeat('x', 30_000_000), 'up to 30 MB'];
    }

    #[DataProvider('refused')]
    public function test_what_cannot_be_shown_is_refused_in_words(string $bytes, string $words): void
    {
        $problem = $this->take('a.png', $bytes, 422);

        self::assertStringContainsString($words, $problem->text('detail'));
        self::assertSame('file', $problem->text('field'));
    }

    public function test_a_large_picture_is_made_smaller_and_drawn_anew(): void
    {
        $secret = self::png(2400, 1200) . 'hidden words';
        $medium = $this->take('Große Wabe (1).PNG', $secret);

        self::assertSame([1600, 800, 'image/png'], [$medium->integer('width'), $medium->integer('height'), $medium->text('type')]);
        self::assertStringNotContainsString('hidden words', $this->content($medium));
        self::assertMatchesRegularExpression('/^[a-z0-9-]+\.png$/', $medium->text('name'));
    }

    public function test_the_same_content_is_kept_once_and_a_name_never_changes_its_content(): void
    {
        $first = $this->take('comb.png', self::png(30, 30));
        $same = $this->take('comb.png', self::png(30, 30));
        $other = $this->take('comb.png', self::png(31, 30));
        $elsewhere = $this->take('copy.png', self::png(30, 30));

        self::assertSame($first->raw(), $same->raw());
        self::assertSame('comb-2.png', $other->text('name'));
        self::assertSame([$first->text('url'), 'copy.png'], [$elsewhere->text('url'), $elsewhere->text('name')]);
    }

    /** @return iterable<string, array{string, string, string}> first bytes, type, name */
    public static function sounds(): iterable
    {
        yield 'mp3' => ['ID3' . str_repeat("\0", 40), 'audio/mpeg', 'hum.mp3'];
        yield 'ogg' => ['OggS' . str_repeat("\0", 40), 'audio/ogg', 'hum.ogg'];
        yield 'wav' => ["RIFF\x24\0\0\0WAVEfmt " . str_repeat("\0", 40), 'audio/wav', 'hum.wav'];
        yield 'mp4' => ["\0\0\0\x18ftypmp42" . str_repeat("\0", 40), 'video/mp4', 'hum.mp4'];
        yield 'webm' => ["\x1A\x45\xDF\xA3" . str_repeat("\0", 40), 'video/webm', 'hum.webm'];
    }

    #[DataProvider('sounds')]
    public function test_sound_and_film_are_known_by_their_bytes_not_their_name(string $bytes, string $type, string $name): void
    {
        $medium = $this->take('hum.png', $bytes);

        self::assertSame([$type, $name], [$medium->text('type'), $medium->text('name')]);
        self::assertSame($bytes, $this->content($medium));
    }

    public function test_a_candidate_gets_the_pictures_of_what_is_shown_and_no_list_of_all(): void
    {
        $this->logIn('carrow');
        $this->send('GET', '/api/banks/1/media', status: 403);
        $sitting = $this->send('POST', '/api/editions/3/sittings', [], 'Sitting', 201);
        $shown = array_filter(array_map(static fn (Fields $q): ?string => $q->object('answers')->optionalObject('picture')?->text('file'), $sitting->objects('questions')), is_string(...));

        self::assertCount(2, $shown, 'of regions and of place');
        self::assertEqualsCanonicalizing(array_unique(array_values($shown)), array_keys($sitting->object('media')->raw()));
        $this->client->request('GET', $sitting->object('media')->object(array_values($shown)[0])->text('url'));
        self::assertSame(200, $this->client->getResponse()->getStatusCode());
        $this->send('GET', '/api/media/' . str_repeat('0', 64), status: 404);
    }

    private function take(string $name, string $bytes, int $status = 201): Fields
    {
        $this->client->request('PUT', '/api/banks/1/media/' . rawurlencode($name), server: ['HTTP_X_ZETEMA' => '1', 'CONTENT_TYPE' => 'application/octet-stream'], content: $bytes);
        self::assertSame($status, $this->client->getResponse()->getStatusCode(), (string) $this->client->getResponse()->getContent());

        return Fields::ofJson((string) $this->client->getResponse()->getContent());
    }

    private function content(Fields $medium): string
    {
        $this->client->request('GET', $medium->text('url'));
        $file = $this->client->getResponse();
        self::assertInstanceOf(\Symfony\Component\HttpFoundation\BinaryFileResponse::class, $file);

        return (string) file_get_contents($file->getFile()->getPathname());
    }

    /**
     * @param int<1, max> $width
     * @param int<1, max> $height
     */
    private static function png(int $width, int $height): string
    {
        $image = imagecreatetruecolor($width, $height);
        self::assertNotFalse($image);
        ob_start();
        imagepng($image);

        return (string) ob_get_clean();
    }
}
