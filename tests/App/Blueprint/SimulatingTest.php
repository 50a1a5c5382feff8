<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Blueprint;

use Zetema\App\Background\Job;
use Zetema\App\Background\Jobs;
use Zetema\App\Background\RunJob;
use Zetema\App\Blueprint\Simulating\DealMany;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** Many forms of an assessment are dealt for a look: counted, stopped half-way, refused where none can be; and how likely a guess passes. */
final class SimulatingTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    public function test_forms_are_counted_and_the_same_seeds_give_the_same_again(): void
    {
        $deal = fn (): Fields => $this->send('POST', '/api/blueprints/1/simulations', ['forms' => 150, 'seed' => 3], 'Job', 201)->object('result');
        $told = $deal();
        self::assertSame([150, 49, [['125', 150]]], [$told->integer('forms'), $told->integer('pool'), array_map(static fn (Fields $w): array => [$w->text('points'), $w->integer('forms')], $told->objects('worths'))]);
        $asked = array_column(array_map(static fn (Fields $a): array => [$a->text('word'), [$a->integer('least'), $a->integer('most')]], $told->objects('asked')), 1, 0);
        self::assertSame([[3, 3], [10, 10], [5, 5]], [$asked['Colony life'], $asked['one'], $asked['claim']], 'what is promised is the same in every form');
        $questions = $told->objects('questions');
        self::assertSame(150 * 15, array_sum(array_map(static fn (Fields $q): int => $q->integer('seen'), $questions)));
        self::assertNotSame('', $questions[0]->text('stem'));
        self::assertSame($told->raw(), $deal()->raw());
    }

    public function test_pools_fixed_questions_and_what_is_kept_apart_are_dealt_as_they_are_planned(): void
    {
        $id = $this->send('POST', '/api/banks/1/blueprints', ['title' => 'Mixed'], status: 201)->integer('id');
        $this->plan(
            $id,
            [['question' => 'fresh eggs'], ['draw' => ['take' => 2, 'pool' => ['in' => 'Open evening']]], ['draw' => ['take' => 1, 'pool' => ['kinds' => ['claim'], 'without' => ['two lids']]]]],
            ['apart' => [['swarm sign', 'first swarm']]],
        );
        $told = $this->send('POST', "/api/blueprints/$id/simulations", ['forms' => 200], 'Job', 201)->object('result');
        $seen = array_column(array_map(static fn (Fields $q): array => [$q->text('name'), $q->integer('seen')], $told->objects('questions')), 1, 0);
        self::assertSame(200, $seen['fresh eggs']);
        self::assertGreaterThan(0, $seen['two lids'], 'the pool has it, though the other draw goes without');
        self::assertSame([2, 3], array_map(static fn (Fields $s): int => $s->integer('step'), $told->objects('steps')));
    }

    public function test_many_go_on_in_the_background_and_what_was_dealt_before_a_stop_is_told(): void
    {
        $job = $this->send('POST', '/api/blueprints/1/simulations', ['forms' => 5_000], 'Job', 202);
        self::assertSame(['deal many', 'waiting'], [$job->text('task'), $job->text('state')]);
        $em = self::getContainer()->get('doctrine.orm.entity_manager');
        $account = $em->getRepository(Account::class)->findOneBy(['login' => 'orrell']);
        self::assertNotNull($account);
        $stopped = new Job(DealMany::name(), 1, $account, ['blueprint' => 1, 'forms' => 5_000, 'seed' => 1], new \DateTimeImmutable());
        $em->persist($stopped);
        $em->flush();
        $em->getConnection()->executeStatement('UPDATE job SET stop_asked = 1 WHERE id = ?', [$stopped->id]);
        self::getContainer()->get(Jobs::class)->run(new RunJob($stopped->id));
        $told = $this->send('GET', "/api/jobs/{$stopped->id}", schema: 'Job');
        self::assertSame(['stopped', 1], [$told->text('state'), $told->object('result')->integer('forms')], 'up to the first look at whether it is wanted');
    }

    public function test_what_cannot_be_dealt_is_refused_before_anything_begins(): void
    {
        foreach ([0, 100_001] as $forms) {
            self::assertSame('forms', $this->send('POST', '/api/blueprints/1/simulations', ['forms' => $forms], status: 422)->text('field'));
        }
        $this->plan(1, [['draw' => ['take' => 9, 'pool' => ['objective' => 'Hive inspection', 'kinds' => ['one']]]]]);
        self::assertStringContainsString('only 7 fit', $this->send('POST', '/api/blueprints/1/simulations', [], status: 409)->text('detail'));
    }

    public function test_the_chance_of_passing_by_guessing_is_told_or_why_it_is_not(): void
    {
        $id = $this->send('POST', '/api/banks/1/blueprints', ['title' => 'Guessed'], status: 201)->integer('id');
        $told = fn (): Fields => $this->send('GET', "/api/blueprints/$id/guessing", schema: 'GuessedPass');
        $this->plan($id, [['draw' => ['take' => 2, 'pool' => ['kinds' => ['claim']]]]], ['pass' => ['percent' => '100']]);
        self::assertSame(['4', '4', null], [$told()->optionalText('least'), $told()->optionalText('most'), $told()->optionalText('why')], 'two claims, each right by half');
        $this->plan($id, [['draw' => ['take' => 1, 'pool' => ['kinds' => ['one', 'claim']]]]], ['pass' => ['percent' => '100']]);
        self::assertNotSame($told()->optionalText('least'), $told()->optionalText('most'), 'some are guessed more easily');
        $this->plan($id, [
            ['draw' => ['take' => 1, 'pool' => ['kinds' => ['claim']]]],
            ['checkpoint' => ['routes' => [['when' => ['points' => 'all', 'is' => '>=', 'value' => '1'], 'to' => 'end']]]],
            ['question' => 'fresh eggs'],
        ]);
        self::assertSame(['2', '2', null], [$told()->optionalText('least'), $told()->optionalText('most'), $told()->optionalText('why')], 'with the route, exactly: who misses the claim cannot have all any more');
        $this->plan(
            $id,
            [['draw' => ['take' => 2, 'pool' => ['kinds' => ['claim'], 'objective' => 'Colony life']]]],
            ['pass' => ['percent' => '50', 'objectives' => [['objective' => 'Colony life', 'percent' => '100']]]],
        );
        self::assertSame(['4', '4', null], [$told()->optionalText('least'), $told()->optionalText('most'), $told()->optionalText('why')], 'a minimum must be guessed, too');
    }
}
