<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Question;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Change\WantedChange;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Tests\Core\TextQuestions;

/** What a change of many comes to for one question: what changes from what to what, what stays and why. */
final class WantedChangeTest extends TestCase
{
    private const ONE = "one: Which mite?\n points: 10\n tags: season, mites\n yes: varroa mite\n  says: The varroa mite.\n no: wax moth\n if wrong: Look at the mite.\n hint: It is a mite.";
    private const CLAIM = "true: Bees fly.\n points: 10";
    private const WEIGHED = "one: Which?\n marking: weighed\n yes 3: a\n no -1: b";
    private const NUMBER = "number: How many?\n points: 10\n answer: 14";

    /** @return iterable<string, array{string, array<string, mixed>, list<string>, list<string>}> question, wanted, "what: from → to", "what: why it stays" */
    public static function changes(): iterable
    {
        yield 'points' => [self::ONE, ['settings' => ['points' => '5']], ['points: 10 → 5'], []];
        yield 'points that it has' => [self::ONE, ['settings' => ['points' => '10']], [], ['points: has it already']];
        yield 'points that it has from its bank' => ["one: Which?\n yes: a\n no: b", ['settings' => ['points' => '3']], [], ['points: has it already']];
        yield 'points of its bank become its own' => ["one: Which?\n yes: a\n no: b", ['settings' => ['points' => '4']], ['points: 3 → 4'], []];
        yield 'a weighed question has no points' => [self::WEIGHED, ['settings' => ['points' => '5']], [], ['points: weighed: its points stand at its answers']];
        yield 'a scale earns nothing' => ["rating: How sure?\n scale: 1 to 5", ['settings' => ['points' => '5']], [], ['points: it is recorded only, and earns nothing']];
        yield 'nor does what has no key' => [
            "one: Which?\n key: none\n no: a\n no: b",
            ['settings' => ['points' => '5', 'wrong costs' => '1']],
            [],
            ['points: it is recorded only, and earns nothing', 'wrong costs: it is recorded only, and earns nothing'],
        ];
        yield 'by kind in one go: the claims' => [self::CLAIM, ['settings' => ['points' => '10'], 'byKind' => ['claim' => ['points' => '5']]], ['points: 10 → 5'], []];
        yield 'by kind in one go: the rest' => [self::NUMBER, ['settings' => ['points' => '20'], 'byKind' => ['claim' => ['points' => '5']]], ['points: 10 → 20'], []];
        yield 'back to what the bank has' => [self::ONE, ['settings' => ['points' => null]], ['points: 10 → 3, as the bank has it'], []];
        yield 'no setting of its own to take back' => ["one: Which?\n yes: a\n no: b", ['settings' => ['points' => null]], [], ['points: has it already']];
        yield 'shuffle leaves claims alone' => [self::CLAIM, ['settings' => ['shuffle' => 'yes']], [], ['shuffle: claims stay as written unless you say so']];
        yield 'unless they are named' => [self::CLAIM, ['byKind' => ['claim' => ['shuffle' => 'yes']]], ['shuffle: no → yes'], []];
        yield 'what the kind does not have' => [
            self::NUMBER,
            ['settings' => ['shuffle' => 'yes', 'marking' => 'parts']],
            [],
            ['marking: a question of kind number has no “marking: parts”', 'shuffle: a question of kind number has no “shuffle”'],
        ];
        yield 'what would keep it from being whole' => [self::ONE, ['settings' => ['points' => '0.125']], [], ['points: 0.125 has more decimals than the 2 that marks are rounded to']];
        yield 'time, as it is written' => [self::ONE, ['settings' => ['time' => '1:30', 'attempts' => '2', 'attempt costs' => '50 %']], ['attempts: 1 → 2', 'attempt costs: 0 → 50 %', 'time: none → 90 s'], []];
        yield 'tags put on and taken off' => [self::ONE, ['addTags' => ['exam', 'mites'], 'dropTags' => ['season']], ['tags: season, mites → mites, exam'], []];
        yield 'tags that it has' => [self::ONE, ['addTags' => ['mites']], [], ['tags: has it already']];
        yield 'difficulty' => [self::ONE, ['difficulty' => 'hard'], ['difficulty: none → hard'], []];
        yield 'an objective' => [self::ONE, ['objective' => 'Health > Mites'], ['objective: Frames → Mites'], []];
        yield 'the objective where it stands' => [self::ONE, ['objective' => 'Hive > Frames'], [], ['objective: stands there already']];
        yield 'words of feedback' => [self::ONE, ['feedback' => ['wrong' => 'Not this one.', 'right' => 'So it is.']], ['if wrong: Look at the mite. → Not this one.', 'if right: nothing of its own → So it is.'], []];
        yield 'words of feedback taken out' => [self::ONE, ['feedback' => ['wrong' => '']], ['if wrong: Look at the mite. → nothing of its own'], []];
        yield 'replaced in stem, answers, what is said, hints' => [self::ONE, ['replace' => ['find' => 'mite', 'with' => 'tick']], ['texts: 5 × → “mite” becomes “tick”'], []];
        yield 'replaced whatever its capitals' => [self::ONE, ['replace' => ['find' => 'WHICH', 'with' => 'What', 'sameCase' => false]], ['texts: 1 × → “WHICH” becomes “What”'], []];
        yield 'signs that mean something elsewhere stand for themselves' => ["one: Is it (a.b)?\n yes: $1\n no: b", ['replace' => ['find' => '(a.b)', 'with' => '$1\\']], ['texts: 1 × → “(a.b)” becomes “$1\\”'], []];
        yield 'nothing to replace' => [self::ONE, ['replace' => ['find' => 'wasp', 'with' => '']], [], ['texts: do not have it']];
        yield 'a stem must be left' => ["one: mite\n yes: a\n no: b", ['replace' => ['find' => 'mite', 'with' => '']], [], ['texts: the stem is empty']];
        yield 'parts of one change stand or fall by themselves' => [self::WEIGHED, ['settings' => ['points' => '5', 'attempts' => '3']], ['attempts: 1 → 3'], ['points: weighed: its points stand at its answers']];
    }

