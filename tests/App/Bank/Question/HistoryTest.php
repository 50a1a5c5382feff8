<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Question;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** Who did what when; what was thrown away comes back as it was. */
final class HistoryTest extends ApiTestCase
{
    private const CLAIM = ['v' => 1, 'kind' => 'claim', 'stem' => 'Wasps make honey.', 'tags' => ['wasps'], 'choices' => [['id' => 1, 'text' => 'true', 'key' => false], ['id' => 2, 'text' => 'false', 'key' => true]]];

    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    public function test_a_question_that_is_thrown_away_is_restored_with_all_that_was_its_own(): void
    {
        $id = $this->made('wasps', 'Neighbours and law > Wasps');
        $this->send('POST', "/api/questions/$id/comments", ['where' => 'stem', 'text' => 'Some do.'], 'Question', 201);
        $version = $this->version("/api/questions/$id");
        $this->send('PUT', "/api/questions/$id/about", ['version' => $version, 'selfNote' => 'Look it up.'], 'Question');
        $this->send('POST', '/api/banks/1/pools', ['do' => 'gather', 'name' => 'Odd ones', 'ids' => [$id, 3]]);
        $before = $this->send('GET', "/api/questions/$id", schema: 'Question')->raw();
        $counts = $this->counts();

        $this->throwAway($id);
        $this->send('GET', "/api/questions/$id", status: 404);
        self::assertSame(0, $this->send('GET', '/api/banks/1/questions?search=wasps')->integer('total'));
        $change = $this->send('GET', '/api/banks/1/changes?kind=thrown away', schema: 'BankChanges')->objects('changes')[0];
        self::assertSame(['threw away the question “wasps”', 'thrown away'], [$change->text('words'), $change->text('kind')]);
        self::assertNotContains('Wasps', $this->objectives(), 'its objective went with it, as nobody made it by hand');

        self::assertNull($change->raw()['question']);
        $this->undo($change);
        $told = $this->send('GET', '/api/banks/1/changes?kind=thrown away', schema: 'BankChanges')->objects('changes')[0]->object('question');
        self::assertSame([$id, 'Neighbours and law > Wasps'], [$told->integer('id'), $told->text('objective')], 'it says where it stands now');
        $after = $this->send('GET', "/api/questions/$id", schema: 'Question')->raw();
        self::assertEquals([...$before, 'version' => 0], [...$after, 'version' => 0]);
        self::assertSame(1, $this->send('GET', '/api/banks/1/questions?search=wasps&tag=wasps')->integer('total'));
        self::assertContains('Wasps', $this->objectives());
        self::assertSame(2, $this->send('GET', '/api/banks/1/pools')->objects('pools')[0]->integer('questions'));
        self::assertSame($counts, $this->counts());
        $this->send('POST', '/api/banks/1/changes/' . $change->integer('id') . '/undo', [], status: 409);
    }

    public function test_a_page_that_is_taken_out_is_restored_unless_another_has_its_name(): void
    {
        $pages = $this->send('GET', '/api/banks/1/pages')->objects('pages');
        $page = $pages[0];
        $this->send('DELETE', '/api/pages/' . $page->integer('id') . '?version=' . $page->integer('version'));
        self::assertCount(count($pages) - 1, $this->send('GET', '/api/banks/1/pages')->objects('pages'));
        $change = $this->send('GET', '/api/banks/1/changes?kind=thrown away')->objects('changes')[0];
        self::assertSame('took out the page “' . $page->text('name') . '”', $change->text('words'));
        $other = $this->send('POST', '/api/banks/1/pages', ['name' => $page->text('name')], 'Page', 201);
        self::assertStringContainsString('Another page is called', $this->send('POST', '/api/banks/1/changes/' . $change->integer('id') . '/undo', [], status: 409)->text('detail'));
        $this->send('DELETE', '/api/pages/' . $other->integer('id') . '?version=' . $other->integer('version'));
        $this->undo($change);
        self::assertEquals([...$page->raw(), 'version' => 0], [...$this->send('GET', '/api/banks/1/pages')->objects('pages')[0]->raw(), 'version' => 0]);
    }

    public function test_it_stays_in_the_wastebasket_while_another_question_has_its_name(): void
    {
        $first = $this->made('wasps', '');
        $this->throwAway($first);
        $second = $this->made('wasps', '');
        $change = $this->send('GET', '/api/banks/1/changes?kind=thrown away')->objects('changes')[0];
        $refused = $this->send('POST', '/api/banks/1/changes/' . $change->integer('id') . '/undo', [], status: 409);
        self::assertStringContainsString('Another question is named “wasps” by now', $refused->text('detail'));
        $this->throwAway($second);
        $this->undo($change);
        self::assertSame('wasps', $this->send('GET', "/api/questions/$first")->text('name'));
    }

