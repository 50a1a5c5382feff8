<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** The tree of objectives is changed on the board: nothing is lost, what names an objective follows, and each step can be undone. */
final class ObjectivesTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    public function test_a_renamed_objective_is_drawn_from_as_before_and_goes_back_by_undo(): void
    {
        $before = $this->standing();
        $change = $this->change(['do' => 'describe', 'id' => $this->idOf('Colony life'), 'name' => 'The colony', 'code' => 'A', 'description' => 'Who lives in a hive.']);

        self::assertSame('renamed the objective “Colony life” to “The colony”', $change->text('words'));
        self::assertSame($before['draws'], $this->standing()['draws'], 'as many fit each draw as before');
        self::assertStringContainsString('The colony > Castes and their work', json_encode($this->send('GET', '/api/blueprints/1', schema: 'Blueprint')->raw(), JSON_THROW_ON_ERROR));
        self::assertSame(['A', 'Who lives in a hive.'], array_map($this->objective('The colony')->text(...), ['code', 'description']));
        self::assertSame('The colony > Castes and their work', $this->send('GET', '/api/questions/1')->text('objective'));

        $undone = $this->undo($change->integer('id'));
        self::assertSame('M. Orrell', $undone->text('undoneBy'));
        self::assertSame($before, $this->standing());
    }

    public function test_of_two_who_describe_an_objective_the_second_is_told_and_loses_nothing_unsaid(): void
    {
        $id = $this->idOf('Colony life');
        $seen = $this->versionOf($id);
        $this->change(['do' => 'describe', 'id' => $id, 'name' => 'Colony life', 'description' => 'Mine.', 'version' => $seen]);
        $this->change(['do' => 'move', 'id' => $this->idOf('Honey and harvest'), 'parent' => null, 'before' => $id]);
        $stale = $this->send('POST', '/api/banks/1/objectives', ['do' => 'describe', 'id' => $id, 'name' => 'Colony life', 'description' => 'Yours.', 'version' => $seen], status: 409);

        self::assertSame(
            ['urn:zetema:problem:stale', 'Mine.', $seen + 1],
            [$stale->text('type'), $stale->object('current')->text('description'), $stale->object('current')->integer('version')],
            'what moved is described as before',
        );
        self::assertSame('Mine.', $this->objective('Colony life')->text('description'));
        $this->send('POST', '/api/banks/1/objectives', ['do' => 'describe', 'id' => $id, 'name' => 'Colony life', 'description' => 'Blind.'], status: 422);
    }

    /** @return iterable<string, array{callable(self): array<string, mixed>, string}> change, what it is called in the bank's history */
    public static function steps(): iterable
    {
        yield 'moved with all below it' => [static fn (self $t): array => ['do' => 'move', 'id' => $t->idOf('Colony life'), 'parent' => $t->idOf('Neighbours and law')], 'moved the objective “Colony life”'];
        yield 'moved before a sibling' => [
            static fn (self $t): array => ['do' => 'move', 'id' => $t->idOf('Honey and harvest'), 'parent' => null, 'before' => $t->idOf('Colony life')],
            'moved the objective “Honey and harvest”',
        ];
        yield 'merged with all below it' => [
            static fn (self $t): array => ['do' => 'merge', 'id' => $t->idOf('Colony life'), 'into' => $t->idOf('Hive inspection')],
            'merged the objective “Colony life” into “Hive inspection”',
        ];
        yield 'merged into another leaf' => [
            static fn (self $t): array => ['do' => 'merge', 'id' => $t->idOf('Castes and their work'), 'into' => $t->idOf('The year of a colony')],
            'merged the objective “Castes and their work” into “The year of a colony”',
        ];
        yield 'taken out: its questions go up' => [static fn (self $t): array => ['do' => 'remove', 'id' => $t->idOf('Castes and their work')], 'took out the objective “Castes and their work”'];
        yield 'added' => [static fn (self $t): array => ['do' => 'add', 'name' => 'Wax', 'parent' => $t->idOf('Honey and harvest')], 'added the objective “Wax”'];
    }

    /** @param callable(self): array<string, mixed> $step */
    #[DataProvider('steps')]
    public function test_each_step_keeps_every_question_and_is_undone_without_a_trace(callable $step, string $words): void
    {
        $before = $this->standing();
        $change = $this->change($step($this));
        $after = $this->standing();

        self::assertSame($words, $change->text('words'));
        self::assertNotSame($before['tree'], $after['tree']);
        self::assertSame([$before['questions'], 0], [$after['questions'], $this->lost()], 'each question stands under an objective that is there');
        $this->undo($change->integer('id'));
        self::assertSame($before, $this->standing());
        $this->send('POST', '/api/banks/1/changes/' . $change->integer('id') . '/undo', status: 409);
        self::assertSame($words, $this->send('GET', '/api/banks/1/changes')->objects('changes')[0]->text('words'));
    }

    public function test_an_old_paper_keeps_the_objectives_it_was_frozen_with(): void
    {
        $this->logIn('aldous');
        $sitting = $this->send('GET', '/api/my-assessments')->objects('sat')[0]->integer('id');
        $before = $this->send('GET', "/api/sittings/$sitting/review", schema: 'Review')->raw();
        $this->logIn('orrell');
        $this->change(['do' => 'describe', 'id' => $this->idOf('Hive inspection'), 'name' => 'Opening hives']);
        $this->change(['do' => 'merge', 'id' => $this->idOf('Colony life'), 'into' => $this->idOf('Opening hives')]);
        $this->logIn('aldous');

        self::assertSame($before, $this->send('GET', "/api/sittings/$sitting/review")->raw());
    }

    public function test_one_below_another_of_its_own_name_takes_its_place_and_gives_it_back(): void
    {
        $outer = $this->idOf('Castes and their work');
        $this->change(['do' => 'add', 'name' => 'Castes and their work', 'parent' => $outer]);
        $before = $this->standing();
        $change = $this->change(['do' => 'remove', 'id' => $outer]);

        self::assertSame(0, $this->lost());
        self::assertSame(2, $this->objective('Castes and their work')->integer('depth') + 1);
        $this->undo($change->integer('id'));
        self::assertSame($before, $this->standing());
    }

    public function test_what_is_made_by_hand_stays_though_it_holds_nothing(): void
    {
        $this->change(['do' => 'add', 'name' => 'Wax']);
        $made = $this->send('POST', '/api/banks/1/questions', ['objective' => 'Wax', 'content' => ['v' => 1, 'kind' => 'one', 'stem' => 'Does wax float?', 'choices' => []]], 'Question', 201);
        $this->send('DELETE', '/api/questions/' . $made->integer('id') . '?version=' . $made->integer('version'));

        self::assertSame('Wax', $this->objective('Wax')->text('path'));
    }

    public function test_undo_says_what_stands_in_its_way(): void
    {
        $first = $this->change(['do' => 'add', 'name' => 'Wax']);
        $this->send('POST', '/api/banks/1/questions', ['objective' => 'Wax', 'content' => ['v' => 1, 'kind' => 'one', 'stem' => 'Does wax float?', 'choices' => []]], 'Question', 201);
        self::assertStringContainsString('“Wax” has questions by now', $this->send('POST', '/api/banks/1/changes/' . $first->integer('id') . '/undo', status: 409)->text('detail'));
        $second = $this->change(['do' => 'describe', 'id' => $this->idOf('Wax'), 'name' => 'Beeswax']);
        self::assertStringContainsString('changed again since', $this->send('POST', '/api/banks/1/changes/' . $first->integer('id') . '/undo', status: 409)->text('detail'));
        $this->undo($second->integer('id'));
    }

    public function test_who_has_a_question_open_is_told_that_its_objective_moved(): void
    {
        $question = $this->send('GET', '/api/questions/1');
        $this->change(['do' => 'describe', 'id' => $this->idOf('Colony life'), 'name' => 'The colony']);

        $this->send(
            'PUT',
            '/api/questions/1',
            ['version' => $question->integer('version'), 'name' => $question->optionalText('name') ?? '', 'objective' => $question->text('objective'), 'content' => $question->object('content')->raw()],
            status: 409,
        );
        self::assertNotContains('Colony life', array_column($this->standing()['tree'], 'path'), 'the old name is not made anew by it');
    }

    /** @return iterable<string, array{array<string, mixed>, int, string}> */
    public static function refused(): iterable
    {
        yield 'nothing said' => [[], 422, 'do'];
        yield 'something else' => [['do' => 'burn', 'id' => 1], 422, 'add, describe, move, merge or remove'];
        yield 'one of another bank, or gone' => [['do' => 'remove', 'id' => 999], 422, 'no longer there'];
        yield 'nothing changed' => [['do' => 'move', 'id' => 2, 'parent' => 1, 'before' => 3], 422, 'changes nothing'];
        yield 'taken out from over others' => [['do' => 'remove', 'id' => 1], 422, 'move or merge them first'];
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('refused')]
    public function test_what_cannot_be_done_changes_nothing(array $body, int $status, string $why): void
    {
        $before = $this->standing();

        self::assertStringContainsString($why, json_encode($this->send('POST', '/api/banks/1/objectives', $body, status: $status)->raw(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE));
        self::assertSame($before, $this->standing());
    }

    public function test_only_authors_change_it(): void
    {
        $this->logIn('penhale');

        $this->send('POST', '/api/banks/1/objectives', ['do' => 'add', 'name' => 'Wax'], status: 403);
        $this->send('POST', '/api/banks/1/changes/1/undo', status: 403);
    }

    /** @param array<string, mixed> $body */
    private function change(array $body): Fields
    {
        return $this->send('POST', '/api/banks/1/objectives', $body + ($body['do'] === 'describe' ? ['version' => $this->versionOf($body['id'])] : []), 'BankChange');
    }

    private function versionOf(mixed $id): int
    {
        foreach ($this->send('GET', '/api/banks/1/board')->objects('rows') as $row) {
            if ($row->object('objective')->integer('id') === $id) {
                return $row->object('objective')->integer('version');
            }
        }

        return 0;
    }

    private function undo(int $change): Fields
    {
        return $this->send('POST', "/api/banks/1/changes/$change/undo", schema: 'BankChange');
    }

    private function objective(string $name): Fields
    {
        foreach ($this->send('GET', '/api/banks/1/board', schema: 'Board')->objects('rows') as $row) {
            if ($row->object('objective')->text('name') === $name) {
                return $row->object('objective');
            }
        }
        self::fail('there is no objective ' . $name);
    }

    public function idOf(string $name): int
    {
        return $this->objective($name)->integer('id');
    }

    /** @return array{tree: list<mixed>, questions: int, draws: list<int>, places: mixed, dealt: mixed, elsewhere: mixed} all that says where something stands */
    private function standing(): array
    {
        $db = self::getContainer()->get(Connection::class);
        $board = $this->send('GET', '/api/banks/1/board')->objects('rows');

        return [
            'tree' => array_map(static fn ($row): array => array_diff_key($row->object('objective')->raw(), ['version' => 1]), $board),
            'questions' => is_numeric($n = $db->fetchOne('SELECT COUNT(*) FROM question')) ? (int) $n : 0,
            'draws' => array_map(static fn ($draw): int => $draw->integer('fit'), $this->send('GET', '/api/blueprints/1')->object('proof')->objects('draws')),
            'places' => $db->fetchAllKeyValue('SELECT id, objective_id FROM question ORDER BY id'),
            'dealt' => $db->fetchAllKeyValue('SELECT id, objective_path FROM revision ORDER BY id'),
            'elsewhere' => $db->fetchFirstColumn('SELECT id FROM question WHERE dealt_elsewhere = 1 ORDER BY id'),
        ];
    }

    private function lost(): int
    {
        $n = self::getContainer()
            ->get(Connection::class)
            ->fetchOne('SELECT COUNT(*) FROM question q JOIN revision r ON r.id = q.newest_id LEFT JOIN objective o ON o.id = q.objective_id WHERE o.id IS NULL OR o.path IS NOT r.objective_path');

        return is_numeric($n) ? (int) $n : -1;
    }
}
