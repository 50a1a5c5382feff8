<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Delivery;

use Doctrine\DBAL\Connection;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Symfony\Component\Console\Tester\CommandTester;
use Zetema\App\Delivery\Papers;
use Zetema\App\Delivery\Sitting;
use Zetema\App\Delivery\Stored\SittingStore;
use Zetema\Core\Data\Fields;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Sitting\Run\Conduct;
use Zetema\Core\Sitting\Run\Terms;
use Zetema\Tests\App\ApiTestCase;

/** Assessments that are gone through forward: what questions say about time, refreshers and where choices lead is obeyed, and kept. */
final class SittingRulesTest extends ApiTestCase
{
    use ClockSensitiveTrait;

    public function test_one_question_a_screen_and_none_to_come_back_to(): void
    {
        $sitting = $this->begun([self::one('first'), self::one('second')]);
        self::assertSame([1, true, false], [count($sitting->objects('questions')), $sitting->object('screen')->flag('goesOn'), $sitting->object('screen')->flag('isFree')]);
        $sitting = $this->does($sitting, 'saved', 1, 'This one');
        $sitting = $this->does($sitting, 'went on');
        self::assertSame([2, 'second'], [$sitting->objects('questions')[0]->integer('n'), $sitting->objects('questions')[0]->text('stem')]);
        self::assertStringContainsString('not on this screen', $this->refused($sitting, 'saved', 1, 'That one'));
        self::assertStringContainsString('only go forward', $this->refused($sitting, 'flagged', 2));
        $sitting = $this->does($sitting, 'went on');
        self::assertSame(['end', []], [$sitting->object('screen')->text('sort'), $sitting->objects('questions')]);
        $this->does($sitting, 'handed in');

        $review = $this->send('GET', '/api/sittings/' . $sitting->integer('id') . '/review', schema: 'Review');
        self::assertSame(['right', 'unanswered'], array_map(static fn (Fields $q): string => $q->text('outcome'), $review->objects('questions')));
    }

    public function test_a_questions_own_time_runs_out_whether_anybody_is_there_or_not(): void
    {
        $clock = self::mockTime(new \DateTimeImmutable('2026-05-01 10:00:00'));
        self::assertInstanceOf(MockClock::class, $clock);
        $sitting = $this->begun([self::one('timed', ['time' => '60 s', 'late' => 'blank', 'blank costs' => '1', 'points' => '5']), self::one('second')]);
        self::assertSame([['question', 1, 60_000]], array_map(static fn (Fields $c): array => [$c->text('of'), $c->integer('n'), $c->integer('ends') - $sitting->integer('now')], $sitting->objects('clocks')));
        $clock->sleep(62);
        $late = $this->does($sitting, 'saved', 1, 'This one');
        self::assertFalse($late->objects('questions')[0]->flag('closed'), 'what was on its way still counts as come in time');
        $clock->sleep(10);
        $application = new Application(self::$kernel ?? throw new \LogicException());
        $settle = new CommandTester($application->find('zetema:settle'));
        $settle->execute([]);
        self::assertSame(['settled' => 1, 'closed' => 0], json_decode($settle->getDisplay(), true));

        $out = $this->send('GET', '/api/sittings/' . $sitting->integer('id'), schema: 'Sitting')->objects('questions')[0];
        self::assertSame(['out of time', '-1'], [$out->objects('told')[0]->text('outcome'), $out->objects('told')[0]->text('earned')]);
        self::assertTrue($out->flag('closed'));
        $rows = self::getContainer()
            ->get(Connection::class)
            ->fetchAllAssociative('SELECT place, round, attempt, outcome, earned, max, reason, stands FROM mark WHERE sitting_id = ?', [$sitting->integer('id')]);
        self::assertCount(1, $rows);
        self::assertSame(['out of time', '-1', '5', 'ran out', 1], [$rows[0]['outcome'], $rows[0]['earned'], $rows[0]['max'], $rows[0]['reason'], $rows[0]['stands']]);
    }

