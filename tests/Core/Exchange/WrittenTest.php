<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Exchange\Recognition;
use Zetema\Core\Exchange\SourceFormat;
use Zetema\Core\Exchange\Table\Meaning;
use Zetema\Core\Exchange\TypedPaper\PaperText;
use Zetema\Core\Exchange\Written\Alternatives;
use Zetema\Core\Exchange\Written\Characters;
use Zetema\Core\Exchange\Written\ChoiceKey;
use Zetema\Core\Exchange\Written\NumberAnswer;
use Zetema\Core\Exchange\Written\PointsSaid;
use Zetema\Core\Exchange\Written\Styled;

/** How people write keys, numbers, points and emphasis. */
final class WrittenTest extends TestCase
{
    /** @return iterable<string, array{string, list<int>|string}> what is said of drone, queen, worker as A, B, D; places from 0, or some words of the refusal */
    public static function keys(): iterable
    {
        yield 'a letter' => ['B', [1]];
        yield 'a small one in brackets' => ['(b)', [1]];
        yield 'letters in another order' => ['D, A', [0, 2]];
        yield 'a letter twice' => ['A, A', [0]];
        yield 'letters as a word' => ['AD', [0, 2]];
        yield 'a text' => ['Queen', [1]];
        yield 'a text with a full stop' => ['worker.', [2]];
        yield 'letter and text' => ['D) worker', [2]];
        yield 'letter, dash and text' => ['A – drone', [0]];
        yield 'a letter that is left out' => ['C', 'no choice C'];
        yield 'letter and another text' => ['A) queen', 'not what stands there'];
        yield 'a letter that is not there, with a text' => ['C) queen', 'no choice C'];
        yield 'nothing of it' => ['wasp', 'names no choice'];
    }

    /** @param list<int>|string $read */
    #[DataProvider('keys')]
    public function test_keys_of_choices(string $said, array|string $read): void
    {
        $key = ChoiceKey::read($said, ['A', 'B', 'D'], ['drone', 'queen', 'worker']);
        is_array($read) ? self::assertSame($read, $key) : self::assertStringContainsString($read, is_string($key) ? $key : '');
    }

    public function test_a_text_that_two_choices_have_is_no_key(): void
    {
        self::assertStringContainsString('more than one choice', (string) json_encode(ChoiceKey::read('queen bee', ['A', 'B'], ['queen bee', 'queen bee'])));
        self::assertSame([0], ChoiceKey::read('queen bee', ['A', 'B'], ['queen bee', 'Queen bee']), 'to the letter goes before nearly');
    }

    /** @return iterable<string, array{string, string|null, string|null}> typed, span, unit */
    public static function numbers(): iterable
    {
        yield 'whole' => ['12', '12', null];
        yield 'minus as a sign of its own' => ['−5', '-5', null];
        yield 'comma' => ['0,5', '0.5', null];
        yield 'thousands' => ['12,500', '12500', null];
        yield 'spaces between' => ['12 500', '12500', null];
        yield 'a fraction' => ['3/4', '0.75', null];
        yield 'a third' => ['1/3', '1/3', null];
        yield 'a measure' => ['25 km/h', '25', 'km/h'];
        yield 'a measure directly behind' => ['25kg', '25', 'kg'];
        yield 'a tolerance in per cent' => ['200 +/- 5%', '200 within 5 %', null];
        yield 'a tolerance with any unit' => ['3 frames (± 1)', '3 within 1', 'frames'];
        yield 'a unit behind its tolerance' => ['20 ± 2 mites', '20 within 2', 'mites'];
        yield 'a range with a unit' => ['34–36 °C', '34 to 36', '°C'];
        yield 'between' => ['between 1,5 and 2', '1.5 to 2', null];
        yield 'a code' => ['007', null, null];
        yield 'something counted' => ['3 frames', null, null];
        yield 'a day' => ['12.05.2020', null, null];
        yield 'and without between' => ['1 and 2', null, null];
        yield 'words' => ['a dozen', null, null];
        yield 'two numbers' => ['3 / 4', null, null];
    }

    #[DataProvider('numbers')]
    public function test_numbers(string $typed, ?string $span, ?string $unit): void
    {
        $read = NumberAnswer::read($typed);

        self::assertSame([$span, $unit], [$read?->span, $read?->unit]);
    }

    /** @return iterable<string, array{string, string|null}> */
    public static function points(): iterable
    {
        foreach (
            ['2' => '2', '2,5' => '2.5', '½' => '0.5', '1½' => '1.5', '1 ½' => '1.5', '0.01' => '0.01', '1000' => '1000', '0' => null, '0.001' => null, '1001' => null, '1.2.3' => null, 'two' => null, '' => null] as $said => $points
        ) {
            yield "“{$said}”" => [(string) $said, $points];
        }
    }

