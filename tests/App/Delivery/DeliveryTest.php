<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Delivery;

use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

final class DeliveryTest extends ApiTestCase
{
    use ClockSensitiveTrait;

    public function test_a_blueprint_proves_its_forms_while_it_is_typed(): void
    {
        $this->logIn('orrell');
        $blueprint = $this->send('GET', '/api/blueprints/1', schema: 'Blueprint');
        $proof = $blueprint->object('proof');
        self::assertSame([15, '125', '125'], [$proof->integer('questions'), $proof->text('least'), $proof->text('most')]);

        $steps = [['draw' => ['take' => 9, 'pool' => ['objective' => 'Hive inspection', 'kinds' => ['one']]]]];
        $saved = $this->plan(1, $steps);
        self::assertSame('Draw 1 asks for 9 questions; only 7 fit it.', $saved->object('proof')->object('shortage')->text('words'));
        foreach (['deal' => ['seed' => 1], 'editions' => ['version' => $this->version('/api/blueprints/1')], 'rehearsals' => []] as $what => $body) {
            self::assertStringContainsString('only 7 fit', $this->send('POST', "/api/blueprints/1/$what", $body, status: 409)->text('detail'));
        }
        self::assertSame('urn:zetema:problem:stale', $this->plan(1, $steps, status: 409, version: $blueprint->integer('version'))->text('type'));
    }

    public function test_a_pass_mark_that_cannot_be_reached_is_said_and_never_frozen(): void
    {
        $this->logIn('orrell');
        $blueprint = $this->send('GET', '/api/blueprints/1');
        $saved = $this->send('PUT', '/api/blueprints/1/document', ['version' => $blueprint->integer('version'), 'document' => [...$blueprint->object('document')->raw(), 'pass' => ['points' => '126']]], 'Blueprint');

        self::assertFalse($saved->object('proof')->object('pass')->flag('reachable'));
        self::assertSame('pass', $this->send('POST', '/api/blueprints/1/editions', ['version' => $this->version('/api/blueprints/1')], status: 422)->text('field'));
        $saved = $this->send('PUT', '/api/blueprints/1/document', ['version' => $saved->integer('version'), 'document' => [...$blueprint->object('document')->raw(), 'pass' => ['percent' => '101']]], 'Blueprint');
        self::assertSame(['pass'], array_map(static fn (Fields $f): string => $f->text('subject'), $saved->objects('findings')));
    }

    public function test_one_seed_deals_the_same_form_again(): void
    {
        $this->logIn('orrell');
        $form = $this->send('POST', '/api/blueprints/1/deal', ['seed' => 7], 'Form');

        self::assertSame('125', $form->text('points'));
        self::assertEquals($form, $this->send('POST', '/api/blueprints/1/deal', ['seed' => 7]));
        self::assertNotEquals($form->raw()['questions'], $this->send('POST', '/api/blueprints/1/deal', ['seed' => 8])->raw()['questions']);
    }

    public function test_from_begin_to_review(): void
    {
        $this->logIn('carrow');
        $sitting = $this->begin();
        $sitting = $this->act($sitting, ['type' => 'saved', 'sheet' => 1, 'response' => ['choose' => [1]]]);
        $sitting = $this->act($sitting, ['type' => 'flagged', 'sheet' => 2]);
        self::assertSame([1], $sitting->objects('questions')[0]->object('response')->integers('choose'));
        self::assertTrue($sitting->objects('questions')[1]->flag('flagged'));
        $this->send('GET', '/api/sittings/' . $sitting->integer('id') . '/review', status: 422);

        $ended = $this->act($sitting, ['type' => 'handed in']);
        self::assertSame('ended', $ended->text('phase'));
        $review = $this->send('GET', '/api/sittings/' . $sitting->integer('id') . '/review', schema: 'Review');
        self::assertCount(15, $review->objects('questions'));
        self::assertSame('125', $review->object('total')->text('max'));
        self::assertCount(5, $review->objects('objectives'));
        self::assertStringContainsString('sat', $this->send('POST', '/api/editions/1/sittings', status: 422)->text('detail'), 'two sittings, and both are used');
    }

