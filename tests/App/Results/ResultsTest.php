<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Results;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;
use Zetema\App\Results\SittingsAsked;
use Zetema\Core\Data\Fields;
use Zetema\Core\Exchange\Table\CsvRows;
use Zetema\Core\Exchange\Table\Row;
use Zetema\Tests\App\ApiTestCase;

/** Whoever made an assessment sees what came of its sittings: in a list, paper by paper, gathered, and as tables. */
final class ResultsTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    private function results(int $edition = 1): Fields
    {
        return $this->send('GET', "/api/editions/$edition/results", schema: 'Results');
    }

    /** @return list<array<string, string>> by heading */
    private function table(string $path): array
    {
        $this->client->request('GET', $path);
        self::assertSame(200, $this->client->getResponse()->getStatusCode());

        return self::rows($this->client->getInternalResponse()->getContent());
    }

    /** @return list<array<string, string>> */
    private static function rows(string $csv): array
    {
        $rows = array_map(static fn (Row $row): array => $row->cells, iterator_to_array((new CsvRows($csv, ','))->rows(), false));
        $headings = array_shift($rows) ?? [];

        return array_map(static fn (array $cells): array => array_combine($headings, $cells + array_fill(0, count($headings), '')), $rows);
    }

    public function test_each_sitting_stands_there_with_what_it_came_to(): void
    {
        $told = $this->results();
        $rows = array_map(
            static fn (Fields $s): array => [$s->text('login'), $s->text('earned'), $s->text('max'), $s->text('percent'), $s->flag('passed'), $s->text('how'), $s->integer('asked')],
            $told->objects('sittings'),
        );

        self::assertContains(['wren', '85', '125', '68', true, 'handed in', 15], $rows);
        self::assertContains(['carrow', '75', '125', '60', false, 'handed in', 15], $rows);
        foreach ($told->objects('sittings') as $sitting) {
            // Who reached the pass mark and has not passed missed a minimum, and is told which.
            self::assertSame(!$sitting->flag('passed') && (float) $sitting->text('percent') >= 60, $sitting->texts('missed') !== [] && (float) $sitting->text('percent') >= 60);
            self::assertGreaterThan(0, $sitting->integer('seconds'));
        }
        self::assertSame(['15', '60'], [(string) $told->integer('questions'), $told->object('pass')->text('percent')]);
    }

    /** @return iterable<string, array{string, string, int}> what is asked for, who is told in which order, how many fit */
    public static function asked(): iterable
    {
        yield 'the newest first' => ['', 'aldous carrow wren aldous', 4];
        yield 'by name' => ['?by=candidate&down=0', 'carrow aldous aldous wren', 4];
        yield 'by percent' => ['?by=%25&down=1', 'aldous wren carrow aldous', 4];
        yield 'by points, rising' => ['?by=points&down=0', 'aldous carrow wren aldous', 4];
        yield 'by what it took' => ['?by=took&down=1', 'carrow wren aldous aldous', 4];
        yield 'who passed last' => ['?by=passed&down=0', 'carrow wren aldous aldous', 4];
        yield 'who is sitting' => ['?kind=running', 'aldous', 1];
        yield 'who passed' => ['?kind=passed', 'wren aldous', 2];
        yield 'who did not' => ['?kind=not+passed', 'carrow', 1];
        yield 'letters of a name or a login' => ['?name=AR', 'carrow', 1];
        yield 'letters beyond a to z, large and small' => ['?name=' . rawurlencode('éDITH ø'), 'wren', 1];
        yield 'signs that the database knows are letters, too' => ['?name=%25', '', 0];
        yield 'nobody is so' => ['?kind=passed&name=carrow', '', 0];
        yield 'from the second on' => ['?from=1', 'carrow wren aldous', 4];
    }

    #[DataProvider('asked')]
    public function test_sittings_are_narrowed_and_put_in_order(string $query, string $logins, int $fit): void
    {
        self::getContainer()->get(Connection::class)->executeStatement("UPDATE account SET name = 'Édith Ørsted', folded = 'édith ørsted wren' WHERE login = 'wren'");
        $this->logIn('aldous');
        $this->begin();
        $this->logIn('orrell');
        $told = $this->send('GET', '/api/editions/1/results' . $query, schema: 'Results');

        self::assertSame([$logins, $fit], [implode(' ', array_map(static fn (Fields $s): string => $s->text('login'), $told->objects('sittings'))), $told->integer('fit')]);
        self::assertSame(['sittings' => 4, 'ended' => 3, 'judged' => 3, 'passed' => 2, 'least' => '60', 'middle' => '68', 'most' => '88'], $told->object('sums')->raw(), 'the whole is summed up, whatever is looked at');
    }

    /** @return iterable<string, array{string}> */
    public static function unknown(): iterable
    {
        yield 'a kind' => ['?kind=lost'];
        yield 'an order' => ['?by=id'];
        yield 'a place' => ['?from=-1'];
    }

    #[DataProvider('unknown')]
    public function test_what_cannot_be_asked_for_is_refused(string $query): void
    {
        $this->send('GET', '/api/editions/1/results' . $query, status: 422);
    }

    public function test_more_sittings_than_a_page_holds_are_told_page_by_page_and_stand_all_in_the_table(): void
    {
        $db = self::getContainer()->get(Connection::class);
        for ($i = 0; $i < 450; ++$i) {
            $db->executeStatement(
                "INSERT INTO sitting (account_id, blueprint_id, edition_id, seed, form, started_at, ended_at, earned, max, percent, passed, summary, extra_time, rehearsal_ahead, state) SELECT account_id, blueprint_id, edition_id, seed, form, started_at, ended_at, '100', '125', '80', 1, summary, extra_time, rehearsal_ahead, state FROM sitting WHERE edition_id = 1 ORDER BY id LIMIT 1",
            );
        }
        $ids = [];
        for ($from = 0; $from < 500; $from += SittingsAsked::PAGE) {
            array_push($ids, ...array_map(static fn (Fields $s): int => $s->integer('id'), $this->send('GET', "/api/editions/1/results?from=$from", schema: 'Results')->objects('sittings')));
        }

        self::assertSame([453, 453], [count($ids), count(array_unique($ids))]);
        self::assertCount(453, $this->table('/api/editions/1/sittings.csv'));
    }

    public function test_one_who_is_sitting_is_told_with_how_far_they_are(): void
    {
        $this->logIn('aldous');
        $this->act($this->begin(), ['type' => 'saved', 'sheet' => 1, 'response' => ['choose' => [1]]]);
        $this->logIn('orrell');
        $row = $this->results()->objects('sittings')[0];
        self::assertSame(
            [[['edition' => 1, 'sittings' => 1]], 4],
            [$this->send('GET', '/api/banks/1/blueprints')->objects('blueprints')[0]->items('running'), $this->send('GET', '/api/banks/1/blueprints')->objects('blueprints')[0]->integer('sittings')],
            'and in the list of blueprints',
        );

        self::assertSame(['aldous', null, null, 1], [$row->text('login'), $row->optionalText('ended'), $row->optionalText('how'), $row->integer('answered')]);
        $this->send('GET', '/api/sittings/' . $row->integer('id') . '/paper', status: 422);
    }

    public function test_a_paper_is_read_whole_whatever_its_candidate_may_see(): void
    {
        $id = $this->results()->objects('sittings')[0]->integer('id');
        $paper = $this->send('GET', "/api/sittings/$id/paper", schema: 'AuthorPaper');

        self::assertSame('marked paper with key and feedback', $paper->object('review')->text('rung'));
        self::assertCount(15, $paper->objects('made'));
        $sum = 0.0;
        foreach ($paper->objects('made') as $i => $made) {
            $mark = $made->objects('marks')[0];
            self::assertNotSame([], $mark->texts('working'));
            self::assertSame($paper->object('review')->objects('questions')[$i]->text('earned'), $mark->text('earned'));
            self::assertSame(200, $this->send('GET', '/api/questions/' . $made->integer('question'))->has('id') ? 200 : 404);
            $sum += (float) $mark->text('earned');
        }
        self::assertSame((float) $paper->object('review')->object('total')->text('earned'), $sum);
        $events = $paper->objects('events');
        self::assertSame(['started', 'handed in'], [$events[0]->text('kind'), $events[count($events) - 1]->text('kind')]);
        self::assertCount(15, array_filter($events, static fn (Fields $event): bool => $event->text('kind') === 'saved' && $event->objects('given') !== []));
    }

    public function test_a_finished_sitting_is_replayed_screen_by_screen_with_its_clock(): void
    {
        $this->logIn('carrow');
        $sitting = $this->begin();
        $first = $this->act($sitting, ['type' => 'saved', 'sheet' => 1, 'response' => ['choose' => [1]]]);
        $second = $this->act($first, ['type' => 'saved', 'sheet' => 1, 'response' => ['choose' => [2]]]);
        $id = $sitting->integer('id');
        $this->logIn('orrell');
        self::assertStringContainsString('still being sat', $this->send('GET', "/api/sittings/$id/replay/2", status: 422)->text('detail'));
        $this->logIn('carrow');
        $this->act($second, ['type' => 'handed in']);
        $this->logIn('orrell');
        $replayed = fn (int $event): Fields => $this->send('GET', "/api/sittings/$id/replay/$event", schema: 'Replay');

        self::assertSame([['started', 4], ['saved', 1]], [[$replayed(1)->text('kind'), $replayed(1)->integer('events')], [$replayed(2)->text('kind'), $replayed(2)->integer('n')]]);
        foreach ([2 => $first, 3 => $second] as $event => $then) {
            $screen = $replayed($event)->object('screen');
            self::assertSame(
                [$then->raw()['questions'], $then->raw()['clocks'], $then->integer('deadline')],
                [$screen->raw()['questions'], $screen->raw()['clocks'], $screen->integer('deadline')],
                'what the candidate had before them',
            );
            self::assertLessThanOrEqual($then->integer('now'), $screen->integer('now'), 'the clock stands where the event came');
        }
        self::assertSame('ended', $replayed(4)->object('screen')->text('phase'));
        $this->send('GET', "/api/sittings/$id/replay/5", status: 422);
        $this->logIn('carrow');
        $this->send('GET', "/api/sittings/$id/replay/2", status: 403);
    }

    public function test_tables_of_sittings_and_responses_add_up_to_the_same(): void
    {
        $sittings = $this->table('/api/editions/1/sittings.csv');
        $responses = $this->table('/api/editions/1/responses.csv');
        self::assertCount(count($this->results()->objects('sittings')), $sittings);
        foreach ($sittings as $sitting) {
            $of = array_filter($responses, static fn (array $row): bool => $row['sitting'] === $sitting['sitting']);
            self::assertCount(15, $of);
            self::assertSame((float) $sitting['points'], max(0.0, array_sum(array_map(static fn (array $row): float => (float) $row['points'], $of))), $sitting['login']);
            self::assertCount((int) $sitting['right'], array_filter($of, static fn (array $row): bool => $row['outcome'] === 'right'));
        }
        self::assertSame(['one', '1', 'yes'], [$responses[0]['kind'], $responses[0]['attempts'], $responses[0]['graded']]);
        self::assertMatchesRegularExpression('/^\{"choose":\[\d\]\}$/', $responses[0]['response']);

        $command = new CommandTester((new Application(self::$kernel ?? self::bootKernel()))->find('zetema:results'));
        self::assertSame(0, $command->execute(['edition' => '1']));
        self::assertSame($sittings, self::rows($command->getDisplay()));
        $command->execute(['edition' => '1', '--responses' => true]);
        self::assertSame($responses, self::rows($command->getDisplay()));
    }

    public function test_what_is_not_graded_is_gathered_without_names(): void
    {
        $edition = $this->send('GET', '/api/blueprints/5')->objects('editions')[0]->integer('id');
        foreach (['wren' => 5, 'carrow' => 5, 'aldous' => 2] as $login => $value) {
            $this->logIn($login);
            $sitting = $this->begin("/api/editions/$edition/sittings");
            while ($sitting->object('screen')->text('sort') !== 'end') {
                foreach ($sitting->objects('questions') as $question) {
                    if (!$question->flag('closed') && $question->text('kind') === 'rating') {
                        $sitting = $this->act($sitting, ['type' => 'saved', 'sheet' => $question->integer('n'), 'response' => ['choose' => [$value]]]);
                    }
                }
                $sitting = $this->act($sitting, ['type' => 'went on']);
            }
            $this->act($sitting, ['type' => 'handed in']);
        }
        $this->logIn('orrell');
        $rated = array_values(array_filter($this->send('GET', "/api/editions/$edition/survey", schema: 'Survey')->objects('questions'), static fn (Fields $q): bool => $q->text('kind') === 'rating'));
        self::assertNotSame([], $rated);
        foreach ($rated as $question) {
            self::assertSame([3, 3, [1, 2]], [$question->integer('asked'), $question->integer('answered'), array_map(static fn (Fields $g): int => $g->integer('count'), $question->objects('given'))]);
        }
        $this->assertSurveyIsCounted();
        $row = $this->results($edition)->objects('sittings')[0];
        self::assertSame('aldous', $row->text('login'));
        $this->send('POST', '/api/sittings/' . $row->integer('id') . '/staff', ['do' => 'delete', 'reason' => 'asked for it', 'password' => 'honeycomb']);
        $this->assertSurveyIsCounted();
        self::assertSame(
            [2, 2],
            [
                $this->send('GET', "/api/editions/$edition/survey")
                    ->objects('questions')[0]
                    ->integer('asked'),
                count($this->results($edition)->objects('sittings')),
            ],
        );
        self::assertNotSame([], array_filter($row->objects('bands'), static fn (Fields $band): bool => $band->optionalText('band') !== null));
    }

    public function test_only_whoever_made_the_assessment_sees_them(): void
    {
        $this->logIn('penhale');
        foreach (['/api/editions/1/results', '/api/editions/1/survey', '/api/editions/1/responses.csv', '/api/sittings/1/paper'] as $path) {
            $this->send('GET', $path, status: 403);
        }
        $this->send('POST', '/api/sittings/1/staff', ['do' => 'allow another', 'reason' => 'why not'], status: 403);
    }

    public function test_a_rehearsal_is_no_sitting_of_an_edition(): void
    {
        $before = $this->results()->object('sums')->integer('sittings');
        $rehearsal = $this->send('POST', '/api/blueprints/1/rehearsals', [], status: 201)->integer('id');
        self::assertSame($before, $this->results()->object('sums')->integer('sittings'));
        $this->send('GET', "/api/sittings/$rehearsal/paper", status: 404);
    }

    private function assertSurveyIsCounted(): void
    {
        $db = self::getContainer()->get(Connection::class);
        self::assertSame(
            $db->fetchAllNumeric(
                'SELECT s.edition_id, m.revision_id, m.response, COUNT(*) FROM sitting s JOIN mark m ON m.sitting_id = s.id WHERE s.edition_id IS NOT NULL AND s.ended_at IS NOT NULL AND m.stands = 1 AND m.is_graded = 0 GROUP BY 1, 2, 3 ORDER BY 1, 2, 3',
            ),
            $db->fetchAllNumeric('SELECT edition_id, revision_id, response, given FROM survey_count WHERE given > 0 ORDER BY 1, 2, 3'),
        );
    }
}
