<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Question;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** Many questions in one go: told beforehand, done in one step, undone in one step. */
final class ChangeManyTest extends ApiTestCase
{
    private const CLAIMS_AND_REST = ['settings' => ['points' => '10'], 'byKind' => ['claim' => ['points' => '4']]];

    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    public function test_claims_and_the_rest_get_their_points_in_one_go_and_give_them_back(): void
    {
        $before = $this->standing();
        $chosen = ['filter' => [], 'change' => self::CLAIMS_AND_REST];
        $preview = $this->preview($chosen);

        self::assertSame($before, $this->standing(), 'looking changes nothing');
        self::assertSame(self::QUESTIONS, $preview->integer('questions'));
        self::assertContains('points: 5 → 4 (21)', self::sums($preview, 'changes', 'to'));
        self::assertContains('points: weighed: its points stand at its answers (1)', self::sums($preview, 'stays', 'why'));

        $job = $this->send('POST', '/api/banks/1/questions/change', $chosen, 'Job', 202);
        $result = $job->object('result');
        self::assertSame(['done', $preview->integer('changed'), 0], [$job->text('state'), $result->integer('changed'), $result->integer('left')]);
        self::assertSame(['4', '10'], [$this->worth('true or false'), $this->worth('one')]);
        $change = $this->send('GET', '/api/banks/1/changes')->objects('changes')[0];
        self::assertSame(sprintf('changed %d questions: points: 10, claim points: 4', $preview->integer('changed')), $change->text('words'));
        self::assertSame(0, $this->preview($chosen)->integer('changed'), 'done once, nothing is left to do');

        $this->send('POST', '/api/banks/1/changes/' . $result->integer('change') . '/undo', schema: 'BankChange');
        self::assertSame($before, $this->standing());
    }

    public function test_a_cleared_question_gets_a_draft_and_what_is_cleared_is_dealt_on(): void
    {
        $question = $this->send('GET', '/api/questions/1');
        $preview = $this->preview(['ids' => [1], 'change' => ['settings' => ['points' => '7']]]);
        self::assertSame([1, 1], [$preview->integer('changed'), $preview->integer('drafts')]);
        $this->send('POST', '/api/banks/1/questions/change', ['ids' => [1], 'change' => ['settings' => ['points' => '7']]], 'Job', 202);
        $after = $this->send('GET', '/api/questions/1', schema: 'Question');

        self::assertSame(['draft', 1, $question->integer('revision') + 1], [$after->text('status'), $after->integer('clearedRevision'), $after->integer('revision')]);
        self::assertSame('7', $after->object('content')->object('settings')->text('points'));
        self::assertStringContainsString('points: 7', $this->line('/api/questions/1/revisions/' . $after->integer('revision')), 'one entry in its history');
    }