    public function test_a_repeated_request_changes_nothing_and_a_second_tab_is_told(): void
    {
        $this->logIn('carrow');
        $sitting = $this->begin();
        $event = ['request' => 'one-and-the-same', 'on' => $sitting->integer('events'), 'type' => 'saved', 'sheet' => 1, 'response' => ['choose' => [2]]];
        $path = '/api/sittings/' . $sitting->integer('id') . '/events';
        $first = $this->send('POST', $path, $event, 'Sitting');
        self::assertSame($first->integer('events'), $this->send('POST', $path, $event, 'Sitting')->integer('events'));

        $problem = $this->send('POST', $path, [...$event, 'request' => 'second-tab'], status: 409);
        self::assertSame([2], $problem->object('current')->objects('questions')[0]->object('response')->integers('choose'));
        self::assertSame('choose', $this->send('POST', $path, [...$event, 'request' => 'third', 'on' => $first->integer('events'), 'response' => ['choose' => [9]]], status: 422)->text('field'));
    }

    public function test_beginning_again_goes_on_with_the_sitting_that_is_running(): void
    {
        $this->logIn('carrow');
        $first = $this->begin();

        self::assertSame($first->integer('id'), $this->begin()->integer('id'));
        $mine = $this->send('GET', '/api/my-assessments', schema: 'MyAssessments');
        self::assertSame($first->integer('id'), $mine->objects('assessments')[0]->integer('running'));
    }

    public function test_the_list_says_what_each_asks_how_long_it_takes_and_what_passes(): void
    {
        $this->logIn('carrow');
        $told = [];
        foreach ($this->send('GET', '/api/my-assessments', schema: 'MyAssessments')->objects('assessments') as $one) {
            $told[$one->text('title')] = [$one->integer('fewest'), $one->integer('questions'), $one->optionalInteger('seconds'), $one->flag('timed'), $one->integer('minimums')];
        }
        self::assertSame(
            [
                'Apprentice Certificate, written part' => [15, 15, 1500, false, 5],
                'Spring practice' => [7, 7, null, false, 0],
                'Hands on: pictures, pairs and order' => [7, 7, null, false, 0],
                'Swarm day' => [5, 5, null, false, 0],
                'What sort of keeper are you?' => [8, 8, null, false, 0],
                'Spot test: ten seconds each' => [10, 10, null, true, 0],
            ],
            $told,
        );
    }

    public function test_a_practice_tells_at_once_and_refuses_what_is_over(): void
    {
        $this->logIn('carrow');
        $sitting = $this->begin('/api/editions/2/sittings');
        self::assertTrue($sitting->flag('checks'));
        $n = 1;
        $sitting = $this->act($sitting, ['type' => 'checked', 'sheet' => $n, 'response' => ['choose' => [1]]]);
        $told = $sitting->objects('questions')[$n - 1]->objects('told')[0];
        while (!$sitting->objects('questions')[$n - 1]->flag('closed')) {
            $sitting = $this->act($sitting, ['type' => 'checked', 'sheet' => $n, 'response' => ['choose' => [1]]]);
        }
        self::assertContains($told->text('outcome'), ['right', 'wrong']);
        self::assertStringStartsWith(ucfirst($told->text('outcome')), $told->text('facts'));
        self::assertTrue($sitting->objects('questions')[$n - 1]->flag('closed'));

        $again = ['request' => 'again', 'on' => $sitting->integer('events'), 'type' => 'checked', 'sheet' => $n, 'response' => ['choose' => [2]]];
        self::assertStringContainsString('closed', $this->send('POST', '/api/sittings/' . $sitting->integer('id') . '/events', $again, status: 422)->text('detail'));
        $unknown = ['request' => 'unknown', 'on' => $sitting->integer('events'), 'type' => 'ran out'];
        self::assertSame('type', $this->send('POST', '/api/sittings/' . $sitting->integer('id') . '/events', $unknown, status: 422)->text('field'));
    }

    public function test_time_runs_out_on_the_server_and_what_was_saved_counts(): void
    {
        $clock = self::mockTime(new \DateTimeImmutable('2026-05-01 10:00:00'));
        self::assertInstanceOf(MockClock::class, $clock);
        $this->logIn('carrow');
        $sitting = $this->begin();
        $this->act($sitting, ['type' => 'saved', 'sheet' => 1, 'response' => ['choose' => [1]]]);
        $clock->sleep(1505);

        self::assertSame('ended', $this->send('GET', '/api/sittings/' . $sitting->integer('id'), schema: 'Sitting')->text('phase'));
        $review = $this->send('GET', '/api/sittings/' . $sitting->integer('id') . '/review', schema: 'Review');
        self::assertTrue($review->flag('ranOut'));
        self::assertSame(1500, $review->integer('seconds'));
        self::assertNotSame([], $review->objects('questions')[0]->objects('response'));
    }

