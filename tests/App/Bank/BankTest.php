<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;
use Zetema\Tests\Speed;

final class BankTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    public function test_a_search_shows_where_it_found_its_words(): void
    {
        $found = $this->send('GET', '/api/banks/1/questions?search=varroa', schema: 'QuestionList')->objects('questions');
        $plain = $this->send('GET', '/api/banks/1/questions', schema: 'QuestionList')->objects('questions');

        self::assertNotSame([], $found);
        self::assertMatchesRegularExpression("/\x02varroa\x03/i", $found[0]->text('hit'));
        self::assertNull($plain[0]->optionalText('hit'));
    }

    public function test_the_list_is_filtered_and_searched(): void
    {
        $all = $this->send('GET', '/api/banks/1/questions', schema: 'QuestionList')->objects('questions');
        $hive = $this->send('GET', '/api/banks/1/questions?objective=4&kind=one', schema: 'QuestionList')->objects('questions');
        $mites = $this->send('GET', '/api/banks/1/questions?search=varroa', schema: 'QuestionList')->objects('questions');

        self::assertCount(self::QUESTIONS, $all);
        self::assertCount(7, $hive, 'with what lies below the objective');
        self::assertContains('name of the mite', array_map(static fn ($q): ?string => $q->optionalText('name'), $mites));
    }

    /** @return iterable<string, array{string, array<string, list<string>>}> a question's name, what its lines earn by attempt */
    public static function margins(): iterable
    {
        yield 'choices, a later attempt costs' => ['fresh eggs', ['answer:1' => ['10', '5'], 'answer:2' => ['-1', '-1'], 'answer:3' => ['-1', '-1'], 'answer:4' => ['-1', '-1']]];
        yield 'spans, one for half' => ['mites per hundred', ['answer:1' => ['10'], 'answer:2' => ['5']]];
        yield 'wordings' => ['name of the mite', ['answer:1' => ['10'], 'answer:2' => ['10'], 'answer:3' => ['5']]];
        yield 'weighed choices' => ['swarm in the hedge', ['answer:1' => ['8'], 'answer:2' => ['5'], 'answer:3' => ['2']]];
        yield 'gaps, a third each' => ['who lives there', ['gap:1' => ['3.33'], 'gap:2' => ['3.33'], 'gap:3' => ['3.33']]];
        yield 'pairs' => ['days of development', ['pair:1' => ['3.33'], 'pair:2' => ['3.33'], 'pair:3' => ['3.33']]];
        yield 'items, not the spare one' => ['whose business', ['item:1' => ['3.33'], 'item:2' => ['3.33'], 'item:3' => ['3.33']]];
        yield 'neighbours in an order' => ['duties of a worker', ['item:1' => ['2.5'], 'item:2' => ['2.5'], 'item:3' => ['2.5'], 'item:4' => ['2.5']]];
        yield 'areas' => ['the queen cell', ['area:1' => ['10'], 'area:2' => ['0'], 'area:3' => ['0']]];
        yield 'labels' => ['parts of a frame', ['label:1' => ['3.33'], 'label:2' => ['3.33'], 'label:3' => ['3.33']]];
        yield 'a scale earns nothing' => ['sure of brood', []];
    }

    /** @param array<string, list<string>> $lines */
    #[DataProvider('margins')]
    public function test_the_margin_shows_what_each_line_alone_earns_on_each_attempt(string $name, array $lines): void
    {
        $margin = $this->send('GET', '/api/questions/' . $this->idOf($name), schema: 'Question')
            ->object('margin')
            ->object('lines');
        $earned = [];
        foreach (array_keys($margin->raw()) as $line) {
            $earned[(string) $line] = $margin->object((string) $line)->texts('earned');
        }
        ksort($earned);

        self::assertSame($lines, $earned);
    }

    public function test_editing_a_cleared_question_makes_a_draft_and_the_cleared_revision_is_still_dealt(): void
    {
        $id = $this->idOf('queen excluder');
        $before = $this->send('GET', "/api/questions/$id");
        $saved = $this->send('PUT', "/api/questions/$id", $this->edited($before, ['stem' => 'New words?']), 'Question');

        self::assertSame(['draft', 2, 1, 'New words?'], [$saved->text('status'), $saved->integer('revision'), $saved->integer('clearedRevision'), $saved->object('content')->text('stem')]);
        $again = $this->send('PUT', "/api/questions/$id", $this->edited($saved, ['stem' => 'Newer words?']), 'Question');
        self::assertSame(2, $again->integer('revision'), 'soon after, it goes into the same revision');
        $cleared = $this->send('PUT', "/api/questions/$id/status", ['status' => 'cleared', 'version' => $again->integer('version')], 'Question');
        self::assertSame(['cleared', 2], [$cleared->text('status'), $cleared->integer('clearedRevision')]);
        self::assertSame(3, $this->send('PUT', "/api/questions/$id", $this->edited($cleared, ['stem' => 'Newest?']), 'Question')->integer('revision'), 'what was cleared is never written again');
    }

    public function test_a_stale_window_is_told_and_gets_what_stands_now(): void
    {
        $id = $this->idOf('queen excluder');
        $opened = $this->send('GET', "/api/questions/$id");
        $this->send('PUT', "/api/questions/$id", $this->edited($opened, ['stem' => 'From the first window']));
        $problem = $this->send('PUT', "/api/questions/$id", $this->edited($opened, ['stem' => 'From the second']), status: 409);

        self::assertSame('urn:zetema:problem:stale', $problem->text('type'));
        self::assertSame('From the first window', $problem->object('current')->object('content')->text('stem'));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what is changed, what is missing then */
    public static function unfinished(): iterable
    {
        yield 'no stem' => [['stem' => ' '], 'the stem is empty'];
        yield 'no key' => [['choices' => [['id' => 1, 'text' => 'a', 'key' => false], ['id' => 2, 'text' => 'b', 'key' => false]]], 'no answer is the key'];
        yield 'one answer' => [['choices' => [['id' => 1, 'text' => 'a', 'key' => true]]], 'at least two answers'];
        yield 'no number' => [['settings' => ['points' => 'ten']], '“ten” is no decimal number'];
        yield 'a note without a condition' => [['notes' => [['when' => [], 'text' => 'Hm.']]], 'a note says when it is shown'];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('unfinished')]
    public function test_what_is_not_whole_is_kept_as_a_draft_and_says_what_is_missing(array $change, string $words): void
    {
        $id = $this->idOf('queen excluder');
        $saved = $this->send('PUT', "/api/questions/$id", $this->edited($this->send('GET', "/api/questions/$id"), $change), 'Question');

        self::assertStringContainsString($words, $saved->object('problem')->text('message'));
        self::assertSame(['draft', null, 1], [$saved->text('status'), $saved->raw()['margin'], $saved->integer('clearedRevision')], 'the cleared revision is dealt on');
        foreach ($change as $field => $value) {
            self::assertEquals($value, $saved->object('content')->raw()[$field], 'nothing typed is lost');
        }
        foreach (['in review', 'cleared'] as $status) {
            self::assertStringContainsString('not whole yet', $this->send('PUT', "/api/questions/$id/status", ['status' => $status, 'version' => $saved->integer('version')], status: 422)->text('detail'));
        }
        $this->send('GET', "/api/questions/$id/as-seen", status: 422);
        $this->send('GET', '/api/banks/1/proofreading', schema: 'Proofreading');
        $this->client->request('GET', '/api/banks/1/text');
        self::assertStringContainsString('-- (not whole yet', $this->client->getInternalResponse()->getContent());
    }

    public function test_what_could_not_even_be_shown_again_is_refused_and_nothing_changes(): void
    {
        $id = $this->idOf('queen excluder');
        $opened = $this->send('GET', "/api/questions/$id");
        foreach ([['kind' => 'essay'], ['choices' => 'many'], ['stem' => 7], ['colour' => 'green'], ['stem' => str_repeat('long ', 100_000)]] as $change) {
            $this->send('PUT', "/api/questions/$id", $this->edited($opened, $change), status: 422);
        }
        self::assertSame($opened->integer('version'), $this->send('GET', "/api/questions/$id")->integer('version'));
    }

    public function test_a_new_question_is_made_with_its_objective(): void
    {
        $content = ['v' => 1, 'kind' => 'number', 'stem' => 'How many?', 'spans' => [['span' => '14 within 0.6']]];
        $made = $this->send('POST', '/api/banks/1/questions', ['name' => 'brand new', 'objective' => 'Colony life > A new leaf', 'content' => $content], 'Question', 201);

        self::assertSame(['Colony life > A new leaf', 'draft', null], [$made->text('objective'), $made->text('status'), $made->optionalInteger('clearedRevision')]);
        $this->send('POST', '/api/banks/1/questions', ['name' => 'brand new', 'content' => $content], status: 422);
    }

    public function test_an_intake_tells_problems_takes_in_the_rest_and_is_taken_back(): void
    {
        $text = "objective: Honey > Brand new\none: Fine?\n yes: a\n no: b\n\none: Broken?\n yes: a\n\nfalse: A drone has no sting.";
        $read = $this->send('POST', '/api/banks/1/intake/read', ['text' => $text], 'Understood')->objects('questions');

        self::assertSame([0, 1, 0], array_map(static fn ($q): int => count($q->objects('problems')), $read));
        self::assertSame($this->idOf('drone sting'), $read[2]->object('known')->integer('id'), 'the bank has this stem already');
        self::assertStringContainsString('line 6', $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'lines' => [2, 6]], status: 422)->text('detail'));
        $batch = $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'lines' => [2, 9], 'name' => 'mine.zet.txt'], 'Job', 201);
        self::assertCount(self::QUESTIONS + 2, $this->send('GET', '/api/banks/1/questions')->objects('questions'));
        $back = $this->send('POST', '/api/batches/' . $batch->object('result')->integer('id') . '/take-back')->object('result');
        self::assertSame([2, 0], [$back->integer('taken'), $back->integer('kept')]);
        self::assertCount(self::QUESTIONS, $this->send('GET', '/api/banks/1/questions')->objects('questions'));
        self::assertStringNotContainsString('Brand new', (string) json_encode($this->send('GET', '/api/banks/1/board')->raw()), 'the objectives that came with it go too');
    }

    public function test_what_an_edition_holds_is_not_taken_back(): void
    {
        $back = $this->send('POST', '/api/batches/1/take-back')->object('result');

        self::assertGreaterThan(40, $back->integer('kept'));
        self::assertSame(self::QUESTIONS - 2, $back->integer('taken') + $back->integer('kept'), 'but for what was written by hand');
        self::assertNotEmpty(
            array_filter($back->texts('by'), static fn (string $by): bool => preg_match('/^\d+ held by an edition of “Apprentice Certificate/', $by) === 1),
            json_encode($back->texts('by')) . ' says by what',
        );
    }

    public function test_five_thousand_questions_open_within_200_ms(): void
    {
        $db = self::getContainer()->get(Connection::class);
        $db->executeStatement('WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 80)
            INSERT INTO question (bank_id, objective_id, kind, status, excerpt, version, newest_id, cleared_id) SELECT bank_id, objective_id, kind, status, excerpt, version, newest_id, cleared_id FROM question, n');
        foreach (['/api/banks/1/board', '/api/banks/1/questions'] as $path) {
            Speed::within(200, fn () => $this->send('GET', $path), $path);
        }
        self::assertGreaterThan(5000, $this->send('GET', '/api/banks/1/questions')->integer('total'));
        $db->executeStatement("INSERT INTO question_search (rowid, bank, body) SELECT id, 'b1', 'smoke once more' FROM question WHERE id NOT IN (SELECT rowid FROM question_search)");
        $found = $this->send('GET', '/api/banks/1/questions?search=smoke', schema: 'QuestionList');
        self::assertSame([2000, true], [$found->integer('total'), $found->flag('atLeast')], 'no more are counted');
        self::assertSame([0, false], [($none = $this->send('GET', '/api/banks/1/questions?search=zzzz', schema: 'QuestionList'))->integer('total'), $none->flag('atLeast')]);
    }

    private function idOf(string $name): int
    {
        $id = self::getContainer()
            ->get(Connection::class)
            ->fetchOne('SELECT id FROM question WHERE name = ?', [$name]);

        return is_numeric($id) ? (int) $id : 0;
    }

    /**
     * @param array<string, mixed> $change
     *
     * @return array<string, mixed>
     */
    private function edited(Fields $question, array $change): array
    {
        return [
            'version' => $question->integer('version'),
            'name' => $question->optionalText('name') ?? '',
            'objective' => $question->optionalText('objective') ?? '',
            'content' => [...$question->object('content')->raw(), ...$change],
        ];
    }

    public function test_the_settings_of_a_bank_are_written_as_such_and_read_back_into_another_bank(): void
    {
        $this->logIn('orrell');
        $settings = $this->send('GET', '/api/banks/1/settings', schema: 'BankSettings');
        $set = ['points' => '3', 'shuffle' => 'yes', 'attempt costs' => '2,5', 'time' => '1:30'];
        $saved = $this->send('PUT', '/api/banks/1/settings', ['version' => $settings->integer('version'), 'settings' => $set, 'byKind' => ['claim' => ['points' => '2', 'shuffle' => 'yes']]], 'BankSettings');
        self::assertSame(['points' => '3', 'attempt costs' => '2, 5', 'time' => '90 s', 'shuffle' => 'yes'], $saved->object('settings')->raw());
        $this->client->request('GET', '/api/banks/1/text');
        $text = $this->client->getInternalResponse()->getContent();
        self::assertStringContainsString("\nbank settings:\n  points: 3\n", $text);
        self::assertStringContainsString("\nbank settings for claim:\n  points: 2\n", $text);
        self::assertStringNotContainsString('every question', $text);

        $db = self::getContainer()->get(Connection::class);
        $db->executeStatement("INSERT INTO bank (id, name, settings) VALUES (7, 'Other', '{\"points\":\"8\"}')");
        $read = $this->send('POST', '/api/banks/7/intake/read', ['text' => $text], 'Understood');
        self::assertNotContains('points', array_map(static fn ($n): string => $n->text('setting') . ($n->optionalText('kind') ?? ''), $read->objects('bankSettings')), 'what the bank sets itself stays');
        $line = $read->objects('questions')[0]->integer('fromLine');
        self::assertArrayNotHasKey('points', array_diff_key($read->objects('questions')[0]->object('question')->object('settings')->raw(), ['points' => 0]), 'they are not the question’s own');
        $this->send('POST', '/api/banks/7/intake', ['text' => $text, 'lines' => [$line]], 'Job', 201);
        $taken = $this->send('GET', '/api/banks/7/settings', schema: 'BankSettings');

        self::assertEquals(['points' => '8', 'attempt costs' => '2, 5', 'time' => '90 s', 'shuffle' => 'yes'], $taken->object('settings')->raw());
        self::assertEquals(['claim' => ['points' => '2', 'shuffle' => 'yes']], $taken->object('byKind')->raw());
    }

    public function test_a_setting_that_has_no_meaning_for_a_kind_is_refused_for_it(): void
    {
        $this->logIn('orrell');
        $version = $this->send('GET', '/api/banks/1/settings')->integer('version');
        $problem = $this->send('PUT', '/api/banks/1/settings', ['version' => $version, 'settings' => [], 'byKind' => ['number' => ['shuffle' => 'yes']]], status: 422);

        self::assertSame('shuffle', $problem->text('field'));
    }

    public function test_a_picture_of_the_bank_says_how_large_it_is_so_that_guessing_knows(): void
    {
        $this->logIn('orrell');
        $content = ['v' => 1, 'kind' => 'regions', 'stem' => 'Where?', 'picture' => ['file' => 'hive.svg', 'shows' => 'A hive'], 'regions' => [['area' => 'rectangle 0 0 99 99', 'key' => true]]];
        $made = $this->send('POST', '/api/banks/1/questions', ['content' => $content], 'Question', 201);
        self::assertGreaterThan(0, $made->object('content')->object('picture')->integer('width'));
        self::assertNull($this->send('GET', '/api/questions/' . $made->integer('id') . '/guess', schema: 'Guess')->optionalText('why'));

        $text = "regions: Where then?\n image: hive.svg\n  shows: A hive\n area yes: rectangle 0 0 99 99\n";
        $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'lines' => [1]], 'Job', 201);
        $id = self::getContainer()->get(Connection::class)->fetchOne('SELECT MAX(id) FROM question');
        self::assertIsInt($id);
        self::assertNull($this->send('GET', "/api/questions/$id/guess", schema: 'Guess')->optionalText('why'));
    }
}
