<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Blueprint;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Blueprint\Check\TrustedNames;
use Zetema\Core\Blueprint\Dealing\BlueprintDealer;
use Zetema\Core\Blueprint\Outcome\Rung;
use Zetema\Core\Blueprint\Plain\PlainBlueprint;
use Zetema\Core\Blueprint\Plain\PlainRules;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\NamedQuestions;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\DealingPlan;

/** What the board edits, raised to a blueprint and told in rules again; and questions called by other names in a document. */
final class PlainBlueprintTest extends TestCase
{
    private const PLAN = '{"steps":[{"draw":{"take":2,"pool":{"objective":"Boats","kinds":["one"]},"points":"5"}},{"question":"q7"}],"apart":[["q7","q8"]],"pass":{"percent":"60"}}';

    /** @return iterable<string, array{PlainRules}> */
    public static function rules(): iterable
    {
        yield 'as they are at first' => [new PlainRules()];
        yield 'all otherwise' => [new PlainRules(90, true, false, Rung::Total, Rung::Nothing, null, true, true)];
        yield 'at the end, twice' => [new PlainRules(1800, false, true, Rung::WithKey, Rung::PassedOrNot, 2)];
        yield 'forward, told at the end' => [new PlainRules(null, false, true, Rung::OwnPaper, Rung::OwnPaper, 1, true)];
    }

    #[DataProvider('rules')]
    public function test_rules_are_told_back_as_they_were_set(PlainRules $rules): void
    {
        $blueprint = PlainBlueprint::of('T', DealingPlan::fromData(Fields::ofJson(self::PLAN)), $rules);

        self::assertEquals($rules, PlainRules::of($blueprint));
        self::assertEquals($rules, PlainRules::fromData(Fields::of($rules->toData())));
        self::assertSame($rules->forwardOnly, !$blueprint->rules->sharesScreen());
        self::assertSame($rules->tellsAtOnce, $blueprint->rules->tellsBeforeTheEnd());
    }

    public function test_the_plan_is_told_back_as_it_was_written(): void
    {
        $plan = DealingPlan::fromData(Fields::ofJson(self::PLAN));

        self::assertEquals($plan, BlueprintDealer::plan(PlainBlueprint::of('T', $plan, new PlainRules())));
    }

    public function test_what_is_shown_only_once_an_assessment_has_closed_is_not_told_before(): void
    {
        $document = [
            ...PlainBlueprint::document('T', DealingPlan::fromData(Fields::ofJson(self::PLAN)), new PlainRules()),
            'review' => ['passed' => [['rung' => 'total'], ['rung' => 'marked paper', 'when' => 'closed']]],
        ];
        $rules = PlainRules::of(BlueprintReader::read($document, new TrustedNames()));

        self::assertSame([Rung::Total, Rung::Nothing], [$rules->whoPassesSees, $rules->whoDoesNotSees]);
    }

    public function test_rules_stored_before_there_were_some_of_them_are_read(): void
    {
        $rules = PlainRules::fromData(Fields::ofJson('{"seconds":1500,"tellsAtOnce":true,"showsWorth":true,"whoPassesSees":"total","whoDoesNotSees":"nothing","sittings":null}'));

        self::assertSame([1500, false, false, null], [$rules->seconds, $rules->forwardOnly, $rules->mustAnswer, $rules->sittings]);
    }

    /** @return iterable<string, array{string, string}> */
    public static function wrong(): iterable
    {
        yield 'too short a time' => ['{"seconds":5}', 'seconds'];
        yield 'no sitting' => ['{"seconds":null,"sittings":0}', 'sittings'];
        yield 'no such rung' => ['{"seconds":null,"whoPassesSees":"all"}', 'whoPassesSees'];
        yield 'no such rule' => ['{"seconds":null,"backwards":true}', 'backwards'];
        yield 'neither yes nor no' => ['{"seconds":null,"mustAnswer":"yes"}', 'mustAnswer'];
    }

    #[DataProvider('wrong')]
    public function test_wrong_rules_are_refused_by_their_field(string $json, string $field): void
    {
        try {
            PlainRules::fromData(Fields::ofJson($json));
            self::fail('they were taken');
        } catch (Malformed $e) {
            self::assertSame($field, $e->field);
        }
    }

    public function test_questions_are_called_otherwise_wherever_a_document_names_them_and_nowhere_else(): void
    {
        $document = [
            'title' => 'trim',
            'sections' => [
                [
                    'id' => 'trim',
                    'steps' => [
                        ['id' => 'q1', 'question' => 'trim', 'refresher' => ['pages' => ['trim']]],
                        ['id' => 'd1', 'draw' => ['take' => 1, 'pool' => ['objective' => 'trim', 'only' => ['trim', 'oar'], 'without' => ['trim'], 'also' => ['trim']]]],
                        [
                            'id' => 'c1',
                            'checkpoint' => [
                                'routes' => [
                                    [
                                        'when' => [
                                            'all' => [['outcome' => 'trim', 'is' => ['right']], ['not' => ['chosen' => 'trim', 'choice' => 1]], ['points' => ['questions' => ['trim']], 'is' => '>', 'value' => '1']],
                                        ],
                                        'to' => 'trim',
                                    ],
                                ],
                            ],
                        ],
                    ],
                ],
            ],
            'apart' => [['trim', 'oar']],
        ];
        $called = json_encode(NamedQuestions::called($document, static fn (string $name): string => $name === 'trim' ? 'q5' : $name), JSON_THROW_ON_ERROR);

        self::assertSame(8, substr_count($called, '"q5"'));
        self::assertSame(5, substr_count($called, '"trim"'), 'title, section, page, objective and way keep their names');
        self::assertSame($document, NamedQuestions::called(json_decode($called, true), static fn (string $id): string => $id === 'q5' ? 'trim' : $id));
        foreach ([null, 'x', 7, [], ['question' => 5], ['apart' => 'x'], ['only' => [1]]] as $other) {
            self::assertSame($other, NamedQuestions::called($other, static fn (string $name): string => 'q1'));
        }
    }
}
