<?php

declare(strict_types=1);

namespace Zetema\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Proofreading\Flaw;
use Zetema\Core\Proofreading\Proofreader;
use Zetema\Core\Proofreading\Rule;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\Settings;

final class ProofreadingTest extends TestCase
{
    /** Feedback that keeps the rules about feedback quiet. */
    private const SAID = "\n if right: Well seen.\n if wrong: Look again.";

    /** @return iterable<string, array{string, Rule, string|null}> text, rule, the line it is told at or null where it must keep quiet */
    public static function cases(): iterable
    {
        $one = static fn (string $stem, string ...$choices): string => "one: $stem\n yes: " . implode("\n no: ", $choices) . self::SAID;
        $areas = static fn (string $right, string $other, string $is = 'no'): string => "regions: Click the queen here.\n image: frame.svg\n  size: 400 300\n  shows: a frame\n area yes: $right\n area $is: $other" .
            self::SAID;
        $plain = ['Smoke calms them', 'Water cools them', 'Light wakes them'];
        $cases = [
            [$one('Which of these is not a bee?', ...$plain), Rule::NegativeStem, 'stem'],
            [$one('Which of these is **not** a bee?', ...$plain), Rule::NegativeStem, null],
            [$one('Which of these isn’t a bee?', ...$plain), Rule::NegativeStem, 'stem'],
            [$one('All of these sting except which?', ...$plain), Rule::NegativeStem, 'stem'],
            [$one('How long does it take at least?', ...$plain), Rule::NegativeStem, null],
            ['true: A drone does not sting.' . self::SAID, Rule::NegativeStem, null],
            [$one('Which is **not** so?', 'They do not sting', 'They sting', 'They fly'), Rule::DoubleNegative, 'answer 1'],
            [$one('Which is so?', 'They do not sting', 'They sting', 'They fly'), Rule::DoubleNegative, null],
            [$one('The colony', ...$plain), Rule::NoQuestion, 'stem'],
            [$one('What calms the bees of a colony?', ...$plain), Rule::NoQuestion, null],
            [$one('Bees are calmed by the following:', ...$plain), Rule::NoQuestion, null],
            [$one('Smoke?', ...$plain), Rule::NoQuestion, 'stem'],
            ['true: Does a drone sting at all?' . self::SAID, Rule::NoQuestion, 'stem'],
            ['true: A drone has no sting.' . self::SAID, Rule::NoQuestion, null],
            ["gaps: A colony has one ___\n gap 1: queen" . self::SAID, Rule::NoQuestion, null],
            [$one('What, ' . str_repeat('then and there, ', 60) . 'calms bees?', ...$plain), Rule::LongStem, 'stem'],
            [$one('What calms the bees of a colony?', ...$plain), Rule::LongStem, null],
            [$one('What calms bees here?', 'Smoke', 'Water', 'All of the above'), Rule::AllOrNone, 'answer 3'],
            [$one('What calms bees here?', 'Smoke', 'Water', 'None of these'), Rule::AllOrNone, 'answer 3'],
            [$one('What calms bees here?', 'Smoke', 'Water', 'All colonies at once'), Rule::AllOrNone, null],
            [$one('What calms bees here?', 'Smoke', 'They are always calm', 'Water'), Rule::AbsoluteWord, 'answer 2'],
            [$one('What calms bees here?', 'Smoke always does', 'Water', 'Light'), Rule::AbsoluteWord, null],
            ['false: A queen never leaves the hive.' . self::SAID, Rule::AbsoluteWord, 'stem'],
            [$one('What calms bees here?', 'Cool smoke from dry hessian, given slowly at the entrance', 'Water', 'Light'), Rule::LongKey, 'answer 1'],
            [$one('What calms bees here?', 'Cool smoke', 'Cold water from a spray', 'Light'), Rule::LongKey, null],
            [$one('What calms bees here?', 'Smoke', 'Water', 'smoke.'), Rule::EqualChoices, 'answer 3'],
            [$one('What calms bees here?', 'Smoke', 'Water', 'Warm smoke'), Rule::EqualChoices, null],
            [$one('How many mites fall?', '10 to 20', '15 to 30', '40 to 50'), Rule::OverlappingChoices, 'answer 2'],
            [$one('How many mites fall?', '10 to 20', '20 to 30', '30 to 40'), Rule::OverlappingChoices, null],
            [$one('A bee that collects is called a', 'forager', 'egg', 'drone'), Rule::ArticleClue, 'answer 2'],
            [$one('A bee that collects is called a/an', 'forager', 'egg', 'drone'), Rule::ArticleClue, 'answer 1'],
            [$one('What is a bee that collects called?', 'forager', 'egg', 'drone'), Rule::ArticleClue, null],
            [$one('What hangs in the hive?', 'combs', 'tree', 'cloud'), Rule::NumberClue, 'answer 1'],
            [$one('What hangs in the hive?', 'combs', 'trees', 'clouds'), Rule::NumberClue, null],
            [$one('Which bee does the foraging?', 'The foraging bee', 'The drone', 'The queen'), Rule::WordClue, 'answer 1'],
            [$one('Which bee does the foraging?', 'The old worker', 'The drone', 'The queen'), Rule::WordClue, null],
            [$one('What calms bees here?', 'Smoke', 'Water'), Rule::FewChoices, 'answer 2'],
            [$one('What calms bees here?', 'Smoke', 'Water', 'Light'), Rule::FewChoices, null],
            ['true: A drone has no sting.' . self::SAID, Rule::FewChoices, null],
            [$one('What calms bees here?', 'A little bit of smoke', 'A little bit of water', 'A little bit of light'), Rule::SameBeginning, 'answer 1'],
            [$one('How many days pass?', '16', '24', '21'), Rule::NumbersUnordered, 'answer 3'],
            [$one('How many days pass?', '16', '21', '24') . "\n shuffle: yes", Rule::NumbersUnordered, 'marking'],
            [$one('How many days pass?', '16', '21', '24'), Rule::NumbersUnordered, null],
            ["several: What belongs to bees?\n yes: Wax\n yes: Honey\n yes: Wings" . self::SAID, Rule::NothingToChoose, 'answer 1'],
            ["several: What belongs to bees?\n yes: Wax\n yes: Honey\n no: Wool" . self::SAID, Rule::NothingToChoose, null],
            [$one('What does ![](frame.svg) show?', ...$plain), Rule::NoDescription, 'stem'],
            [$one('What does ![a frame](frame.svg) show?', ...$plain), Rule::NoDescription, null],
            ["one: What calms bees?\n yes: Smoke\n no: Water\n no: Light", Rule::NoFeedback, 'feedback'],
            ["one: What calms bees?\n yes: Smoke\n  says: Yes, it does.\n no: Water\n no: Light", Rule::NoFeedback, null],
            ["rating: How calm are you here?\n scale: 1 to 5", Rule::NoFeedback, null],
            ["one: What calms bees?\n yes: Smoke\n no: Water\n  says: No.\n no: Light\n  says: No!", Rule::EqualFeedback, 'answer 3'],
            ["one: What calms bees?\n yes: Smoke\n no: Water\n no: Light\n if right: So it is.\n if wrong: So it is.", Rule::EqualFeedback, 'feedback'],
            ["one: What calms bees?\n yes: Smoke\n  says: Yes.\n no: Water\n  says: No.\n no: Light", Rule::BlankFeedback, 'answer 3'],
            [$one('What calms bees here?', 'Smoke', 'Water', 'Light') . "\n hint: Think of smoke.", Rule::HintGivesAway, 'hint 1'],
            [$one('What calms bees here?', 'Smoke', 'Water', 'Light') . "\n hint: Think of fire.", Rule::HintGivesAway, null],
            ["text: What drops onto the board?\n answer: varroa\n hint: It is called Varroa." . self::SAID, Rule::HintGivesAway, 'hint 1'],
            ["text: What drops onto the board?\n answer: varroa" . self::SAID, Rule::OneWording, 'answer 1'],
            ["text: What drops onto the board?\n answer: varroa\n typos: 1" . self::SAID, Rule::OneWording, null],
            ["text: What drops onto the board?\n answer: varroa\n answer: mite" . self::SAID, Rule::OneWording, null],
            [$areas('rectangle 10 10 50 50', 'rectangle 40 40 50 50'), Rule::AreaOverKey, 'area 2'],
            [$areas('ellipse 100 100 30 30', 'polygon 100,100 200,100 200,200'), Rule::AreaOverKey, 'area 2'],
            [$areas('rectangle 10 10 50 50', 'rectangle 61 10 50 50'), Rule::AreaOverKey, null],
            [$areas('ellipse 100 100 30 30', 'rectangle 70 70 5 5'), Rule::AreaOverKey, null],
            [$areas('rectangle 10 10 50 50', 'rectangle 40 40 50 50', 'yes'), Rule::AreaOverKey, null],
            ["number: How much does it weigh?\n answer: 14\n unit: kg" . self::SAID, Rule::NoTolerance, 'answer 1'],
            ["number: How much does it weigh?\n answer: 14 within 0.5\n unit: kg" . self::SAID, Rule::NoTolerance, null],
            ["number: How many queens are there?\n answer: 1" . self::SAID, Rule::NoTolerance, null],
            ["number: How many mites fall a day?\n answer: 9\n unit: mites, a day" . self::SAID, Rule::NoTolerance, null],
            ["number: How long is it from egg to bee, in hours?\n answer: 504\n unit: h, hours" . self::SAID, Rule::NoTolerance, null],
            ["number: How many litres are in 12 tins of 5 litres?\n answer: 60\n unit: l, litres" . self::SAID, Rule::NoTolerance, null],
            ["number: How much syrup is in 12 tins of 5 litres?\n answer: 60\n unit: l" . self::SAID, Rule::NoTolerance, null],
            ["number: How many frames were measured?\n answer: 9" . self::SAID, Rule::NoTolerance, null],
            ["number: How long does the swarm hang there, measured in hours?\n answer: 4.25" . self::SAID, Rule::NoTolerance, 'answer 1'],
            ["number: How long does the swarm hang there?\n answer: 4.25\n unit: h, hours" . self::SAID, Rule::NoTolerance, 'answer 1'],
            ["number: What is a half of a half?\n answer: 0.25" . self::SAID, Rule::NoTolerance, null],
            ["number: How warm is the brood nest?\n answer: 35\n unit: °C" . self::SAID, Rule::NoTolerance, 'answer 1'],
            ["one: What do you do first?\n marking: weighed\n yes 2: Wait\n no 5: Run\n no 0: Sing" . self::SAID, Rule::HeaviestIsNoKey, 'answer 2'],
            ["one: What do you do first?\n marking: weighed\n yes 5: Wait\n no 2: Run\n no 0: Sing" . self::SAID, Rule::HeaviestIsNoKey, null],
        ];
        foreach ($cases as $i => $case) {
            yield sprintf('%d %s: %s', $i + 1, $case[1]->value, $case[2] ?? 'quiet') => $case;
        }
    }

