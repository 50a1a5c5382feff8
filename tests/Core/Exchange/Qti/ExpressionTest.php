<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange\Qti;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Exchange\Qti\Processing\CannotRun;
use Zetema\Core\Exchange\Qti\Processing\Processor;
use Zetema\Core\Exchange\Qti\Variables\ResponseDeclaration;
use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Exchange\Qti\Xml\XmlFile;
use Zetema\Core\Numbers\Ratio;

/** Each expression and rule of response processing comes to what the standard says it does; NULL is written as nothing at all. */
final class ExpressionTest extends TestCase
{
    private static function n(string $number): string
    {
        return "<baseValue baseType=\"float\">$number</baseValue>";
    }

    private static function id(string ...$ids): string
    {
        return implode('', array_map(static fn (string $id): string => "<baseValue baseType=\"identifier\">$id</baseValue>", $ids));
    }

    private static function truth(string $holds): string
    {
        return $holds === '' ? '<null/>' : "<baseValue baseType=\"boolean\">$holds</baseValue>";
    }

    /** @return iterable<string, array{string, string}> an expression and what it comes to */
    public static function expressions(): iterable
    {
        $of = static fn (string $name, string $inside, string $attributes = ''): string => "<$name $attributes>$inside</$name>";
        $n = self::n(...);
        $id = self::id(...);
        $cases = [
            // What was given: ONE is B, SOME are A and C, LINE is C, A, B, WORD is "Drone", SIZE is 14, none of NONE.
            ['<variable identifier="ONE"/>', 'B'],
            ['<variable identifier="NONE"/>', ''],
            ['<variable identifier="numAttempts"/>', '2'],
            ['<correct identifier="ONE"/>', 'B'],
            ['<default identifier="SCORE"/>', '0'],
            ['<null/>', ''],
            ['<mapResponse identifier="SOME"/>', '3'],
            ['<mapResponse identifier="NONE"/>', '0'],
            [$of('isNull', '<variable identifier="NONE"/>'), 'true'],
            [$of('isNull', '<variable identifier="ONE"/>'), 'false'],
            [$of('containerSize', '<variable identifier="SOME"/>'), '2'],
            [$of('containerSize', '<variable identifier="NONE"/>'), '0'],
            [$of('index', '<variable identifier="LINE"/>', 'n="2"'), 'A'],
            [$of('index', '<variable identifier="LINE"/>', 'n="9"'), ''],
            [$of('multiple', $id('A', 'B') . '<null/>'), 'A B'],
            [$of('ordered', $id('B', 'A')), 'B A'],
            [$of('multiple', '<null/>'), ''],
            [$of('match', '<variable identifier="ONE"/>' . $id('B')), 'true'],
            [$of('match', '<variable identifier="NONE"/>' . $id('B')), ''],
            [$of('match', '<variable identifier="SOME"/>' . $of('multiple', $id('C', 'A'))), 'true'],
            [$of('match', '<variable identifier="LINE"/>' . $of('ordered', $id('A', 'B', 'C'))), 'false'],
            [$of('match', $n('1') . $n('1.0')), 'true'],
            [$of('member', $id('A') . '<variable identifier="SOME"/>'), 'true'],
            [$of('member', $id('B') . '<variable identifier="SOME"/>'), 'false'],
            [$of('member', $id('B') . '<variable identifier="NONE"/>'), ''],
            [$of('contains', '<variable identifier="SOME"/>' . $of('multiple', $id('A'))), 'true'],
            [$of('contains', '<variable identifier="SOME"/>' . $of('multiple', $id('A', 'A'))), 'false'],
            [$of('contains', '<variable identifier="LINE"/>' . $of('ordered', $id('A', 'B'))), 'true'],
            [$of('contains', '<variable identifier="LINE"/>' . $of('ordered', $id('C', 'B'))), 'false'],
            [$of('stringMatch', '<variable identifier="WORD"/><baseValue baseType="string">drone</baseValue>', 'caseSensitive="false"'), 'true'],
            [$of('stringMatch', '<variable identifier="WORD"/><baseValue baseType="string">drone</baseValue>', 'caseSensitive="true"'), 'false'],
            [$of('stringMatch', '<variable identifier="WORD"/><baseValue baseType="string">RON</baseValue>', 'caseSensitive="false" substring="true"'), 'true'],
            [$of('substring', '<baseValue baseType="string">ron</baseValue><variable identifier="WORD"/>', 'caseSensitive="true"'), 'true'],
            [$of('substring', '<baseValue baseType="string">Ron</baseValue><variable identifier="WORD"/>', 'caseSensitive="true"'), 'false'],
            // With a tolerance, what is right is the one that the candidate did not give.
            [$of('equal', '<variable identifier="SIZE"/>' . $n('14'), 'toleranceMode="exact"'), 'true'],
            [$of('equal', '<variable identifier="SIZE"/>' . $n('14.5'), 'toleranceMode="absolute" tolerance="0.5 0.1"'), 'true'],
            [$of('equal', '<variable identifier="SIZE"/>' . $n('13.8'), 'toleranceMode="absolute" tolerance="0.5 0.1"'), 'false'],
            [$of('equal', $n('13.8') . '<variable identifier="SIZE"/>', 'toleranceMode="absolute" tolerance="0.1 0.2"'), 'true'],
            [$of('equal', '<variable identifier="SIZE"/>' . $n('13'), 'toleranceMode="absolute" tolerance="1 1" includeUpperBound="false"'), 'false'],
            [$of('equal', '<variable identifier="SIZE"/>' . $n('10'), 'toleranceMode="relative" tolerance="5 40"'), 'true'],
            [$of('equal', '<variable identifier="SIZE"/>' . $n('-14'), 'toleranceMode="relative" tolerance="5 5"'), 'false'],
            [$of('equalRounded', $n('3.14159') . $n('3.1416'), 'roundingMode="decimalPlaces" figures="3"'), 'true'],
            [$of('equalRounded', $n('3.14159') . $n('3.15'), 'roundingMode="significantFigures" figures="3"'), 'false'],
            [$of('equalRounded', $n('1249') . $n('1200'), 'roundingMode="significantFigures" figures="2"'), 'true'],
            [$of('gt', $n('2') . $n('1')), 'true'],
            [$of('gte', $n('1') . $n('1')), 'true'],
            [$of('lt', $n('1') . $n('1')), 'false'],
            [$of('lte', $n('1') . '<null/>'), ''],
            [$of('inside', '<variable identifier="CLICKS"/>', 'shape="circle" coords="10,10,3"'), 'true'],
            [$of('inside', '<variable identifier="CLICKS"/>', 'shape="rect" coords="50,50,60,60"'), 'false'],
            [$of('inside', '<variable identifier="NONE"/>', 'shape="rect" coords="0,0,9,9"'), ''],
            [$of('inside', '<variable identifier="CLICKS"/>', 'shape="poly" coords="0,0,20,0,20,20,0,20"'), 'true'],
            [$of('sum', $n('1') . $n('2') . $n('-4')), '-1'],
            [$of('sum', $n('1') . '<null/>'), ''],
            [$of('subtract', $n('1') . $n('3')), '-2'],
            [$of('product', $n('1.5') . $n('4')), '6'],
            [$of('divide', $n('1') . $n('3')), '1/3'],
            [$of('divide', $n('1') . $n('0')), ''],
            [$of('power', $n('2') . $n('-2')), '0.25'],
            [$of('power', $n('0') . $n('-1')), ''],
            [$of('power', $n('2') . $n('0.5')), ''],
            [$of('max', $n('1') . $n('7') . $n('3')), '7'],
            [$of('min', $n('1') . $n('-7')), '-7'],
            [$of('round', $n('2.5')), '3'],
            [$of('round', $n('-2.5')), '-2'],
            [$of('truncate', $n('-2.9')), '-2'],
            [$of('integerToFloat', $n('4')), '4'],
            [$of('roundTo', $n('2.345'), 'roundingMode="decimalPlaces" figures="2"'), '2.35'],
            [$of('roundTo', $n('0.012345'), 'roundingMode="significantFigures" figures="2"'), '0.012'],
            [$of('roundTo', $n('98765'), 'roundingMode="significantFigures" figures="2"'), '99000'],
            [$of('not', self::truth('true')), 'false'],
            [$of('not', self::truth('')), ''],
        ];
        // What holds of two that are true, false, or NULL.
        foreach (
            ['and' => ['tt' => 'true', 'tf' => 'false', 'ff' => 'false', 't-' => '', 'f-' => 'false', '--' => ''], 'or' => ['tt' => 'true', 'tf' => 'true', 'ff' => 'false', 't-' => 'true', 'f-' => '', '--' => '']] as $name => $table
        ) {
            foreach ($table as $two => $holds) {
                $cases[] = [$of($name, implode('', array_map(static fn (string $one): string => self::truth(['t' => 'true', 'f' => 'false', '-' => ''][$one]), str_split($two)))), $holds];
            }
        }
        foreach (['ttf' => 'true', 'tff' => 'false', 'ttt' => 'false', 'tt-' => '', 't--' => '', 'ff-' => 'false'] as $three => $holds) {
            $cases[] = [$of('anyN', implode('', array_map(static fn (string $one): string => self::truth(['t' => 'true', 'f' => 'false', '-' => ''][$one]), str_split($three))), 'min="2" max="2"'), $holds];
        }
        foreach ($cases as $i => [$xml, $result]) {
            yield $i . ' ' . mb_substr($xml, 0, 90) => [$xml, $result];
        }
    }

