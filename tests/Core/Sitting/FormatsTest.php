<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Sitting;

use Opis\JsonSchema\Validator;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Sitting\Outside\SittingFile;
use Zetema\Core\Sitting\Outside\SittingRun;

/** What the formats say is what is read and written: the example is run, and held against the schemas, with all that random sittings come to. */
final class FormatsTest extends SatCase
{
    private const FORMATS = __DIR__ . '/../../../docs/formats/';

    public function test_the_example_is_what_the_schema_says_and_can_be_sat(): void
    {
        preg_match('/```json\n(.*?)\n```/s', (string) file_get_contents(self::FORMATS . 'sitting.md'), $example);
        $this->fits('blueprint.schema.json', json_decode($example[1] ?? ''));
        $plan = BlueprintReader::read(json_decode($example[1] ?? '', true), new ListedBank(self::BANK));
        $result = self::sat($plan, '0 start; 1 go on; 2 check trim {"choose":[1]}; 3 go on; 4 go on; 5 go on; 6 hand in');

        self::assertCame(['ended.how' => 'handed in', 'refused' => '', 'routes' => 'c1 q5'], $result);
    }

    public function test_events_and_results_are_what_the_schema_says(): void
    {
        $plan = self::plan(
            [self::q('trim', ['settings' => ['time' => '1 min']]), self::q('oar'), self::q('sure')],
            ['tallies' => [['name' => 'patience']], 'pass' => ['percent' => '50', 'objectives' => [['objective' => 'Boats', 'points' => '1']]]],
        );
        $events = self::events('0 start; 1 check trim {"choose":[2]}; 2 give time 5 {"question":"trim"}; 3 save trim null; 4 hint trim; 70 go on; 71 go to trim; 72 flag oar; 73 hand in');
        $this->fits('sitting.schema.json', json_decode((string) json_encode(['id' => 'a', 'now' => '80', 'events' => $events])));
        $result = SittingRun::result(self::paper($plan), SittingFile::read(['id' => 'a', 'now' => '80', 'events' => $events]));

        $this->fits('sitting.schema.json', json_decode((string) json_encode(['id' => 'a', 'seed' => 1, ...$result])));
        self::assertNotSame([], $result['refused']);
    }

    public function test_what_is_refused_for_its_shape_is_no_blueprint_of_the_schema_either(): void
    {
        foreach (['{"v":2,"title":"T","sections":[]}', '{"v":2,"title":"T","sections":[{"id":"a","steps":[{"id":"x"}]}]}', '{"v":2,"title":"T","rules":{"moving":"back"},"sections":[{"id":"a","steps":[]}]}'] as $wrong) {
            self::assertFalse((new Validator())->validate(json_decode($wrong), (string) file_get_contents(self::FORMATS . 'blueprint.schema.json'))->isValid(), $wrong);
        }
    }

    private function fits(string $schema, mixed $document): void
    {
        $result = (new Validator())->validate($document, (string) file_get_contents(self::FORMATS . $schema));

        self::assertTrue($result->isValid(), (string) json_encode($result->error()?->keyword() . ' ' . json_encode($result->error()?->data()->fullPath())));
    }
}
