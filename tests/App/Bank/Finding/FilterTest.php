<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Finding;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** What a list is narrowed to stands in its address, and works alike for the list, for changes of many and for what is written out. */
final class FilterTest extends ApiTestCase
{
    public function test_a_list_is_sorted_by_whatever_it_shows(): void
    {
        $this->logIn('orrell');
        $change = fn (array $ids, array $change): Fields => $this->send('POST', '/api/banks/1/questions/change', ['ids' => $ids, 'change' => $change], status: 202);
        $change([5], ['difficulty' => 'easy', 'addTags' => ['zoo']]);
        $change([3], ['difficulty' => 'medium', 'addTags' => ['ant', 'zoo']]);
        $easy = array_map(static fn (Fields $q): string => $q->object('more')->optionalText('difficulty') ?? 'none', $this->send('GET', '/api/banks/1/questions?order=difficulty&more=1')->objects('questions'));
        $ranked = $easy;
        usort($ranked, static fn (string $a, string $b): int => array_search($a, ['easy', 'medium', 'hard', 'none'], true) <=> array_search($b, ['easy', 'medium', 'hard', 'none'], true));
        self::assertSame($ranked, $easy);
        self::assertSame(3, $this->send('GET', '/api/banks/1/questions?order=tags')->objects('questions')[0]->integer('id'), 'by the first of its tags');
        self::assertSame(3, $this->send('GET', '/api/banks/1/questions?order=saved')->objects('questions')[0]->integer('id'), 'saved last');
        $revisions = array_map(static fn (Fields $q): int => $q->integer('revision'), $this->send('GET', '/api/banks/1/questions?order=revision')->objects('questions'));
        self::assertSame([1, 2, 2], [$revisions[0], ...array_slice($revisions, -2)]);
        $by = array_map(static fn (Fields $q): string => $q->object('more')->text('savedBy'), $this->send('GET', '/api/banks/1/questions?order=by&more=1')->objects('questions'));
        self::assertSame(['M. Orrell'], array_values(array_unique($by)));
    }

    public function test_more_of_each_question_is_told_where_it_is_asked_for(): void
    {
        $this->logIn('orrell');
        $this->send('POST', '/api/banks/1/questions/change', ['ids' => [3], 'change' => ['addTags' => ['exam', 'bees'], 'difficulty' => 'hard']], status: 202);
        $listed = $this->send('GET', '/api/banks/1/questions?difficulty=hard&tag=exam&more=1', schema: 'QuestionList')->objects('questions');
        self::assertCount(1, $listed);
        $more = $listed[0]->object('more');
        self::assertSame(['hard', ['bees', 'exam'], 'M. Orrell'], [$more->text('difficulty'), $more->texts('tags'), $more->text('savedBy')]);
        self::assertSame($this->send('GET', '/api/questions/3')->text('savedAt'), $more->text('savedAt'));
        self::assertFalse($this->send('GET', '/api/banks/1/questions', schema: 'QuestionList')->objects('questions')[0]->has('more'));
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    /** @return iterable<string, array{string, string}> address, SQL of the ids that fit */
    public static function filters(): iterable
    {
        yield 'a tag' => ['tag=exam', 'SELECT 3 UNION SELECT 5'];
        yield 'hard ones' => ['difficulty=hard', "SELECT q.id FROM question q JOIN revision r ON r.id = q.newest_id WHERE r.difficulty = 'hard'"];
        yield 'no difficulty said' => ['difficulty=none', 'SELECT q.id FROM question q JOIN revision r ON r.id = q.newest_id WHERE q.bank_id = 1 AND r.difficulty IS NULL'];
        yield 'not whole' => ['whole=no', 'SELECT 7 UNION SELECT 91'];
        yield 'open comments' => ['comments=open', 'SELECT DISTINCT question_id FROM comment WHERE closed_at IS NULL'];
        yield 'notes of the proofreader' => ['notes=yes', 'SELECT DISTINCT n.question_id FROM proofreading_note n JOIN question q ON q.id = n.question_id WHERE q.bank_id = 1'];
        yield 'held by an assessment' => ['assessment=1', 'SELECT e.question_id FROM edition_question e JOIN edition d ON d.id = e.edition_id WHERE d.blueprint_id = 1'];
        yield 'changed since a day' => ['since=2026-06-01', "SELECT q.id FROM question q JOIN revision r ON r.id = q.newest_id WHERE q.bank_id = 1 AND r.saved_at >= '2026-06-01'"];
        yield 'changed since a day that is not there yet' => ['since=2999-01-01', 'SELECT id FROM question WHERE 1 = 0'];
        yield 'waiting for an author: what came back with a comment' => ['waiting=me', 'SELECT DISTINCT question_id FROM comment'];
        yield 'several at once' => ['kind=one&tag=exam', "SELECT id FROM question WHERE id IN (3, 5) AND kind = 'one'"];
        yield 'without an objective' => ['objective=0', 'SELECT id FROM question WHERE objective_id IS NULL'];
        yield 'a word and a tag' => ['search=queen&tag=exam', "SELECT rowid FROM question_search WHERE question_search MATCH 'body : queen*' AND rowid IN (3, 5)"];
    }

    #[DataProvider('filters')]
    public function test_list_change_and_text_mean_the_same_questions(string $address, string $sql): void
    {
        $this->work();
        $expected = array_map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0, self::getContainer()->get(Connection::class)->fetchFirstColumn($sql));
        sort($expected);
        $list = $this->send('GET', '/api/banks/1/questions?order=made&' . $address, schema: 'QuestionList');
        parse_str($address, $filter);

        self::assertSame($expected, array_map(static fn (Fields $q): int => $q->integer('id'), $list->objects('questions')));
        self::assertSame(count($expected), $list->integer('total'));
        if ($expected !== []) {
            $preview = $this->send(
                'POST',
                '/api/banks/1/questions/change/preview',
                ['filter' => array_map(static fn (mixed $v): mixed => is_numeric($v) ? (int) $v : $v, $filter), 'change' => ['addTags' => ['x']]],
                'ManyPreview',
            );
            self::assertSame(count($expected), $preview->integer('questions'));
        }
        $this->client->request('GET', '/api/banks/1/text?' . $address);
        self::assertSame(
            count($expected),
            preg_match_all('/^(?:-- )?(?:one|several|true|false|number|text|gaps|pairs|groups|order|regions|place|rating|\(not whole)\b/m', $this->client->getInternalResponse()->getContent()),
        );
    }