    /** @return array<string, Value|null> outcomes */
    private static function outcomes(string $rules): array
    {
        $item = XmlFile::root(
            '<assessmentItem xmlns="http://www.imsglobal.org/xsd/imsqti_v2p1">' .
                Items::response('B', identifier: 'ONE') .
                Items::response('A|C', 'multiple', more: Items::mapping(['A' => '2', 'C' => '2'], 'defaultValue="-1" upperBound="3"'), identifier: 'SOME') .
                Items::response('A|B|C', 'ordered', identifier: 'LINE') .
                Items::response('', type: 'string', identifier: 'WORD') .
                Items::response('', type: 'float', identifier: 'SIZE') .
                Items::response('', 'multiple', 'point', identifier: 'CLICKS') .
                Items::response('', more: Items::mapping(['A' => '1'], 'defaultValue="5"'), identifier: 'NONE') .
                '<responseProcessing>' .
                $rules .
                '</responseProcessing></assessmentItem>',
        );
        $declarations = [];
        foreach ($item->children('responseDeclaration') as $element) {
            $declarations[$element->attribute('identifier') ?? ''] = ResponseDeclaration::of($element);
        }
        $given = ['ONE' => ['B'], 'SOME' => ['C', 'A'], 'LINE' => ['C', 'A', 'B'], 'WORD' => ['Drone'], 'SIZE' => ['14'], 'CLICKS' => ['70 70', '11 9'], 'NONE' => []];
        $responses = [];
        foreach ($given as $identifier => $written) {
            $responses[$identifier] = $declarations[$identifier]->value($written);
        }

        return (new Processor($declarations, [], $item->child('responseProcessing'), [100, 100]))->run($responses, 2);
    }

