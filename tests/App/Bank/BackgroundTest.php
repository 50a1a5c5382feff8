<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;
use Zetema\App\Background\Job;
use Zetema\App\Background\Jobs;
use Zetema\App\Background\RunJob;
use Zetema\App\Bank\Settings\FollowSettings;
use Zetema\App\Intake\TakeIn;
use Zetema\App\People\Account;
use Zetema\Tests\App\ApiTestCase;
use Zetema\Tests\App\RacesTest;

/** What takes longer than a request should; in these tests the message is worked off at once, RacesTest works it off in a process of its own. */
final class BackgroundTest extends ApiTestCase
{
    public function test_many_questions_come_in_piece_by_piece_and_can_be_taken_back(): void
    {
        $this->logIn('orrell');
        $many = TakeIn::AT_ONCE + 25;
        $job = $this->send('POST', '/api/banks/1/intake', ['text' => self::text($many), 'lines' => self::lines($many), 'name' => 'many.zet.txt'], 'Job', 202);
        $job = $this->send('GET', '/api/jobs/' . $job->integer('id'), schema: 'Job');

        self::assertSame(['done', $many, $many], [$job->text('state'), $job->integer('done'), $job->integer('total')]);
        self::assertSame($many, $job->object('result')->integer('questions'));
        self::assertSame(self::QUESTIONS + $many, $this->send('GET', '/api/banks/1/questions')->integer('total'));
        self::assertSame([], $this->send('GET', '/api/banks/1/jobs')->objects('jobs'), 'it is over');
        self::assertSame(
            '{}',
            self::getContainer()
                ->get(Connection::class)
                ->fetchOne('SELECT input FROM job WHERE id = ?', [$job->integer('id')]),
            'the text is not kept',
        );
        $back = $this->send('POST', '/api/batches/' . $job->object('result')->integer('id') . '/take-back', status: 202)->integer('id');
        $back = $this->send('GET', "/api/jobs/$back", schema: 'Job')->object('result');
        self::assertSame([$many, 0], [$back->integer('taken'), $back->integer('kept')]);
        self::assertSame([], self::getContainer()->get(Connection::class)->fetchFirstColumn('SELECT rowid FROM question_search WHERE rowid NOT IN (SELECT id FROM question)'));
    }

    public function test_a_job_is_stopped_between_two_pieces_and_what_it_did_stays(): void
    {
        $em = self::getContainer()->get(EntityManagerInterface::class);
        $db = $em->getConnection();
        $account = $em->find(Account::class, 1) ?? self::fail();
        $many = TakeIn::AT_ONCE + 100;
        $db->insert('batch', ['bank_id' => 1, 'account_id' => 1, 'name' => 'stopped', 'questions' => 0, 'taken_in_at' => '2026-05-01 10:00:00']);
        $job = new Job(TakeIn::name(), 1, $account, ['text' => self::text($many), 'lines' => self::lines($many), 'batch' => (int) $db->lastInsertId()], new \DateTimeImmutable());
        $em->persist($job);
        $em->flush();
        $db->executeStatement('UPDATE job SET stop_asked = 1');
        self::getContainer()->get(Jobs::class)->run(new RunJob($job->id));
        $this->logIn('orrell');
        $stopped = $this->send('GET', "/api/jobs/{$job->id}", schema: 'Job');

        $came = $stopped->object('result')->integer('questions');
        self::assertSame(['stopped', $stopped->integer('done')], [$stopped->text('state'), $came]);
        self::assertLessThan($many, $came);
        self::assertSame(self::QUESTIONS + $came, $this->send('GET', '/api/banks/1/questions')->integer('total'));
    }

    public function test_worths_and_notes_follow_the_settings_of_a_bank_with_many_questions(): void
    {
        $this->logIn('orrell');
        $many = FollowSettings::AT_ONCE + 5;
        $this->send('POST', '/api/banks/1/intake', ['text' => self::text($many), 'lines' => self::lines($many)], 'Job', 202);
        $saved = $this->send('PUT', '/api/banks/1/settings', ['version' => $this->version('/api/banks/1/settings'), 'settings' => ['points' => '4']], 'BankSettings');
        $question = $this->send('GET', '/api/banks/1/questions?order=newest')->objects('questions')[0];

        self::assertSame('4', $question->text('worth'));
        self::assertSame(
            '4',
            self::getContainer()
                ->get(Connection::class)
                ->fetchOne('SELECT worth FROM revision WHERE question_id = ?', [$question->integer('id')]),
        );
        self::assertSame(1, $this->version('/api/questions/' . $question->integer('id')) - self::intakeVersion($question->integer('id')) + 1, 'whoever has it open is not disturbed');
        self::assertNull($saved->optionalObject('following'), 'the work is done');
    }