    /** @return iterable<string, array{string, list<string>}> what it is narrowed to, and what stands there then */
    public static function narrowed(): iterable
    {
        $all = [
            'added the objective “Wax”',
            'threw away the question “wasps”',
            'made the pool “Open evening” by hand',
            'kept a filter as the pool “Swarm season”',
            'took in “certificate.zet.txt”: 90 questions',
            'changed what counts: “shuffle”',
        ];
        yield 'all' => ['', $all];
        yield 'what one did' => ['who=1', $all];
        yield 'what another did' => ['who=2', []];
        yield 'pools' => ['kind=pool', [$all[2], $all[3]]];
        yield 'many at once' => ['kind=questions', []];
        yield 'objectives' => ['kind=objectives', [$all[0]]];
        yield 'since long ago' => ['since=2020-01-01', $all];
        yield 'since a day to come' => ['since=2199-01-01', []];
    }

    /** @param list<string> $words */
    #[DataProvider('narrowed')]
    public function test_the_history_of_a_bank_is_narrowed_by_who_what_and_when(string $query, array $words): void
    {
        $this->throwAway($this->made('wasps', ''));
        $this->send('POST', '/api/banks/1/objectives', ['do' => 'add', 'name' => 'Wax', 'parent' => null]);

        $told = $this->send('GET', "/api/banks/1/changes?$query", schema: 'BankChanges');
        self::assertSame($words, array_map(static fn (Fields $c): string => $c->text('words'), $told->objects('changes')));
        self::assertContains('S. Penhale', array_map(static fn (Fields $p): string => $p->text('name'), $told->objects('people')));
    }

    /** The screen narrows the history by these words; each finds what it says. */
    public function test_every_kind_of_change_is_found_by_its_own_word(): void
    {
        $this->throwAway($this->made('wasps', ''));
        $this->send('POST', '/api/banks/1/objectives', ['do' => 'add', 'name' => 'Wax', 'parent' => null]);
        $this->send('POST', '/api/banks/1/questions/change', ['ids' => [1, 2], 'change' => ['addTags' => ['exam']]], status: 202);
        $this->send('POST', '/api/banks/1/questions/arrange', ['questions' => [2], 'before' => 1], 'BankChange');
        $this->send('PUT', '/api/questions/7/apart', ['before' => [], 'others' => [8]], 'Question');
        $this->send('POST', '/api/banks/1/alike/merge', ['keep' => 5, 'other' => 6], 'BankChange');
        $offered = (string) file_get_contents(dirname(__DIR__, 4) . '/ui/src/areas/bank/history/narrowed.ts');
        preg_match_all("/\{ value: '([^']+)'/", $offered, $words);
        foreach (array_diff($words[1], ['saves']) as $word) {
            $changes = $this->send('GET', "/api/banks/1/changes?kind=$word")->objects('changes');
            self::assertNotSame([], $changes, $word);
            self::assertSame([$word], array_values(array_unique(array_map(static fn (Fields $change): string => $change->text('kind'), $changes))));
        }
    }

    public function test_saves_of_single_questions_are_told_newest_first_and_page_by_page(): void
    {
        $id = $this->made('wasps', '');
        $newest = $this->send('GET', '/api/banks/1/saves', schema: 'QuestionSaves')->objects('saves');
        self::assertSame([$id, 'wasps', 1, 'M. Orrell', false], [$newest[0]->integer('question'), $newest[0]->text('words'), $newest[0]->integer('number'), $newest[0]->text('by'), $newest[0]->flag('cleared')]);
        self::assertCount(50, $newest);
        $older = $this->send('GET', '/api/banks/1/saves?before=' . $newest[49]->integer('id'))->objects('saves');
        self::assertCount(43, $older);
        self::assertSame([], $this->send('GET', '/api/banks/1/saves?who=2')->objects('saves'));
        self::assertSame([], $this->send('GET', '/api/banks/1/saves?since=2199-01-01')->objects('saves'));
        self::assertStringContainsString('must be a day', $this->send('GET', '/api/banks/1/saves?since=yesterday', status: 422)->text('detail'));
    }

    private function made(string $name, string $objective): int
    {
        return $this->send('POST', '/api/banks/1/questions', ['name' => $name, 'objective' => $objective, 'content' => self::CLAIM], 'Question', 201)->integer('id');
    }

    private function throwAway(int $id): void
    {
        $this->send('DELETE', "/api/questions/$id?version=" . $this->version("/api/questions/$id"));
    }

    private function undo(Fields $change): void
    {
        $this->send('POST', '/api/banks/1/changes/' . $change->integer('id') . '/undo', []);
    }

    /** @return list<string> */
    private function objectives(): array
    {
        return array_map(static fn (Fields $row): string => $row->object('objective')->text('name'), $this->send('GET', '/api/banks/1/board')->objects('rows'));
    }

    /** @return list<mixed> what the database keeps beside the questions */
    private function counts(): array
    {
        $db = self::getContainer()->get(Connection::class);

        return [
            $db->fetchAllNumeric('SELECT kind, status, SUM(questions) FROM question_count GROUP BY 1, 2 HAVING SUM(questions) > 0 ORDER BY 1, 2'),
            $db->fetchOne('SELECT COUNT(*) FROM question_search'),
            $db->fetchOne('SELECT COUNT(*) FROM revision_tag'),
        ];
    }
}