    public function test_a_failed_question_leads_to_its_page_and_back_and_a_choice_to_its_own(): void
    {
        $this->logIn('orrell');
        foreach (['care', 'aside'] as $name) {
            $this->send('POST', '/api/banks/1/pages', ['name' => $name, 'heading' => '', 'reads' => "Read about $name."], status: 201);
        }
        $sitting = $this->begun([self::one('failing', ['refresher' => 'care']), self::one('leading', leads: 'aside'), self::one('last')]);
        self::assertSame([], $sitting->object('pages')->raw(), 'no page before it is reached');
        $sitting = $this->does($this->does($sitting, 'checked', 1, 'That one'), 'went on');
        self::assertSame(['refresher', 'page-1'], [$sitting->object('screen')->text('sort'), $sitting->object('screen')->objects('items')[0]->text('page')]);
        self::assertSame('Read about care.', $sitting->object('pages')->object('page-1')->text('reads'));
        $sitting = $this->does($sitting, 'went on');
        $again = $sitting->objects('questions')[0];
        self::assertSame([1, null, 1, false], [$again->integer('n'), $again->raw()['response'], $again->integer('attempt'), $again->flag('closed')]);
        $sitting = $this->does($this->does($sitting, 'checked', 1, 'This one'), 'went on');
        $sitting = $this->does($this->does($sitting, 'checked', 2, 'This one'), 'went on');
        self::assertSame('page-1', $sitting->object('screen')->objects('items')[0]->text('page'));
        $sitting = $this->does($sitting, 'went on');
        self::assertSame('last', $sitting->objects('questions')[0]->text('stem'));
        $this->sameFromEvents($sitting->integer('id'));

        $standing = self::getContainer()
            ->get(Connection::class)
            ->fetchAllNumeric('SELECT round, outcome, stands FROM mark WHERE sitting_id = ? ORDER BY id', [$sitting->integer('id')]);
        self::assertSame([[1, 'wrong', 0], [2, 'right', 1], [1, 'right', 1]], $standing);
    }

    public function test_what_changes_in_the_bank_reaches_no_frozen_page_order_plan_or_mark(): void
    {
        $this->logIn('orrell');
        $page = $this->send('POST', '/api/banks/1/pages', ['name' => 'care', 'heading' => 'As it was', 'reads' => 'Read about care.'], status: 201);
        $questions = [self::one('first', ['refresher' => 'care', 'points' => '3']), self::one('second')];
        $sitting = $this->begun($questions);
        $edition = self::getContainer()
            ->get(Connection::class)
            ->fetchOne('SELECT edition_id FROM sitting WHERE id = ?', [$sitting->integer('id')]);
        $this->logIn('orrell');
        $this->send('PUT', '/api/pages/' . $page->integer('id'), ['version' => $page->integer('version'), 'name' => 'care', 'heading' => 'As it is', 'reads' => 'Read something else.']);
        $this->send('PUT', '/api/banks/1/settings', [
            'version' => $this->send('GET', '/api/banks/1/settings')->integer('version'),
            'settings' => ['shuffle' => 'no', 'wrong costs' => '2', 'attempts' => '3', 'time' => '10 s'],
        ]);
        foreach (self::getContainer()->get(Connection::class)->fetchFirstColumn("SELECT id FROM question WHERE stem_key IN ('first', 'second')") as $id) {
            $path = '/api/questions/' . (is_numeric($id) ? (int) $id : 0);
            $now = $this->send('GET', $path);
            $this->send('PUT', $path, [
                'version' => $now->integer('version'),
                'name' => '',
                'objective' => 'Elsewhere',
                'content' => [...$now->object('content')->raw(), 'stem' => 'Another question', 'settings' => ['points' => '9']],
            ]);
        }
        $this->logIn('carrow');
        $again = $this->send('GET', '/api/sittings/' . $sitting->integer('id'), schema: 'Sitting');
        self::assertEquals([$sitting->raw()['questions'], $sitting->raw()['clocks']], [$again->raw()['questions'], $again->raw()['clocks']]);
        $failed = $this->does($again, 'checked', 1, 'That one');
        self::assertSame(['0', '3'], [$failed->objects('questions')[0]->objects('told')[0]->text('earned'), $failed->objects('questions')[0]->objects('told')[0]->text('max')]);
        self::assertSame('Read about care.', $this->does($failed, 'went on')->object('pages')->object('page-1')->text('reads'));
        $this->logIn('aldous');
        $other = $this->send('POST', '/api/editions/' . (is_numeric($edition) ? (int) $edition : 0) . '/sittings', schema: 'Sitting', status: 201);
        self::assertSame(['first', '3'], [$other->objects('questions')[0]->text('stem'), $other->objects('questions')[0]->text('worth')], 'and it is still begun as it was');
    }

