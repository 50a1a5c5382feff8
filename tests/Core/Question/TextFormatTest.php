<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Question;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Exchange\TextFormat\Reader;
use Zetema\Core\Exchange\TextFormat\Writer;
use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Answers\Wording;
use Zetema\Core\Question\Feedback\Hint;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Feedback\OutcomeText;
use Zetema\Core\Question\Kinds\One\One;
use Zetema\Core\Question\Kinds\Several\Several;
use Zetema\Core\Question\Kinds\Text\Text;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Question\Settings\Share;
use Zetema\Tests\Core\TextQuestions;

final class TextFormatTest extends TestCase
{
    use TestTrait;

    public function test_the_demo_bank_is_read_whole_and_written_back_the_same(): void
    {
        $text = (string) file_get_contents(dirname(__DIR__, 3) . '/demo/certificate.zet.txt');
        [$once, $problems] = self::rewritten($text);
        [$twice] = self::rewritten($once);

        self::assertSame([], $problems);
        self::assertSame($once, $twice);
    }

    /** @return iterable<string, array{string, int, int, string}> text, line, column, words of the message */
    public static function broken(): iterable
    {
        yield 'a misspelt word' => ["number: N\n  answr: 14", 2, 3, 'did you mean `answer:`?'];
        yield 'a value that does not go there' => ["one: S\n  points: many\n  yes: a\n  no: b", 2, 11, 'is no decimal'];
        yield 'no key' => ["one: S\n  no: a\n  no: b", 1, 1, 'no answer is the key'];
        yield 'one answer only' => ["one: S\n  yes: a", 1, 1, 'at least two answers'];
        yield 'a rule of another kind' => ["one: S\n  marking: parts\n  yes: a\n  no: b", 2, 12, 'does not go with'];
        yield 'points at an answer that is not weighed' => ["one: S\n  yes 5: a\n  no: b", 1, 1, 'points of its own'];
        yield 'an answer without points under weighed' => ["one: S\n  marking: weighed\n  yes 5: a\n  no: b", 1, 1, 'answer 2 has none'];
        yield 'worth written under weighed' => ["one: S\n  points: 5\n  marking: weighed\n  yes 5: a\n  no 0: b", 2, 11, 'the worth follows'];
        yield 'a span that is none' => ["number: N\n  answer: about 14", 2, 11, 'no number or span'];
        yield 'a setting twice' => ["one: S\n  points: 5\n  points: 6\n  yes: a\n  no: b", 3, 3, 'stands here twice'];
        yield 'a name twice' => ["true: A\n  name: x\nfalse: B\n  name: x", 4, 9, 'names are unique'];
        yield 'a word of another kind' => ["true: A\n  answer: x", 2, 3, 'does not belong to a question of kind claim'];
        yield 'too many decimals' => ["one: S\n  points: 1.005\n  yes: a\n  no: b", 2, 11, 'more decimals'];
        yield 'text after a setting' => ["one: S\n  points: 5\n  and more\n  yes: a\n  no: b", 3, 3, 'belongs to nothing'];
        yield 'a condition that is none' => ["one: S\n  yes: a\n  no: b\n  if rigth: c", 4, 3, 'is no line of this format'];
        yield 'says below a setting' => ["one: S\n  points: 5\n  says: x\n  yes: a\n  no: b", 3, 3, 'stands below'];
        yield 'each with a limit below its keys' => ["several: S\n  marking: each\n  choose: at most 1\n  yes: a\n  yes: b", 3, 11, 'as many choices'];
        yield 'a pair without its other side' => ["pairs: P\n  pair: a\n  pair: b\n    with: c", 2, 3, 'one `with:` below'];
        yield 'an item before its group' => ["groups: G\n  item: a\n  group: b\n  group: c", 2, 3, 'below its `group:`'];
        yield 'a gap left out' => ["gaps: G\n  gap 1: a\n  gap 3: b", 3, 3, 'number the gaps from 1'];
        yield 'a gap both typed and listed' => ["gaps: G\n  gap 1: a\n  gap 1 yes: b", 2, 3, 'not both'];
        yield 'a list of one to pick from' => ["gaps: G ___\n  gap 1 yes: b", 1, 1, 'a list of one'];
        yield 'parts of an order without saying which' => ["order: O\n  marking: parts\n  item: a\n  item: b", 2, 12, 'parts by place'];
        yield 'an area that is none' => ["regions: R\n  image: a.svg\n    shows: b\n  area yes: circle 1 2 3", 4, 13, 'ellipse 420 310'];
        yield 'areas that overlap under weighed' => ["regions: R\n  marking: weighed\n  image: a.svg\n    shows: b\n  area yes 2: rectangle 0 0 9 9\n  area no 1: rectangle 9 9 9 9", 1, 1, 'may not overlap'];
        yield 'a picture that nobody can hear' => ["regions: R\n  image: a.svg\n  area yes: rectangle 0 0 9 9", 1, 1, 'cannot see it'];
        yield 'a label at no spot' => ["place: P\n  image: a.svg\n    shows: b\n  spot: 1 1 1\n  label: x\n    at: 2", 1, 1, 'not there'];
        yield 'earns without weighed' => ["pairs: P\n  pair: a\n    with: b\n    earns: 2\n  pair: c\n    with: d", 1, 1, 'only go with'];
        yield 'a rating’s tally with a number' => ["rating: R\n  scale: 1 to 5\n  tally: calm +3", 3, 10, 'adds its value'];
        yield 'a scale the wrong way round' => ["rating: R\n  scale: 5 to 1", 1, 1, 'wrong way round'];
        yield 'a note on a choice that is not there' => ["one: S\n  yes: a\n  no: b\n  note when chosen 3: x", 1, 1, 'choice 3'];
        yield 'a zero under the line' => ["number: N\n  answer: 1/0", 2, 11, 'divided by 0'];
    }

