<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing;

/** Writes an assessment as a test of the standard. */
final class TestWriter
{
    /** @param array<string, string> $identifiers of items, by the names of their questions */
    public static function test(WrittenTest $test, array $identifiers, Version $version): Tag
    {
        $weighs = array_filter(array_merge(...array_map(static fn (WrittenSection $s): array => array_column($s->items, 'weight'), $test->sections)), is_string(...)) !== [];
        $sections = array_map(static fn (WrittenSection $s, int $i): Tag => self::section($s, $i + 1, $identifiers), $test->sections, array_keys($test->sections));

        return Tag::of(
            'assessmentTest',
            ['xmlns' => $version->namespace(), 'identifier' => 'assessment', 'title' => $test->title],
            ...array_map(static fn (string $name): Tag => Tag::of('outcomeDeclaration', ['identifier' => $name, 'cardinality' => 'single', 'baseType' => $name === 'PASSED' ? 'boolean' : 'float']), ['SCORE', 'MAX', ...($test->pass === null ? [] : ['PASSED'])]),
            ...($test->seconds === null ? [] : [Tag::of('timeLimits', ['maxTime' => (string) $test->seconds])]),
            ...[Tag::of('testPart', ['identifier' => 'P1', 'navigationMode' => $test->isForward === true ? 'linear' : 'nonlinear', 'submissionMode' => $test->tellsAtOnce ? 'individual' : 'simultaneous'], ...($test->mayLeaveBlank ? [] : [Tag::of('itemSessionControl', ['allowSkipping' => 'false'])]), ...$sections)],
            ...[Tag::of('outcomeProcessing', [], ...self::outcomes($test, $weighs))],
        );
    }

    /** @param array<string, string> $identifiers */
    private static function section(WrittenSection $section, int $number, array $identifiers): Tag
    {
        $references = array_map(static function (array $item) use ($identifiers, $number): Tag {
            $identifier = $identifiers[$item['name']];

            return Tag::of(
                'assessmentItemRef',
                ['identifier' => "S$number-$identifier", 'href' => "../items/$identifier.xml"],
                ...($item['attempts'] === null ? [] : [Tag::of('itemSessionControl', ['maxAttempts' => (string) $item['attempts']])]),
                ...($item['seconds'] === null ? [] : [Tag::of('timeLimits', ['maxTime' => (string) $item['seconds'], 'allowLateSubmission' => $item['isLateMarked'] ? 'true' : null])]),
                ...($item['weight'] === null ? [] : [Tag::of('weight', ['identifier' => 'W', 'value' => $item['weight']])]),
            );
        }, $section->items);

        return Tag::of(
            'assessmentSection',
            ['identifier' => "S$number", 'title' => $section->title, 'visible' => 'true'],
            ...($section->take === null ? [] : [Tag::of('selection', ['select' => (string) $section->take]), Tag::of('ordering', ['shuffle' => 'true'])]),
            ...$references,
        );
    }

    /** @return list<Tag> */
    private static function outcomes(WrittenTest $test, bool $weighs): array
    {
        $weight = $weighs ? 'W' : null;
        $rules = [
            Rules::set('SCORE', Tag::of('sum', [], Tag::of('testVariables', ['variableIdentifier' => 'SCORE', 'weightIdentifier' => $weight]))),
            Rules::set('MAX', Tag::of('sum', [], Tag::of('testVariables', ['variableIdentifier' => 'MAXSCORE', 'weightIdentifier' => $weight]))),
        ];
        if ($test->pass === null) {
            return $rules;
        }
        [$mark, $inPercent] = $test->pass;
        $reached = $inPercent ? Tag::of('divide', [], Rules::variable('SCORE'), Rules::variable('MAX')) : Rules::variable('SCORE');
        $needed = $inPercent ? Rules::number(\Zetema\Core\Numbers\Ratio::of($mark)->dividedBy(100)) : Rules::number($mark);
        $truth = static fn (string $holds): Tag => Rules::set('PASSED', Tag::of('baseValue', ['baseType' => 'boolean'], $holds));

        return [...$rules, Tag::of('outcomeCondition', [], Tag::of('outcomeIf', [], Tag::of('gte', [], $reached, $needed), $truth('true')), Tag::of('outcomeElse', [], $truth('false')))];
    }
}
