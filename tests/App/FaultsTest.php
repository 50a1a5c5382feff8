<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use Psr\Log\AbstractLogger;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\HttpKernelInterface;
use Zetema\App\Shared\ProblemDetails;
use Zetema\App\Shared\SessionFiles;
use Zetema\App\Shared\StorageFault;
use Zetema\Core\Data\Fields;
use Zetema\Tests\Speed;

/** What breaks, what is only said wrongly, and what must never happen for either. */
final class FaultsTest extends ApiTestCase
{
    public function test_a_database_that_cannot_be_read_logs_nobody_out_and_takes_the_same_save_later(): void
    {
        $this->logIn('carrow');
        $sitting = $this->begin();
        $path = '/api/sittings/' . $sitting->integer('id') . '/events';
        $save = ['request' => 'once', 'on' => $sitting->integer('events'), 'type' => 'saved', 'sheet' => 1, 'response' => ['choose' => [1]]];
        $db = self::getContainer()->get(Connection::class);
        $db->executeStatement('ALTER TABLE account RENAME TO away');
        self::assertSame('urn:zetema:problem:storage', $this->send('POST', $path, $save, status: 503)->text('type'));
        self::assertStringContainsString('stays on this page', $this->send('GET', '/api/my-assessments', status: 503)->text('detail'));
        $db->executeStatement('ALTER TABLE away RENAME TO account');

        self::assertSame('carrow', $this->send('GET', '/api/me', schema: 'Me')->object('account')->text('login'));
        self::assertTrue($this->send('POST', $path, $save, 'Sitting')->objects('questions')[0]->flag('answered'));
    }

    /** @return iterable<string, array{string, StorageFault|null}> what the database says */
    public static function faults(): iterable
    {
        yield 'a full disk' => ['SQLSTATE[HY000]: General error: 13 database or disk is full', StorageFault::Full];
        yield 'a lock held too long' => ['SQLSTATE[HY000]: General error: 5 database is locked', StorageFault::Busy];
        yield 'a file that may not be written' => ['SQLSTATE[HY000]: General error: 8 attempt to write a readonly database', StorageFault::ReadOnly];
        yield 'a file that is gone' => ['SQLSTATE[HY000] [14] unable to open database file', StorageFault::Unreachable];
        yield 'our own mistake' => ['SQLSTATE[HY000]: General error: 1 near "SELCT": syntax error', null];
    }

    #[DataProvider('faults')]
    public function test_a_fault_of_the_storage_is_said_for_what_it_is(string $message, ?StorageFault $fault): void
    {
        self::assertSame($fault, StorageFault::in(new \RuntimeException('wrapped', 0, new \PDOException($message))));
        self::assertNull(StorageFault::in(new \RuntimeException($message)), 'only the database speaks for the database');
    }

    /** @return iterable<string, array{string, string, array<string, mixed>|null, int}> method, path, body, status */
    public static function nonsense(): iterable
    {
        yield 'an id with a quote' => ['GET', "/api/questions/1'", null, 404];
        yield 'an id too large for any number' => ['GET', '/api/questions/99999999999999999999999999', null, 404];
        yield 'an id of 0' => ['GET', '/api/questions/0', null, 404];
        yield 'an id with a sign' => ['GET', '/api/questions/-1', null, 404];
        yield 'a bank with a word' => ['GET', '/api/banks/one/board', null, 404];
        yield 'a revision too large' => ['GET', '/api/questions/16/revisions/99999999999999999999', null, 404];
        yield 'a comment too large' => ['PUT', '/api/questions/16/comments/99999999999999999999', [], 404];
        yield 'a seed too large in an address' => ['GET', '/api/questions/16/as-seen?seed=99999999999999999999', null, 404];
        yield 'a seed that browsers cannot hold' => ['POST', '/api/blueprints/1/deal', ['seed' => 9_007_199_254_740_993], 422];
        yield 'a seed beyond all measure' => ['POST', '/api/blueprints/1/deal', ['seed' => 1e30], 422];
        yield 'a seed for a rehearsal' => ['POST', '/api/blueprints/1/rehearsals', ['seed' => PHP_INT_MAX], 422];
        yield 'a seed to try with' => ['POST', '/api/questions/16/try', ['seed' => PHP_INT_MIN, 'response' => null], 422];
        yield 'an objective that is no number' => ['GET', '/api/banks/1/questions?objective=x', null, 422];
    }