    #[DataProvider('broken')]
    public function test_a_problem_is_told_at_its_line_and_column(string $text, int $line, int $column, string $words): void
    {
        $problems = array_merge(...array_map(static fn ($read): array => $read->problems, TextQuestions::all($text)));

        self::assertNotSame([], $problems);
        self::assertSame([$line, $column], [$problems[0]->line, $problems[0]->column], $problems[0]->message);
        self::assertStringContainsString($words, $problems[0]->message);
    }

    public function test_the_reader_goes_on_after_a_problem(): void
    {
        $read = TextQuestions::all("one: broken\n no: a\n no: b\n\ntrue: whole\n\nnumber: broken\n answer: x\n\nfalse: whole too");

        self::assertSame([false, true, false, true], array_map(static fn ($r): bool => $r->question !== null, $read));
        self::assertSame([[1, 3], [5, 5], [7, 8], [10, 10]], array_map(static fn ($r): array => [$r->fromLine, $r->toLine], $read));
    }

    public function test_blocks_of_every_add_up_and_the_kind_is_nearer(): void
    {
        [$one, $claim] = TextQuestions::all("every claim:\n points: 5\nevery question:\n points: 4\n wrong costs: 0.5\n shuffle: yes\nevery question:\n points: 3\none: a\n yes: b\n no: c\ntrue: d");

        self::assertSame(['points' => '3', 'wrong costs' => '0.5', 'shuffle' => 'yes'], $one->question?->settings->values);
        self::assertSame(['points' => '5', 'wrong costs' => '0.5'], $claim->question?->settings->values, 'true or false is not shuffled unless asked');
    }

    public function test_marks_comments_backslashes_and_line_ends_of_any_make(): void
    {
        $question = TextQuestions::one("\u{FEFF}ONE: First line\r\n  second line\r\n\r\n  \\points: belongs to the text\r\n-- a comment\r\n  Yes: a\r\n  NO: b\r\n");

        self::assertSame("First line\nsecond line\n\npoints: belongs to the text", $question->stem);
    }

