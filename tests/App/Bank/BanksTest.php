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
        self::assertSame([1, $id], array_map(static fn (Fields $b): int => $b->integer('id'), $away->objects('banks')), 'last in the list');
        self::assertTrue(self::bank($away, $id)->flag('putAway'));
        $this->send('GET', "/api/banks/$id/board");
        self::assertFalse(self::bank($this->send('PUT', "/api/banks/$id", ['version' => self::bank($away, $id)->integer('version'), 'putAway' => false], 'Banks'), $id)->flag('putAway'));
    }

    public function test_the_list_says_what_each_holds(): void
    {
        $bank = self::bank($this->send('GET', '/api/banks', schema: 'Banks'), 1);

        self::assertSame([self::QUESTIONS, 89, 1], [$bank->integer('questions'), $bank->integer('cleared'), $bank->integer('inReview')]);
    }

    public function test_two_banks_know_nothing_of_each_other(): void
    {
        $id = $this->send('POST', '/api/banks', ['name' => 'Another'], 'Banks', 201)->integer('made');
        $this->send('POST', "/api/banks/$id/objectives", ['do' => 'add', 'name' => 'Colony life'], 'BankChange');

        self::assertCount(1, $this->send('GET', "/api/banks/$id/board")->objects('rows'));
        self::assertSame(0, $this->send('GET', "/api/banks/$id/questions")->integer('total'));
        self::assertCount(2, $this->send('GET', '/api/banks/1/changes')->objects('changes'), 'the two pools of the demo, and no more');
        $change = $this->send('GET', "/api/banks/$id/changes")->objects('changes')[0]->integer('id');
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