    public function test_no_reply_to_a_candidate_carries_a_key_or_marking_before_the_review(): void
    {
        $secrets = $this->secrets();
        $this->logIn('carrow');
        foreach ([1, 2, 3] as $edition) {
            $sitting = $this->send('POST', "/api/editions/$edition/sittings", schema: 'Sitting', status: 201);
            $replies = [(string) $this->client->getResponse()->getContent()];
            foreach ($sitting->objects('questions') as $question) {
                $response = self::some($question);
                $sitting = $this->act($sitting, ['type' => 'saved', 'sheet' => $question->integer('n'), 'response' => $response]);
                $replies[] = (string) $this->client->getResponse()->getContent();
            }
            $replies[] = (string) json_encode($this->send('GET', '/api/my-assessments', schema: 'MyAssessments')->raw());
            foreach ($secrets as $secret) {
                self::assertStringNotContainsString($secret, implode("\n", $replies));
            }
        }
    }

    public function test_no_reply_tells_more_than_is_due_whatever_is_tried(): void
    {
        $secrets = array_values(array_filter($this->secrets(), static fn (string $secret): bool => mb_strlen($secret) > 4));
        $this->logIn('carrow');
        foreach ([1, 2, 3] as $edition) {
            $sitting = $this->send('POST', "/api/editions/$edition/sittings", schema: 'Sitting', status: 201);
            foreach ($sitting->objects('questions') as $question) {
                $n = $question->integer('n');
                foreach (
                    [['hint opened', null], ['saved', self::some($question)], ['checked', self::some($question)], ['checked', ['choose' => [99]]], ['hint opened', null], ['went to', null], ['flagged', null]] as [$type, $response]
                ) {
                    $this->client->jsonRequest(
                        'POST',
                        '/api/sittings/' . $sitting->integer('id') . '/events',
                        ['request' => bin2hex(random_bytes(8)), 'on' => $sitting->integer('events'), 'type' => $type, 'sheet' => $n, ...$response === null ? [] : ['response' => $response]],
                        ['HTTP_X-Zetema' => '1'],
                    );
                    $reply = (string) $this->client->getResponse()->getContent();
                    $data = Fields::ofJson($reply);
                    $sitting = $data->has('questions') ? $data : $sitting;
                    $due = $data->has('questions') ? self::due($data) : [];
                    foreach (array_diff($secrets, $due) as $secret) {
                        self::assertStringNotContainsString($secret, $reply, "edition $edition, question $n, $type");
                    }
                }
            }
        }
    }

    /** @return list<string> what a reply says of authors' texts because it was checked or opened, as it stands in JSON */
    private static function due(Fields $sitting): array
    {
        $due = [];
        foreach ($sitting->objects('questions') as $question) {
            array_push($due, ...$question->texts('hintsOpen'), ...array_merge(...array_map(static fn (Fields $told): array => $told->texts('said'), $question->objects('told'))));
        }

        return array_map(static fn (string $text): string => trim((string) json_encode($text), '"'), $due);
    }

    public function test_what_changes_in_the_bank_does_not_touch_a_frozen_edition(): void
    {
        $db = self::getContainer()->get(Connection::class);
        $this->logIn('carrow');
        $before = $this->begin();
        $this->logIn('orrell');
        foreach ($db->fetchFirstColumn("SELECT id FROM question WHERE kind = 'one'") as $id) {
            $path = '/api/questions/' . (is_numeric($id) ? (int) $id : 0);
            $this->send('PUT', $path . '/status', ['status' => 'retired', 'version' => $this->send('GET', $path)->integer('version')]);
        }
        $this->logIn('carrow');

        self::assertEquals($before->raw()['questions'], $this->send('GET', '/api/sittings/' . $before->integer('id'))->raw()['questions']);
        $this->logIn('aldous');
        self::assertCount(3, $this->begin()->objects('questions'), 'and it is still dealt from');
    }