    public function test_what_waits_stands_on_the_board_for_each(): void
    {
        $this->work();
        $board = $this->send('GET', '/api/banks/1/board', schema: 'Board');
        self::assertSame([1, 3, 3], [$board->integer('inReview'), $board->integer('openComments'), $board->integer('waiting')]);
        $this->logIn('penhale');
        $board = $this->send('GET', '/api/banks/1/board', schema: 'Board');
        self::assertSame(1, $board->integer('waiting'), 'what is in review');
        $comment = $this->send('GET', '/api/questions/11')->objects('comments')[0]->integer('id');
        $this->logIn('orrell');
        $this->send('PUT', "/api/questions/11/comments/$comment", ['text' => 'Which one?'], 'Question');
        $this->logIn('penhale');

        self::assertSame(2, $this->send('GET', '/api/banks/1/board', schema: 'Board')->integer('waiting'), 'and what was answered');
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'no such narrowing' => ['colour=red', 'colour'];
        yield 'no such difficulty' => ['difficulty=fiendish', 'difficulty'];
        yield 'no day' => ['since=yesterday', 'since'];
        yield 'no number' => ['objective=x', 'objective'];
        yield 'no such word' => ['whole=perhaps', 'whole'];
    }

    #[DataProvider('refused')]
    public function test_what_is_no_filter_is_refused(string $address, string $field): void
    {
        self::assertStringContainsString($field, $this->send('GET', '/api/banks/1/questions?' . $address, status: 422)->text('detail'));
    }

    /** Two questions tagged, one that is not whole, a comment of the reviewer's on one. */
    private function work(): void
    {
        $this->send('POST', '/api/banks/1/questions/change', ['ids' => [3, 5], 'clearAgain' => true, 'change' => ['addTags' => ['exam'], 'difficulty' => 'hard']], 'Job', 202);
        $question = $this->send('GET', '/api/questions/7');
        $this->send(
            'PUT',
            '/api/questions/7',
            ['version' => $question->integer('version'), 'name' => $question->optionalText('name') ?? '', 'objective' => $question->text('objective'), 'content' => [...$question->object('content')->raw(), 'stem' => '']],
            'Question',
        );
        $this->logIn('penhale');
        $this->send('POST', '/api/questions/11/comments', ['where' => 'stem', 'text' => 'Which hive?'], 'Question', 201);
        $this->logIn('orrell');
    }
}