    public function test_what_must_be_answered_is_owed(): void
    {
        $sitting = $this->begun([self::one('first'), self::one('second')], ['mustAnswer' => true]);
        self::assertTrue($sitting->objects('questions')[0]->flag('mustAnswer'));
        foreach (['went on', 'handed in'] as $do) {
            self::assertStringContainsString('must be answered', $this->refused($sitting, $do));
        }
        $sitting = $this->does($this->does($sitting, 'saved', 1, 'That one'), 'went on');
        self::assertSame(2, $sitting->objects('questions')[0]->integer('n'));
    }

    public function test_a_corrected_key_changes_no_mark_that_was_made(): void
    {
        $sitting = $this->begun([self::one('kept')]);
        $sitting = $this->does($sitting, 'checked', 1, 'This one');
        $db = self::getContainer()->get(Connection::class);
        $db->executeStatement(
            'UPDATE revision SET content = replace(replace(content, \'"key":true\', \'"key":no\'), \'"key":no\', \'"key":false\') WHERE question_id IN (SELECT id FROM question WHERE stem_key = \'kept\')',
        );
        self::getContainer()->get('doctrine')->getManager()->clear();
        $this->does($sitting, 'handed in');

        $review = $this->send('GET', '/api/sittings/' . $sitting->integer('id') . '/review', schema: 'Review');
        self::assertSame(['right', '1'], [$review->objects('questions')[0]->text('outcome'), $review->object('total')->text('earned')]);
    }

    public function test_a_save_takes_six_statements_however_many_events_there_are(): void
    {
        $sitting = $this->begun([self::one('first'), self::one('second')]);
        $counts = [];
        $holder = self::getContainer()->get('doctrine.debug_data_holder');
        foreach (range(1, 12) as $i) {
            self::getContainer()->get('doctrine')->getManager()->clear();
            $holder->reset();
            $sitting = $this->does($sitting, 'saved', 1, $i % 2 === 0 ? 'This one' : 'That one');
            $counts[] = count(
                array_filter($holder->getData()['default'] ?? [], static fn (array $query): bool => preg_match('/^(SELECT|INSERT|UPDATE|DELETE)/', is_string($query['sql'] ?? null) ? $query['sql'] : '') === 1),
            );
        }

        self::assertLessThanOrEqual(6, max($counts), (string) json_encode(array_map(static fn (array $query): mixed => $query['sql'] ?? '', $holder->getData()['default'] ?? [])));
    }

    public function test_a_rehearsal_may_use_drafts_when_asked_to(): void
    {
        $this->logIn('orrell');
        $this->send('POST', '/api/banks/1/questions', ['objective' => 'Unfinished', 'content' => self::one('A draft, and whole')], status: 201);
        $this->send('POST', '/api/banks/1/questions', ['objective' => 'Unfinished', 'content' => ['kind' => 'one', 'stem' => 'A draft that is not', 'choices' => []]], status: 201);
        $blueprint = $this->send('POST', '/api/banks/1/blueprints', ['title' => 'Drafts'], 'Blueprint', 201);
        $path = '/api/blueprints/' . $blueprint->integer('id');
        $this->plan($blueprint->integer('id'), [['draw' => ['take' => 1, 'pool' => ['objective' => 'Unfinished']]]]);

        $this->send('POST', $path . '/rehearsals', [], status: 409);
        $sitting = $this->send('POST', $path . '/rehearsals', ['drafts' => true], 'Sitting', 201);
        self::assertSame(['A draft, and whole', true], [$sitting->objects('questions')[0]->text('stem'), $sitting->object('watch')->objects('questions')[0]->flag('draft')]);
    }

