<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Tests\Browser\Server;

/** Each sort of work is killed in its midst, while somebody else saves; another worker takes it up: nothing twice, left out, or half done. */
final class LeftJobsTest extends TestCase
{
    use AsksServer;
    use KillsWork;

    private const MANY = 700;

    protected function setUp(): void
    {
        self::$server = new Server(workers: 2);
        $this->db = new \PDO('sqlite:' . self::$server->database, options: [\PDO::ATTR_TIMEOUT => 60]);
        $this->logIn('orrell');
        // The worker stands still but where a test lets it go on, so that nothing is over before it was looked at.
        $this->hold();
    }

    protected function tearDown(): void
    {
        self::$server = null;
    }

    public function test_an_intake_of_unnamed_questions_brings_none_in_twice(): void
    {
        $job = $this->killedHalfWay($this->intake(self::MANY));

        self::assertSame(['done', self::MANY], [$job->text('state'), $job->object('result')->integer('questions')]);
        self::assertSame(
            [self::MANY, self::MANY],
            [
                $this->number("SELECT COUNT(*) FROM question q WHERE q.excerpt LIKE 'Which of these is number%'"),
                $this->number("SELECT COUNT(DISTINCT q.excerpt) FROM question q WHERE q.excerpt LIKE 'Which of these is number%'"),
            ],
        );
        self::assertGreaterThan(0, $this->saves);
    }

    public function test_a_change_of_many_and_its_undoing_are_whole_and_one_step_in_the_history(): void
    {
        $this->ended($this->intake(self::MANY));
        $ids = $this->ids();
        $versions = 'SELECT SUM(version) FROM question WHERE batch_id = (SELECT MAX(id) FROM batch)';
        $before = $this->number($versions);
        $job = $this->killedHalfWay($this->ask('POST', '/api/banks/1/questions/change', ['ids' => $ids, 'change' => ['settings' => ['points' => '7']]]));

        self::assertSame(['done', self::MANY], [$job->text('state'), $job->object('result')->integer('changed')]);
        self::assertSame($before + self::MANY, $this->number($versions), 'each was changed once');
        self::assertSame(self::MANY, $this->number("SELECT COUNT(*) FROM question WHERE batch_id = (SELECT MAX(id) FROM batch) AND worth = '7'"));
        $changes = array_values(array_filter($this->ask('GET', '/api/banks/1/changes')->objects('changes'), static fn (Fields $c): bool => $c->text('kind') === 'questions'));
        self::assertCount(1, $changes);
        self::assertStringContainsString(sprintf('changed %d questions: ', self::MANY), $changes[0]->text('words'));

        $undo = $this->ask('POST', '/api/banks/1/changes/' . $changes[0]->integer('id') . '/undo')->object('job');
        $undone = $this->killedHalfWay($undo);
        self::assertSame(['done', self::MANY, 0], [$undone->text('state'), $undone->object('result')->integer('back'), $undone->object('result')->integer('left')]);
        self::assertSame(0, $this->number("SELECT COUNT(*) FROM question WHERE worth = '7' AND batch_id = (SELECT MAX(id) FROM batch)"));
        self::assertNotNull($this->ask('GET', '/api/banks/1/changes')->objects('changes')[0]->optionalText('undoneAt'));
    }

    public function test_a_copy_and_a_restored_bank_are_in_no_list_until_they_are_whole(): void
    {
        $this->ended($this->intake(self::MANY));
        $questions = $this->number('SELECT COUNT(*) FROM question WHERE bank_id = 1');
        $banks = fn (): array => array_map(static fn (Fields $b): string => $b->text('name'), $this->ask('GET', '/api/banks')->objects('banks'));
        $before = $banks();
        $watch = static function (self $test) use ($banks, $before): void {
            self::assertSame($before, $banks(), 'it is not seen yet');
        };
        // More than are copied within a request.
        for ($i = 0; $i < 2; ++$i) {
            $this->ended($this->intake(self::MANY));
        }
        $questions = $this->number('SELECT COUNT(*) FROM question WHERE bank_id = 1');
        $this->killedHalfWay($this->ask('POST', '/api/banks/1/copy', ['name' => 'The copy']), $watch);
        $copy = $this->number("SELECT id FROM bank WHERE name = 'The copy'");
        $facts =
            'SELECT COUNT(*), COUNT(r.id), COUNT(c.id), COUNT(o.id), SUM(q.micro_points) FROM question q JOIN revision r ON r.id = q.newest_id AND r.question_id = q.id LEFT JOIN revision c ON c.id = q.cleared_id AND c.question_id = q.id LEFT JOIN objective o ON o.id = q.objective_id AND o.bank_id = q.bank_id WHERE q.bank_id = ';
        self::assertSame($this->row($facts . 1), $this->row($facts . $copy));
        self::assertSame($questions, $this->number("SELECT COUNT(*) FROM question_search WHERE question_search MATCH 'bank : b$copy'"));
    }

