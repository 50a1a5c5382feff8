<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Exchange\Zip\RefusedZip;
use Zetema\Core\Exchange\Zip\SafeZip;

final class SafeZipTest extends TestCase
{
    use TemporaryFile;

    /** @return iterable<string, array{callable(\ZipArchive): mixed, string}> what is put into the zip, and what the refusal names */
    public static function hostile(): iterable
    {
        foreach (['/etc/passwd' => 'absolute', 'C:/x' => 'absolute', 'a\\b' => 'backslash', '../x' => 'leads out', 'a/../../x' => 'leads out', "a\nb" => 'control character'] as $name => $why) {
            yield json_encode($name, JSON_THROW_ON_ERROR) => [static fn (\ZipArchive $z) => $z->addFromString($name, 'x'), $why];
        }
        yield 'twice but for the case' => [static fn (\ZipArchive $z): array => [$z->addFromString('a.xml', 'x'), $z->addFromString('A.xml', 'y')], 'twice'];
        yield 'a link' => [static fn (\ZipArchive $z): array => [$z->addFromString('a', '/etc/passwd'), $z->setExternalAttributesName('a', \ZipArchive::OPSYS_UNIX, 0o120777 << 16)], 'link'];
        yield 'encrypted' => [static fn (\ZipArchive $z): array => [$z->addFromString('a', 'x'), $z->setEncryptionName('a', \ZipArchive::EM_AES_256, 'secret')], 'encrypted'];
        yield 'many' => [
            static function (\ZipArchive $z): void {
                for ($i = 0; $i <= 5_000; ++$i) {
                    $z->addFromString("$i", '');
                }
            },
            '5,000',
        ];
        yield 'large' => [static fn (\ZipArchive $z) => $z->addFromString('a', str_repeat(random_bytes(1_000), 20_001)), '20 MB'];
        yield 'much larger than packed' => [static fn (\ZipArchive $z) => $z->addFromString('a', str_repeat('a', 3_000_000)), '100 times'];
    }

    /** @param callable(\ZipArchive): mixed $fill */
    #[DataProvider('hostile')]
    public function test_hostile_zips_are_refused_as_a_whole_and_say_why(callable $fill, string $why): void
    {
        $this->make($fill);
        $this->expectException(RefusedZip::class);
        $this->expectExceptionMessageMatches('/' . preg_quote($why, '/') . '/');
        SafeZip::open($this->file);
    }

    public function test_more_than_it_may_be_together_is_refused(): void
    {
        $this->make(static fn (\ZipArchive $z): array => [$z->addFromString('a', random_bytes(600)), $z->addFromString('b', random_bytes(600))]);
        $this->expectExceptionMessage('unpacks to more than');
        SafeZip::open($this->file, 1_000);
    }

    /** @return iterable<string, array{int}> */
    public static function lies(): iterable
    {
        yield 'much less than it unpacks to' => [1_000];
        yield 'one byte less' => [4_999_999];
        yield 'more' => [5_000_001];
    }

    #[DataProvider('lies')]
    public function test_a_zip_that_lies_about_a_size_is_refused_as_a_whole(int $said): void
    {
        $this->make(static fn (\ZipArchive $z): array => [$z->addFromString('b', 'x'), $z->addFromString('a', random_bytes(5_000_000))]);
        // Both headers of the zip say it.
        $bytes = str_replace(pack('V', 5_000_000), pack('V', $said), (string) file_get_contents($this->file), $places);
        self::assertSame(2, $places);
        file_put_contents($this->file, $bytes);
        $this->expectException(RefusedZip::class);
        $this->expectExceptionMessage('“a” is not as large as the zip says');
        SafeZip::open($this->file);
    }

    public function test_what_is_in_it_is_read(): void
    {
        $this->make(static fn (\ZipArchive $z): array => [$z->addEmptyDir('items'), $z->addFromString('items/a.xml', '<a/>'), $z->addFromString('b', '')]);
        $zip = SafeZip::open($this->file);

        self::assertSame([['items/a.xml', 'b'], '<a/>', ''], [$zip->names(), $zip->contents('items/a.xml'), $zip->contents('b')]);
    }

    /** @param callable(\ZipArchive): mixed $fill */
    private function make(callable $fill): void
    {
        $zip = new \ZipArchive();
        self::assertTrue($zip->open($this->file, \ZipArchive::OVERWRITE));
        $fill($zip);
        $zip->close();
    }
}
