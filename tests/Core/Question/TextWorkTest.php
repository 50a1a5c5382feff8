<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Question;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Sketch;
use Zetema\Core\Question\TextWork;

/** Texts that would freeze a screen are refused in words; what people write is not. */
final class TextWorkTest extends TestCase
{
    /** @return iterable<string, array{string, string|null}> */
    public static function texts(): iterable
    {
        yield 'plain words' => ['Which of these is **a drone**?', null];
        yield 'a quotation in a quotation' => ["> > Bees\n> fly", null];
        yield 'a long text with emphasis in every paragraph' => [str_repeat("*Look* at the `frame`, and **count** the eggs [here](page:eggs).\n\n", 500), null];
        yield 'a fraction of fractions' => ['$\frac{\frac{a}{b}}{\frac{c}{\sqrt{d}}}$', null];
        yield 'a matrix' => ['$\begin{pmatrix}1&2\\\\3&4\end{pmatrix}$', null];
        yield 'money' => ['It costs $5 and {{{{{{{{{{ not $6', null];
        yield 'quotations without end' => [str_repeat('>', 5_000), 'more than 20 “>”'];
        yield 'quotations with spaces' => [str_repeat(' > ', 40) . 'x', 'more than 20 “>”'];
        yield 'emphasis that opens and opens' => [str_repeat('**a_', 2_400), '* _ [ `'];
        yield 'brackets' => [str_repeat('[', 1_500), '* _ [ `'];
        yield 'a formula in a formula' => ['$' . str_repeat('\sqrt{', 150) . 'x' . str_repeat('}', 150) . '$', 'more than 40 groups'];
        yield 'brackets in a formula' => ['$' . str_repeat('\left(', 60) . 'x' . str_repeat('\right)', 60) . '$', 'more than 40 groups'];
        yield 'a formula as long as a book' => ['$' . str_repeat('x+', 3_000) . 'x$', '4,000 characters'];
    }

    #[DataProvider('texts')]
    public function test_what_no_screen_shows_in_good_time_is_told(string $text, ?string $problem): void
    {
        $problem === null ? self::assertNull(TextWork::problem($text)) : self::assertStringContainsString($problem, (string) TextWork::problem($text));
    }

    public function test_a_question_with_one_in_any_of_its_texts_is_not_saved(): void
    {
        $this->expectException(Malformed::class);
        $this->expectExceptionMessage('more than 20 “>”');
        Sketch::of(
            Fields::of(['v' => 1, 'kind' => 'one', 'stem' => 'Which?', 'choices' => [['id' => 1, 'text' => 'a', 'key' => true, 'says' => str_repeat('>', 90)], ['id' => 2, 'text' => 'b', 'key' => false]]]),
            null,
            [],
        );
    }
}
