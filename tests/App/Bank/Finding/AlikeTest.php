<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Finding;

use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

final class AlikeTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    public function test_a_copy_and_what_is_nearly_the_same_are_found_in_the_bank(): void
    {
        $before = $this->send('GET', '/api/banks/1/alike')->items('groups');
        $copy = $this->send('POST', '/api/questions/1/copy', [], 'Question', 201);
        $groups = $this->send('GET', '/api/banks/1/alike');

        self::assertCount(count($before) + 1, $groups->items('groups'));
        self::assertTrue($groups->flag('nearly'));
        $ids = array_map(static fn (mixed $group): array => is_array($group) ? array_column($group, 'id') : [], $groups->items('groups'));
        self::assertContains([1, $copy->integer('id')], $ids);
        $this->send('POST', '/api/banks/1/questions/change', ['ids' => [$copy->integer('id')], 'change' => ['status' => 'retired']], 'Job', 202);
        self::assertCount(count($before), $this->send('GET', '/api/banks/1/alike')->items('groups'), 'a retired one is no longer told');
    }

    public function test_by_their_answers_are_found_that_ask_otherwise(): void
    {
        $choices = static fn (string ...$texts): array => array_map(
            static fn (string $text, int $i): array => ['id' => $i + 1, 'text' => $text, 'key' => $i === 0, 'says' => "Something $i that is said."],
            array_values($texts),
            range(0, count($texts) - 1),
        );
        $make = fn (string $stem, array $choices): int => $this->send('POST', '/api/banks/1/questions', ['content' => ['v' => 1, 'kind' => 'one', 'stem' => $stem, 'choices' => $choices]], 'Question', 201)->integer('id');
        $one = $make('Who brings water?', $choices('An old forager', 'A drone of May', 'The queen herself', 'A nurse bee'));
        $other = $make('To whom does the waggle dance speak?', $choices('A nurse bee', 'The queen herself', 'An old forager', 'A drone of May'));
        $ids = fn (string $by): array => array_map(static fn (mixed $group): array => is_array($group) ? array_column($group, 'id') : [], $this->send('GET', '/api/banks/1/alike' . $by)->items('groups'));

        self::assertContains([$one, $other], $ids('?by=answers'));
        self::assertNotContains([$one, $other], $ids(''));
        $beside = $this->send('GET', "/api/banks/1/alike/beside?one=$other&other=$one", schema: 'Beside')->objects('questions');
        self::assertSame(['Who brings water?', 'To whom does the waggle dance speak?'], array_map(static fn (Fields $q): string => $q->text('stem'), $beside));
        self::assertSame([['An old forager', true], ['A drone of May', false]], array_map(static fn (Fields $line): array => [$line->text('text'), $line->flag('isKey')], array_slice($beside[0]->objects('lines'), 0, 2)));
        foreach (['claim' => [2, 'true', true], 'number' => [0, null, true]] as $kind => [$editions, $text, $isKey]) {
            $id = $this->send('GET', "/api/banks/1/questions?kind=$kind&order=made")
                ->objects('questions')[0]
                ->integer('id');
            $held = $this->send('GET', "/api/banks/1/alike/beside?one=$id&other=$id", schema: 'Beside')->objects('questions')[0];
            $key = array_values(array_filter($held->objects('lines'), static fn (Fields $line): bool => $line->flag('isKey')))[0];
            self::assertSame([$editions, $text ?? $key->text('text'), $isKey], [$held->integer('editions'), $key->text('text'), $key->flag('isKey')], $kind);
        }
    }

    public function test_two_are_merged_wherever_the_other_was_named_and_set_apart_again(): void
    {
        $this->plan(2, [['question' => 'q16'], ['draw' => ['take' => 1, 'pool' => ['kinds' => ['one'], 'without' => ['q16']]]]]);
        $this->send('POST', '/api/banks/1/pools', ['do' => 'gather', 'name' => 'Both', 'ids' => [16, 17]]);
        $this->send('POST', '/api/banks/1/pools', ['do' => 'gather', 'name' => 'The other', 'ids' => [16]]);
        $state = fn (): array => [
            $this->send('GET', '/api/blueprints/2')->object('plan')->raw(),
            array_map(static fn (Fields $pool): array => [$pool->text('name'), $pool->integer('questions'), $pool->integer('cleared')], $this->send('GET', '/api/banks/1/pools')->objects('pools')),
            array_map(static fn (Fields $q): array => [$q->integer('id'), $q->text('status'), $q->flag('dealt')], $this->send('GET', '/api/banks/1/questions?order=made')->objects('questions')),
        ];
        $before = $state();
        $change = $this->send('POST', '/api/banks/1/alike/merge', ['keep' => 17, 'other' => 16], 'BankChange');
        [$now, $pools] = $state();

        self::assertStringStartsWith('merged the question “fresh eggs” into “', $change->text('words'));
        self::assertSame(['q17', ['q17']], [Fields::of($now)->objects('steps')[0]->text('question'), Fields::of($now)->objects('steps')[1]->object('draw')->object('pool')->texts('without')]);
        self::assertSame([['Both', 1, 1], ['Open evening', 6, 6], ['Swarm season', $before[1][2][1], $before[1][2][2]], ['The other', 1, 1]], $pools);
        self::assertSame('retired', $this->send('GET', '/api/questions/16')->text('status'));
        $this->send('POST', '/api/banks/1/changes/' . $change->integer('id') . '/undo', []);
        self::assertSame($before, $state());
    }

    public function test_what_cannot_be_merged_is_refused(): void
    {
        $this->plan(2, [['question' => 'q16'], ['question' => 'q17']]);
        foreach (
            [[17, 16, 409, '“Spring practice” asks both'], [16, 16, 422, 'another question of this bank'], [16, 999_999, 422, 'another question of this bank'], [16, 92, 409, 'is retired already']] as [$keep, $other, $status, $why]
        ) {
            self::assertStringContainsString($why, $this->send('POST', '/api/banks/1/alike/merge', ['keep' => $keep, 'other' => $other], status: $status)->text('detail'));
        }
    }

    public function test_while_a_question_is_written_what_asks_nearly_the_same_is_told_but_not_itself(): void
    {
        $question = $this->send('GET', '/api/questions/1');
        $stem = $question->object('content')->text('stem');
        $alike = fn (string $stem, int $but): array => array_map(
            static fn (Fields $one): array => [$one->integer('id'), $one->integer('percent')],
            $this->send('POST', '/api/banks/1/alike', ['stem' => $stem, 'but' => $but])->objects('alike'),
        );

        self::assertSame([], $alike($stem, 1));
        self::assertSame([1, 100], $alike($stem, 0)[0]);
        self::assertSame(1, $alike($stem . ' Again?', 0)[0][0]);
        self::assertSame([], $alike('Zeppelins fly over Bodensee in autumn', 0));
        self::assertSame([], $alike('"', 0));
    }
}
