<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange\Qti;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Exchange\Found;
use Zetema\Core\Exchange\Qti\Package\PackageSource;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Question\Problem;
use Zetema\Tests\Core\Exchange\TemporaryFile;

/** A test of a package becomes a blueprint: its sections steps and draws, what holds in it rules, what it compares a pass mark. */
final class AssessmentTest extends TestCase
{
    use TemporaryFile;

    private const SUM = '<setOutcomeValue identifier="SCORE"><sum><testVariables variableIdentifier="SCORE" weightIdentifier="W"/></sum></setOutcomeValue>';

    /** Items a, b, c, d of two points each, and a test around what is inside it. */
    private function read(string $inside, string $attributes = ''): PackageSource
    {
        $zip = new \ZipArchive();
        $zip->open($this->file, \ZipArchive::OVERWRITE);
        $resources = '';
        foreach (['a', 'b', 'c', 'd'] as $id) {
            $item = Items::xml(Items::response('A', more: Items::mapping(['A' => '2'])) . Items::choices(['A' => 'x', 'B' => 'y'], prompt: "Which, $id?"), "item-$id");
            $zip->addFromString("items/$id.xml", $item);
            $resources .= "<resource identifier=\"R$id\" type=\"imsqti_item_xmlv2p1\" href=\"items/$id.xml\"><file href=\"items/$id.xml\"/></resource>";
        }
        $zip->addFromString('tests/t.xml', "<assessmentTest xmlns=\"http://www.imsglobal.org/xsd/imsqti_v2p1\" identifier=\"exam\" title=\"The exam\" $attributes>$inside</assessmentTest>");
        $zip->addFromString(
            'imsmanifest.xml',
            "<manifest xmlns=\"http://www.imsglobal.org/xsd/imscp_v1p1\"><resources>$resources<resource identifier=\"T\" type=\"imsqti_test_xmlv2p1\" href=\"tests/t.xml\"><file href=\"tests/t.xml\"/></resource></resources></manifest>",
        );
        $zip->close();

        return PackageSource::ofZip($this->file);
    }

    private static function part(string $sections, string $attributes = 'navigationMode="nonlinear" submissionMode="individual"', string $before = ''): string
    {
        return "<testPart identifier=\"P1\" $attributes>$before$sections</testPart>";
    }

    private static function section(string $inside, string $identifier = 'S1', string $attributes = ''): string
    {
        return "<assessmentSection identifier=\"$identifier\" title=\"Section $identifier\" visible=\"true\" $attributes>$inside</assessmentSection>";
    }

    private static function refs(string $ids, string $inside = '', string $attributes = ''): string
    {
        return implode('', array_map(static fn (string $id): string => "<assessmentItemRef identifier=\"ref-$id\" href=\"../items/$id.xml\" $attributes>$inside</assessmentItemRef>", str_split($ids)));
    }

    private static function draw(int $take, string $ids): string
    {
        return "<selection select=\"$take\"/><ordering shuffle=\"true\"/>" . self::refs($ids);
    }

