<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Finding;

use Doctrine\DBAL\Connection;
use Zetema\Core\Data\Fields;
use Zetema\Core\Drawing\Chance;
use Zetema\Tests\App\ApiTestCase;

/** What is kept beside the questions is what one would find by looking at them, whatever was done to them. */
final class CountsTest extends ApiTestCase
{
    public function test_counts_follow_whatever_is_done_to_questions(): void
    {
        $this->logIn('orrell');
        $chance = new Chance(7);
        for ($i = 0; $i < 60; ++$i) {
            $this->doSomething(1 + $chance->below(90), $chance->below(6), $i);
        }
        $this->assertDealtIsCounted();
        $this->send('PUT', '/api/banks/1/settings', ['version' => $this->version('/api/banks/1/settings'), 'settings' => ['points' => '3'], 'byKind' => ['claim' => ['points' => '2']]]);
        $this->send('POST', '/api/banks/1/questions/change', ['filter' => ['kind' => 'claim'], 'change' => ['settings' => ['points' => null], 'difficulty' => 'hard'], 'clearAgain' => true], status: 202);
        $this->assertDealtIsCounted();
        $this->send('POST', '/api/batches/1/take-back');
        $this->assertDealtIsCounted();
        $db = self::getContainer()->get(Connection::class);
        $kept = $db->fetchAllNumeric('SELECT bank_id, objective_id, kind, status, questions, dealt FROM question_count WHERE questions > 0 ORDER BY 1, 2, 3, 4');
        $found = $db->fetchAllNumeric('SELECT q.bank_id, COALESCE(q.objective_id, 0), q.kind, q.status, COUNT(*), SUM(q.cleared_id IS NOT NULL AND r.objective_path IS o.path AND r.kind = q.kind)
            FROM question q LEFT JOIN revision r ON r.id = q.cleared_id LEFT JOIN objective o ON o.id = q.objective_id GROUP BY 1, 2, 3, 4 ORDER BY 1, 2, 3, 4');

        self::assertSame($found, $kept);
        self::assertSame([], $db->fetchFirstColumn('SELECT id FROM question WHERE id NOT IN (SELECT rowid FROM question_search)'), 'every question can be searched for');
        self::assertSame([], $db->fetchFirstColumn('SELECT rowid FROM question_search WHERE rowid NOT IN (SELECT id FROM question)'), 'and nothing else');
        self::assertSame(
            [],
            $db->fetchFirstColumn(
                'SELECT q.id FROM question q JOIN revision r ON r.id = q.newest_id WHERE q.worth <> r.worth OR q.revision_number <> r.number OR q.kind <> r.kind OR q.is_unfinished <> (r.problem IS NOT NULL)',
            ),
        );
        self::assertSame([], $db->fetchFirstColumn('SELECT r.id FROM revision r JOIN question q ON q.id = r.question_id WHERE r.is_dealt <> (q.cleared_id IS r.id)'), 'one revision of a question is dealt, or none');
        $this->assertNotesAreCounted();
    }

    public function test_what_is_waved_off_is_counted_off_and_comes_back(): void
    {
        $this->logIn('orrell');
        $db = self::getContainer()->get(Connection::class);
        $noted = $db->fetchAssociative('SELECT question_id, rule, line_id, message_by_ids FROM proofreading_note ORDER BY id LIMIT 1');
        $id = is_array($noted) && is_numeric($noted['question_id']) ? (int) $noted['question_id'] : 0;
        foreach ($this->send('GET', "/api/questions/$id")->objects('proofs') as $note) {
            $this->send('POST', "/api/questions/$id/waved", ['rule' => $note->text('rule'), 'where' => $note->text('where'), 'message' => $note->text('message'), 'reason' => 'meant so'], status: 201);
            $this->assertNotesAreCounted();
        }
        self::assertSame(0, $db->fetchOne('SELECT has_notes FROM question WHERE id = ?', [$id]));
        foreach ($this->send('GET', "/api/questions/$id")->objects('proofs') as $note) {
            $this->send('PUT', "/api/questions/$id/waved", ['rule' => $note->text('rule'), 'where' => $note->text('where'), 'message' => $note->text('message')]);
            $this->assertNotesAreCounted();
        }
        self::assertSame(1, $db->fetchOne('SELECT has_notes FROM question WHERE id = ?', [$id]));
    }

    private function assertNotesAreCounted(): void
    {
        $db = self::getContainer()->get(Connection::class);
        $open = 'proofreading_note n WHERE NOT EXISTS (SELECT 1 FROM waving w WHERE w.question_id = n.question_id AND w.rule = n.rule AND w.line = n.line_id AND w.message = n.message_by_ids)';
        self::assertSame(
            $db->fetchAllNumeric("SELECT n.bank_id, n.rule, COUNT(*) FROM $open GROUP BY 1, 2 ORDER BY 1, 2"),
            $db->fetchAllNumeric('SELECT bank_id, rule, notes FROM note_count WHERE notes > 0 ORDER BY 1, 2'),
        );
        self::assertSame($db->fetchFirstColumn("SELECT DISTINCT n.question_id FROM $open ORDER BY 1"), $db->fetchFirstColumn('SELECT id FROM question WHERE has_notes = 1 ORDER BY 1'));
        self::assertSame(
            $db->fetchAllNumeric(
                "SELECT q.bank_id, q.kind, COALESCE(r.key_place, -1), q.has_notes, COUNT(*) FROM question q JOIN revision r ON r.id = q.newest_id WHERE q.is_unfinished = 0 AND q.status <> 'retired' GROUP BY 1, 2, 3, 4 ORDER BY 1, 2, 3, 4",
            ),
            $db->fetchAllNumeric('SELECT bank_id, kind, key_place, has_notes, questions FROM read_count WHERE questions > 0 ORDER BY 1, 2, 3, 4'),
        );
    }

    private function assertDealtIsCounted(): void
    {
        $db = self::getContainer()->get(Connection::class);

        self::assertSame(
            $db->fetchAllNumeric("SELECT bank_id, COALESCE(objective_path, ''), kind, COALESCE(difficulty, ''), worth, COUNT(*) FROM revision WHERE is_dealt = 1 GROUP BY 1, 2, 3, 4, 5 ORDER BY 1, 2, 3, 4, 5"),
            $db->fetchAllNumeric('SELECT * FROM dealt_count WHERE questions > 0 ORDER BY 1, 2, 3, 4, 5'),
        );
    }

    /** Edits, moves, clears, retires or copies a question, as far as that is allowed. */
    private function doSomething(int $id, int $what, int $i): void
    {
        $question = $this->ask('GET', "/api/questions/$id");
        if (!$question->has('version')) {
            return;
        }
        $version = $question->integer('version');
        $content = $question->object('content')->raw();
        $edit = static fn (string $objective, array $change): array => ['version' => $version, 'name' => $question->optionalText('name') ?? '', 'objective' => $objective, 'content' => [...$content, ...$change]];
        match ($what) {
            0 => $this->ask('PUT', "/api/questions/$id", $edit($question->optionalText('objective') ?? '', ['stem' => "Changed in step $i, is it?", 'tags' => ['t' . $i % 3]])),
            1 => $this->ask('PUT', "/api/questions/$id", $edit('Moved > Place ' . $i % 4, [])),
            2 => $this->ask('PUT', "/api/questions/$id/status", ['version' => $version, 'status' => 'cleared']),
            3 => $this->ask('PUT', "/api/questions/$id/status", ['version' => $version, 'status' => 'retired']),
            4 => $this->ask('PUT', "/api/questions/$id", $edit('', ['stem' => ''])),
            default => $this->ask('POST', "/api/questions/$id/copy"),
        };
    }

    /** @param array<string, mixed>|null $body */
    private function ask(string $method, string $path, ?array $body = null): Fields
    {
        $this->client->request($method, $path, server: ['CONTENT_TYPE' => 'application/json', 'HTTP_X_ZETEMA' => '1'], content: $body === null ? '' : json_encode($body, JSON_THROW_ON_ERROR));
        self::assertLessThan(500, $this->client->getResponse()->getStatusCode());

        return Fields::ofJson((string) $this->client->getResponse()->getContent());
    }

    public function test_the_list_goes_on_page_by_page_in_any_order_and_leaves_nothing_out(): void
    {
        $this->logIn('orrell');
        $content = static fn (int $i): array => [
            'v' => 1,
            'kind' => ['number', 'text'][$i % 2],
            'stem' => 'Question ' . ($i * 37) % 101 . '?',
            'settings' => ['points' => (string) (1 + ($i % 4))],
            ...$i % 2 === 0 ? ['spans' => [['span' => '1']]] : ['wordings' => [['text' => 'a']]],
        ];
        for ($i = 0; $i < 160; ++$i) {
            $this->send('POST', '/api/banks/1/questions', ['name' => $i % 3 === 0 ? "made $i" : '', 'objective' => $i % 5 === 0 ? '' : 'Many > Part ' . $i % 4, 'content' => $content($i)], status: 201);
        }
        foreach (['objective', 'made', 'newest', 'text', 'name', 'kind', 'points', 'status', 'saved', 'difficulty', 'tags', 'revision', 'by'] as $order) {
            $ids = [];
            $after = '';
            $total = null;
            do {
                $page = $this->send('GET', "/api/banks/1/questions?order=$order&after=$after", schema: 'QuestionList');
                $total ??= $page->optionalInteger('total');
                array_push($ids, ...array_map(static fn (Fields $q): int => $q->integer('id'), $page->objects('questions')));
                $after = $page->optionalText('after');
            } while ($after !== null);

            self::assertSame(array_fill(0, 3, self::QUESTIONS + 160), [$total, count($ids), count(array_unique($ids))], $order);
        }
        self::assertSame('after', $this->send('GET', '/api/banks/1/questions?after=nonsense', status: 422)->text('field'));
        $points = array_map(static fn (Fields $q): int => $q->integer('id'), $this->send('GET', '/api/banks/1/questions?order=points&kind=number')->objects('questions'));
        self::assertNotSame($points, array_map(static fn (Fields $q): int => $q->integer('id'), $this->send('GET', '/api/banks/1/questions?order=newest&kind=number')->objects('questions')));
    }

    /** @return iterable<string, array{string, string, bool}> search, a question's name, whether it is found */
    public static function searches(): iterable
    {
        yield 'the beginning of a word' => ['varro', 'name of the mite', true];
        yield 'any case' => ['VARROA', 'name of the mite', true];
        yield 'its name' => ['fresh eggs', 'fresh eggs', true];
        yield 'all words must be there' => ['varroa elephant', 'name of the mite', false];
        yield 'as it stands' => ['"standing upright"', 'fresh eggs', true];
        yield 'not in another order' => ['"upright standing"', 'fresh eggs', false];
        yield 'signs alone find nothing' => ['%()*', 'fresh eggs', false];
        yield 'operators are words' => ['eggs OR', 'name of the mite', false];
        yield 'an open quotation mark' => ['"standing upr', 'fresh eggs', false];
    }

    #[\PHPUnit\Framework\Attributes\DataProvider('searches')]
    public function test_words_are_found_by_their_beginnings(string $search, string $name, bool $found): void
    {
        $this->logIn('orrell');
        $names = array_map(static fn (Fields $q): ?string => $q->optionalText('name'), $this->send('GET', '/api/banks/1/questions?search=' . rawurlencode($search), schema: 'QuestionList')->objects('questions'));

        self::assertSame($found, in_array($name, $names, true));
    }
}
