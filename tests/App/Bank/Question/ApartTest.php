<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Question;

use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** Questions that never meet in a form: said at either of them, it holds for all that is dealt from the bank, and in editions as it was when they were frozen. */
final class ApartTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    /** @return list<int> */
    private function apart(int $id): array
    {
        return array_map(static fn (Fields $one): int => $one->integer('id'), $this->send('GET', "/api/questions/$id", schema: 'Question')->objects('apart'));
    }

    /** @param list<int> $others */
    private function keep(int $id, array $others, int $status = 200): Fields
    {
        return $this->send('PUT', "/api/questions/$id/apart", ['before' => $this->apart($id), 'others' => $others], $status === 200 ? 'Question' : null, $status);
    }

    private function undoNewest(int $status = 200): void
    {
        $newest = $this->send('GET', '/api/banks/1/changes?kind=apart')->objects('changes')[0];
        $this->send('POST', '/api/banks/1/changes/' . $newest->integer('id') . '/undo', [], status: $status);
    }

    public function test_it_is_told_at_both_and_taken_back_at_either_or_in_the_history(): void
    {
        $this->keep(16, [18, 17]);
        self::assertSame([[17, 18], [16], [16]], array_map($this->apart(...), [16, 17, 18]));
        $this->keep(17, []);
        self::assertSame([[18], [], [16]], array_map($this->apart(...), [16, 17, 18]));
        $this->undoNewest();
        self::assertSame([[17, 18], [16]], array_map($this->apart(...), [16, 17]));
        self::assertSame(
            ['let the question “', 'kept the question “fresh eggs” apart from 2 others'],
            [mb_substr($this->send('GET', '/api/banks/1/changes?kind=apart')->objects('changes')[0]->text('words'), 0, 18), $this->send('GET', '/api/banks/1/changes?kind=apart')->objects('changes')[1]->text('words')],
        );
    }

    public function test_what_cannot_be_kept_apart_is_refused_and_nothing_changes(): void
    {
        $this->keep(16, [17]);
        $other = $this->send('GET', '/api/banks/2/questions')->objects('questions')[0]->integer('id');
        foreach ([[16], [$other], [999_999], range(100, 160), [17]] as $others) {
            $this->keep(16, $others, 422);
        }
        $this->send('PUT', '/api/questions/16/apart', ['before' => [], 'others' => [18]], status: 409);
        self::assertSame([17], $this->apart(16));
        $this->keep(16, [18]);
        $this->keep(16, [17, 18]);
        $first = $this->send('GET', '/api/banks/1/changes?kind=apart')->objects('changes')[2];
        $this->send('POST', '/api/banks/1/changes/' . $first->integer('id') . '/undo', [], status: 409);
    }

    /** Draws one of two questions, and one of another. */
    private function draws(): Fields
    {
        $pool = static fn (string ...$only): array => ['draw' => ['take' => 1, 'pool' => ['only' => $only]]];

        return $this->plan(2, [$pool('q16', 'q17'), $pool('q18')]);
    }

    /** @return list<list<int>> the questions of twenty forms */
    private function forms(): array
    {
        return array_map(fn (int $seed): array => array_map(static fn (Fields $q): int => $q->integer('id'), $this->send('POST', '/api/blueprints/2/deal', ['seed' => $seed])->objects('questions')), range(1, 20));
    }

    public function test_they_never_meet_in_a_form_whatever_the_blueprint(): void
    {
        $this->draws();
        self::assertContains([16, 18], $this->forms());
        $this->keep(18, [16]);
        self::assertSame([[17, 18]], array_values(array_unique($this->forms(), SORT_REGULAR)));
        $this->keep(18, [16, 17]);
        self::assertStringContainsString('keeps apart what must not meet', $this->send('POST', '/api/blueprints/2/deal', ['seed' => 1], status: 409)->text('detail'));
    }

    public function test_an_edition_keeps_what_was_kept_apart_when_it_was_frozen(): void
    {
        $saved = $this->draws();
        $this->keep(18, [16]);
        $this->send('POST', '/api/blueprints/2/editions', ['version' => $saved->integer('version')], status: 201);
        $this->keep(18, []);
        self::assertContains([16, 18], $this->forms());
        $edition = $this->send('GET', '/api/blueprints/2')->objects('editions')[0]->integer('id');
        $this->logIn('wren');
        for ($i = 0; $i < 8; ++$i) {
            $sitting = $this->begin("/api/editions/$edition/sittings");
            $asked = $this->db(
                "SELECT DISTINCT r.question_id FROM sitting s JOIN json_tree(s.form) t ON t.key = 'revision' OR t.path LIKE '%revisions' JOIN revision r ON r.id = t.value WHERE s.id = ?",
                $sitting->integer('id'),
            );
            self::assertNotContains(16, $asked);
            self::assertContains(17, $asked);
            $this->act($sitting, ['type' => 'handed in']);
        }
    }

    /** @return list<mixed> */
    private function db(string $sql, int $id): array
    {
        return self::getContainer()
            ->get(\Doctrine\DBAL\Connection::class)
            ->fetchFirstColumn($sql, [$id]);
    }

    public function test_whoever_takes_anothers_place_is_kept_apart_too_and_what_comes_back_is_again(): void
    {
        $this->keep(16, [18, 17]);
        $change = $this->send('POST', '/api/banks/1/alike/merge', ['keep' => 19, 'other' => 16], 'BankChange');
        self::assertSame([17, 18], $this->apart(19));
        $this->send('POST', '/api/banks/1/changes/' . $change->integer('id') . '/undo', []);
        self::assertSame([[], [17, 18]], array_map($this->apart(...), [19, 16]));

        $made = $this->send('POST', '/api/questions/16/copy', [], 'Question', 201)->integer('id');
        self::assertSame([], $this->apart($made));
        $this->keep($made, [18]);
        $this->send('DELETE', "/api/questions/$made?version=" . $this->version("/api/questions/$made"));
        self::assertSame([16], $this->apart(18));
        $thrown = $this->send('GET', '/api/banks/1/changes?kind=thrown away')->objects('changes')[0];
        $this->send('POST', '/api/banks/1/changes/' . $thrown->integer('id') . '/undo', []);
        self::assertSame([16, $made], $this->apart(18));
    }
}