    /** @return iterable<string, array{string, array<string, mixed>, 2?: list<string>, 3?: string}> the test, parts of the assessment, what has no counterpart, attributes of the test */
    public static function examples(): iterable
    {
        $fixed = static fn (string $ids): array => array_map(static fn (string $id): array => ['question' => "item-$id"], str_split($ids));
        $pool = static fn (string $ids): array => ['only' => array_map(static fn (string $id): string => "item-$id", str_split($ids))];
        $one = self::part(self::section(self::refs('a')));
        yield 'fixed questions in their order' => [self::part(self::section(self::refs('ba'))), ['blueprint' => ['steps' => $fixed('ba')]]];
        yield 'a draw' => [self::part(self::section(self::draw(2, 'abc'))), ['blueprint' => ['steps' => [['draw' => ['take' => 2, 'pool' => $pool('abc')]]]]]];
        yield 'a draw with one that is required' => [
            self::part(self::section('<selection select="2"/>' . self::refs('a', attributes: 'required="true"') . self::refs('bc'))),
            ['blueprint' => ['steps' => [['question' => 'item-a'], ['draw' => ['take' => 1, 'pool' => $pool('bc')]]]]],
        ];
        yield 'all of them, shuffled' => [self::part(self::section('<ordering shuffle="true"/>' . self::refs('ab'))), ['blueprint' => ['steps' => [['draw' => ['take' => 2, 'pool' => $pool('ab')]]]]]];
        yield 'draws mixed with each other' => [
            self::part(self::section('<ordering shuffle="true"/>' . self::section(self::draw(1, 'ab'), 'S2', 'keepTogether="false"') . self::section(self::draw(1, 'cd'), 'S3', 'keepTogether="false"'))),
            ['blueprint' => ['steps' => [['draw' => ['take' => 1, 'pool' => $pool('ab'), 'place' => 'mixed']], ['draw' => ['take' => 1, 'pool' => $pool('cd'), 'place' => 'mixed']]]]],
        ];
        yield 'sections of which some are selected' => [
            self::part(self::section('<selection select="1"/>' . self::section(self::refs('a'), 'S2') . self::section(self::refs('b'), 'S3'))),
            ['blueprint' => ['steps' => $fixed('ab')]],
            ['selection'],
        ];
        yield 'the same one again' => [
            self::part(self::section('<selection select="1" withReplacement="true"/>' . self::refs('ab'))),
            ['blueprint' => ['steps' => [['draw' => ['take' => 1, 'pool' => $pool('ab')]]]]],
            ['withReplacement'],
        ];
        yield 'weights' => [
            self::part(self::section(self::refs('a', '<weight identifier="W" value="2.5"/>'))) . '<outcomeProcessing>' . self::SUM . '</outcomeProcessing>',
            ['blueprint' => ['steps' => [['question' => 'item-a', 'points' => '5']]]],
        ];
        yield 'weights that nothing asks' => [self::part(self::section(self::refs('a', '<weight identifier="W" value="2.5"/>'))), ['blueprint' => ['steps' => $fixed('a')]]];
        yield 'forward, and told at the end' => [self::part(self::section(self::refs('a')), 'navigationMode="linear" submissionMode="simultaneous"'), ['rules' => ['moving' => 'forward only', 'tellsAtOnce' => false]]];
        yield 'any order, told at once' => [$one, ['rules' => ['moving' => 'any order', 'tellsAtOnce' => true]]];
        yield 'what holds in a session' => [
            self::part(self::section(self::refs('a')), before: '<itemSessionControl allowSkipping="false" showFeedback="false" showSolution="true" allowReview="false"/>'),
            ['rules' => ['moving' => 'any order', 'tellsAtOnce' => false, 'mayLeaveBlank' => false, 'showsKey' => true, 'review' => 'nothing']],
        ];
        yield 'what has no counterpart in a session' => [
            self::part(self::section(self::refs('a')), before: '<itemSessionControl allowComment="true" validateResponses="true"/><timeLimits minTime="60"/>'),
            [],
            ['validateResponses', 'allowComment', 'minTime'],
        ];
        yield 'a time for all' => ['<timeLimits maxTime="3600"/>' . $one, ['rules' => ['seconds' => 3600, 'moving' => 'any order', 'tellsAtOnce' => true]]];
        yield 'a time for a section' => [
            self::part(self::section('<timeLimits maxTime="600"/>' . self::refs('ab')) . self::section(self::refs('c'), 'S2')),
            ['sections' => [['title' => 'Section S1', 'steps' => [1, 2], 'seconds' => 600]]],
        ];
        yield 'a second part that differs' => [
            $one . '<testPart identifier="P2" navigationMode="linear" submissionMode="individual">' . self::section(self::refs('b'), 'S2') . '</testPart>',
            ['blueprint' => ['steps' => $fixed('ab')]],
            ['navigationMode'],
        ];
        yield 'different attempts where it is asked twice' => [
            self::part(self::section(self::refs('a', '<itemSessionControl maxAttempts="2"/><timeLimits maxTime="60"/>')) . self::section(self::refs('a', '<itemSessionControl maxAttempts="0"/>'), 'S2')),
            ['blueprint' => ['steps' => [['question' => 'item-a', 'attempts' => '2', 'time' => '60 s'], ['question' => 'item-a', 'attempts' => 'unlimited']]]],
        ];
        yield 'a pass mark in points' => ['<outcomeDeclaration identifier="SCORE" cardinality="single" baseType="float" masteryValue="3"/>' . $one, ['blueprint' => ['steps' => $fixed('a'), 'pass' => ['points' => '3']]]];
        $condition = static fn (string $left, string $right): string => '<outcomeProcessing>' .
            self::SUM .
            "<outcomeCondition><outcomeIf><gte>$left$right</gte><setOutcomeValue identifier=\"PASSED\"><baseValue baseType=\"boolean\">true</baseValue></setOutcomeValue></outcomeIf></outcomeCondition></outcomeProcessing>";
        $score = '<variable identifier="SCORE"/>';
        yield 'a pass mark compared' => [$one . $condition($score, Items::number('4')), ['blueprint' => ['steps' => $fixed('a'), 'pass' => ['points' => '4']]]];
        yield 'a pass mark in percent' => [
            $one . $condition("<divide>$score<outcomeMaximum outcomeIdentifier=\"SCORE\"/></divide>", Items::number('0.6')),
            ['blueprint' => ['steps' => $fixed('a'), 'pass' => ['percent' => '60']]],
        ];
        yield 'a pass mark as a share of all' => [
            $one . $condition($score, '<product>' . Items::number('0.55') . '<outcomeMaximum outcomeIdentifier="SCORE"/></product>'),
            ['blueprint' => ['steps' => $fixed('a'), 'pass' => ['percent' => '55']]],
        ];
        yield 'outcomes that nothing here is like' => [
            $one . '<outcomeProcessing><setOutcomeValue identifier="SCORE"><customOperator/></setOutcomeValue></outcomeProcessing>',
            ['blueprint' => ['steps' => $fixed('a')]],
            ['outcomeProcessing'],
        ];
        yield 'feedback on the whole' => [
            $one .
            $condition($score, Items::number('4')) .
            '<testFeedback access="atEnd" outcomeIdentifier="PASSED" identifier="true" showHide="show"><p>Well done.</p></testFeedback><testFeedback access="atEnd" outcomeIdentifier="PASSED" identifier="true" showHide="hide"><p>Once more.</p></testFeedback>',
            ['closing' => ['passed' => 'exam passed', 'not passed' => 'exam not passed']],
        ];
        yield 'feedback on something else' => [$one . '<testFeedback access="atEnd" outcomeIdentifier="MOOD" identifier="fine" showHide="show"><p>Fine.</p></testFeedback>', ['closing' => []], ['testFeedback']];
        yield 'a page before a section' => [
            self::part(self::section('<rubricBlock view="candidate"><p>Take your time.</p></rubricBlock>' . self::refs('a'))),
            ['blueprint' => ['steps' => [['page' => 'S1'], ['question' => 'item-a']]]],
        ];
        $branch = static fn (string $compared, string $target): string => "<branchRule target=\"$target\">$compared</branchRule>";
        $low = '<lt><variable identifier="ref-a.SCORE"/>' . Items::number('1') . '</lt>';
        yield 'a route by an item' => [
            self::part(self::section(self::refs('a', $branch($low, 'ref-c')) . self::refs('bc'))),
            ['routes' => [['after' => 1, 'of' => 'item-a', 'is' => '<', 'than' => '1', 'goTo' => 'item-c']]],
        ];
        yield 'a route by all so far, to the end' => [
            self::part(self::section(self::refs('a', $branch('<gte><sum><testVariables variableIdentifier="SCORE"/></sum>' . Items::number('2') . '</gte>', 'EXIT_TEST')) . self::refs('b'))),
            ['routes' => [['after' => 1, 'of' => 'all', 'is' => '>=', 'than' => '2', 'goTo' => 'EXIT_TEST']]],
        ];
        yield 'a condition before a section' => [
            self::part(self::section(self::refs('a')) . self::section("<preCondition>$low</preCondition>" . self::refs('b'), 'S2')),
            ['routes' => [['before' => 2, 'of' => 'item-a', 'is' => '<', 'than' => '1']]],
        ];
        yield 'a route by anything else' => [self::part(self::section(self::refs('a', $branch('<isNull><variable identifier="ref-a.RESPONSE"/></isNull>', 'EXIT_TEST')))), ['routes' => []], ['branchRule']];
    }

