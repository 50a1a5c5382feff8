<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** Pools that a bank keeps: a filter under a name, or questions put in by hand; draws take from both. */
final class PoolsTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    public function test_a_filter_under_a_name_serves_two_draws_and_holds_what_fits_at_the_time(): void
    {
        $this->change(['do' => 'keep', 'name' => 'Claims on health', 'filter' => ['kind' => 'claim', 'objective' => $this->objective('Health and pests')]]);
        $pool = $this->pool('Claims on health');
        $claims = $this->send('GET', '/api/banks/1/questions?kind=claim&objective=' . $this->objective('Health and pests'))->integer('total');
        self::assertSame([$claims, $claims, []], [$pool->integer('questions'), $pool->integer('cleared'), $pool->texts('drawnBy')]);

        $blueprint = $this->drawing([['take' => 2, 'pool' => ['in' => 'Claims on health']], ['take' => 1, 'pool' => ['in' => 'Claims on health', 'kinds' => ['claim']]]]);
        self::assertSame([$claims, $claims], array_map(static fn (Fields $draw): int => $draw->integer('fit'), $blueprint->object('proof')->objects('draws')));
        self::assertSame('pool Claims on health', $blueprint->object('proof')->objects('draws')[0]->text('words'));
        self::assertSame(['Try-out'], $this->pool('Claims on health')->texts('drawnBy'));
        $form = $this->send('POST', '/api/blueprints/' . $blueprint->integer('id') . '/deal', ['seed' => 4])->objects('questions');
        self::assertSame(['claim', 'claim', 'claim'], array_map(static fn (Fields $q): string => $q->text('kind'), $form));
        self::assertCount(3, array_unique(array_map(static fn (Fields $q): int => $q->integer('id'), $form)), 'no question comes twice, though both take from one pool');

        $moved = $form[0]->integer('id');
        $this->send('POST', '/api/banks/1/questions/change', ['ids' => [$moved], 'change' => ['objective' => 'Colony life'], 'clearAgain' => true], status: 202);
        self::assertSame($claims - 1, $this->pool('Claims on health')->integer('questions'), 'what no longer fits is no longer in it');
    }

    public function test_a_pool_says_why_it_cannot_be_drawn_from(): void
    {
        $draft = $this->send(
            'POST',
            '/api/banks/1/questions',
            ['content' => ['v' => 1, 'kind' => 'claim', 'stem' => 'Wasps hum.', 'choices' => [['id' => 1, 'text' => 'true', 'key' => true], ['id' => 2, 'text' => 'false', 'key' => false]]]],
            'Question',
            201,
        );
        $this->change(['do' => 'gather', 'name' => 'Mixed', 'ids' => [$draft->integer('id'), ...$this->some('claim', 2)]]);
        $pool = $this->pool('Mixed');

        self::assertSame([3, 2, ['draft' => 1]], [$pool->integer('questions'), $pool->integer('cleared'), $pool->object('waiting')->raw()]);
    }

    public function test_an_edition_holds_what_was_in_its_pools_when_it_was_frozen(): void
    {
        $ids = $this->some('claim', 4);
        $this->change(['do' => 'gather', 'name' => 'By hand', 'ids' => $ids]);
        $blueprint = $this->drawing([['take' => 2, 'pool' => ['in' => 'By hand']], ['take' => 2, 'pool' => ['kinds' => ['one']]]]);
        $path = '/api/blueprints/' . $blueprint->integer('id');
        $this->send('POST', $path . '/editions', ['version' => $blueprint->integer('version')], status: 201);
        $this->change(['do' => 'take out', 'id' => $this->pool('By hand')->integer('id'), 'ids' => array_slice($ids, 0, 2)]);

        self::assertSame(2, $this->send('GET', $path)->object('proof')->objects('draws')[0]->integer('fit'), 'the plan follows');
        $this->send('POST', $path . '/editions', ['version' => $blueprint->integer('version')], status: 201);
        $this->send('POST', $path . '/editions', ['version' => $blueprint->integer('version')], status: 422); // nothing has changed
        $em = self::getContainer()->get(\Doctrine\ORM\EntityManagerInterface::class);
        $editions = $em->getRepository(\Zetema\App\Blueprint\Editions\Edition::class)->findBy(['blueprint' => $blueprint->integer('id')], ['number' => 'ASC']);
        sort($ids);
        self::assertSame([$ids, array_slice($ids, 2)], array_map(static fn (\Zetema\App\Blueprint\Editions\Edition $e): array => $e->pools()['By hand'], $editions));
        foreach ($editions as $edition) {
            $dealt = [];
            $dealer = new \Zetema\Core\Drawing\Dealer($edition->plan(), \Zetema\App\Blueprint\Stored\StoredStock::ofEdition($em->getConnection(), $edition));
            foreach (range(1, 20) as $seed) {
                array_push($dealt, ...array_slice($dealer->deal($seed)->ids(), 0, 2));
            }
            sort($dealt, SORT_NATURAL);
            self::assertSame(array_map(static fn (int $id): string => 'q' . $id, $edition->pools()['By hand']), array_values(array_unique($dealt)), 'twenty forms take all of it and nothing else');
        }
    }

    public function test_a_pool_is_changed_by_hand_and_each_step_is_undone(): void
    {
        [$a, $b, $c] = $this->some('one', 3);
        $this->change(['do' => 'gather', 'name' => ' Three  of them ', 'ids' => [$a, $b]]);
        $id = $this->pool('Three of them')->integer('id');
        $list = fn (): array => array_map(static fn (Fields $q): int => $q->integer('id'), $this->send('GET', "/api/banks/1/questions?pool=$id&order=made", schema: 'QuestionList')->objects('questions'));
        self::assertSame([$a, $b], $list());

        $steps = [
            [['do' => 'put in', 'id' => $id, 'ids' => [$c, $a]], 'put questions into the pool “Three of them”', [$a, $b, $c]],
            [['do' => 'take out', 'id' => $id, 'filter' => ['pool' => $id], 'without' => [$c]], 'took questions out of the pool “Three of them”', [$c]],
            [['do' => 'rename', 'id' => $id, 'name' => 'One of them'], 'renamed the pool “Three of them” to “One of them”', [$c]],
            [['do' => 'remove', 'id' => $id], 'took the pool “One of them” apart', []],
        ];
        $done = [];
        foreach ($steps as [$body, $words, $left]) {
            $done[] = $change = $this->change($body);
            self::assertSame([$words, $left], [$change->text('words'), $list()]);
        }
        $this->send('POST', '/api/banks/1/changes/' . $done[0]->integer('id') . '/undo', [], status: 409); // later steps first
        foreach (array_reverse($done) as $change) {
            $this->undo($change);
        }
        self::assertSame([$a, $b], $list());
    }

    public function test_draws_follow_a_new_name_and_a_pool_that_is_drawn_from_stays(): void
    {
        $this->change(['do' => 'gather', 'name' => 'Old name', 'ids' => $this->some('one', 3)]);
        $blueprint = $this->drawing([['take' => 2, 'pool' => ['in' => 'Old name']]]);
        $id = $this->pool('Old name')->integer('id');
        $renamed = $this->change(['do' => 'rename', 'id' => $id, 'name' => 'New name']);
        $after = $this->send('GET', '/api/blueprints/' . $blueprint->integer('id'));

        self::assertSame(['pool New name', 3], [$after->object('proof')->objects('draws')[0]->text('words'), $after->object('proof')->objects('draws')[0]->integer('fit')]);
        self::assertGreaterThan($blueprint->integer('version'), $after->integer('version'), 'who has it open is told before the old name is saved over it');
        self::assertStringContainsString('“Try-out” draws from this pool', $this->refused(['do' => 'remove', 'id' => $id], 409));
        $this->undo($renamed);
        self::assertSame(['Try-out'], $this->pool('Old name')->texts('drawnBy'));
    }

    public function test_a_kept_filter_follows_its_objective(): void
    {
        $this->change(['do' => 'keep', 'name' => 'Colony', 'filter' => ['objective' => $this->objective('Colony life')]]);
        $before = $this->pool('Colony')->integer('questions');
        $this->send('POST', '/api/banks/1/objectives', ['do' => 'describe', 'id' => $this->objective('Colony life'), 'name' => 'The colony', 'version' => 1]);
        self::assertSame($before, $this->pool('Colony')->integer('questions'));
        $into = $this->objective('Hive inspection');
        $merged = $this->send('POST', '/api/banks/1/objectives', ['do' => 'merge', 'id' => $this->objective('The colony'), 'into' => $into]);
        self::assertSame(
            [$into, $this->send('GET', "/api/banks/1/questions?objective=$into")->integer('total')],
            [$this->pool('Colony')->object('filter')->integer('objective'), $this->pool('Colony')->integer('questions')],
        );
        $this->undo($merged);
        self::assertSame($before, $this->pool('Colony')->integer('questions'));
    }

    public function test_a_cleared_question_with_a_draft_stays_in_a_pool_of_cleared_ones(): void
    {
        $this->change(['do' => 'keep', 'name' => 'Cleared claims', 'filter' => ['kind' => 'claim', 'status' => 'cleared']]);
        $before = $this->pool('Cleared claims')->integer('questions');
        $this->send('POST', '/api/banks/1/questions/change', ['ids' => $this->some('claim', 1), 'change' => ['settings' => ['points' => '7']]], status: 202);
        self::assertSame($before, $this->pool('Cleared claims')->integer('questions'));
    }

    /** @return iterable<string, array{array<string, mixed>, int, string}> */
    public static function wrong(): iterable
    {
        yield 'no name' => [['do' => 'keep', 'name' => ' ', 'filter' => ['kind' => 'one']], 422, 'must have 1 to 80 characters'];
        yield 'all of the bank' => [['do' => 'keep', 'name' => 'All', 'filter' => []], 422, 'narrows nothing yet'];
        yield 'another thing for everybody' => [['do' => 'keep', 'name' => 'Mine', 'filter' => ['waiting' => 'me']], 422, 'is another thing for everybody'];
        yield 'a pool in a pool' => [['do' => 'keep', 'name' => 'Twice', 'filter' => ['pool' => 1]], 422, 'cannot be part of what another pool holds'];
        yield 'no question' => [['do' => 'gather', 'name' => 'None', 'ids' => []], 422, 'no question is chosen'];
        yield 'one that went' => [['do' => 'put in', 'id' => 99, 'ids' => [1]], 409, 'was taken apart meanwhile'];
        yield 'nothing that can be done' => [['do' => 'paint', 'id' => 99], 409, 'was taken apart meanwhile'];
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('wrong')]
    public function test_what_cannot_be_a_pool_is_refused_with_the_reason(array $body, int $status, string $why): void
    {
        self::assertStringContainsString($why, $this->refused($body, $status));
    }

    public function test_names_are_given_once_and_a_filter_takes_no_single_questions(): void
    {
        $this->change(['do' => 'keep', 'name' => 'Claims', 'filter' => ['kind' => 'claim']]);
        $id = $this->pool('Claims')->integer('id');
        self::assertStringContainsString('a pool “Claims” in this bank already', $this->refused(['do' => 'gather', 'name' => 'Claims', 'ids' => [1]], 409));
        self::assertStringContainsString('is a pool of all that fits a filter', $this->refused(['do' => 'put in', 'id' => $id, 'ids' => [1]], 422));
        self::assertStringContainsString('changes nothing', $this->refused(['do' => 'hold', 'id' => $id, 'filter' => ['kind' => 'claim']], 422));
        $planned = $this->plan(1, [['draw' => ['take' => 1, 'pool' => ['in' => 'Nobody knows it']]]]);
        self::assertSame([['1', 'the bank keeps no pool “Nobody knows it”']], array_map(static fn (Fields $f): array => [$f->text('where'), $f->text('message')], $planned->objects('findings')));
        $this->send('POST', '/api/blueprints/1/editions', ['version' => $planned->integer('version')], status: 422);
    }

    /** @param array<string, mixed> $body */
    private function change(array $body): Fields
    {
        return $this->send('POST', '/api/banks/1/pools', $body, schema: 'BankChange');
    }

    /** @param array<string, mixed> $body */
    private function refused(array $body, int $status): string
    {
        return $this->send('POST', '/api/banks/1/pools', $body, status: $status)->text('detail');
    }

    private function undo(Fields $change): void
    {
        $this->send('POST', '/api/banks/1/changes/' . $change->integer('id') . '/undo', []);
    }

    private function pool(string $name): Fields
    {
        $found = array_filter($this->send('GET', '/api/banks/1/pools', schema: 'Pools')->objects('pools'), static fn (Fields $pool): bool => $pool->text('name') === $name);

        return array_values($found)[0] ?? self::fail("no pool $name");
    }

    private function objective(string $name): int
    {
        $found = array_filter($this->send('GET', '/api/banks/1/board')->objects('rows'), static fn (Fields $row): bool => $row->object('objective')->text('name') === $name);

        return array_values($found)[0]->object('objective')->integer('id');
    }

    /** @return list<int> ids of cleared questions of a kind */
    private function some(string $kind, int $n): array
    {
        $found = $this->send('GET', "/api/banks/1/questions?kind=$kind&status=cleared&order=made")->objects('questions');

        return array_slice(array_map(static fn (Fields $q): int => $q->integer('id'), $found), 0, $n);
    }

    /** @param list<array<string, mixed>> $draws */
    private function drawing(array $draws): Fields
    {
        $made = $this->send('POST', '/api/banks/1/blueprints', ['title' => 'Try-out'], status: 201);

        return $this->plan($made->integer('id'), array_map(static fn (array $draw): array => ['draw' => $draw], $draws));
    }
}
