<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Intake;

use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;
use Zetema\Tests\Core\Exchange\Qti\Items;

/** The tests of a package come in as blueprints with their questions, and are taken back with them. */
final class BroughtBlueprintsTest extends ApiTestCase
{
    use Packages;

    private const LOW = '<lt><variable identifier="r-one.SCORE"/><baseValue baseType="float">1</baseValue></lt>';

    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    /** Three items and a test of them: one and two in their order, then one of two and three. */
    private function opening(string $test, string $part = 'navigationMode="linear" submissionMode="individual"'): Fields
    {
        $items = [];
        foreach (['one', 'two', 'three'] as $name) {
            $items["items/$name.xml"] = Items::xml(Items::response('A', more: Items::mapping(['A' => '2'])) . Items::choices(['A' => 'yes', 'B' => 'no'], prompt: "Which, $name?"), "hive-$name");
        }

        return $this->opened(
            self::package([
                ...$items,
                'tests/t.xml' => "<assessmentTest xmlns=\"http://www.imsglobal.org/xsd/imsqti_v2p1\" identifier=\"t\" title=\"Evening paper\"><timeLimits maxTime=\"1800\"/><testPart identifier=\"P\" $part>$test</testPart></assessmentTest>",
            ]),
            'evening.zip',
        );
    }

    private static function section(string $inside): string
    {
        return "<assessmentSection identifier=\"S\" title=\"S\" visible=\"true\">$inside</assessmentSection>";
    }

    private static function reference(string $name, string $inside = ''): string
    {
        return "<assessmentItemRef identifier=\"r-$name\" href=\"../items/$name.xml\">$inside</assessmentItemRef>";
    }

    /** @param list<int>|null $only questions by their place; null: all */
    private function taken(Fields $opened, ?array $only = null, string $again = ''): Fields
    {
        $questions = $this->send('POST', '/api/banks/1/intake/read', ['text' => $opened->text('text'), 'as' => 'text'])->objects('questions');
        $lines = array_map(static fn (Fields $q): int => $q->integer('fromLine'), $only === null ? $questions : array_map(static fn (int $i): Fields => $questions[$i], $only));
        $body = [
            'text' => $opened->text('text'),
            'as' => 'text',
            'lines' => $lines,
            'name' => 'evening.zip',
            'blueprints' => array_map(static fn (Fields $b): array => $b->object('document')->raw(), $opened->objects('blueprints')),
        ];

        return $this->send('POST', '/api/banks/1/intake', $again === '' ? $body : [...$body, 'again' => array_fill_keys(array_map(strval(...), $lines), $again)], 'Job', 201)->object('result');
    }

    /** @return list<string> titles of the bank's blueprints */
    private function titles(): array
    {
        return array_map(static fn (Fields $b): string => $b->text('title'), $this->send('GET', '/api/banks/1/blueprints')->objects('blueprints'));
    }

    /** @return list<string> what its steps are, by their sections */
    private function steps(int $id): array
    {
        $document = $this->send('GET', "/api/blueprints/$id", schema: 'Blueprint')->object('document');

        return array_map(
            static fn (Fields $section): string => implode(
                ', ',
                array_map(
                    static fn (Fields $step): string => match (true) {
                        $step->has('question') => $step->text('question'),
                        $step->has('draw') => $step->object('draw')->integer('take') . ' of ' . implode(' ', $step->object('draw')->object('pool')->texts('only')),
                        $step->has('page') => 'page ' . $step->text('page'),
                        default => 'way to ' . $step->object('checkpoint')->objects('routes')[0]->text('to'),
                    },
                    $section->objects('steps'),
                ),
            ),
            $document->objects('sections'),
        );
    }

    public function test_a_test_comes_in_as_a_blueprint_and_goes_with_its_batch(): void
    {
        $before = $this->titles();
        $opened = $this->opening(
            self::section(self::reference('one', '<branchRule target="EXIT_TEST">' . self::LOW . '</branchRule>') . self::reference('two')) . self::section('<selection select="1"/>' . self::reference('three')),
        );
        self::assertSame(['Evening paper'], array_map(static fn (Fields $b): string => $b->text('title'), $opened->objects('blueprints')));
        self::assertSame($before, $this->titles(), 'opening is not taking in');
        $batch = $this->taken($opened);
        [$told] = $batch->objects('blueprints');
        self::assertSame(['Evening paper', 0, null], [$told->text('title'), $told->integer('missing'), $told->optionalText('problem')]);
        self::assertSame(['hive-one, way to end, hive-two, 1 of hive-three'], $this->steps($told->integer('id')));
        $blueprint = $this->send('GET', '/api/blueprints/' . $told->integer('id'));
        self::assertSame('1800 s', $blueprint->object('document')->object('rules')->text('time'));
        $notCleared = '“hive-one”, “hive-two” are not cleared yet, so no form can be dealt. Clear them, or take them out of the running order.';
        self::assertSame($notCleared, $blueprint->object('proof')->text('problem'));
        foreach (['deal' => ['seed' => 1], 'editions' => ['version' => $blueprint->integer('version')], 'rehearsals' => ['drafts' => false]] as $what => $body) {
            self::assertSame($notCleared, $this->send('POST', '/api/blueprints/' . $told->integer('id') . "/$what", $body, status: 422)->text('detail'));
        }
        $back = $this->send('POST', '/api/batches/' . $batch->integer('id') . '/take-back')->object('result');
        self::assertSame([3, 1], [$back->integer('taken'), $back->integer('blueprints')]);
        self::assertSame($before, $this->titles());
    }

