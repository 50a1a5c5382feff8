<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange\Qti;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Tests\Speed;

/** Whatever way an item says what is worth what, it comes out as the simplest marking of ours that gives the same marks. */
final class ItemMarkingTest extends TestCase
{
    private const FOUR = ['A' => 'Shovel', 'B' => 'Spade', 'C' => 'Comb', 'D' => 'Hive tool'];
    private const BLANK = '<isNull><variable identifier="RESPONSE"/></isNull>';
    private const ADD_ONE = '<sum><variable identifier="SCORE"/><baseValue baseType="float">1</baseValue></sum>';

    /** @return iterable<string, array{string, list<string>, list<string>, 3?: list<string>}> item, settings and answers of the text format, what has no counterpart, problems */
    public static function choices(): iterable
    {
        $one = static fn (string $declaration, string $rules, string $attributes = 'maxChoices="1"'): string => Items::xml($declaration . Items::choices(self::FOUR, $attributes) . $rules);
        $B = ['no: Shovel', 'yes: Spade', 'no: Comb', 'no: Hive tool'];
        $AC = ['yes: Shovel', 'no: Spade', 'yes: Comb', 'no: Hive tool'];
        $right = Items::set(Items::number('1'));
        yield 'the template for what is correct' => [$one(Items::response('B'), Items::template('match_correct')), $B, []];
        yield 'the template at its address of version 3' => [$one(Items::response('B'), '<responseProcessing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml"/>'), $B, []];
        yield 'the template written out' => [$one(Items::response('B'), Items::rules(Items::when([Items::right() => $right, '' => Items::set(Items::number('0'))]))), $B, []];
        yield 'the same by what the response contains' => [$one(Items::response('B'), Items::rules(Items::when(['<member><variable identifier="RESPONSE"/><multiple><baseValue baseType="identifier">B</baseValue></multiple></member>' => $right]))), $B, []];
        yield 'the same by leaving the others out' => [$one(Items::response('B'), Items::rules(Items::when([
            '<or><match><variable identifier="RESPONSE"/>' . Items::number('A', 'identifier') . '</match><match><variable identifier="RESPONSE"/>' . Items::number('C', 'identifier') . '</match><match><variable identifier="RESPONSE"/>' . Items::number('D', 'identifier') . '</match>' . self::BLANK . '</or>' => '<exitResponse/>',
        ]), $right)), $B, []];
        yield 'points and costs' => [$one(Items::response('B'), Items::rules(Items::when([self::BLANK => Items::set(Items::number('-1')), Items::right() => Items::set(Items::number('5')), '' => Items::set(Items::number('-2'))]))), ['points: 5', 'wrong costs: 2', 'blank costs: 1', ...$B], []];
        yield 'no rules at all: what is correct' => [$one(Items::response('B'), ''), $B, []];
        yield 'no rules at all: a mapping' => [$one(Items::response('B', more: Items::mapping(['B' => '3'])), ''), ['points: 3', ...$B], []];
        yield 'no rules, nothing correct' => [$one(Items::response(''), ''), ['key: none', 'no: Shovel', 'no: Spade', 'no: Comb', 'no: Hive tool'], []];
        yield 'a mapping of several values' => [$one(Items::response('A', more: Items::mapping(['A' => '8', 'B' => '5'])), Items::template('map_response')), ['marking: weighed', 'yes 8: Shovel', 'no 5: Spade', 'no 0: Comb', 'no 0: Hive tool'], []];
        yield 'a mapping that only tells right from wrong' => [$one(Items::response('A', more: Items::mapping(['A' => '3'], 'defaultValue="-1"')), Items::template('map_response')), ['points: 3', 'wrong costs: 1', 'yes: Shovel', 'no: Spade', 'no: Comb', 'no: Hive tool'], []];
        yield 'two that score the same' => [$one(Items::response('A', more: Items::mapping(['A' => '2', 'C' => '2'])), Items::template('map_response')), ['points: 2', ...$AC], []];
        yield 'marks of a half' => [$one(Items::response('B'), Items::rules(Items::when([Items::right() => Items::set(Items::number('2.5'))]))), ['points: 2.5', ...$B], []];
        yield 'marks of three decimals' => [$one(Items::response('B'), Items::rules(Items::when([Items::right() => Items::set(Items::number('0.125'))]))), ['points: 0.125', 'decimals: 3', ...$B], []];
        yield 'marks of more decimals than ours have' => [$one(Items::response('B'), Items::rules(Items::when([Items::right() => Items::set(Items::number('0.12345'))]))), ['points: 0.1235', 'decimals: 4', ...$B], ['responseProcessing']];
        yield 'more points than ours may have' => [$one(Items::response('B'), Items::rules(Items::when([Items::right() => Items::set(Items::number('5000'))]))), ['points: 1000', ...$B], ['responseProcessing']];
        yield 'a later attempt is worth less' => [$one(Items::response('B'), Items::rules(Items::when([Items::right() => Items::set('<max>' . Items::number('1') . '<subtract>' . Items::number('7') . '<product>' . Items::number('2') . '<integerToFloat><variable identifier="numAttempts"/></integerToFloat></product></subtract></max>')]))), ['points: 5', 'attempt costs: 2, 4', ...$B], []];
        yield 'the second attempt costs, all further ones more' => [$one(Items::response('B'), Items::rules(
            Items::when([Items::right() => Items::set(Items::number('10'))]),
            Items::when(['<and><gt><variable identifier="SCORE"/>' . Items::number('0') . '</gt><equal><variable identifier="numAttempts"/>' . Items::number('2', 'integer') . '</equal></and>' => Items::set('<subtract><variable identifier="SCORE"/>' . Items::number('2') . '</subtract>'), '<and><gt><variable identifier="SCORE"/>' . Items::number('0') . '</gt><gt><variable identifier="numAttempts"/>' . Items::number('2', 'integer') . '</gt></and>' => Items::set('<subtract><variable identifier="SCORE"/>' . Items::number('5') . '</subtract>')]),
        )), ['points: 10', 'attempt costs: 2, 5', ...$B], []];
        yield 'the score has another name' => [$one(Items::response('B') . '<outcomeDeclaration identifier="GRADE" cardinality="single" baseType="integer"/>', Items::rules(Items::when([Items::right() => Items::set(Items::number('4', 'integer'), 'GRADE')]))), ['points: 4', ...$B], []];
        yield 'an expression that is not run' => [$one(Items::response('B'), Items::rules(Items::when(['<customOperator class="x"><variable identifier="RESPONSE"/></customOperator>' => $right]))), $B, ['customOperator']];
        yield 'a template that nobody knows' => [$one(Items::response('B'), Items::template('my_own')), $B, ['responseProcessing']];
        yield 'rules that no marking of ours is like' => [$one(Items::response('B'), Items::rules(Items::when([self::BLANK => Items::set(Items::number('1')), Items::right() => Items::set(Items::number('3'))]))), ['points: 3', ...$B], ['responseProcessing']];
        yield 'another scores than is correct' => [$one(Items::response('B'), Items::rules(Items::when(['<match><variable identifier="RESPONSE"/>' . Items::number('A', 'identifier') . '</match>' => $right]))), ['yes: Shovel', 'no: Spade', 'no: Comb', 'no: Hive tool'], [], ['correctResponse']];
        yield 'something is correct, nothing scores' => [$one(Items::response('B'), Items::rules(Items::set(Items::number('0')))), $B, ['responseProcessing']];

        $several = static fn (string $mapping, string $attributes = 'maxChoices="0"', string $correct = 'A|C', string $rules = ''): string => Items::xml(Items::response($correct, 'multiple', more: $mapping) . Items::choices(self::FOUR, $attributes) . ($rules === '' ? Items::template('map_response') : $rules));
        $two = ['A' => '2', 'C' => '2'];
        yield 'several, all or nothing' => [$several('', rules: Items::template('match_correct')), $AC, []];
        yield 'several, none below nothing: parts' => [$several(Items::mapping($two, 'lowerBound="0" defaultValue="-1"')), ['points: 4', 'marking: parts', 'wrong part costs: 0.5', ...$AC], []];
        yield 'several, a wrong one costs as much as a right one earns' => [$several(Items::mapping($two, 'lowerBound="0" defaultValue="-2"')), ['points: 4', 'marking: parts', ...$AC], []];
        yield 'several, a wrong one costs nothing' => [$several(Items::mapping($two)), ['points: 4', 'marking: parts', 'wrong part costs: 0', ...$AC], []];
        yield 'several, below nothing too: weighed' => [$several(Items::mapping($two, 'defaultValue="-1"')), ['marking: weighed', 'yes 2: Shovel', 'no -1: Spade', 'yes 2: Comb', 'no -1: Hive tool'], []];
        yield 'several, not below a floor' => [$several(Items::mapping($two, 'lowerBound="-1" defaultValue="-1"')), ['marking: weighed', 'floor: -1', 'yes 2: Shovel', 'no -1: Spade', 'yes 2: Comb', 'no -1: Hive tool'], []];
        yield 'several, exactly two' => [$several('', 'maxChoices="2" minChoices="2"', rules: Items::template('match_correct')), ['choose: 2', ...$AC], []];
        yield 'several, at most two' => [$several('', 'maxChoices="2"', rules: Items::template('match_correct')), ['choose: at most 2', ...$AC], []];
        yield 'several, at least two of any number' => [$several('', 'maxChoices="0" minChoices="2"', rules: Items::template('match_correct')), $AC, ['minChoices']];
        yield 'several, as many as there are' => [$several('', 'maxChoices="4"', rules: Items::template('match_correct')), $AC, []];
        yield 'several, any two of three keys' => [$several(Items::mapping(['A' => '1', 'B' => '1', 'C' => '1'], 'lowerBound="0" upperBound="2" defaultValue="-1"'), 'maxChoices="2"', 'A|B|C'), ['points: 2', 'marking: parts', 'choose: at most 2', 'yes: Shovel', 'yes: Spade', 'yes: Comb', 'no: Hive tool'], []];
        yield 'several, exactly two, each with its points' => [$several(Items::mapping(['A' => '4', 'B' => '1', 'C' => '3', 'D' => '-2']), 'maxChoices="2" minChoices="2"'), ['marking: weighed', 'choose: 2', 'yes 4: Shovel', 'no 1: Spade', 'yes 3: Comb', 'no -2: Hive tool'], []];
        yield 'several, each choice left alone or taken' => [$several(Items::mapping(['A' => '1', 'C' => '1'], 'defaultValue="-1"'), rules: Items::rules(Items::when([self::BLANK => Items::set(Items::number('0')), '' => Items::set('<sum>' . Items::number('2') . '<mapResponse identifier="RESPONSE"/></sum>')]))), ['points: 4', 'marking: each', ...$AC], []];
        yield 'several by one condition a choice' => [$several('', rules: Items::rules(...array_map(static fn (string $id): string => Items::when(['<member>' . Items::number($id, 'identifier') . '<variable identifier="RESPONSE"/></member>' => Items::set(self::ADD_ONE)]), ['A', 'C']))), ['points: 2', 'marking: parts', 'wrong part costs: 0', ...$AC], []];
        yield 'several, weighed without a correct response' => [$several(Items::mapping(['A' => '3', 'B' => '-1', 'C' => '1', 'D' => '-1']), correct: ''), ['marking: weighed', 'yes 3: Shovel', 'no -1: Spade', 'yes 1: Comb', 'no -1: Hive tool'], []];
        yield 'several, one costs more than all' => [$several('', rules: Items::rules(Items::when([self::BLANK => Items::set(Items::number('-0.5')), Items::right() => Items::set(Items::number('2')), '' => Items::set(Items::number('-1'))]))), ['points: 2', 'wrong costs: 1', 'blank costs: 0.5', ...$AC], []];
    }