    public function test_what_is_not_utf8_is_told_and_never_guessed(): void
    {
        $reader = new Reader();
        self::assertSame([], iterator_to_array($reader->questions("one: caf\xE9"), false));

        self::assertStringContainsString('not UTF-8', $reader->outside()[0]->message);
    }

    public function test_writing_and_reading_back_is_the_identity(): void
    {
        $word = Generators::elements('plain', 'two words', '-- dashes', 'points: 5', 'if right: no', 'yes: a', 'a: b: c', '\\back', '*strong* `code`', 'ä ≠ ß', "one\n\ntwo", "x\nno: y", 'answr: z', '  indented');
        $this->limitTo(150)
            ->forAll(
                Generators::vector(6, $word),
                Generators::elements('one', 'several', 'text', 'weighed'),
                Generators::elements([], ['points' => '2.5'], ['attempts' => 'unlimited', 'attempt costs' => '5, 50 %'], ['late' => 'marks', 'floor' => '-3', 'time' => '2 min']),
                Generators::choose(0, 3),
            )
            ->then(function (array $words, string $sort, array $settings, int $n): void {
                $question = self::question(array_map(static fn (mixed $w): string => is_string($w) ? $w : '', array_values($words)), $sort, $settings, $n);
                $read = TextQuestions::all((new Writer())->question($question));

                self::assertCount(1, $read);
                self::assertEquals($question, $read[0]->question, implode('; ', array_map(static fn ($p): string => $p->message, $read[0]->problems)));
            });
    }

    /**
     * @param list<string> $w
     * @param array<mixed> $values
     */
    private static function question(array $w, string $sort, array $values, int $n): Question
    {
        $settings = [];
        foreach ($values as $key => $value) {
            $settings[(string) $key] = is_string($value) ? $value : '';
        }
        if ($sort === 'weighed') {
            unset($settings['points']);
            $settings['marking'] = 'weighed';
        }
        $weight = $sort === 'weighed' ? Points::of((string) ($n + 1)) : null;
        $choices = [new Choice(1, $w[1], true, $weight, says: $w[2]), new Choice(2, $w[3], false, $weight === null ? null : Points::of('-1.5'), pinned: $n > 1, tallies: $n > 2 ? ['patience' => -2] : [])];
        $kind = match ($sort) {
            'several' => new Several($choices),
            'text' => new Text([new Wording(strtr($w[1], "\n", ' '), Share::whole(), says: $w[2]), new Wording(strtr($w[3], "\n", ' '), Share::ofPercent('12.5'), isPattern: true)]),
            default => new One($choices),
        };

        return new Question(
            $kind,
            $w[0],
            Settings::of($settings),
            $n > 0 ? "name $n" : null,
            $n > 1 ? ['Colony life', 'Castes'] : [],
            $n > 2 ? ['a', 'b c'] : [],
            outcomeTexts: [new OutcomeText(Outcome::Wrong, $w[4], onLast: $n > 1), new OutcomeText(Outcome::Partly, $w[5], $n > 0 ? $n : null)],
            hints: $n > 1 ? [new Hint($w[5], $n, 10, Points::of('0.5'))] : [],
        );
    }

    /** @return array{string, list<string>} the text in normal form, and problems */
    private static function rewritten(string $text): array
    {
        $writer = new Writer();
        $written = '';
        $problems = [];
        foreach (TextQuestions::all($text) as $read) {
            $written .= $read->question === null ? '' : $writer->question($read->question);
            array_push($problems, ...array_map(static fn ($p): string => $p->message, $read->problems));
        }

        return [$written, $problems];
    }