    /** The state that is kept is the one that all events lead to. */
    private function sameFromEvents(int $id): void
    {
        $sitting = self::getContainer()->get('doctrine')->getManager()->find(Sitting::class, $id) ?? throw new \LogicException();
        $store = self::getContainer()->get(SittingStore::class);
        $paper = self::getContainer()->get(Papers::class)->paper($sitting);
        $conduct = new Conduct($paper, new Terms(Ratio::one()));

        self::assertEquals($conduct->replay($store->events($sitting, $paper)), $store->state($sitting, $paper, $conduct));
    }

    /**
     * A sitting of these questions, in this order.
     *
     * @param list<array<string, mixed>> $questions
     * @param array<string, mixed> $rules
     */
    private function begun(array $questions, array $rules = []): Fields
    {
        $this->logIn('orrell');
        $steps = [];
        foreach ($questions as $content) {
            $made = $this->send('POST', '/api/banks/1/questions', ['objective' => 'Forward', 'content' => $content], status: 201);
            foreach (['in review', 'cleared'] as $status) {
                $path = '/api/questions/' . $made->integer('id');
                $this->send('PUT', $path . '/status', ['status' => $status, 'version' => $this->send('GET', $path)->integer('version')]);
            }
            $steps[] = ['question' => 'q' . $made->integer('id')];
        }
        $blueprint = $this->send('POST', '/api/banks/1/blueprints', ['title' => 'Forward'], 'Blueprint', 201);
        $path = '/api/blueprints/' . $blueprint->integer('id');
        $this->plan($blueprint->integer('id'), $steps, ['rules' => ['feedback' => 'after each attempt', 'moving' => 'forward only', 'screen' => 'question', ...$rules]]);
        $edition = $this->send('POST', $path . '/editions', ['version' => $this->version($path)], 'Edition', 201);
        $this->logIn('carrow');

        return $this->send('POST', '/api/editions/' . $edition->integer('id') . '/sittings', schema: 'Sitting', status: 201);
    }

    /**
     * @param array<string, string> $settings
     *
     * @return array<string, mixed>
     */
    private static function one(string $stem, array $settings = [], ?string $leads = null): array
    {
        return [
            'kind' => 'one',
            'stem' => $stem,
            'choices' => [['id' => 1, 'text' => 'This one', 'key' => true, ...$leads === null ? [] : ['leadsTo' => $leads]], ['id' => 2, 'text' => 'That one', 'key' => false]],
            ...$settings === [] ? [] : ['settings' => $settings],
        ];
    }

    private function does(Fields $sitting, string $type, ?int $n = null, ?string $chosen = null): Fields
    {
        return $this->send('POST', '/api/sittings/' . $sitting->integer('id') . '/events', self::event($sitting, $type, $n, $chosen), 'Sitting');
    }

    private function refused(Fields $sitting, string $type, ?int $n = null, ?string $chosen = null): string
    {
        return $this->send('POST', '/api/sittings/' . $sitting->integer('id') . '/events', self::event($sitting, $type, $n, $chosen), status: 422)->text('detail');
    }

    /** @return array<string, mixed> */
    private static function event(Fields $sitting, string $type, ?int $n, ?string $chosen): array
    {
        return [
            'request' => bin2hex(random_bytes(8)),
            'on' => $sitting->integer('events'),
            'type' => $type,
            ...$n === null ? [] : ['sheet' => $n],
            ...$chosen === null ? [] : ['response' => ['choose' => [self::place($sitting, $chosen)]]],
        ];
    }

    /** Where a choice stands on the page now; it may be mixed, and anew after a refresher. */
    private static function place(Fields $sitting, string $chosen): int
    {
        $choices = ($sitting->objects('questions')[0] ?? null)?->object('answers')->items('choices') ?? [];

        return (int) array_search($chosen, $choices, true) + 1;
    }
}
