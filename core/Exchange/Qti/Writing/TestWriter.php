<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing;

use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Numbers\Ratio;

/** Writes an assessment as a test of the standard. */
final class TestWriter
{
    private const WEIGHT = 'W';

    private readonly Html $html;
    private readonly ?string $weight;
    /** How many sections have been written that hold items. */
    private int $written = 0;
    /** @var array<array-key, array{string, bool}> references by the questions' names, and whether they are weighed */
    private array $references = [];

    /**
     * @param array<array-key, string> $identifiers of items, by the names of their questions
     * @param \Closure(string): string $path of a file, from where the test stands
     */
    public function __construct(
        private readonly WrittenTest $test,
        private readonly array $identifiers,
        private readonly Version $version,
        \Closure $path,
    ) {
        $this->html = new Html($version, $path);
        $this->weight = $test->weighs() ? self::WEIGHT : null;
    }

    public function test(): Tag
    {
        $test = $this->test;
        $sections = array_map($this->section(...), $test->sections);

        return Tag::of(
            'assessmentTest',
            ['xmlns' => $this->version->namespace(), 'identifier' => 'assessment', 'title' => $test->title],
            ...array_map(
                static fn (string $name): Tag => Tag::of('outcomeDeclaration', [
                    'identifier' => $name,
                    'cardinality' => 'single',
                    'baseType' => $name === 'PASSED' ? 'boolean' : 'float',
                ]),
                ['SCORE', 'MAX', ...$test->pass === null ? [] : ['PASSED']],
            ),
            ...$test->seconds === null ? [] : [self::time($test->seconds)],
            ...[
                Tag::of(
                    'testPart',
                    [
                        'identifier' => 'P1',
                        'navigationMode' => $test->isForward === true ? 'linear' : 'nonlinear',
                        'submissionMode' => $test->tellsAtOnce ? 'individual' : 'simultaneous',
                    ],
                    ...$test->mayLeaveBlank ? [] : [Tag::of('itemSessionControl', ['allowSkipping' => 'false'])],
                    ...$sections,
                ),
            ],
            ...[Tag::of('outcomeProcessing', [], ...$this->outcomes())],
            ...array_map($this->closing(...), $test->closing, array_keys($test->closing)),
        );
    }

    private static function time(int $seconds): Tag
    {
        return Tag::of('timeLimits', ['maxTime' => (string) $seconds]);
    }

    private function section(WrittenSection $section): Tag
    {
        $number = $section->within === [] ? ++$this->written : 0;
        $inside =
            $section->within === []
                ? array_map(
                    fn (array $item): Tag => $this->reference($item, $number),
                    array_values(array_filter($section->items, fn (array $item): bool => isset($this->identifiers[$item['name']]))),
                )
                : array_map($this->section(...), $section->within);
        $before = array_filter($section->routes, static fn (WrittenRoute $r): bool => $r->to === null);
        $after = array_filter($section->routes, static fn (WrittenRoute $r): bool => $r->to !== null);

        return Tag::of(
            'assessmentSection',
            [
                'identifier' => $section->identifier ?? "S$number",
                'title' => $section->title,
                'visible' => 'true',
                'keepTogether' => $section->isMixed && $section->within === [] ? 'false' : null,
            ],
            ...array_map(fn (WrittenRoute $r): Tag => Tag::of('preCondition', [], $this->compared($r)), array_values($before)),
            ...array_map(
                fn (WrittenRoute $r): Tag => Tag::of('branchRule', ['target' => $r->to], $this->compared($r)),
                array_values($after),
            ),
            ...$section->seconds === null ? [] : [self::time($section->seconds)],
            ...$section->take === null ? [] : [Tag::of('selection', ['select' => (string) $section->take])],
            ...$section->take === null && !($section->isMixed && $section->within !== [])
                ? []
                : [Tag::of('ordering', ['shuffle' => 'true'])],
            ...$section->reads === null ? [] : [Tag::of('rubricBlock', ['view' => 'candidate'], ...$this->html->held($section->reads))],
            ...$inside,
        );
    }

    /** @param array{name: string, attempts: int|null, seconds: int|null, isLateMarked: bool, weight: string|null} $item */
    private function reference(array $item, int $section): Tag
    {
        $identifier = $this->identifiers[$item['name']];
        $this->references[$item['name']] = ["S$section-$identifier", $item['weight'] !== null];

        return Tag::of(
            'assessmentItemRef',
            ['identifier' => "S$section-$identifier", 'href' => "../items/$identifier.xml"],
            ...$item['attempts'] === null ? [] : [Tag::of('itemSessionControl', ['maxAttempts' => (string) $item['attempts']])],
            ...$item['seconds'] === null
                ? []
                : [
                    Tag::of('timeLimits', [
                        'maxTime' => (string) $item['seconds'],
                        'allowLateSubmission' => $item['isLateMarked'] ? 'true' : null,
                    ]),
                ],
            ...$item['weight'] === null ? [] : [Tag::of('weight', ['identifier' => self::WEIGHT, 'value' => $item['weight']])],
        );
    }

    private function compared(WrittenRoute $route): Tag
    {
        [$reference, $isWeighed] = $this->references[$route->of ?? ''] ?? ['', false];

        return Tag::of(
            $route->is,
            [],
            $route->of === null
                ? $this->sum('SCORE')
                : Tag::of('variable', ['identifier' => "$reference.SCORE", 'weightIdentifier' => $isWeighed ? self::WEIGHT : null]),
            Rules::number($route->than),
        );
    }

    private function sum(string $of): Tag
    {
        return Tag::of('sum', [], Tag::of('testVariables', ['variableIdentifier' => $of, 'weightIdentifier' => $this->weight]));
    }

    /** @return list<Tag> */
    private function outcomes(): array
    {
        $rules = [Rules::set('SCORE', $this->sum('SCORE')), Rules::set('MAX', $this->sum('MAXSCORE'))];
        if ($this->test->pass === null) {
            return $rules;
        }
        [$mark, $inPercent] = $this->test->pass;
        $reached = $inPercent ? Tag::of('divide', [], Rules::variable('SCORE'), Rules::variable('MAX')) : Rules::variable('SCORE');
        $needed = $inPercent ? Rules::number(Ratio::of($mark)->dividedBy(100)) : Rules::number($mark);
        $truth = static fn (string $holds): Tag => Rules::set('PASSED', Tag::of('baseValue', ['baseType' => 'boolean'], $holds));

        return [
            ...$rules,
            Tag::of(
                'outcomeCondition',
                [],
                Tag::of('outcomeIf', [], Tag::of('gte', [], $reached, $needed), $truth('true')),
                Tag::of('outcomeElse', [], $truth('false')),
            ),
        ];
    }

    private function closing(Page $page, string $when): Tag
    {
        return Tag::of(
            'testFeedback',
            [
                'access' => 'atEnd',
                'outcomeIdentifier' => 'PASSED',
                'identifier' => $when === 'passed' ? 'true' : 'false',
                'showHide' => 'show',
                'title' => $page->heading,
            ],
            ...$this->html->held($page->reads),
        );
    }
}