    public function test_they_can_be_cleared_again_in_the_same_go(): void
    {
        $this->send('POST', '/api/banks/1/questions/change', ['ids' => [1, 2], 'clearAgain' => true, 'change' => ['settings' => ['points' => '7']]], 'Job', 202);
        $after = $this->send('GET', '/api/questions/1', schema: 'Question');

        self::assertSame(['cleared', $after->integer('revision')], [$after->text('status'), $after->integer('clearedRevision')]);
        self::assertSame(1, $this->number('SELECT COUNT(*) FROM revision WHERE question_id = 1 AND is_dealt = 1'));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what is wanted, a question that shows it */
    public static function changes(): iterable
    {
        yield 'another objective, made on the way' => [
            ['objective' => 'Wax > Candles'],
            'SELECT COUNT(*) FROM question q JOIN objective o ON o.id = q.objective_id JOIN revision r ON r.id = q.newest_id WHERE o.path = \'Wax > Candles\' AND r.objective_path = o.path',
        ];
        yield 'tags, also as rows' => [['addTags' => ['exam']], 'SELECT COUNT(*) FROM revision_tag t JOIN question q ON q.newest_id = t.revision_id WHERE t.tag = \'exam\''];
        yield 'difficulty' => [['difficulty' => 'hard'], 'SELECT COUNT(*) FROM question q JOIN revision r ON r.id = q.newest_id WHERE r.difficulty = \'hard\' AND q.id < 4'];
        yield 'status' => [['status' => 'retired'], 'SELECT COUNT(*) FROM question WHERE status = \'retired\' AND cleared_id IS NULL'];
        yield 'what is said' => [['feedback' => ['wrong' => 'Look at the comb again.']], 'SELECT COUNT(*) FROM question_search WHERE question_search MATCH \'body : "look at the comb again"\''];
    }

    /** @param array<string, mixed> $wanted */
    #[DataProvider('changes')]
    public function test_all_that_hangs_on_it_follows_and_goes_back(array $wanted, string $shows): void
    {
        $before = $this->standing();
        $was = $this->number($shows);
        $job = $this->send('POST', '/api/banks/1/questions/change', ['ids' => [1, 2, 3], 'change' => $wanted], 'Job', 202);

        self::assertSame(3, $job->object('result')->integer('changed'));
        self::assertSame($was + 3, $this->number($shows));
        $this->send('GET', '/api/banks/1/board', schema: 'Board');
        $this->send('POST', '/api/banks/1/changes/' . $job->object('result')->integer('change') . '/undo', schema: 'BankChange');
        self::assertSame($before, $this->standing());
        self::assertSame($was, $this->number($shows));
    }

    public function test_a_moved_question_is_dealt_from_its_old_place_until_it_is_cleared_there(): void
    {
        $this->send('POST', '/api/banks/1/questions/change', ['ids' => [1], 'change' => ['objective' => 'Neighbours and law']], 'Job', 202);

        self::assertSame([1], self::getContainer()->get(Connection::class)->fetchFirstColumn('SELECT id FROM question WHERE dealt_elsewhere = 1'));
    }

    public function test_whoever_saved_one_meanwhile_is_not_overwritten_by_undo(): void
    {
        $job = $this->send('POST', '/api/banks/1/questions/change', ['ids' => [1, 2], 'change' => ['settings' => ['points' => '7']]], 'Job', 202);
        $question = $this->send('GET', '/api/questions/1');
        $this->send(
            'PUT',
            '/api/questions/1',
            [
                'version' => $question->integer('version'),
                'name' => $question->optionalText('name') ?? '',
                'objective' => $question->text('objective'),
                'content' => [...$question->object('content')->raw(), 'stem' => 'Another one?'],
            ],
            'Question',
        );
        $problem = $this->send('POST', '/api/banks/1/changes/' . $job->object('result')->integer('change') . '/undo', status: 409);

        self::assertStringContainsString('1 of these questions were changed since', $problem->text('detail'));
        self::assertSame('7', $this->send('GET', '/api/questions/2')->object('content')->object('settings')->text('points'), 'nothing is half undone');
    }

    public function test_what_a_rehearsal_or_an_edition_holds_is_not_taken_away(): void
    {
        $job = $this->send('POST', '/api/banks/1/questions/change', ['filter' => [], 'clearAgain' => true, 'change' => ['settings' => ['attempts' => '3']]], 'Job', 202);
        $undo = '/api/banks/1/changes/' . $job->object('result')->integer('change') . '/undo';
        $this->send('POST', '/api/blueprints/1/rehearsals', ['seed' => 3], 'Sitting', 201);
        self::assertStringContainsString('A rehearsal was begun', $this->send('POST', $undo, status: 409)->text('detail'));
        $this->send('POST', '/api/blueprints/1/editions', ['version' => $this->version('/api/blueprints/1')], status: 201);
        self::assertStringContainsString('held', str_replace(['An edition was frozen', 'A rehearsal was begun'], 'held', $this->send('POST', $undo, status: 409)->text('detail')));
    }

    public function test_all_that_fit_but_some(): void
    {
        $claims = $this->send('GET', '/api/banks/1/questions?kind=claim')->objects('questions');
        $preview = $this->preview(['filter' => ['kind' => 'claim'], 'without' => [$claims[0]->integer('id')], 'change' => ['settings' => ['points' => '4']]]);

        self::assertSame(count($claims) - 1, $preview->integer('questions'));
        self::assertCount(count($claims) - 1, $preview->objects('each'));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        yield 'none chosen' => [['ids' => [], 'change' => []], 'no question is chosen'];
        yield 'nothing said' => [['ids' => [1]], 'change'];
        yield 'a value that does not go there' => [['ids' => [1], 'change' => ['settings' => ['points' => 'many']]], 'points'];
        yield 'no such status' => [['ids' => [1], 'change' => ['status' => 'gone']], 'is no status'];
        yield 'a filter with something else' => [['filter' => ['colour' => 'red'], 'change' => []], 'colour'];
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('refused')]
    public function test_what_cannot_be_wanted_is_refused_before_anything_is_done(array $body, string $why): void
    {
        foreach (['/preview', ''] as $path) {
            self::assertStringContainsString($why, $this->send('POST', '/api/banks/1/questions/change' . $path, $body, status: 422)->text('detail'));
        }
        self::assertCount(4, $this->send('GET', '/api/banks/1/changes')->objects('changes'), 'two pools, the intake and its settings, as the demo has them, and no more');
    }

    public function test_questions_of_another_bank_are_not_touched(): void
    {
        $other = $this->send('POST', '/api/banks', ['name' => 'Another'], 'Banks', 201)->integer('made');

        self::assertSame(0, $this->send('POST', "/api/banks/$other/questions/change/preview", ['ids' => [1, 2], 'change' => self::CLAIMS_AND_REST], 'ManyPreview')->integer('questions'));
    }

    /** @param array<string, mixed> $body */
    private function preview(array $body): Fields
    {
        return $this->send('POST', '/api/banks/1/questions/change/preview', [...$body, ...($body['filter'] ?? null) === [] ? ['filter' => (object) []] : []], 'ManyPreview');
    }

    /** @return list<string> */
    private static function sums(Fields $preview, string $list, string $to): array
    {
        return array_map(
            static fn (Fields $row): string => sprintf($to === 'to' ? '%s: %s → %s (%d)' : '%s: %3$s (%4$d)', $row->text('what'), $to === 'to' ? $row->text('from') : '', $row->text($to), $row->integer('questions')),
            $preview->objects($list),
        );
    }

    private function worth(string $search): string
    {
        $kind = $search === 'one' ? 'one' : 'claim';

        return $this->send('GET', "/api/banks/1/questions?kind=$kind&order=made")
            ->objects('questions')[0]
            ->text('worth');
    }

    private function line(string $path): string
    {
        return json_encode($this->send('GET', $path)->raw(), JSON_THROW_ON_ERROR);
    }

    private function number(string $sql): int
    {
        $n = self::getContainer()->get(Connection::class)->fetchOne($sql);

        return is_numeric($n) ? (int) $n : -1;
    }

    /** @return array<string, mixed> all that a change of many touches, but versions */
    private function standing(): array
    {
        $db = self::getContainer()->get(Connection::class);

        return [
            'questions' => $db->fetchAllAssociative(
                'SELECT id, name, kind, status, objective_id, newest_id, cleared_id, excerpt, stem_key, worth, micro_points, revision_number, is_unfinished, dealt_elsewhere FROM question ORDER BY id',
            ),
            'revisions' => $db->fetchAllAssociative('SELECT id, number, content, worth, is_dealt, objective_path FROM revision ORDER BY id'),
            'notes' => $db->fetchAllAssociative('SELECT question_id, rule, line, message FROM proofreading_note ORDER BY question_id, rule, line'),
            'counts' => $db->fetchAllAssociative('SELECT * FROM question_count WHERE questions > 0 ORDER BY objective_id, kind, status'),
            'words' => $db->fetchAllKeyValue('SELECT rowid, body FROM question_search ORDER BY rowid'),
        ];
    }
}
