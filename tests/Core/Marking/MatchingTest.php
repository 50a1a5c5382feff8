<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Marking\Scoring\TextMatcher;

final class MatchingTest extends TestCase
{
    /** @return iterable<string, array{list<string>, string, string}> what is ignored, a text, the form in which it is compared */
    public static function folds(): iterable
    {
        yield 'spaces of any make' => [[], "a\u{00A0}\u{2009} b\t\nc", 'a b c'];
        yield 'ends' => [[], '  a ', 'a'];
        yield 'composed and decomposed are one' => [[], "e\u{0301}", 'é'];
        yield 'case' => [['case'], 'QUEEN Ärger ΣΑΣ', 'queen ärger σασ'];
        yield 'sharp s' => [['case'], 'Straße', 'strasse'];
        yield 'accents' => [['accents'], 'Crème Brûlée', 'Creme Brulee'];
        yield 'a stroke is no accent' => [['accents'], 'øre łan', 'øre łan'];
        yield 'punctuation becomes a space' => [['punctuation'], 'a,b. – c!', 'a b c'];
        yield 'apostrophes go' => [['punctuation'], "bee's bee’s", 'bees bees'];
        yield 'other marks like one are punctuation' => [['punctuation'], '‘a', 'a'];
        yield 'nothing ignored' => [[], "Bee's, É", "Bee's, É"];
    }

    /** @param list<string> $ignore */
    #[DataProvider('folds')]
    public function test_what_is_ignored_is_ignored_and_nothing_else(array $ignore, string $text, string $expected): void
    {
        self::assertSame($expected, (new TextMatcher($ignore, 0))->fold($text));
    }

    /** @return iterable<string, array{int, string, string, int}> typos, typed, wording, fit */
    public static function typos(): iterable
    {
        yield 'exact' => [2, 'propolis trap', 'propolis trap', TextMatcher::EXACT];
        yield 'one letter more' => [1, 'varrroa', 'varroa', TextMatcher::TYPO];
        yield 'one letter less' => [1, 'varoa', 'varroa', TextMatcher::TYPO];
        yield 'another letter' => [1, 'varroe', 'varroa', TextMatcher::TYPO];
        yield 'two swapped' => [1, 'varora', 'varroa', TextMatcher::TYPO];
        yield 'two edits where one is allowed' => [1, 'varo', 'varroa', 0];
        yield 'four letters allow none' => [2, 'mitr', 'mite', 0];
        yield 'nine letters allow one' => [2, 'propoliss', 'propolise', TextMatcher::TYPO];
        yield 'ten letters allow two' => [2, 'proplos tra', 'propolis tra', TextMatcher::TYPO];
        yield 'an edited part is edited once: ca → abc is three' => [2, 'xxxxxxxxxx ca', 'xxxxxxxxxx abc', 0];
        yield 'letters outside the alphabet of old' => [1, 'Blütne', 'Blüten', TextMatcher::TYPO];
        yield 'none allowed' => [0, 'varoa', 'varroa', 0];
    }

    #[DataProvider('typos')]
    public function test_typos_are_counted_against_the_wordings_letters(int $allowed, string $typed, string $wording, int $fit): void
    {
        self::assertSame($fit, (new TextMatcher(['case'], $allowed))->fit($typed, $wording));
    }

    /** @return iterable<string, array{string, string, bool}> pattern, typed, fits */
    public static function patterns(): iterable
    {
        yield 'a star is any run' => ['var*a', 'varroa', true];
        yield 'also none' => ['var*roa', 'varroa', true];
        yield 'at the end' => ['varroa*', 'varroa destructor', true];
        yield 'a question mark is one' => ['b?e', 'bee', true];
        yield 'and never none' => ['be?e', 'bee', false];
        yield 'stars that must give way' => ['*a*b*c', 'xxaxxbxxbxxc', true];
        yield 'stars in vain' => ['*a*b*c', 'xxaxxcxxb', false];
        yield 'a literal star' => ['2\*3', '2*3', true];
        yield 'a literal star is no run' => ['2\*3', '2xx3', false];
        yield 'a literal backslash' => ['a\\\\b', 'a\b', true];
        yield 'case as set' => ['VAR*', 'varroa', true];
        yield 'spaces as always' => ['bee   hive', ' bee hive ', true];
    }

    #[DataProvider('patterns')]
    public function test_a_pattern_fits_as_said(string $pattern, string $typed, bool $fits): void
    {
        self::assertSame($fits, (new TextMatcher(['case'], 0))->fitsPattern($typed, $pattern));
    }
}