    public function test_what_follows_from_settings_reaches_every_question(): void
    {
        $this->ended($this->intake(self::MANY));
        $settings = $this->ask('GET', '/api/banks/1/settings');
        $saved = $this->ask('PUT', '/api/banks/1/settings', ['version' => $settings->integer('version'), 'settings' => ['points' => '4']]);
        $this->killedHalfWay($saved->object('following'));

        self::assertSame(self::MANY, $this->number("SELECT COUNT(*) FROM question WHERE batch_id = (SELECT MAX(id) FROM batch) AND worth = '4'"));
    }

    public function test_a_batch_is_taken_back_to_its_last_question(): void
    {
        $this->ended($this->intake(self::MANY));
        $batch = $this->number('SELECT MAX(id) FROM batch');
        $job = $this->killedHalfWay($this->ask('POST', "/api/batches/$batch/take-back"));

        self::assertSame(['done', self::MANY, 0], [$job->text('state'), $job->object('result')->integer('taken'), $job->object('result')->integer('kept')]);
        self::assertSame([0, 0], [$this->number("SELECT COUNT(*) FROM question WHERE batch_id = $batch"), $this->number('SELECT COUNT(*) FROM question_search WHERE rowid NOT IN (SELECT id FROM question)')]);
        self::assertSame(1, $this->number("SELECT COUNT(*) FROM bank_change WHERE kind = 'intake' AND undone_at IS NOT NULL"));
    }

    public function test_a_bank_from_an_archive_is_what_the_archive_has(): void
    {
        $this->ended($this->intake(self::MANY));
        [[, $archive]] = $this->atOnce([['GET', '/api/banks/1/archive', null]]);
        $banks = fn (): int => count($this->ask('GET', '/api/banks')->objects('banks'));
        $before = $banks();
        [[, $begun]] = $this->atOnce([['POST', '/api/banks/from-archive?name=From+the+archive', $archive]]);
        $this->killedHalfWay(Fields::ofJson($begun)->object('job'), static fn (self $test) => self::assertSame($before, $banks(), 'it is not seen yet'));
        $restored = $this->number('SELECT MAX(id) FROM bank WHERE is_unfinished = 0');

        self::assertSame($before + 1, $banks());
        $facts = 'SELECT COUNT(*), COUNT(DISTINCT q.excerpt), SUM(q.micro_points), SUM(q.cleared_id IS NOT NULL) FROM question q WHERE q.bank_id = ';
        self::assertSame($this->row($facts . 1), $this->row($facts . $restored));
    }

    public function test_many_forms_are_dealt_as_if_nothing_had_happened(): void
    {
        $deal = fn (): Fields => $this->ask('POST', '/api/blueprints/1/simulations', ['forms' => 20_000, 'seed' => 7]);
        $job = $this->killedHalfWay($deal());

        self::assertSame(20_000, $job->object('result')->integer('forms'));
        self::assertSame($this->ended($deal())->object('result')->raw(), $job->object('result')->raw(), 'as one that nobody killed');
    }