    /**
     * @param list<string> $lines
     * @param list<string> $unmatched
     * @param list<string> $problems what each begins with
     */
    #[DataProvider('choices')]
    #[DataProvider('typed')]
    public function test_the_simplest_marking_with_the_same_marks(string $item, array $lines, array $unmatched, array $problems = []): void
    {
        $read = Items::read($item);
        $rows = array_map(trim(...), array_slice(explode("\n", $read['text']), 1));
        self::assertSame($lines, array_values(array_diff($rows, ['name: lead'])), $read['text']);
        self::assertSame($unmatched, $read['unmatched']);
        self::assertSame($problems, array_map(static fn (string $p): string => explode(':', $p)[0], $read['problems']));
    }

    /** @return iterable<string, array{string, list<string>, list<string>}> */
    public static function typed(): iterable
    {
        $field = '<itemBody><p>How many?</p><p><textEntryInteraction responseIdentifier="RESPONSE" expectedLength="6"/></p></itemBody>';
        $text = static fn (string $declaration, string $rules = ''): string => Items::xml($declaration . $field . ($rules === '' ? Items::template('map_response') : $rules));
        $map = static fn (string ...$entries): string => '<mapping defaultValue="0">' . implode('', $entries) . '</mapping>';
        $entry = static fn (string $key, string $worth, ?string $case = null): string => "<mapEntry mapKey=\"$key\" mappedValue=\"$worth\"" . ($case === null ? '' : " caseSensitive=\"$case\"") . '/>';
        yield 'a wording to the letter' => [$text(Items::response('Varroa', type: 'string'), Items::template('match_correct')), ['ignore: nothing', 'answer: Varroa'], []];
        yield 'wordings with shares' => [$text(Items::response('varroa', type: 'string', more: $map($entry('mite', '1', 'false'), $entry('varroa', '2', 'false')))), ['points: 2', 'answer: varroa', 'answer 50 %: mite'], []];
        yield 'wordings whose case matters, as the standard has it' => [$text(Items::response('', type: 'string', more: $map($entry('Varroa', '1')))), ['ignore: nothing', 'answer: Varroa'], []];
        yield 'wordings some of whose case matters' => [$text(Items::response('', type: 'string', more: $map($entry('Varroa', '1', 'true'), $entry('mite', '1', 'false')))), ['ignore: nothing', 'answer: Varroa', 'answer: mite'], ['caseSensitive']];
        yield 'a wrong word costs' => [$text(Items::response('', type: 'string', more: str_replace('defaultValue="0"', 'defaultValue="-1"', $map($entry('varroa', '2', 'false'))))), ['points: 2', 'wrong costs: 1', 'answer: varroa'], []];
        yield 'a comparison that ignores case' => [$text(Items::response('varroa', type: 'string'), Items::rules(Items::when(['<stringMatch caseSensitive="false"><variable identifier="RESPONSE"/><correct identifier="RESPONSE"/></stringMatch>' => Items::set(Items::number('1'))]))), ['answer: varroa'], []];
        yield 'a number without a letter has no case' => [$text(Items::response('42', type: 'string'), Items::template('match_correct')), ['answer: 42'], []];

        $number = static fn (string $correct, string ...$rules): string => Items::xml(Items::response($correct, type: 'float') . $field . Items::rules(...$rules));
        $if = static fn (string $condition, string $worth = '1'): string => Items::when([$condition => Items::set(Items::number($worth))]);
        $with = static fn (string $name, string $attributes, string $to = '<correct identifier="RESPONSE"/>'): string => "<$name $attributes><variable identifier=\"RESPONSE\"/>$to</$name>";
        yield 'a number exactly' => [$number('14', $if(Items::right())), ['answer: 14'], []];
        yield 'a number within a distance' => [$number('14', $if($with('equal', 'toleranceMode="absolute" tolerance="0.6 0.6"'))), ['answer: 14 within 0.6'], []];
        yield 'a number within unequal distances' => [$number('14', $if($with('equal', 'toleranceMode="absolute" tolerance="0.6 1"'))), ['answer: 13.4 to 15'], []];
        yield 'a number within one distance' => [$number('14', $if($with('equal', 'toleranceMode="absolute" tolerance="0.6"'))), ['answer: 14 within 0.6'], []];
        yield 'a number within a percentage' => [$number('250', $if($with('equal', 'toleranceMode="relative" tolerance="2 2"'))), ['answer: 250 within 2 %'], []];
        yield 'a number within unequal percentages' => [$number('250', $if($with('equal', 'toleranceMode="relative" tolerance="2 4"'))), ['answer: 245 to 260'], []];
        yield 'a number, the lower end not included' => [$number('14', $if($with('equal', 'toleranceMode="absolute" tolerance="1 1" includeLowerBound="false"'))), ['answer: over 13 up to 15'], []];
        yield 'a number, the upper end not included' => [$number('14', $if($with('equal', 'toleranceMode="absolute" tolerance="1 1" includeUpperBound="false"'))), ['answer: 13 up to but not 15'], []];
        yield 'numbers between two' => [$number('', $if('<and>' . $with('gte', '', Items::number('12')) . $with('lt', '', Items::number('13')) . '</and>')), ['answer: 12 up to but not 13'], []];
        yield 'numbers above one' => [$number('', $if($with('gt', '', Items::number('12')))), ['answer: over 12'], []];
        yield 'numbers up to one' => [$number('', $if($with('lte', '', Items::number('12')))), ['answer: at most 12'], []];
        yield 'a number rounded' => [$number('2.35', $if($with('equalRounded', 'roundingMode="decimalPlaces" figures="2"'))), ['answer: 2.345 up to but not 2.355'], []];
        yield 'a near number earns a share' => [$number('14', Items::when([Items::right() => Items::set(Items::number('4')), $with('equal', 'toleranceMode="absolute" tolerance="1 1"') => Items::set(Items::number('1'))])), ['points: 4', 'answer 25 %: 14 within 1', 'answer: 14'], []];
        yield 'two numbers' => [$number('', $if($with('equal', '', Items::number('3'))), $if($with('equal', '', Items::number('7')))), ['answer: 3', 'answer: 7'], []];
    }