    public function test_a_rehearsal_shows_its_working_and_leaves_no_result(): void
    {
        $this->logIn('penhale');
        $sitting = $this->begin('/api/blueprints/1/rehearsals', ['seed' => 3]);
        $sitting = $this->act($sitting, ['type' => 'saved', 'sheet' => 1, 'response' => ['choose' => [1]]]);
        $watch = $sitting->object('watch')->objects('questions')[0];

        self::assertNotSame([], $watch->texts('working'));
        self::assertNotSame([], $watch->objects('key'));
        self::assertSame(3, $sitting->object('watch')->integer('seed'));
        $results = self::getContainer()->get(Connection::class)->fetchOne('SELECT COUNT(*) FROM sitting WHERE edition_id IS NOT NULL');
        self::assertSame(3, $results, 'only the three of the demo');
    }

    public function test_freezing_what_has_not_changed_is_refused_and_what_nobody_has_begun_can_be_withdrawn(): void
    {
        $this->logIn('orrell');
        self::assertStringContainsString('Nothing has changed since edition 1', $this->send('POST', '/api/blueprints/1/editions', ['version' => $this->version('/api/blueprints/1')], status: 422)->text('detail'));
        self::assertStringContainsString('3 candidates have begun', $this->send('DELETE', '/api/editions/1', status: 422)->text('detail'));
        $blueprint = $this->send('GET', '/api/blueprints/1', schema: 'Blueprint');
        self::assertSame([3, 3], [$blueprint->integer('candidates'), $blueprint->objects('editions')[0]->integer('begun')]);

        $this->send('PUT', '/api/blueprints/1/document', ['version' => $blueprint->integer('version'), 'document' => [...$blueprint->object('document')->raw(), 'title' => 'Second title']]);
        $second = $this->send('POST', '/api/blueprints/1/editions', ['version' => $this->version('/api/blueprints/1')], schema: 'Edition', status: 201);
        $this->send('POST', '/api/blueprints/1/editions', ['version' => $this->version('/api/blueprints/1')], status: 422);
        self::assertSame(
            0,
            $this->send('DELETE', '/api/editions/' . $second->integer('id'), schema: 'Blueprint')
                ->objects('editions')[0]
                ->integer('begun'),
        );
        $this->logIn('carrow');
        self::assertSame('Apprentice Certificate, written part', $this->send('GET', '/api/my-assessments')->objects('assessments')[0]->text('title'), 'the one before is to be begun again');
        $this->send('POST', '/api/editions/' . $second->integer('id') . '/sittings', status: 422);
    }

    /** @return array<string, mixed> some response that a question of this kind takes */
    private static function some(Fields $question): array
    {
        return match ($question->text('kind')) {
            'text', 'number' => ['text' => '1'],
            'gaps' => ['gaps' => ['1' => '1']],
            'pairs' => ['pairs' => ['1' => '2']],
            'groups' => ['groups' => ['1' => '1']],
            'order' => ['order' => range(1, count($question->object('answers')->texts('items')))],
            'regions' => ['points' => [[10, 10]]],
            'place' => ['place' => ['1' => '1']],
            default => ['choose' => [1]],
        };
    }

    /** @return list<string> feedback, hints and field names that would give an answer away */
    private function secrets(): array
    {
        $secrets = ['"key"', '"keys"', '"criteria"', '"working"', '"wordings"', '"spans"', '"weight"', '"outcomeTexts"'];
        foreach (self::getContainer()->get(Connection::class)->fetchFirstColumn('SELECT content FROM revision') as $json) {
            $content = Fields::ofJson(is_string($json) ? $json : '');
            foreach ([...$content->objects('choices', optional: true), ...$content->objects('wordings', optional: true)] as $part) {
                $secrets[] = $part->optionalText('says');
            }
            foreach ([...$content->objects('outcomeTexts', optional: true), ...$content->objects('hints', optional: true)] as $part) {
                $secrets[] = $part->text('text');
            }
        }
        $quoted = array_map(static fn (?string $s): string => $s === null ? '' : (str_starts_with($s, '"') ? $s : trim((string) json_encode($s), '"')), $secrets);

        return array_values(array_filter(array_unique($quoted), static fn (string $s): bool => $s !== ''));
    }
}