    public function test_a_file_is_written_whole_or_not_at_all(): void
    {
        foreach (range(1, 3) as $i) {
            $this->ended($this->intake(self::MANY));
        }
        $write = fn (): Fields => $this->ask('POST', '/api/banks/1/out', ['as' => 'qti21']);
        $file = fn (Fields $job): string => $this->atOnce([['GET', '/api/jobs/' . $job->integer('id') . '/file', null]])[0][1];
        $begun = $write();
        $job = $this->killedHalfWay(
            $begun,
            static function (self $test) use ($begun): void {
                [[$status]] = $test->atOnce([['GET', '/api/jobs/' . $begun->integer('id') . '/file', null]]);
                self::assertSame(404, $status, 'a part of it is never fetched');
            },
            begun: true,
        );

        self::assertSame($job->object('result')->integer('bytes'), strlen($file($job)));
        self::assertSame(sha1($file($this->ended($write()))), sha1($file($job)));
    }

    public function test_what_was_cut_off_within_a_request_is_taken_up_too(): void
    {
        $handle = curl_init(self::server()->address . '/api/banks/1/intake');
        curl_setopt_array($handle, [
            CURLOPT_POSTFIELDS => json_encode(self::text(300), JSON_THROW_ON_ERROR),
            CURLOPT_COOKIE => $this->cookie === '' ? 'none=1' : $this->cookie,
            CURLOPT_HTTPHEADER => ['Content-Type: application/json', 'X-Zetema: 1'],
            CURLOPT_RETURNTRANSFER => true,
        ]);
        $all = curl_multi_init();
        curl_multi_add_handle($all, $handle);
        self::server()->killWork();
        $this->stepByStep(static fn (bool $isHeld) => self::server()->hold($isHeld), function () use ($all): bool {
            curl_multi_exec($all, $running);
            self::assertGreaterThan(0, $running, 'it is not answered before it was killed');

            return $this->number("SELECT COALESCE(MAX(done), 0) FROM job WHERE task = 'take in' AND total = 300 AND state = 'running'") > 0;
        });
        self::server()->kill();
        $id = $this->number("SELECT MAX(id) FROM job WHERE task = 'take in'");
        self::assertSame('running', $this->row("SELECT state FROM job WHERE id = $id")[0]);
        $this->db->exec('UPDATE job SET beat_at = beat_at - 31');
        self::server()->start();

        self::assertSame('done', $this->ended(Fields::of(['id' => $id]))->text('state'));
        self::assertSame(300, $this->number("SELECT COUNT(*) FROM question q WHERE q.excerpt LIKE 'Which of these is number%'"));
    }

    public function test_what_is_left_again_and_again_ends_as_failed_and_leaves_nothing_half(): void
    {
        for ($i = 0; $i < 3; ++$i) {
            $this->ended($this->intake(self::MANY));
        }
        $job = $this->ask('POST', '/api/banks/1/copy', ['name' => 'Never whole']);
        $this->halfWay($job);
        $this->db->exec('UPDATE job SET beat_at = beat_at - 31, try = 3 WHERE id = ' . $job->integer('id'));
        self::server()->startWork();
        $ended = $this->ended($job);

        self::assertSame('failed', $ended->text('state'));
        self::assertStringContainsString('left 3 times', $ended->text('failure'));
        self::server()->holdWork(false);
        $this->until(fn (): bool => $this->number("SELECT COUNT(*) FROM bank WHERE name LIKE '%Never whole%'") === 0);
        self::assertSame(0, $this->number('SELECT COUNT(*) FROM question WHERE bank_id NOT IN (SELECT id FROM bank)'));
    }

    private function intake(int $questions): Fields
    {
        return $this->ask('POST', '/api/banks/1/intake', self::text($questions));
    }

    /** @return array<string, mixed> */
    private static function text(int $questions): array
    {
        return [
            'text' => implode("\n", array_map(static fn (int $i): string => "one: Which of these is number $i?\n yes: the right one\n no: another\n", range(1, $questions))),
            'lines' => array_map(static fn (int $i): int => 1 + 4 * $i, range(0, $questions - 1)),
            'name' => 'many',
        ];
    }

    /** @return list<int> */
    private function ids(): array
    {
        $rows = $this->db->query('SELECT id FROM question WHERE batch_id = (SELECT MAX(id) FROM batch) ORDER BY id');

        return $rows === false ? [] : array_values(array_map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0, $rows->fetchAll(\PDO::FETCH_COLUMN)));
    }
}