    /**
     * @param array<string, mixed> $expected
     * @param list<string> $unmatched
     */
    #[DataProvider('examples')]
    public function test_it_is_read_as_a_blueprint(string $test, array $expected, array $unmatched = []): void
    {
        $source = $this->read($test);
        iterator_to_array($source->questions(), false);
        $report = $source->report();
        $assessment = $report->assessments[0]->toData();
        self::assertSame(['exam', 'The exam'], [$assessment['name'], $assessment['title']]);
        $told = json_decode(json_encode(array_intersect_key($assessment, $expected), JSON_THROW_ON_ERROR), true);
        self::assertEquals($expected, $told);
        self::assertSame($unmatched, array_map(static fn (Unmatched $u): string => $u->what, $report->unmatched));
        self::assertSame([], array_map(static fn (Problem $p): string => $p->message, $report->problems));
    }

    public function test_what_all_say_of_an_item_is_the_questions_own(): void
    {
        $control = '<itemSessionControl maxAttempts="3"/><timeLimits maxTime="90" allowLateSubmission="true"/>';
        $source = $this->read(self::part(self::section(self::refs('a', $control) . self::refs('b'))));
        $questions = array_map(static fn (Found $f): array => $f->question->settings->values ?? [], iterator_to_array($source->questions(), false));
        self::assertSame(['points' => '2', 'attempts' => '3', 'late' => 'marks', 'time' => '90 s'], array_intersect_key($questions[0], ['points' => 1, 'attempts' => 1, 'time' => 1, 'late' => 1]));
        self::assertSame(['steps' => [['question' => 'item-a'], ['question' => 'item-b']]], $source->report()->assessments[0]->toData()['blueprint']);
    }

    public function test_pages_come_with_it_and_a_missing_item_is_a_problem(): void
    {
        $source = $this->read(self::part(self::section('<rubricBlock view="candidate"><p>Take your <em>time</em>.</p></rubricBlock>' . str_replace('items/b.xml', 'items/gone.xml', self::refs('ab')))));
        iterator_to_array($source->questions(), false);
        self::assertSame([['S1', 'Take your *time*.']], array_map(static fn (Page $p): array => [$p->name, $p->reads], $source->report()->pages));
        self::assertSame(['assessmentItemRef: “../items/gone.xml” is not in the package'], array_map(static fn (Problem $p): string => $p->message, $source->report()->problems));
    }
}
