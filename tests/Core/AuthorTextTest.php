<?php

declare(strict_types=1);

namespace Zetema\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\AuthorText;

/** How a text reads in a list, where nothing can be drawn. */
final class AuthorTextTest extends TestCase
{
    /** @return iterable<string, array{string, string}> as written, as it reads; the interface's own names are read out alike: ui/tests/parts/inWords.test.ts takes them from here */
    public static function texts(): iterable
    {
        $cases = json_decode((string) file_get_contents(__DIR__ . '/../fixtures/in-words.json'), true, flags: JSON_THROW_ON_ERROR);
        self::assertIsArray($cases);
        foreach ($cases as $written => $reads) {
            self::assertIsString($reads);
            yield (string) $written => [(string) $written, $reads];
        }
    }

    #[DataProvider('texts')]
    public function test_a_text_in_words(string $written, string $reads): void
    {
        self::assertSame($reads, AuthorText::excerpt($written));
    }

    public function test_is_cut_where_it_is_too_long(): void
    {
        self::assertSame('Half of $x is…', AuthorText::excerpt('Half of \$x is nothing', 14));
        self::assertSame('Is 1/2…', AuthorText::excerpt('Is $\frac{1}{2}$ right?', 7), 'a formula is counted as it reads');
    }

    public function test_what_stems_are_compared_by_stays_as_it_was(): void
    {
        self::assertSame('what is m2 of frac 1 2', AuthorText::comparable('What is *m^2^* of $\frac{1}{2}$?'));
    }
}
