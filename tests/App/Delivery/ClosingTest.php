<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Delivery;

use Doctrine\DBAL\Connection;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** What is seen only once an assessment has closed is not seen while anybody still sits it. */
final class ClosingTest extends ApiTestCase
{
    private int $edition;

    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
        $id = $this->send('POST', '/api/banks/1/blueprints', ['title' => 'Closing'], status: 201)->integer('id');
        $document = [
            'v' => 2,
            'title' => 'Closing',
            'rules' => ['moving' => 'any order'],
            'sections' => [['id' => 'all', 'steps' => [['id' => '1', 'draw' => ['take' => 2, 'pool' => ['kinds' => ['one']]]]]]],
            'review' => ['passed' => [['rung' => 'nothing'], ['rung' => 'marked paper with key and feedback', 'when' => 'closed']]],
        ];
        $this->send('PUT', "/api/blueprints/$id/document", ['version' => $this->version("/api/blueprints/$id"), 'document' => $document], 'Blueprint');
        $this->edition = $this->send('POST', "/api/blueprints/$id/editions", ['version' => $this->version("/api/blueprints/$id")], status: 201)->integer('id');
    }

    private function sat(string $login): int
    {
        $this->logIn($login);
        $sitting = $this->begin("/api/editions/{$this->edition}/sittings");
        $this->act($sitting, ['type' => 'handed in']);

        return $sitting->integer('id');
    }

    private function rung(string $login, int $sitting): string
    {
        $this->logIn($login);

        return $this->send('GET', "/api/sittings/$sitting/review", schema: 'Review')->text('rung');
    }

    /** @param array<string, mixed> $more */
    private function close(array $more = []): void
    {
        $this->logIn('orrell');
        $this->send('PUT', "/api/editions/{$this->edition}/closed", ['closed' => true, ...$more], 'Blueprint');
    }

    public function test_closing_by_hand_shows_no_key_while_another_sits(): void
    {
        $first = $this->sat('aldous');
        $this->logIn('wren');
        $running = $this->begin("/api/editions/{$this->edition}/sittings");
        $this->logIn('orrell');
        self::assertSame(1, $this->send('GET', "/api/editions/{$this->edition}", schema: 'FrozenEdition')->integer('running'));
        $this->close();
        self::assertSame('nothing', $this->rung('aldous', $first));
        $this->logIn('wren');
        $this->act($running, ['type' => 'handed in']);
        self::assertSame('marked paper with key and feedback', $this->rung('aldous', $first), 'the last has finished');
    }

    public function test_those_that_run_can_be_closed_too_and_the_log_says_so(): void
    {
        $first = $this->sat('aldous');
        $this->logIn('wren');
        $this->begin("/api/editions/{$this->edition}/sittings");
        $this->close(['sittings' => true]);
        $log = $this->send('GET', "/api/editions/{$this->edition}/results", schema: 'Results');
        self::assertSame(['closed the sitting', 'the assessment was closed'], [$log->objects('log')[0]->text('words'), $log->objects('log')[0]->text('reason')]);
        self::assertSame('marked paper with key and feedback', $this->rung('aldous', $first));
    }

    public function test_one_without_a_clock_that_nobody_has_touched_for_a_day_is_closed(): void
    {
        $first = $this->sat('aldous');
        $this->logIn('wren');
        $left = $this->begin("/api/editions/{$this->edition}/sittings")->integer('id');
        $this->close();
        $db = self::getContainer()->get(Connection::class);
        $settle = fn () => (new CommandTester((new Application(self::$kernel ?? self::fail()))->find('zetema:settle')))->execute([]);
        $settle();
        self::assertSame('nothing', $this->rung('aldous', $first), 'it was touched just now');
        $db->executeStatement('UPDATE sitting SET started_at = started_at - 90000000, last_sign = last_sign - 90000000 WHERE id = ?', [$left]);
        $settle();
        self::assertSame('marked paper with key and feedback', $this->rung('aldous', $first));
        $this->logIn('orrell');
        self::assertContains('closed by staff', array_map(static fn (Fields $s): string => $s->optionalText('how') ?? '', $this->send('GET', "/api/editions/{$this->edition}/results")->objects('sittings')));
    }

    public function test_results_and_closing_are_for_whoever_froze_the_first_edition(): void
    {
        $db = self::getContainer()->get(Connection::class);
        $db->executeStatement("INSERT INTO account (login, name, role, password_hash, folded) SELECT 'fenwick', 'E. Fenwick', role, password_hash, 'e. fenwick fenwick' FROM account WHERE login = 'orrell'");
        $sitting = $this->sat('aldous');
        $blueprint = $db->fetchOne('SELECT blueprint_id FROM edition WHERE id = ?', [$this->edition]);
        self::assertIsInt($blueprint);
        // Another author changes the title and freezes: that makes nobody's results theirs.
        $this->logIn('fenwick');
        $document = $this->send('GET', "/api/blueprints/$blueprint");
        $this->send('PUT', "/api/blueprints/$blueprint/document", ['version' => $document->integer('version'), 'document' => [...$document->object('document')->raw(), 'title' => 'Renamed']]);
        $second = $this->send('POST', "/api/blueprints/$blueprint/editions", ['version' => $this->version("/api/blueprints/$blueprint")], status: 201)->integer('id');
        foreach ([$this->edition, $second] as $edition) {
            foreach (['results', 'survey', 'sittings.csv', 'responses.csv'] as $what) {
                $this->send('GET', "/api/editions/$edition/$what", status: 403);
            }
            $this->send('POST', "/api/editions/$edition/out", ['as' => 'sittings'], status: 403);
            $this->send('PUT', "/api/editions/$edition/closed", ['closed' => true], status: 403);
        }
        $this->send('GET', "/api/sittings/$sitting/paper", status: 403);
        $this->send('GET', "/api/sittings/$sitting/replay/1", status: 403);
        $this->send('POST', "/api/sittings/$sitting/staff", ['do' => 'delete', 'reason' => 'x', 'password' => 'honeycomb'], status: 403);
        $this->send('PUT', "/api/blueprints/$blueprint/put-away", ['putAway' => true], status: 403);
        $this->logIn('orrell');
        $this->send('GET', "/api/editions/$second/results");
    }

    public function test_a_closing_page_tells_no_more_than_the_review_and_no_name_of_a_page_goes_out(): void
    {
        $this->logIn('orrell');
        foreach (['you-have-failed' => 'Come again.', 'thanks' => 'Thank you. See [this](page:you-have-failed).'] as $name => $reads) {
            $this->send('POST', '/api/banks/1/pages', ['name' => $name, 'heading' => '', 'reads' => $reads], status: 201);
        }
        $id = $this->send('POST', '/api/banks/1/blueprints', ['title' => 'Hidden'], status: 201)->integer('id');
        foreach (['nothing' => 'Thank you.', 'passed or not' => 'Come again.'] as $rung => $page) {
            $this->logIn('orrell');
            $this->plan(
                $id,
                [['draw' => ['take' => 1, 'pool' => ['kinds' => ['one']]]]],
                ['pass' => ['percent' => '100'], 'closing' => ['notPassed' => 'you-have-failed', 'noPassMark' => 'thanks'], 'review' => ['passed' => [['rung' => $rung]], 'notPassed' => [['rung' => $rung]]]],
            );
            $this->edition = $this->send('POST', "/api/blueprints/$id/editions", ['version' => $this->version("/api/blueprints/$id")], status: 201)->integer('id');
            $review = $this->send('GET', '/api/sittings/' . $this->sat($rung === 'nothing' ? 'aldous' : 'wren') . '/review', schema: 'Review');
            $told = json_encode($review->raw(), JSON_THROW_ON_ERROR);

            self::assertStringContainsString($page, $review->object('pages')->object($review->text('closing'))->text('reads'));
            self::assertStringNotContainsString('you-have-failed', $told);
            self::assertStringNotContainsString('thanks', $told);
        }
    }
}