    #[DataProvider('points')]
    public function test_points(string $said, ?string $points): void
    {
        self::assertSame($points, PointsSaid::decimal($said));
    }

    /** @return iterable<string, array{string, int, list<string>}> an answer, the blanks, what is for each */
    public static function answersToBlanks(): iterable
    {
        yield 'semicolons before commas' => ['the queen, old; workers', 2, ['the queen, old', 'workers']];
        yield 'commas' => ['queen, workers', 2, ['queen', 'workers']];
        yield 'numbered' => ['1) queen 2) workers', 2, ['queen', 'workers']];
        yield 'numbered, with commas' => ['1. queen, 2. workers', 2, ['queen', 'workers']];
        yield 'one blank is not cut' => ['queen, old', 1, ['queen, old']];
        yield 'numbers that are no numbering' => ['2, 3', 2, ['2', '3']];
    }

    /** @param list<string> $parts */
    #[DataProvider('answersToBlanks')]
    public function test_answers_to_blanks(string $said, int $blanks, array $parts): void
    {
        self::assertSame($parts, Alternatives::ofBlanks($said, $blanks));
    }

    /** @return iterable<string, array{string, bool, list<string>}> */
    public static function alternatives(): iterable
    {
        yield 'a slash with spaces' => ['honey / nectar', false, ['honey', 'nectar']];
        yield 'a slash without' => ['km/h', false, ['km/h']];
        yield 'bars, with spaces or not' => ['honey|nectar | pollen', false, ['honey', 'nectar', 'pollen']];
        yield 'or' => ['honey or nectar', false, ['honey', 'nectar']];
        yield 'or within a word' => ['orchid', false, ['orchid']];
        yield 'semicolons where they count' => ['honey; nectar', true, ['honey', 'nectar']];
        yield 'semicolons where they do not' => ['honey; nectar', false, ['honey; nectar']];
        yield 'nothing beside a bar' => ['honey | ', false, ['honey']];
    }

    /** @param list<string> $wordings */
    #[DataProvider('alternatives')]
    public function test_alternatives(string $said, bool $semicolons, array $wordings): void
    {
        self::assertSame($wordings, Alternatives::of($said, $semicolons));
    }

    /** @return iterable<string, array{Styled, string, bool}> a text with styles, in Markdown, whether all of it is marked */
    public static function styled(): iterable
    {
        yield 'plain' => [new Styled('a  big   bee'), 'a big bee', false];
        yield 'a bold word' => [new Styled('a big bee', [[2, 5, 'b']]), 'a **big** bee', false];
        yield 'spaces are not made bold' => [new Styled('a big bee', [[1, 6, 'b']]), 'a **big** bee', false];
        yield 'runs that touch are one' => [new Styled('a big bee', [[2, 4, 'b'], [4, 5, 'b']]), 'a **big** bee', false];
        yield 'underlined and in italics alike' => [new Styled('a big bee', [[2, 5, 'u'], [6, 9, 'i']]), 'a *big bee*', false];
        yield 'bold within italics' => [new Styled('a big bee', [[2, 9, 'i'], [6, 9, 'b']]), 'a *big **bee***', false];
        yield 'all bold' => [new Styled(' a bee ', [[0, 7, 'b']]), '**a bee**', true];
        yield 'all bold in pieces' => [new Styled('a bee', [[0, 1, 'b'], [2, 5, 'b']]), '**a bee**', true];
        yield 'half bold, half underlined' => [new Styled('a bee', [[0, 1, 'b'], [2, 5, 'u']]), '**a** *bee*', false];
        yield 'all in italics marks nothing' => [new Styled('a bee', [[0, 5, 'i']]), '*a bee*', false];
    }

    #[DataProvider('styled')]
    public function test_styles_become_markdown(Styled $text, string $markdown, bool $isMarked): void
    {
        self::assertSame([$markdown, $isMarked], [$text->markdown(), $text->isWhollyMarked()]);
        if ($isMarked) {
            self::assertStringNotContainsString('**', $text->markdown(dropWhole: true), 'a mark of all of it is no emphasis');
        }
    }

    public function test_a_styled_text_is_cut_and_joined_with_its_styles(): void
    {
        $text = new Styled('a) the queen', [[7, 12, 'b']]);

        self::assertSame('the **queen**', $text->sub(3)->markdown());
        self::assertSame('a) **queen**', $text->without(3, 4)->markdown());
        self::assertSame('so: a) the **queen**', (new Styled('so: '))->followedBy($text)->markdown());
    }