    public function test_rules_that_would_never_end_are_given_up_and_told(): void
    {
        $deep = str_repeat('<sum>', 40) . Items::number('1') . str_repeat(Items::number('1') . '</sum>', 40);
        $long = Items::rules(...array_fill(0, 200, Items::set('<sum>' . str_repeat($deep, 2) . '</sum>')));
        $choices = array_combine(array_map(static fn (int $i): string => "C$i", range(1, 11)), array_map(static fn (int $i): string => "Frame $i", range(1, 11)));
        $read = Speed::within(10_000, static fn (): array => Items::read(Items::xml(Items::response('C1', 'multiple') . Items::choices($choices, 'maxChoices="0"') . $long)));
        self::assertStringContainsString('yes: Frame 1', $read['text'], 'what is correct counts then');
        self::assertCount(1, $read['unmatched']);
    }

    /** @return iterable<string, array{string, bool}> an item with very many parts, and whether it is read all the same */
    public static function large(): iterable
    {
        $many = static fn (int $count, string $each): string => implode('', array_map(static fn (int $i): string => sprintf($each, $i, 2 * ($i % 150), 2 * intdiv($i, 150)), range(1, $count)));
        $circles = static fn (int $count): string => Items::response('', 'multiple', 'point', '<areaMapping defaultValue="0">' . $many($count, '<areaMapEntry shape="circle" coords="2000,2000,%1$d" mappedValue="%1$d"/>') . '</areaMapping>') . '<itemBody><selectPointInteraction responseIdentifier="RESPONSE" maxChoices="0"><object data="a.png" width="4000" height="4000">A</object></selectPointInteraction></itemBody>';
        $gaps = static fn (int $count): string => $many($count, '<responseDeclaration identifier="R%d" cardinality="single" baseType="string"><correctResponse><value>w</value></correctResponse></responseDeclaration>') . '<itemBody><p>' . $many($count, 'x <textEntryInteraction responseIdentifier="R%d"/> ') . '</p></itemBody>';
        yield '60 areas one in another' => [Items::xml($circles(60)), false];
        yield '390 areas one in another' => [Items::xml($circles(390)), false];
        yield '99 gaps' => [Items::xml($gaps(99)), true];
        yield '100 gaps' => [Items::xml($gaps(100)), false];
        foreach ([5_000 => false, 190 => true] as $count => $isRead) {
            $areas = Items::response('', 'multiple', 'point', '<areaMapping defaultValue="0">' . $many($count, '<areaMapEntry shape="rect" coords="%2$d,%3$d,%2$d,%3$d" mappedValue="1"/>') . '</areaMapping>');
            yield "$count areas" => [Items::xml($areas . '<itemBody><selectPointInteraction responseIdentifier="RESPONSE" maxChoices="0"><object data="a.png" width="300" height="300">A</object></selectPointInteraction></itemBody>'), false];
            yield "$count wordings" => [Items::xml(Items::response('', type: 'string', more: '<mapping defaultValue="0">' . $many($count, '<mapEntry mapKey="word %d" mappedValue="1"/>') . '</mapping>') . '<itemBody><p>Which?</p><p><textEntryInteraction responseIdentifier="RESPONSE"/></p></itemBody>'), $isRead];
            yield "$count things in an order" => [Items::xml(Items::response(rtrim($many($count, 'C%d|'), '|'), 'ordered') . '<itemBody><orderInteraction responseIdentifier="RESPONSE"><prompt>Order?</prompt>' . $many($count, '<simpleChoice identifier="C%1$d">Thing %1$d</simpleChoice>') . '</orderInteraction></itemBody>'), false];
            yield "$count choices" => [Items::xml(Items::response('C1|C2', 'multiple') . '<itemBody><choiceInteraction responseIdentifier="RESPONSE" maxChoices="0"><prompt>Which?</prompt>' . $many($count, '<simpleChoice identifier="C%1$d">Thing %1$d</simpleChoice>') . '</choiceInteraction></itemBody>'), false];
        }
    }

    #[DataProvider('large')]
    public function test_very_many_parts_are_read_or_refused_in_good_time(string $item, bool $isRead): void
    {
        $read = Speed::within(5_000, static fn (): array => Items::read($item));
        self::assertTrue($read['text'] !== '' || count($read['problems']) > 0 || count($read['unmatched']) > 0);
        self::assertTrue(!$isRead || $read['text'] !== '', implode(' ', $read['problems']));
    }

    public function test_a_number_of_many_digits_is_no_mark(): void
    {
        $square = Items::set('<product><variable identifier="SCORE"/><variable identifier="SCORE"/></product>');
        $read = Items::read(Items::xml(Items::response('B') . Items::choices(self::FOUR) . Items::rules(Items::set(Items::number('123456789')), ...array_fill(0, 60, $square))));
        self::assertSame(['product'], $read['unmatched']);
    }
}