    #[DataProvider('expressions')]
    public function test_an_expression_comes_to_what_the_standard_says(string $expression, string $result): void
    {
        $value = self::outcomes("<setOutcomeValue identifier=\"X\">$expression</setOutcomeValue>")['X'];
        $texts = array_map(static fn (Ratio|string $item): string => $item instanceof Ratio ? $item->decimal() ?? (string) $item : $item, $value->items ?? []);
        self::assertSame($result, implode(' ', $texts));
    }

    public function test_rules_go_on_until_they_end(): void
    {
        $set = static fn (string $to): string => '<setOutcomeValue identifier="X">' . self::n($to) . '</setOutcomeValue>';
        $if = static fn (string $holds, string $then, string $else = ''): string => '<responseCondition><responseIf>' .
            self::truth($holds) .
            $then .
            '</responseIf><responseElseIf>' .
            self::truth('') .
            $set('8') .
            '</responseElseIf>' .
            ($else === '' ? '' : "<responseElse>$else</responseElse>") .
            '</responseCondition>';
        foreach (
            [
                'the first that holds' => [$if('true', $set('1'), $set('2')), '1'],
                'what is NULL does not hold' => [$if('', $set('1'), $set('2')), '2'],
                'an end within' => [$if('true', $set('1') . '<exitResponse/>') . $set('9'), '1'],
                'a fragment' => ['<responseProcessingFragment>' . $set('3') . '</responseProcessingFragment>', '3'],
            ] as $what => [$rules, $x]
        ) {
            self::assertSame([$x], self::outcomes($rules)['X']?->texts(), $what);
        }
    }

    public function test_what_is_not_known_is_named(): void
    {
        foreach (['<setOutcomeValue identifier="X"><randomInteger min="1" max="6"/></setOutcomeValue>' => 'randomInteger', '<lookupOutcomeValue identifier="X"/>' => 'lookupOutcomeValue'] as $rules => $name) {
            try {
                self::outcomes($rules);
                self::fail('it was run');
            } catch (CannotRun $e) {
                self::assertSame($name, $e->at->written);
            }
        }
    }

    public function test_numbers_are_read_as_they_are_written_and_no_longer_than_anybody_needs(): void
    {
        foreach (
            ['1' => '1', '-2.50' => '-2.5', '+3' => '3', '.5' => '0.5', '2.' => '2', '1e3' => '1000', '25E-2' => '0.25', '' => null, 'x' => null, '1e999' => null, str_repeat('9', 70) => null] as $written => $number
        ) {
            self::assertSame($number, Value::number((string) $written)?->decimal(), (string) $written);
        }
        self::assertSame([], array_map(static fn (Element $e): string => $e->name, XmlFile::root('<a/>')->children()));
    }
}