    public function test_characters_that_look_alike_or_like_nothing(): void
    {
        self::assertSame('a b c', Characters::tidy(Characters::plain("a\u{00A0}\u{2009}b\u{00AD}\u{200B} \u{3000}c")));
        self::assertSame("it's \"so\"", Characters::straight('it’s “so”'));
        self::assertSame([true, true, false], array_map(Characters::hasControl(...), ["a\x00", "a\u{0085}", "a\tb\r\n\f"]));
    }

    /** @return iterable<string, array{string, SourceFormat}> */
    public static function texts(): iterable
    {
        yield 'our format' => ["-- a note\nobjective: A\n\nONE : Who?\n yes: she", SourceFormat::Text];
        yield 'its bank alone' => ["bank: Guild\n", SourceFormat::Text];
        yield 'a paper' => ["Guild paper\n\n1. Who lays?\na) x", SourceFormat::Paper];
        yield 'lettered lines' => ["Who lays?\na) x\nb) y", SourceFormat::Paper];
        yield 'a table by its headings' => ["Guild\nQuestion;Answer\nWho?;she", SourceFormat::Table];
        yield 'a table by its look' => ["Wording,Reply,Note\nWho?,she,x\nWhat?,it,y", SourceFormat::Table];
        yield 'sentences with commas are no table' => ["Bees, wasps.\nHoney, wax, pollen.\nMore, and more.", SourceFormat::Text];
        yield 'a numbered list with a colon' => ["1. Look: who lays?\nAnswer: she", SourceFormat::Paper];
    }

    #[DataProvider('texts')]
    public function test_the_way_in_is_recognised_by_what_a_text_holds(string $text, SourceFormat $format): void
    {
        self::assertSame($format, Recognition::of($text));
    }

    /** @return iterable<string, array{string, array{Meaning, int|null}|null}> */
    public static function headings(): iterable
    {
        yield 'case and signs do not matter' => ['  QUESTION_text: ', [Meaning::Stem, null]];
        yield 'a numbered choice' => ['Option 12', [Meaning::Choices, 12]];
        yield 'an answer with a number is a choice' => ['Answer 2', [Meaning::Choices, 2]];
        yield 'an answer without is the key' => ['Answer', [Meaning::Key, null]];
        yield 'a letter alone' => ['c', [Meaning::Choices, 3]];
        yield 'all in one' => ['Alternatives', [Meaning::Choices, null]];
        yield 'a wrong answer' => ['incorrect-2', [Meaning::Distractors, 2]];
        yield 'feedback of a choice' => ['Option B feedback', [Meaning::Says, 2]];
        yield 'feedback if wrong' => ['Incorrect feedback', [Meaning::Wrong, null]];
        yield 'another' => ['Written by', null];
        yield 'a letter beyond those of choices' => ['K', null];
    }

    /** @param array{Meaning, int|null}|null $means */
    #[DataProvider('headings')]
    public function test_headings_of_a_table(string $heading, ?array $means): void
    {
        self::assertSame($means, Meaning::ofHeading($heading));
    }

    /** @return iterable<string, array{string, string}> */
    public static function documents(): iterable
    {
        yield 'numbers and letters of lists are written out' => ['<ol start="3"><li>Who?<ol type="A"><li>he</li><li><b>she</b></li></ol></li></ol>', "3. Who?\nA) he\nB) **she**"];
        yield 'a list below a numbered paragraph is its choices' => ['<p>1. Who?</p><ol><li>he</li><li>she</li></ol>', "1. Who?\nA) he\nB) she"];
        yield 'bullets' => ['<p>1. Who?</p><ul><li>he</li><li><u>she</u></li></ul>', "1. Who?\n• he\n• **she**"];
        yield 'headings and bold paragraphs' => ['<h1>Bees</h1><p><b>Queens</b></p><p>1. Who?</p>', "# Bees\n\n## Queens\n1. Who?"];
        yield 'a bold stem is plain' => ['<p><b>1. Who?</b></p>', '1. Who?'];
        yield 'paragraphs that open nothing stand apart' => ['<p>1. Who?</p><p>Think.</p>', "1. Who?\n\nThink."];
        yield 'cells keep their tabs' => ['<table><tr><td>1. Nurse</td><td>A. feeds</td></tr></table>', "1. Nurse\tA. feeds"];
        yield 'numbers that stand there are not doubled' => ['<ol><li>1. Who?</li></ol>', '1. Who?'];
    }

    #[DataProvider('documents')]
    public function test_documents_become_papers_that_can_be_put_right_by_hand(string $html, string $text): void
    {
        self::assertSame($text, PaperText::ofHtml($html));
    }
}