    /**
     * @param array<string, mixed> $wanted
     * @param list<string> $changes
     * @param list<string> $stays
     */
    #[DataProvider('changes')]
    public function test_what_changes_and_what_stays(string $text, array $wanted, array $changes, array $stays): void
    {
        $question = TextQuestions::one($text);
        $bank = new BankSettings(Settings::of(['points' => '3']), []);
        $changed = WantedChange::of(Fields::of($wanted))->to($question->toData(), null, ['Hive', 'Frames'], $bank, true);

        self::assertSame($changes, array_map(static fn (array $c): string => "$c[what]: $c[from] → $c[to]", $changed->changes));
        self::assertSame($stays, array_map(static fn (array $s): string => "$s[what]: $s[why]", $changed->stays));
        self::assertNull($changed->sketch->problem);
        self::assertSame($changes === [], $changed->isNone());
        self::assertSame($changes === [] || $changed->objective !== null, $changed->sketch->data === $question->toData(), 'what is not told does not change');
    }

    public function test_what_is_not_whole_yet_is_changed_as_it_is(): void
    {
        $content = ['v' => 1, 'kind' => 'one', 'stem' => '', 'choices' => [], 'settings' => ['points' => '10']];
        $changed = WantedChange::of(Fields::of(['settings' => ['points' => '5'], 'addTags' => ['new']]))->to($content, null, [], new BankSettings(Settings::none(), []), false);

        self::assertSame([['points' => '5'], ['new']], [$changed->sketch->data['settings'], $changed->sketch->data['tags']]);
        self::assertNotNull($changed->sketch->problem);
    }

    public function test_what_was_chosen_reads_back_as_the_question_that_it_makes(): void
    {
        $changed = WantedChange::of(Fields::of(['settings' => ['points' => '5'], 'feedback' => ['wrong' => 'No.'], 'replace' => ['find' => 'mite', 'with' => 'tick']]))->to(
            TextQuestions::one(self::ONE)->toData(),
            null,
            [],
            new BankSettings(Settings::none(), []),
            true,
        );
        $question = $changed->sketch->question;

        self::assertInstanceOf(Question::class, $question);
        self::assertSame(['5', 'Which tick?', 'varroa tick'], [$question->settings->values['points'], $question->stem, $question->kind->choices()[0]->text]);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        yield 'no such setting' => [['settings' => ['colour' => 'red']], 'colour: cannot be changed for many'];
        yield 'a setting of one question alone' => [['settings' => ['unit' => 'g']], 'unit: cannot be changed for many'];
        yield 'a value that does not go there' => [['settings' => ['points' => 'lots']], 'points: '];
        yield 'no such kind' => [['byKind' => ['essay' => ['points' => '5']]], 'byKind: there is no kind “essay”'];
        yield 'no such difficulty' => [['difficulty' => 'fiendish'], 'difficulty: “fiendish” is none'];
        yield 'no such outcome' => [['feedback' => ['good' => 'x']], 'feedback: there is no outcome “good”'];
        yield 'nothing to find' => [['replace' => ['find' => '', 'with' => 'x']], 'replace: needs a text to find'];
        yield 'two tags in one' => [['addTags' => ['a, b']], 'addTags: “a, b” is no tag'];
        yield 'another field' => [['stem' => 'x'], 'stem: is no field here'];
    }

    /** @param array<string, mixed> $wanted */
    #[DataProvider('refused')]
    public function test_what_cannot_be_wanted_is_refused(array $wanted, string $why): void
    {
        $this->expectException(Malformed::class);
        $this->expectExceptionMessage($why);

        WantedChange::of(Fields::of($wanted));
    }
}