    /** @return iterable<string, array{string, int|null, string}> text, the line with a problem, what is said */
    public static function swallowed(): iterable
    {
        yield 'an unknown word flush left' => ["one: First?\n  yes: a\n  no: b\n\nmultiple: Third?\n  yes: c\n  no: d", 5, '`multiple:` opens nothing'];
        yield 'where everything stands flush left' => ["one: First?\nyes: a\nno: b\n\nmatching pairs: Third?\npair: c", 5, '`matching pairs:` opens nothing'];
        yield 'a kind without its colon' => ["one: First?\n  yes: a\n  no: b\n\nseveral Which fit?\n  yes: c", 5, 'after `several` a colon is missing'];
        yield 'a claim without its colon' => ["one: First?\n  yes: a\n  no: b\n\ntrue Bees fly.\n", 5, 'after `true` a colon is missing'];
        yield 'an answer that goes on indented' => ["one: First?\n  yes: a\n  no: b\n    Remember: it goes on\n  no: c", null, ''];
        yield 'a backslash says it is text' => ["one: First?\n  yes: a\n  no: b\n\n\\multiple: no question\n  no: c", null, ''];
        yield 'paragraphs of a stem may begin with anything' => ["one: First?\n\nNote: a word of warning.\n  yes: a\n  no: b", null, ''];
        yield 'a sentence that begins with a kind' => ["one: First?\n  yes: a\n  no: b\n\none day it went on\n  no: c", 5, 'a colon is missing'];
        yield 'a sentence within an answer' => ["one: First?\nyes: a\none day it went on\nno: c", null, ''];
    }

    #[DataProvider('swallowed')]
    public function test_a_question_that_does_not_open_is_not_swallowed_by_the_one_above(string $text, ?int $line, string $said): void
    {
        $problems = array_merge(...array_map(static fn ($read): array => $read->problems, TextQuestions::all($text)));

        self::assertSame($line === null ? [] : [$line], array_slice(array_map(static fn ($p): int => $p->line, $problems), 0, 1));
        if ($line !== null) {
            self::assertStringContainsString($said, $problems[0]->message);
        }
    }

    public function test_the_settings_of_the_bank_itself_are_read_as_such(): void
    {
        $reader = new Reader();
        $read = iterator_to_array(
            $reader->questions("bank: B\n\nbank settings:\n  points: 10\n  shuffle: yes\n\nbank settings for claim:\n  points: 5\n\nevery question:\n  attempts: 2\n\none: W?\n yes: a\n no: b\n\ntrue: C.\n"),
            false,
        );

        self::assertSame([], $reader->outside());
        self::assertSame([['points' => '10', 'shuffle' => 'yes'], ['points' => '5']], [$reader->bankSettings()->every->values, $reader->bankSettings()->byKind['claim']->values]);
        self::assertSame(['attempts' => '2'], $read[0]->question?->settings->values);
        $settings = $read[0]->question->effective($reader->bankSettings());
        self::assertSame(['10', 'yes'], [$settings->get(Setting::Points), $settings->get(Setting::Shuffle)]);
        $claim = $read[1]->question?->effective($reader->bankSettings());
        self::assertSame(['5', 'no'], [$claim?->get(Setting::Points), $claim?->get(Setting::Shuffle)], 'a bank’s shuffle leaves true or false as it is written');
    }

    /** @return iterable<string, array{string, string}> */
    public static function noBankSettings(): iterable
    {
        yield 'a word that is no setting' => ["bank settings:\n  tags: x\n", '`tags:` is no setting'];
        yield 'a setting without meaning for the kind' => ["bank settings for number:\n  shuffle: yes\n", 'has no meaning for a question of kind number'];
        yield 'a kind that there is not' => ["bank settings for riddle:\n  points: 2\n", '`bank settings for claim:` would be'];
        yield 'a value that does not go there' => ["bank settings:\n  points: many\n", 'is no decimal number'];
    }

    #[DataProvider('noBankSettings')]
    public function test_settings_that_no_bank_can_have_are_a_problem_at_their_line(string $text, string $said): void
    {
        $reader = new Reader();
        iterator_to_array($reader->questions($text . "\ntrue: C.\n"), false);

        self::assertStringContainsString($said, $reader->outside()[0]->message);
    }
}
