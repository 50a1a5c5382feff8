<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** Questions are put in order within their objective: for the list, for going from one to the next, for the text. */
final class ArrangingTest extends ApiTestCase
{
    private const OBJECTIVE = 'Colony life > Castes and their work';

    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    /** @return iterable<string, array{list<int>, int|null, list<int>}> which (places in the order as it is), before which, the order of the first five then */
    public static function moves(): iterable
    {
        yield 'the third to the top' => [[2], 0, [2, 0, 1, 3, 4]];
        yield 'one down' => [[0], 2, [1, 0, 2, 3, 4]];
        yield 'two together, in their order' => [[4, 3], 1, [0, 3, 4, 1, 2]];
        yield 'to the end' => [[0], null, [1, 2, 3, 4, 5]];
    }

    /**
     * @param list<int> $which
     * @param list<int> $after
     */
    #[DataProvider('moves')]
    public function test_they_stand_as_they_were_put_everywhere_until_it_is_undone(array $which, ?int $before, array $after): void
    {
        $ids = $this->listed();
        $change = $this->arrange(array_map(static fn (int $i): int => $ids[$i], $which), $before === null ? null : $ids[$before]);
        $expected = array_map(static fn (int $i): int => $ids[$i], $after);
        $now = $this->listed();

        self::assertSame('put questions of “Castes and their work” in order', $change->text('words'));
        self::assertSame($expected, array_slice($now, 0, 5));
        self::assertEqualsCanonicalizing($ids, $now);
        $neighbours = $this->send('GET', '/api/questions/' . $now[1], schema: 'Question')->object('neighbours');
        self::assertSame([2, $now[0], $now[2]], [$neighbours->integer('place'), $neighbours->integer('previous'), $neighbours->integer('next')]);
        self::assertSame($now, $this->inText());

        $made = $this->send(
            'POST',
            '/api/banks/1/questions',
            [
                'name' => 'wasps',
                'objective' => self::OBJECTIVE,
                'content' => ['v' => 1, 'kind' => 'claim', 'stem' => 'Wasps make honey.', 'choices' => [['id' => 1, 'text' => 'true', 'key' => false], ['id' => 2, 'text' => 'false', 'key' => true]]],
            ],
            'Question',
            201,
        )->integer('id');
        self::assertSame([...$now, $made], $this->listed(), 'what is new stands last');
        $this->send('POST', '/api/banks/1/changes/' . $change->integer('id') . '/undo', [], status: 409);
        $this->send('DELETE', "/api/questions/$made?version=" . $this->version("/api/questions/$made"));
        $this->send('POST', '/api/banks/1/changes/' . $change->integer('id') . '/undo', []);
        self::assertSame($ids, $this->listed());
    }

    public function test_what_moves_to_another_objective_and_back_by_undo_has_its_place_again(): void
    {
        $ids = $this->listed();
        $this->arrange([$ids[3]], $ids[0]);
        $before = $this->listed();
        $this->send('POST', '/api/banks/1/questions/change', ['ids' => [$ids[3]], 'change' => ['objective' => 'Honey and harvest']], status: 202);
        self::assertSame(array_values(array_diff($before, [$ids[3]])), array_values(array_diff($this->listed(), [$ids[3]])));
        $change = $this->send('GET', '/api/banks/1/changes')->objects('changes')[0]->integer('id');
        $this->send('POST', "/api/banks/1/changes/$change/undo", []);
        self::assertSame($before, $this->listed());
    }

    public function test_only_questions_of_one_objective_are_put_in_order(): void
    {
        $ids = $this->listed();
        $elsewhere = $this->send('GET', '/api/banks/1/questions?search=fresh eggs')->objects('questions')[0]->integer('id');
        foreach ([[[$ids[0], $elsewhere], null], [[$ids[0]], $elsewhere], [[], null], [[999_999], null]] as [$questions, $before]) {
            self::assertStringContainsString('right at one objective', $this->send('POST', '/api/banks/1/questions/arrange', ['questions' => $questions, 'before' => $before], status: 422)->text('detail'));
        }
        self::assertStringContainsString('stand there already', $this->send('POST', '/api/banks/1/questions/arrange', ['questions' => [$ids[0]], 'before' => $ids[1]], status: 422)->text('detail'));
        self::assertSame($ids, $this->listed());
    }

    /** @param list<int> $questions */
    private function arrange(array $questions, ?int $before): Fields
    {
        return $this->send('POST', '/api/banks/1/questions/arrange', ['questions' => $questions, 'before' => $before], 'BankChange');
    }

    /** @return list<int> */
    private function listed(): array
    {
        $board = array_filter($this->send('GET', '/api/banks/1/board')->objects('rows'), static fn (Fields $row): bool => $row->object('objective')->text('path') === self::OBJECTIVE);
        $id = array_values($board)[0]->object('objective')->integer('id');

        return array_map(static fn (Fields $q): int => $q->integer('id'), $this->send('GET', "/api/banks/1/questions?objective=$id&order=objective")->objects('questions'));
    }

    /** @return list<int> of that objective, in the order of the text */
    private function inText(): array
    {
        $this->client->request('GET', '/api/banks/1/text');
        preg_match_all('/^  name: (.+)$/m', $this->client->getInternalResponse()->getContent(), $names);
        $byName = [];
        foreach ($this->send('GET', '/api/banks/1/questions')->objects('questions') as $q) {
            $byName[$q->optionalText('name') ?? ''] = $q->integer('id');
        }
        $listed = $this->listed();

        return array_values(array_filter(array_map(static fn (string $name): int => $byName[$name] ?? 0, $names[1]), static fn (int $id): bool => in_array($id, $listed, true)));
    }
}