    public function test_a_job_that_cannot_go_on_says_why(): void
    {
        $em = self::getContainer()->get(EntityManagerInterface::class);
        $job = new Job('take in', 1, $em->find(Account::class, 1) ?? self::fail(), ['text' => 'one: X', 'lines' => [1], 'batch' => 999], new \DateTimeImmutable());
        $em->persist($job);
        $em->flush();
        self::getContainer()->get(\Symfony\Component\Messenger\MessageBusInterface::class)->dispatch(new RunJob($job->id));
        $this->logIn('orrell');
        $told = $this->send('GET', "/api/jobs/{$job->id}", schema: 'Job');

        self::assertSame('failed', $told->text('state'));
        self::assertStringContainsString('batch', $told->text('failure'));
    }

    public function test_one_that_waits_can_be_stopped_before_it_begins(): void
    {
        $db = self::getContainer()->get(Connection::class);
        $db->insert('job', ['state' => 'waiting', 'done' => 0, 'total' => 0, 'stop_asked' => 0, 'task' => 'take in', 'input' => '{}', 'begun_at' => '2026-05-01 10:00:00', 'bank_id' => 1, 'account_id' => 1]);
        $id = (int) $db->lastInsertId();
        $this->logIn('orrell');
        self::assertCount(1, $this->send('GET', '/api/banks/1/jobs')->objects('jobs'));

        self::assertSame('stopped', $this->send('POST', "/api/jobs/$id/stop", schema: 'Job')->text('state'));
        self::assertSame([], $this->send('GET', '/api/banks/1/jobs')->objects('jobs'));
    }

    public function test_refreshing_brings_back_all_that_follows_from_the_questions(): void
    {
        $db = self::getContainer()->get(Connection::class);
        $columns =
            'SELECT q.id, q.excerpt, q.stem_key, q.worth, q.micro_points, q.revision_number, q.is_unfinished, q.dealt_elsewhere, q.version, r.worth, r.key_place FROM question q JOIN revision r ON r.id = q.newest_id ORDER BY q.id';
        $words = 'SELECT rowid, body FROM question_search ORDER BY rowid';
        $notes = 'SELECT question_id, rule, line, message FROM proofreading_note ORDER BY question_id, id';
        $before = [$db->fetchAllNumeric($columns), $db->fetchAllNumeric($words), $db->fetchAllNumeric($notes)];
        $db->executeStatement("UPDATE question SET excerpt = 'x', stem_key = '', worth = '1', micro_points = 0, revision_number = 9, is_unfinished = 1, dealt_elsewhere = 1");
        $db->executeStatement("UPDATE revision SET worth = '1', key_place = 7");
        $db->executeStatement('DELETE FROM question_search');
        $db->executeStatement('DELETE FROM proofreading_note');
        $tester = new CommandTester((new Application(self::$kernel ?? self::fail()))->find('zetema:refresh'));
        $tester->execute(['--missing' => true]);

        self::assertEquals($before, [$db->fetchAllNumeric($columns), $db->fetchAllNumeric($words), $db->fetchAllNumeric($notes)]);
    }

    private static function intakeVersion(int $id): int
    {
        $version = self::getContainer()
            ->get(Connection::class)
            ->fetchOne('SELECT intake_version FROM question WHERE id = ?', [$id]);

        return is_numeric($version) ? (int) $version : 0;
    }

    private static function text(int $questions): string
    {
        return implode("\n", array_map(static fn (int $i): string => "one: Which of these is number $i?\n yes: the right one\n no: another\n", range(1, $questions)));
    }

    /** @return list<int> */
    private static function lines(int $questions): array
    {
        return array_map(static fn (int $i): int => 1 + 4 * $i, range(0, $questions - 1));
    }
}