    #[DataProvider('cases')]
    public function test_a_rule_speaks_at_its_line_or_keeps_quiet(string $text, Rule $rule, ?string $where): void
    {
        $question = TextQuestions::one($text);
        $found = array_values(array_filter((new Proofreader())->read($question, $question->effective()), static fn (Flaw $f): bool => $f->rule === $rule));

        self::assertSame($where, $found[0]->where ?? null, implode("\n", array_map(static fn (Flaw $f): string => $f->message, $found)));
    }

    public function test_every_rule_says_why_and_what_to_do(): void
    {
        foreach (Rule::cases() as $rule) {
            self::assertMatchesRegularExpression('/^[A-Z].{20,}\.$/u', $rule->reason(), $rule->value);
            self::assertMatchesRegularExpression('/^[A-Z].{10,}\.$/u', $rule->remedy(), $rule->value);
        }
        self::assertGreaterThanOrEqual(16, count(Rule::cases()));
    }

    /** @return iterable<string, array{list<string>, string|null, list<int>}> the keys' places, the bank's shuffle, numbers of questions told */
    public static function keys(): iterable
    {
        yield 'always first' => [array_fill(0, 8, 'a'), null, range(0, 7)];
        yield 'always first, but the bank shuffles' => [array_fill(0, 8, 'a'), 'yes', []];
        yield 'spread' => [['a', 'b', 'c', 'a', 'b', 'c', 'a', 'b'], null, []];
        yield 'too few to say' => [array_fill(0, 5, 'a'), null, []];
        yield 'mostly second' => [['b', 'b', 'b', 'a', 'b', 'b', 'b', 'c'], null, [0, 1, 2, 4, 5, 6]];
    }

