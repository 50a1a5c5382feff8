<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Delivery;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use Zetema\Core\Data\Fields;
use Zetema\Tests\Browser\Chromium;
use Zetema\Tests\Browser\FreePort;

/**
 * A database as it was stored by the application of 25 November 2026 (13:13), with the demo, a sitting that was running, comments and a
 * note that was waved off, is brought up to today's and goes on. Beside it stand the replies of that day's application.
 */
final class StoredStatesTest extends TestCase
{
    private const ROOT = __DIR__ . '/../../..';
    private const STATE = __DIR__ . '/../../fixtures/state-2026-11-25/';

    private static string $database;
    private static string $address;
    private static FreePort $port;
    private static Process $server;
    /** @var array<string, string> session by log-in */
    private static array $sessions = [];

    public static function setUpBeforeClass(): void
    {
        self::$port = new FreePort();
        $port = self::$port->number;
        self::$database = sys_get_temp_dir() . '/zetema-state-' . $port . '.sqlite';
        self::$address = 'http://127.0.0.1:' . $port;
        (new \PDO('sqlite:' . self::$database))->exec((string) gzdecode((string) file_get_contents(self::STATE . 'database.sql.gz')));
        self::console('doctrine:migrations:migrate', '--no-interaction', '--quiet');
        self::console('zetema:refresh', '--missing');
        self::$server = new Process(['setsid', 'php', '-S', '127.0.0.1:' . $port, '-t', 'public', 'public/router.php'], self::ROOT, self::environment(), timeout: null);
        self::$server->disableOutput();
        self::$server->start();
        Chromium::waitFor($port);
    }

    public static function tearDownAfterClass(): void
    {
        self::$server->stop(0, 9);
        (new Process(['rm', '-rf', ...(array) glob(self::$database . '*')]))->run();
    }

    public function test_its_tables_are_what_the_application_of_today_expects(): void
    {
        $left = array_filter(explode("\n", self::console('doctrine:schema:update', '--dump-sql')), static fn (string $line): bool => trim($line) !== '' && !str_contains($line, 'messenger_messages'));

        self::assertSame([], $left);
    }

    public function test_an_old_paper_is_reviewed_as_it_was(): void
    {
        $then = self::fixture('review.json');
        $now = self::send('wren', 'GET', '/api/sittings/2/review');

        foreach (['title', 'rung', 'seconds', 'passed', 'total', 'objectives'] as $field) {
            self::assertEquals($then->raw()[$field], $now->raw()[$field], $field);
        }
        self::assertCount(count($then->objects('questions')), $now->objects('questions'));
        foreach ($then->objects('questions') as $i => $question) {
            foreach (['stem', 'kind', 'response', 'outcome', 'earned', 'max', 'working', 'said', 'key'] as $field) {
                self::assertEquals($question->raw()[$field], $now->objects('questions')[$i]->raw()[$field], "question $i, $field");
            }
        }
    }

    public function test_a_sitting_that_was_running_goes_on_and_is_handed_in(): void
    {
        $then = self::fixture('sitting.json');
        $now = self::send('wren', 'GET', '/api/sittings/4');
        foreach ($then->objects('questions') as $i => $question) {
            $raw = $now->objects('questions')[$i]->raw();
            self::assertEquals($question->raw()['face'], $raw['answers'], 'the page is as it was');
            foreach (['n', 'kind', 'stem', 'response', 'flagged', 'closed', 'attempt', 'told', 'worth', 'graded'] as $field) {
                self::assertEquals($question->raw()[$field], $raw[$field], "question $i, $field");
            }
        }
        $on = $now->integer('events');
        self::event($on, 'saved', ['sheet' => 5, 'response' => ['points' => [[400, 480]]]]);
        self::event($on + 1, 'checked', ['sheet' => 6, 'response' => ['place' => ['1' => '2', '2' => '1']]]);
        self::assertSame($on + 2, self::event($on + 1, 'checked', ['sheet' => 6, 'response' => ['place' => ['1' => '2', '2' => '1']]])->integer('events'), 'the same request counts once');
        self::assertSame('ended', self::event($on + 2, 'handed in')->text('phase'));
        $review = self::send('wren', 'GET', '/api/sittings/4/review');

        self::assertSame('6.67', $review->objects('questions')[1]->text('earned'), 'what was checked that day keeps its mark');
        self::assertCount(7, $review->objects('questions'));
    }

