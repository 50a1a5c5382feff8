<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Blueprint;

use Doctrine\DBAL\Connection;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** A blueprint is copied to be changed, and deleted unless it is sat. */
final class CopiedAndDeletedTest extends ApiTestCase
{
    public function test_a_copy_plans_the_same_and_goes_its_own_way(): void
    {
        $this->logIn('orrell');
        foreach (['as plan and rules say', 'written as a whole'] as $stored) {
            $first = $this->send('GET', '/api/blueprints/1', schema: 'Blueprint');
            $copy = $this->send('POST', '/api/blueprints/1/copies', schema: 'Blueprint', status: 201);
            self::assertSame('Copy of ' . $first->text('title'), $copy->text('title'), $stored);
            self::assertEquals(self::without($first), self::without($copy), $stored);
            self::assertEquals($first->object('proof')->raw(), $copy->object('proof')->raw(), $stored);
            self::assertSame([], $copy->objects('editions'), $stored);
            $this->send(
                'PUT',
                '/api/blueprints/' . $copy->integer('id') . '/document',
                ['version' => $copy->integer('version'), 'document' => ['v' => 2, 'title' => 'Other', 'sections' => [['id' => 'a', 'steps' => []]]]],
                'Blueprint',
            );
            self::assertEquals($first->object('document')->raw(), $this->send('GET', '/api/blueprints/1')->object('document')->raw(), $stored);
            $this->send('PUT', '/api/blueprints/1/document', ['version' => $first->integer('version'), 'document' => $first->object('document')->raw()], 'Blueprint');
        }
    }

    public function test_one_that_is_put_away_stands_last_and_is_not_begun_until_it_is_taken_out_again(): void
    {
        $this->logIn('orrell');
        $away = $this->send('PUT', '/api/blueprints/1/put-away', ['putAway' => true])->objects('blueprints');
        self::assertSame([[1, true], 3], [[$away[2]->integer('id'), $away[2]->flag('putAway')], count($away)]);
        $this->logIn('wren');
        $offered = fn (): array => array_map(static fn (Fields $a): int => $a->integer('edition'), $this->send('GET', '/api/my-assessments')->objects('assessments'));
        self::assertNotContains(1, $offered());
        $this->send('POST', '/api/editions/1/sittings', status: 422);
        $this->logIn('orrell');
        self::assertSame(
            1,
            $this->send('PUT', '/api/blueprints/1/put-away', ['putAway' => false])
                ->objects('blueprints')[0]
                ->integer('id'),
        );
        $this->logIn('wren');
        self::assertContains(1, $offered());
    }

    public function test_what_forms_come_to_is_told_beside_the_list(): void
    {
        $this->logIn('orrell');
        $copy = $this->send('POST', '/api/blueprints/1/copies', status: 201)->integer('id');
        $this->plan($copy, [['question' => 'fresh eggs'], ['draw' => ['take' => 1, 'pool' => ['objective' => 'Neighbours and law', 'kinds' => ['one']]]]]);
        $draft = $this->send('POST', '/api/blueprints/1/copies', status: 201)->integer('id');
        $this->plan($draft, [['question' => 'wax moth']]);
        $points = $this->send('GET', '/api/banks/1/blueprints/points')->object('points');
        self::assertSame(['125', '125'], [$points->object('1')->text('least'), $points->object('1')->text('most')]);
        self::assertSame('20', $points->object((string) $copy)->text('most'));
        self::assertNull($points->optionalObject((string) $draft), 'with a question that may not be dealt');
    }

    public function test_one_that_is_sat_stays_and_any_other_goes_with_its_rehearsals(): void
    {
        $this->logIn('orrell');
        $db = self::getContainer()->get(Connection::class);
        $before = $this->titles($this->send('GET', '/api/banks/1/blueprints'));
        $problem = $this->send('DELETE', '/api/blueprints/1', schema: 'Problem', status: 422);
        self::assertStringContainsString('is in use, so it stays', json_encode($problem->raw(), JSON_THROW_ON_ERROR));
        self::assertSame($before, $this->titles($this->send('GET', '/api/banks/1/blueprints')));

        $copy = $this->send('POST', '/api/blueprints/1/copies', status: 201);
        $id = $copy->integer('id');
        $this->send('POST', "/api/blueprints/$id/rehearsals", ['drafts' => false], status: 201);
        $this->send('PUT', "/api/blueprints/$id/admission", ['version' => 0, 'everybody' => false, 'groups' => [], 'people' => []]);
        $edition = $this->send('POST', "/api/blueprints/$id/editions", ['version' => $copy->integer('version')], status: 201);
        $this->send('DELETE', "/api/blueprints/$id", status: 422);
        $this->send('DELETE', '/api/editions/' . $edition->integer('id'));
        self::assertSame($before, $this->titles($this->send('DELETE', "/api/blueprints/$id")));
        $this->send('GET', "/api/blueprints/$id", status: 404);
        foreach (['sitting', 'edition'] as $table) {
            self::assertSame(0, $db->fetchOne("SELECT COUNT(*) FROM $table WHERE blueprint_id = ?", [$id]), $table);
        }
        self::assertSame(0, $db->fetchOne('SELECT COUNT(*) FROM sitting_event WHERE sitting_id NOT IN (SELECT id FROM sitting)'));
    }

    public function test_the_list_counts_sittings_of_candidates_and_no_rehearsals(): void
    {
        $this->logIn('orrell');
        $this->send('POST', '/api/blueprints/1/rehearsals', ['drafts' => false], status: 201);
        $db = self::getContainer()->get(Connection::class);
        $sat = $db->fetchOne('SELECT COUNT(*) FROM sitting WHERE blueprint_id = 1 AND edition_id IS NOT NULL');
        [$row] = $this->send('GET', '/api/banks/1/blueprints')->objects('blueprints');
        self::assertSame([1, $sat], [$row->integer('id'), $row->integer('sittings')]);
    }

    /** @return array<array-key, mixed> the document without its title */
    private static function without(Fields $blueprint): array
    {
        return array_diff_key($blueprint->object('document')->raw(), ['title' => true]);
    }

    /** @return list<string> */
    private function titles(Fields $list): array
    {
        return array_map(static fn (Fields $b): string => $b->text('title'), $list->objects('blueprints'));
    }
}