    /** @param array<string, mixed>|null $body */
    #[DataProvider('nonsense')]
    public function test_nonsense_in_an_address_or_a_number_gets_an_answer(string $method, string $path, ?array $body, int $status): void
    {
        $this->logIn('orrell');

        self::assertNotSame('', $this->send($method, $path, $body, status: $status)->text('detail'));
    }

    public function test_a_stem_that_is_a_number_does_not_stop_the_intake(): void
    {
        $this->logIn('orrell');
        $text = "true: 42\n\ntrue: 7\n name: 7\n";
        $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'lines' => [1, 3]], 'Job', 201);
        $again = $this->send('POST', '/api/banks/1/intake/read', ['text' => $text], 'Understood')->objects('questions');

        self::assertSame([['stem', true], ['name', true]], array_map(static fn (Fields $q): array => [$q->object('known')->text('by'), $q->object('known')->flag('isSame')], $again), 'the bank has both already');
    }

    public function test_refusals_are_routine_and_only_failures_are_logged(): void
    {
        $log = new class extends AbstractLogger {
            /** @var list<string> */
            public array $lines = [];

            public function log($level, string|\Stringable $message, array $context = []): void
            {
                $this->lines[] = (is_string($level) ? $level : '') . ' ' . $message;
            }
        };
        $kernel = self::getContainer()->get('http_kernel');
        $told = [];
        foreach ([new \Zetema\Core\Sitting\Refused('refused'), new \Zetema\Core\Data\Malformed('x', 'is wrong'), new \LogicException('broken'), new \DomainException('a library stumbled')] as $e) {
            $event = new ExceptionEvent($kernel, Request::create('/api/x'), HttpKernelInterface::MAIN_REQUEST, $e);
            (new ProblemDetails($log))->onException($event);
            self::assertTrue($event->isPropagationStopped(), 'the framework’s own listener would log it as critical');
            $told[] = $event->getResponse()?->getStatusCode();
            self::assertStringNotContainsString('stumbled', (string) $event->getResponse()?->getContent(), 'what is not meant for people is not told to them');
        }

        self::assertSame([[422, 422, 500, 500], ['error A request failed: broken', 'error A request failed: a library stumbled']], [$told, $log->lines]);
        $listeners = self::getContainer()->get('event_dispatcher')->getListeners('kernel.exception');
        self::assertInstanceOf(ProblemDetails::class, is_array($listeners[0] ?? null) ? $listeners[0][0] : null, 'it comes before all others');
    }

    public function test_a_text_beyond_the_limit_is_refused_at_once_with_the_limit_named(): void
    {
        $this->logIn('orrell');
        Speed::within(1_000, function (): void {
            $detail = $this->send('POST', '/api/banks/1/intake/read', ['text' => str_repeat("true: Bees fly.\n", 650_000)], status: 422)->text('detail');

            self::assertStringContainsString('10.4 MB', $detail);
            self::assertStringContainsString('4 MB', $detail);
        });
        self::assertStringContainsString('2 MB', $this->send('POST', '/api/banks/1/questions', ['content' => str_repeat('x', 2_100_000)], status: 422)->text('detail'));
    }

    public function test_sessions_are_whole_or_not_there_and_no_request_waits_for_another(): void
    {
        $folder = sys_get_temp_dir() . '/zetema-sessions-' . bin2hex(random_bytes(4));
        [$one, $two] = [new SessionFiles($folder), new SessionFiles($folder)];
        foreach ([$one, $two] as $sessions) {
            $sessions->open('', 'zetema');
        }
        self::assertSame('', $one->read('abc'));
        self::assertTrue($one->write('abc', 'who'));
        self::assertSame('who', $two->read('abc'), 'while the first still has it open');
        self::assertSame(['.', '..', 'sess_abc'], scandir($folder), 'nothing half written lies about');
        $two->destroy('abc');
        $three = new SessionFiles($folder);
        $one->read('abc');
        self::assertTrue($three->write('abc', 'new'));
        $one->read('abc');
        $three->destroy('abc');
        self::assertTrue($one->write('abc', 'old'));
        self::assertFileDoesNotExist($folder . '/sess_abc', 'who has logged out stays logged out');
        $one->write('def', 'x');
        touch($folder . '/sess_def', time() - 100);
        self::assertSame([0, 1], [$one->gc(200), $one->gc(50)]);
        rmdir($folder);
    }
}