    public function test_comments_and_waved_notes_stand_at_the_answer_they_stood_at(): void
    {
        $question = self::send('orrell', 'GET', '/api/questions/16');
        self::assertSame([['answer:2', 'Is nine days right?']], array_map(static fn (Fields $c): array => [$c->text('where'), $c->text('text')], $question->objects('comments')));
        $proof = $question->objects('proofs')[0];
        self::assertSame(['answer:4', 'It is pinned, and often right.'], [$proof->text('where'), $proof->object('waved')->text('reason')]);
        $content = $question->object('content')->raw();
        $choices = is_array($content['choices']) ? $content['choices'] : [];
        $moved = self::send('orrell', 'PUT', '/api/questions/16', [
            'version' => $question->integer('version'),
            'name' => 'fresh eggs',
            'objective' => $question->text('objective'),
            'content' => [...$content, 'choices' => [$choices[1], $choices[0], ...array_slice($choices, 2)]],
        ]);

        self::assertSame('answer:2', $moved->objects('comments')[0]->text('where'), 'the answer is first now, and still it');
        self::assertSame('A good one.', self::send('orrell', 'GET', '/api/questions/80')->objects('comments')[0]->text('text'));
    }

    public function test_the_bank_is_found_sorted_and_dealt_from(): void
    {
        $found = self::send('orrell', 'GET', '/api/banks/1/questions?search=varroa&order=points')->objects('questions');
        self::assertNotSame([], $found);
        foreach ($found as $row) {
            self::assertStringContainsStringIgnoringCase(
                'varroa',
                (string) json_encode(
                    self::send('orrell', 'GET', '/api/questions/' . $row->integer('id'))
                        ->object('content')
                        ->raw(),
                ),
            );
        }
        self::assertSame(90, self::send('orrell', 'GET', '/api/banks/1/questions')->integer('total'));
        $blueprint = self::send('orrell', 'GET', '/api/blueprints/1');
        self::assertSame(15, $blueprint->object('proof')->integer('questions'));
        self::assertSame(1, $blueprint->objects('editions')[0]->integer('number'));
        self::assertSame('running', self::send('aldous', 'POST', '/api/editions/2/sittings', [])->text('phase'));
    }

    /** @param array<string, mixed> $more */
    private static function event(int $on, string $type, array $more = []): Fields
    {
        return self::send('wren', 'POST', '/api/sittings/4/events', ['request' => "today-$on", 'on' => $on, 'type' => $type, ...$more]);
    }

    private static function fixture(string $name): Fields
    {
        return Fields::ofJson((string) file_get_contents(self::STATE . $name));
    }

    private static function console(string ...$command): string
    {
        return (new Process(['php', 'bin/console', ...array_values($command)], self::ROOT, self::environment(), timeout: 900))->mustRun()->getOutput();
    }

    /** @return array<string, string> */
    private static function environment(): array
    {
        return ['APP_ENV' => 'prod', 'DATABASE_URL' => 'sqlite:///' . self::$database, 'MEDIA_DIR' => self::$database . '-media'];
    }

    /** @param array<string, mixed>|null $body */
    private static function send(string $who, string $method, string $path, ?array $body = null): Fields
    {
        if (!isset(self::$sessions[$who])) {
            self::$sessions[$who] = '';
            self::send($who, 'POST', '/api/log-in', ['login' => $who, 'password' => 'honeycomb']);
        }
        $context = stream_context_create([
            'http' => [
                'method' => $method,
                'header' => ['Content-Type: application/json', 'X-Zetema: 1', 'Cookie: ' . self::$sessions[$who]],
                'content' => $body === null ? '' : json_encode((object) $body, JSON_THROW_ON_ERROR),
                'ignore_errors' => true,
            ],
        ]);
        $answer = (string) file_get_contents(self::$address . $path, context: $context);
        foreach ($http_response_header as $header) {
            if (preg_match('/^Set-Cookie: ([^;]+)/i', $header, $m) === 1) {
                self::$sessions[$who] = $m[1];
            }
        }
        self::assertMatchesRegularExpression('/ 20[01] /', $http_response_header[0] ?? '', "$method $path: $answer");

        return Fields::ofJson($answer);
    }
}