    /**
     * @param list<string> $places
     * @param list<int> $told
     */
    #[DataProvider('keys')]
    public function test_a_key_that_stands_in_one_place_over_a_bank_is_told(array $places, ?string $shuffle, array $told): void
    {
        $questions = array_map(
            static fn (string $key): Question => TextQuestions::one('one: Which one is it?' . implode('', array_map(static fn (string $c): string => "\n " . ($c === $key ? 'yes' : 'no') . ": $c", ['a', 'b', 'c']))),
            $places,
        );
        $bank = $shuffle === null ? null : new \Zetema\Core\Question\Settings\BankSettings(Settings::of(['shuffle' => $shuffle]));
        $findings = (new Proofreader())->across($questions, $bank);
        ksort($findings);

        self::assertSame($told, array_keys($findings));
    }

    /** @return iterable<string, array{string, int}> the claims' keys, how many are told */
    public static function claims(): iterable
    {
        yield 'all true' => ['tttttt', 6];
        yield 'balanced' => ['tttfff', 0];
        yield 'mostly false' => ['fffffft', 6];
        yield 'too few to say' => ['ttttt', 0];
    }

    #[DataProvider('claims')]
    public function test_claims_out_of_balance_are_told(string $keys, int $told): void
    {
        $questions = array_map(static fn (string $key): Question => TextQuestions::one(($key === 't' ? 'true' : 'false') . ': A claim of ours.'), str_split($keys));

        self::assertCount($told, (new Proofreader())->across($questions));
    }
}
