<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

final class BanksTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    public function test_a_bank_is_made_named_put_away_and_taken_out_again(): void
    {
        $made = $this->send('POST', '/api/banks', ['name' => ' Journeyman '], 'Banks', 201);
        $id = $made->integer('made');
        $bank = self::bank($made, $id);

        self::assertSame(['Journeyman', 0, 0, 0], [$bank->text('name'), $bank->integer('questions'), $bank->integer('inReview'), $bank->integer('blueprints')]);
        self::assertSame([], $this->send('GET', "/api/banks/$id/board", schema: 'Board')->objects('rows'));
        $named = self::bank($this->send('PUT', "/api/banks/$id", ['version' => $bank->integer('version'), 'name' => 'Journeyman, part 1'], 'Banks'), $id);
        self::assertSame('Journeyman, part 1', $named->text('name'));
        $away = $this->send('PUT', "/api/banks/$id", ['version' => $named->integer('version'), 'putAway' => true], 'Banks');
        self::assertSame([1, 2, $id], array_map(static fn (Fields $b): int => $b->integer('id'), $away->objects('banks')), 'last in the list');
        self::assertTrue(self::bank($away, $id)->flag('putAway'));
        $this->send('GET', "/api/banks/$id/board");
        self::assertFalse(self::bank($this->send('PUT', "/api/banks/$id", ['version' => self::bank($away, $id)->integer('version'), 'putAway' => false], 'Banks'), $id)->flag('putAway'));
    }

    public function test_the_list_says_what_each_holds(): void
    {
        $bank = self::bank($this->send('GET', '/api/banks', schema: 'Banks'), 1);

        self::assertSame([self::QUESTIONS - 1, 89, 1], [$bank->integer('questions'), $bank->integer('cleared'), $bank->integer('inReview')]);
    }

    public function test_a_copied_bank_has_all_that_is_worked_with_and_goes_its_own_way(): void
    {
        $draft = $this->send('GET', '/api/questions/3');
        $this->send(
            'PUT',
            '/api/questions/3',
            ['version' => $draft->integer('version'), 'name' => $draft->text('name'), 'objective' => $draft->text('objective'), 'content' => [...$draft->object('content')->raw(), 'stem' => 'Only a draft.']],
            'Question',
        );
        $this->send('PUT', '/api/banks/1/settings', ['version' => $this->version('/api/banks/1/settings'), 'settings' => ['decimals' => '1'], 'wording' => ['wrong' => 'Not so.']]);
        $this->plan(2, [['question' => 'q16'], ['draw' => ['take' => 2, 'pool' => ['in' => 'Open evening']]], ['draw' => ['take' => 1, 'pool' => ['kinds' => ['claim'], 'without' => ['q7']]]]]);

        $this->send('POST', '/api/banks/1/copy', ['name' => 'Next year'], 'Job', 202);
        $copy = array_values(array_filter($this->send('GET', '/api/banks', schema: 'Banks')->objects('banks'), static fn (Fields $b): bool => $b->text('name') === 'Next year'))[0]->integer('id');
        $of = fn (int $bank, string $path): array => $this->send('GET', "/api/banks/$bank/$path")->raw();
        $board = fn (int $bank): array => array_map(
            static fn (Fields $row): array => [$row->object('objective')->text('path'), $row->object('objective')->text('code'), $row->object('cells')->raw()],
            $this->send('GET', "/api/banks/$bank/board")->objects('rows'),
        );
        self::assertEquals($board(1), $board($copy));
        foreach (['search=swarm', 'kind=claim', 'notes=yes', 'difficulty=hard', 'search=Only a draft'] as $query) {
            self::assertSame($of(1, "questions?$query")['total'], $of($copy, "questions?$query")['total'], $query);
        }
        $settings = $this->send('GET', "/api/banks/$copy/settings", schema: 'BankSettings');
        self::assertSame(['1', 'Not so.'], [$settings->object('settings')->text('decimals'), $settings->object('wording')->text('wrong')]);
        $pools = fn (int $bank): array => array_map(
            static fn (Fields $p): array => [$p->text('name'), $p->integer('questions'), $p->integer('cleared')],
            $this->send('GET', "/api/banks/$bank/pools", schema: 'Pools')->objects('pools'),
        );
        self::assertSame($pools(1), $pools($copy));
        foreach (['pages', 'media'] as $what) {
            self::assertCount(count($this->send('GET', "/api/banks/1/$what")->objects($what)), $this->send('GET', "/api/banks/$copy/$what")->objects($what));
        }

        $proof = fn (int $id): array => $this->send('GET', "/api/blueprints/$id", schema: 'Blueprint')
            ->object('proof')
            ->raw();
        $blueprints = $this->send('GET', "/api/banks/$copy/blueprints")->objects('blueprints');
        self::assertEquals($proof(2), $proof($blueprints[1]->integer('id')));
        $form = $this->send('POST', '/api/blueprints/' . $blueprints[1]->integer('id') . '/deal', ['seed' => 5])->objects('questions');
        $ofCopy = array_map(static fn (Fields $q): int => $q->integer('id'), $this->send('GET', "/api/banks/$copy/questions?order=made")->objects('questions'));
        self::assertSame([], array_diff(array_map(static fn (Fields $q): int => $q->integer('id'), $form), $ofCopy), 'it deals its own questions');

        $this->send('POST', "/api/banks/$copy/questions/change", ['filter' => ['kind' => 'claim'], 'change' => ['settings' => ['points' => '9']]], status: 202);
        self::assertSame(0, $this->send('GET', '/api/banks/1/questions?kind=claim&status=draft')->integer('total'), 'the first bank knows nothing of it');
        self::assertStringContainsString('is the name of another bank', $this->send('POST', '/api/banks/1/copy', ['name' => 'Next year'], status: 422)->text('detail'));
    }

    public function test_two_banks_know_nothing_of_each_other(): void
    {
        $id = $this->send('POST', '/api/banks', ['name' => 'Another'], 'Banks', 201)->integer('made');
        $this->send('POST', "/api/banks/$id/objectives", ['do' => 'add', 'name' => 'Colony life'], 'BankChange');

        self::assertCount(1, $this->send('GET', "/api/banks/$id/board")->objects('rows'));
        self::assertSame(0, $this->send('GET', "/api/banks/$id/questions")->integer('total'));
        self::assertCount(4, $this->send('GET', '/api/banks/1/changes')->objects('changes'), 'what the demo did, and no more');
        $change = $this->send('GET', "/api/banks/$id/changes")
            ->objects('changes')[0]
            ->integer('id');
        $this->send('POST', "/api/banks/1/changes/$change/undo", status: 404);
    }

    /** @return iterable<string, array{string, string, array<string, mixed>, int, string}> */
    public static function refused(): iterable
    {
        yield 'no name' => ['POST', '/api/banks', ['name' => '  '], 422, 'is empty'];
        yield 'too long a name' => ['POST', '/api/banks', ['name' => str_repeat('n', 161)], 422, 'more than 160'];
        yield 'the name of another one' => ['POST', '/api/banks', ['name' => 'Apprentice Certificate'], 422, 'is the name of another bank'];
        yield 'over an older state' => ['PUT', '/api/banks/1', ['version' => 0, 'name' => 'New'], 409, 'changed by someone else'];
        yield 'none there' => ['PUT', '/api/banks/99', ['version' => 1], 404, ''];
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('refused')]
    public function test_what_cannot_be_is_told(string $method, string $path, array $body, int $status, string $why): void
    {
        self::assertStringContainsString($why, $this->send($method, $path, $body, status: $status)->text('detail'));
    }

    public function test_reviewers_read_and_candidates_do_not_see_them(): void
    {
        $this->logIn('penhale');
        $this->send('GET', '/api/banks', schema: 'Banks');
        $this->send('POST', '/api/banks', ['name' => 'Mine'], status: 403);
        $this->logIn('aldous');
        $this->send('GET', '/api/banks', status: 403);
    }

    private static function bank(Fields $banks, int $id): Fields
    {
        foreach ($banks->objects('banks') as $bank) {
            if ($bank->integer('id') === $id) {
                return $bank;
            }
        }
        self::fail("there is no bank $id");
    }
}
