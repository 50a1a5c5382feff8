<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Results;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** What an author does to a sitting of somebody else, each time with a reason. */
final class StaffTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    private function results(): Fields
    {
        return $this->send('GET', '/api/editions/1/results', schema: 'Results');
    }

    /** @param array<string, mixed> $body */
    private function staff(int $sitting, array $body, int $status = 200): Fields
    {
        return $this->send('POST', "/api/sittings/$sitting/staff", ['reason' => 'The bell rang.', ...$body], $status === 200 ? 'Results' : null, $status);
    }

    public function test_staff_gives_time_closes_allows_and_deletes_and_the_log_says_why(): void
    {
        $this->logIn('aldous');
        $sitting = $this->begin();
        $id = $sitting->integer('id');
        $this->logIn('orrell');
        $this->staff($id, ['do' => 'delete', 'password' => 'honeycomb'], 422);
        $this->staff($id, ['do' => 'give time', 'seconds' => 300]);
        $this->logIn('aldous');
        self::assertSame(300_000, (int) $this->send('GET', "/api/sittings/$id")->optionalInteger('deadline') - (int) $sitting->optionalInteger('deadline'));
        $this->logIn('orrell');
        $this->staff($id, ['do' => 'close']);
        $this->staff($id, ['do' => 'close'], 422);
        $told = $this->staff($id, ['do' => 'allow another']);
        self::assertSame('closed by staff', $told->objects('sittings')[0]->text('how'));
        self::assertSame(['allowed T. Aldous another sitting', 'closed the sitting', 'gave 5 min more for the whole'], array_map(static fn (Fields $act): string => $act->text('words'), $told->objects('log')));
        self::assertSame(['M. Orrell', 'The bell rang.', $id], [$told->objects('log')[0]->text('by'), $told->objects('log')[0]->text('reason'), $told->objects('log')[0]->integer('sitting')]);

        $this->logIn('aldous');
        $again = $this->begin()->integer('id');
        self::assertNotSame($id, $again);
        $this->logIn('orrell');
        self::assertSame('password', $this->staff($id, ['do' => 'delete'], 422)->text('field'));
        self::assertSame('password', $this->staff($id, ['do' => 'delete', 'password' => 'beeswax'], 422)->text('field'));
        $told = $this->staff($id, ['do' => 'delete', 'password' => 'honeycomb']);
        self::assertNotContains($id, array_map(static fn (Fields $s): int => $s->integer('id'), $told->objects('sittings')));
        self::assertStringNotContainsString('Aldous', json_encode(array_map(static fn (Fields $act): array => $act->raw(), $told->objects('log')), JSON_THROW_ON_ERROR), 'the log names nobody any more');
        $this->send('GET', "/api/sittings/$id/paper", status: 404);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        yield 'no reason' => [['do' => 'close', 'reason' => ' '], 'reason'];
        yield 'nothing known' => [['do' => 'applaud', 'reason' => 'well done'], 'do'];
        yield 'no time at all' => [['do' => 'give time', 'seconds' => 0, 'reason' => 'x'], 'seconds'];
        yield 'time for a question that has none' => [['do' => 'give time', 'seconds' => 60, 'clock' => 'question', 'reason' => 'x'], 'clock'];
        yield 'time for a sitting that is over' => [['do' => 'give time', 'seconds' => 60, 'reason' => 'x'], ''];
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('refused')]
    public function test_what_staff_cannot_do_is_refused_and_stands_in_no_log(array $body, string $field): void
    {
        $id = $this->results()->objects('sittings')[0]->integer('id');
        $problem = $this->send('POST', "/api/sittings/$id/staff", $body, status: 422);

        self::assertSame($field, $problem->text('field', ''));
        self::assertSame([], $this->results()->items('log'));
    }
}