    public function test_it_goes_without_questions_that_stay_out(): void
    {
        $opened = $this->opening(self::section(self::reference('one')) . self::section('<selection select="2"/>' . self::reference('two') . self::reference('three')));
        [$told] = $this->taken($opened, [1])->objects('blueprints');
        self::assertSame(2, $told->integer('missing'));
        self::assertSame(['1 of hive-two'], $this->steps($told->integer('id')));
    }

    public function test_where_none_comes_in_there_is_no_blueprint(): void
    {
        $opened = $this->opening(self::section(self::reference('one')));
        $before = $this->titles();
        [$told] = $this->taken($opened, [1])->objects('blueprints');
        self::assertSame([null, 'none of its questions came in'], [$told->optionalInteger('id'), $told->optionalText('problem')]);
        self::assertSame($before, $this->titles());
    }

    public function test_what_leads_to_a_question_that_stays_out_is_told(): void
    {
        $opened = $this->opening(self::section(self::reference('one', '<branchRule target="r-three">' . self::LOW . '</branchRule>') . self::reference('two') . self::reference('three')));
        [$told] = $this->taken($opened, [0, 1])->objects('blueprints');
        self::assertNull($told->optionalInteger('id'));
        self::assertStringContainsString('there is no step or section “3”', (string) $told->optionalText('problem'));
    }

    public function test_it_names_questions_as_they_came_in(): void
    {
        $test = self::section(self::reference('one') . self::reference('two'));
        $this->taken($this->opening($test));
        [$told] = $this->taken($this->opening($test), again: 'another')->objects('blueprints');
        self::assertSame(['hive-one 2, hive-two 2'], $this->steps($told->integer('id')));
    }

    public function test_one_that_was_changed_since_stays(): void
    {
        $batch = $this->taken($this->opening(self::section(self::reference('one'))));
        $id = $batch->objects('blueprints')[0]->integer('id');
        $blueprint = $this->send('GET', "/api/blueprints/$id");
        $this->send('PUT', "/api/blueprints/$id/document", ['version' => $blueprint->integer('version'), 'document' => [...$blueprint->object('document')->raw(), 'title' => 'Morning paper']]);
        $back = $this->send('POST', '/api/batches/' . $batch->integer('id') . '/take-back')->object('result');
        self::assertSame([0, ['the blueprint “Morning paper”, which was used since']], [$back->integer('blueprints'), $back->texts('by')]);
        self::assertContains('Morning paper', $this->titles());
    }

    public function test_what_of_a_test_cannot_be_said_is_told_before(): void
    {
        $twice = $this->opening(self::section(self::reference('one') . str_replace('r-one', 'r-again', self::reference('one'))));
        self::assertSame([], $twice->objects('blueprints'));
        self::assertStringContainsString('its questions come along; “hive-one” stands in the running order before', implode(array_map(static fn (Fields $u): string => $u->text('what'), $twice->objects('unmatched'))));
        $free = $this->opening(self::section(self::reference('one', '<branchRule target="EXIT_TEST">' . self::LOW . '</branchRule>') . self::reference('two')), 'navigationMode="nonlinear" submissionMode="individual"');
        self::assertCount(1, $free->objects('blueprints'));
        self::assertStringContainsString('branchRule at step 1, which leads nowhere', implode(array_map(static fn (Fields $u): string => $u->text('what'), $free->objects('unmatched'))));
    }

    public function test_draws_that_are_mixed_come_in_mixed(): void
    {
        $draw = static fn (string $name, string $inside): string => "<assessmentSection identifier=\"$name\" title=\"$name\" visible=\"true\" keepTogether=\"false\"><selection select=\"1\"/>$inside</assessmentSection>";
        $opened = $this->opening(self::section('<ordering shuffle="true"/>' . $draw('D1', self::reference('one') . self::reference('two')) . $draw('D2', self::reference('three'))));
        $told = $this->taken($opened)->objects('blueprints')[0];
        self::assertSame([0, null], [$told->integer('missing'), $told->optionalText('problem')]);
        self::assertSame(['1 of hive-one hive-two, 1 of hive-three'], $this->steps($told->integer('id')));
        $steps = $this->send('GET', '/api/blueprints/' . $told->integer('id'))
            ->object('document')
            ->objects('sections')[0]
            ->objects('steps');
        self::assertSame(['mixed', 'mixed'], array_map(static fn (Fields $step): string => $step->object('draw')->text('place'), $steps));
    }
}
