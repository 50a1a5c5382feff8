<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Finding;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** The map of a bank: what it counts, and by what. */
final class BoardTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    public function test_the_board_counts_cleared_and_all_by_objective_and_kind(): void
    {
        $board = $this->send('GET', '/api/banks/1/board', schema: 'Board');
        $rows = [];
        foreach ($board->objects('rows') as $row) {
            $rows[$row->object('objective')->text('name')] = $row->object('cells');
        }

        self::assertSame([4, 4], [$rows['Castes and their work']->object('one')->integer('cleared'), $rows['Castes and their work']->object('one')->integer('all')]);
        self::assertSame(['Colony life', 'Castes and their work', 'The year of a colony', 'Hive inspection'], array_slice(array_keys($rows), 0, 4));
    }

    /** @return iterable<string, array{string, string, list<string>, int}> by what, a cell's column, the columns, questions in all */
    public static function boards(): iterable
    {
        yield 'status' => ['status', 'cleared', ['draft', 'in review', 'cleared', 'retired'], self::QUESTIONS];
        yield 'difficulty' => ['difficulty', 'hard', ['easy', 'medium', 'hard', 'not said'], self::QUESTIONS - 1];
    }

    /** @param list<string> $columns */
    #[DataProvider('boards')]
    public function test_the_board_can_have_other_columns(string $by, string $column, array $columns, int $questions): void
    {
        $board = $this->send('GET', "/api/banks/1/board/$by", schema: 'BoardBy');
        $all = 0;
        foreach ($board->objects('rows') as $row) {
            foreach (array_keys($row->object('cells')->raw()) as $one) {
                $all += $row->object('cells')->object((string) $one)->integer('all');
            }
        }
        $listed = $this->send('GET', "/api/banks/1/questions?$by=$column")->integer('total');
        $cells = array_sum(array_map(static fn (Fields $row): int => $row->object('cells')->optionalObject($column)?->integer('all') ?? 0, $board->objects('rows')));

        self::assertSame([$columns, $questions, $listed], [$board->texts('columns'), $all, $cells]);
    }

    public function test_a_board_by_tags_has_the_tags_that_most_questions_have(): void
    {
        $this->send('POST', '/api/banks/1/questions/change', ['ids' => [1, 2], 'change' => ['addTags' => ['exam']]], 'Job', 202);
        $board = $this->send('GET', '/api/banks/1/board/tag', schema: 'BoardBy');

        self::assertContains('exam', $board->texts('columns'));
        $this->send('GET', '/api/banks/1/board/colour', status: 422);
    }

    public function test_a_cleared_question_that_is_being_moved_counts_where_it_is_dealt_from_and_where_its_draft_stands(): void
    {
        $this->logIn('orrell');
        /** @return array<string, mixed> */
        $cell = function (string $path): array {
            foreach ($this->send('GET', '/api/banks/1/board', schema: 'Board')->objects('rows') as $row) {
                if ($row->object('objective')->text('path') === $path) {
                    return $row->object('cells')->has('one') ? $row->object('cells')->integerMap('one') : [];
                }
            }

            return [];
        };
        $question = $this->send('GET', '/api/questions/16', schema: 'Question');
        $old = $question->text('objective');
        $before = $cell($old);
        $moved = $this->send(
            'PUT',
            '/api/questions/16',
            ['version' => $question->integer('version'), 'name' => $question->text('name'), 'objective' => 'Elsewhere > Deep', 'content' => $question->object('content')->raw()],
            'Question',
        );
        $after = $cell($old);

        self::assertSame([$before['cleared'], $before['all'], 1], [$after['cleared'], $after['all'], $after['leaving'] ?? 0]);
        self::assertSame(['cleared' => 0, 'all' => 1], $cell('Elsewhere > Deep'));

        $cleared = $this->send('PUT', '/api/questions/16/status', ['version' => $moved->integer('version'), 'status' => 'cleared'], 'Question');
        self::assertSame(['cleared' => 1, 'all' => 1], $cell('Elsewhere > Deep'));
        $back = $this->send('PUT', '/api/questions/16', ['version' => $cleared->integer('version'), 'name' => $question->text('name'), 'objective' => $old, 'content' => $question->object('content')->raw()]);
        self::assertNotSame([], $cell('Elsewhere > Deep'), 'it is still dealt from there');
        $this->send('PUT', '/api/questions/16/status', ['version' => $back->integer('version'), 'status' => 'cleared']);
        self::assertSame($before, $cell($old));
        self::assertStringNotContainsString('Elsewhere', (string) json_encode($this->send('GET', '/api/banks/1/board')->raw()), 'an objective that was only typed once goes when it is empty');
    }
}
