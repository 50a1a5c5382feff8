<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Admission;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Symfony\Component\Console\Tester\CommandTester;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** An author says who may sit an assessment, when, and with how much more time; candidates find what they may sit, and nothing else. */
final class AdmissionTest extends ApiTestCase
{
    use ClockSensitiveTrait;

    private MockClock $clock;

    protected function setUp(): void
    {
        parent::setUp();
        $clock = self::mockTime(new \DateTimeImmutable('2027-05-01 10:00:00 UTC'));
        self::assertInstanceOf(MockClock::class, $clock);
        $this->clock = $clock;
        $this->logIn('orrell');
    }

    private function account(string $name): int
    {
        foreach ($this->send('GET', '/api/groups', schema: 'Groups')->objects('candidates') as $candidate) {
            if ($candidate->text('name') === $name) {
                return $candidate->integer('id');
            }
        }
        self::fail("no candidate $name");
    }

    private function group(string $name): Fields
    {
        return array_values(array_filter($this->send('GET', '/api/groups', schema: 'Groups')->objects('groups'), static fn (Fields $g): bool => $g->text('name') === $name))[0];
    }

    /** @param array<string, mixed> $change */
    private function admit(array $change, int $status = 200): Fields
    {
        $now = $this->send('GET', '/api/blueprints/1/admission', schema: 'Admission');

        $body = [
            'version' => $now->integer('version'),
            'everybody' => $now->flag('everybody'),
            'opens' => $now->optionalText('opens'),
            'closes' => $now->optionalText('closes'),
            'groups' => $now->integers('groups'),
            'people' => $now->items('people'),
            ...$change,
        ];

        return $this->send('PUT', '/api/blueprints/1/admission', $body, $status === 200 ? 'Admission' : null, $status);
    }

    /** @return Fields|null what the candidate's list says of the certificate */
    private function offered(string $login): ?Fields
    {
        $this->logIn($login);
        foreach ($this->send('GET', '/api/my-assessments', schema: 'MyAssessments')->objects('assessments') as $assessment) {
            if ($assessment->integer('edition') === 1) {
                return $assessment;
            }
        }

        return null;
    }

    public function test_only_those_who_are_named_find_it_and_can_begin(): void
    {
        $this->send('POST', '/api/groups', ['name' => 'Spring course'], 'Groups', 201);
        $group = $this->group('Spring course');
        $this->send('PUT', '/api/groups/' . $group->integer('id'), ['version' => 1, 'members' => [$this->account('B. Wren')]], 'Groups');
        $this->admit(['everybody' => false, 'groups' => [$group->integer('id')], 'people' => [['account' => $this->account('T. Aldous'), 'extraTime' => 0, 'sittings' => 0, 'byCode' => false]]]);
        self::assertNotNull($this->offered('wren'), 'by the group');
        self::assertNotNull($this->offered('aldous'), 'by name');
        self::assertNull($this->offered('carrow'));
        self::assertStringContainsString('not among those', $this->send('POST', '/api/editions/1/sittings', status: 422)->text('detail'));

        $this->logIn('orrell');
        $this->send('DELETE', '/api/groups/' . $group->integer('id'), schema: 'Groups');
        self::assertNull($this->offered('wren'), 'the group is gone');
        $this->logIn('orrell');
        self::assertSame([], $this->admit([])->integers('groups'), 'and nobody is told of it any more');
    }

    public function test_what_it_is_can_be_read_before_the_clock_starts_and_nothing_is_dealt_by_that(): void
    {
        $this->admit(['people' => [['account' => $this->account('J. Carrow'), 'extraTime' => 50, 'sittings' => 0, 'byCode' => false]]]);
        $this->logIn('carrow');
        $opening = $this->send('GET', '/api/editions/1/opening', schema: 'Opening');
        self::assertSame([2250, 'page-1', ['any order'], ['at the end']], [$opening->object('offer')->integer('seconds'), $opening->text('page'), $opening->items('moving'), $opening->items('feedback')]);
        self::assertSame([['whole'], true], [$opening->texts('clocks'), $opening->object('stakes')->flag('graded')]);
        self::assertStringContainsString('twenty-five minutes', $opening->object('pages')->object('page-1')->text('reads'));
        self::assertNull($this->offered('carrow')?->optionalInteger('running'), 'nothing was begun by reading');
        $this->clock->sleep(3_000);
        self::assertSame(2250 * 1000, ($sitting = $this->begin())->integer('deadline') - $sitting->integer('now'), 'the time is whole');
        self::assertSame($sitting->integer('id'), $this->send('GET', '/api/editions/1/opening')->object('offer')->integer('running'), 'whoever has begun goes on');

        $this->logIn('orrell');
        $this->admit(['everybody' => false]);
        $this->logIn('wren');
        $this->send('GET', '/api/editions/1/opening', status: 404);
    }

    public function test_extra_time_and_sittings_count_for_one_person(): void
    {
        $this->admit(['people' => [['account' => $this->account('J. Carrow'), 'extraTime' => 50, 'sittings' => 2, 'byCode' => false]]]);
        self::assertSame([1500, 1], [$this->offered('wren')?->integer('seconds'), $this->offered('wren')?->integer('sittingsLeft')]);
        self::assertSame([2250, 3], [$this->offered('carrow')?->integer('seconds'), $this->offered('carrow')?->integer('sittingsLeft')]);
        $sitting = $this->begin();
        self::assertSame(2250 * 1000, $sitting->integer('deadline') - $sitting->integer('now'));
        $this->clock->sleep(2200);
        $this->act($sitting, ['type' => 'saved', 'sheet' => 1, 'response' => ['choose' => [1]]]);
        $this->clock->sleep(60);
        self::assertSame('ended', $this->send('GET', '/api/sittings/' . $sitting->integer('id'))->text('phase'));
    }

    public function test_it_opens_and_closes_and_running_sittings_end_then(): void
    {
        $this->admit(['opens' => '2027-05-01T10:30:00+00:00', 'closes' => '2027-05-01T13:00:00+02:00']);
        self::assertSame('2027-05-01T10:30:00+00:00', $this->offered('wren')?->text('opens'));
        self::assertStringContainsString('not open yet', $this->send('POST', '/api/editions/1/sittings', status: 422)->text('detail'));
        $this->clock->sleep(50 * 60);
        self::assertNull($this->offered('wren')?->optionalText('opens'));
        $sitting = $this->begin();
        self::assertSame(10 * 60 * 1000, $sitting->integer('deadline') - $sitting->integer('now'), 'it closes sooner than its time is over');

        $this->logIn('orrell');
        $this->admit(['closes' => '2027-05-01T10:55:00+00:00']);
        $this->clock->sleep(6 * 60);
        $this->logIn('wren');
        self::assertSame('ended', $this->send('GET', '/api/sittings/' . $sitting->integer('id'))->text('phase'), 'it closed earlier after all');
        self::assertNull($this->offered('carrow'), 'nobody begins what has closed');
    }

    public function test_what_is_told_when_it_closes_waits_for_the_closing_that_is_said_now(): void
    {
        $document = $this->send('GET', '/api/blueprints/1')->object('document')->raw();
        $rungs = [['rung' => 'nothing', 'when' => 'at once'], ['rung' => 'total', 'when' => 'closed']];
        $this->send('PUT', '/api/blueprints/1/document', ['version' => $this->version('/api/blueprints/1'), 'document' => [...$document, 'review' => ['passed' => $rungs, 'notPassed' => $rungs]]]);
        $edition = $this->send('POST', '/api/blueprints/1/editions', ['version' => $this->version('/api/blueprints/1')], 'Edition', 201)->integer('id');
        $this->admit(['closes' => '2027-05-01T11:00:00+00:00']);
        $this->logIn('wren');
        $sitting = $this->begin("/api/editions/$edition/sittings");
        $this->act($sitting, ['type' => 'handed in']);
        $told = function () use ($sitting): array {
            $this->logIn('wren');
            $sat = $this->send('GET', '/api/my-assessments', schema: 'MyAssessments')->objects('sat')[0];

            return [$this->send('GET', '/api/sittings/' . $sitting->integer('id') . '/review', schema: 'Review')->text('rung'), $sat->optionalText('max') !== null];
        };
        self::assertSame(['nothing', false], $told());
        $this->logIn('orrell');
        $this->admit(['closes' => '2027-05-01T12:00:00+00:00']);
        $this->clock->sleep(90 * 60);
        self::assertSame(['nothing', false], $told(), 'others may begin for an hour more');
        $this->clock->sleep(31 * 60);
        self::assertSame(['total', true], $told());
        $this->logIn('orrell');
        $this->admit(['closes' => null]);
        self::assertSame(['nothing', false], $told(), 'it is open again');
        $this->logIn('orrell');
        $this->send('PUT', "/api/editions/$edition/closed", ['closed' => true]);
        self::assertSame(['total', true], $told(), 'closed by hand');
    }

    public function test_whoever_is_away_is_ended_when_it_closes_earlier_and_not_before(): void
    {
        $this->logIn('wren');
        $sitting = $this->begin()->integer('id');
        $due = fn (): mixed => self::getContainer()
            ->get(Connection::class)
            ->fetchOne('SELECT due FROM sitting WHERE id = ?', [$sitting]);
        $before = $due();
        $settled = static function (): void {
            $kernel = self::$kernel ?? throw new \LogicException('it is booted');
            (new CommandTester((new Application($kernel))->find('zetema:settle')))->execute([]);
        };
        $this->logIn('orrell');
        $this->admit(['closes' => '2027-05-02T10:00:00+00:00']);
        $this->clock->sleep(60);
        $settled();
        self::assertSame($before, $due(), 'its own time is over first');
        $this->admit(['closes' => '2027-05-01T10:05:00+00:00']);
        $this->clock->sleep(60);
        $settled();
        self::assertSame((new \DateTimeImmutable('2027-05-01T10:05:00+00:00'))->getTimestamp() * 1000, $due());
        $this->clock->sleep(300);
        $settled();
        $this->logIn('wren');
        self::assertTrue($this->send('GET', "/api/sittings/$sitting/review", schema: 'Review')->flag('ranOut'));
    }

    public function test_a_pause_between_two_sittings_is_kept(): void
    {
        $document = $this->send('GET', '/api/blueprints/1')->object('document')->raw();
        $this->send('PUT', '/api/blueprints/1/document', [
            'version' => $this->version('/api/blueprints/1'),
            'document' => [...$document, 'rules' => [...(array) $document['rules'], 'sittings' => 9, 'pause' => '60 min']],
        ]);
        $edition = $this->send('POST', '/api/blueprints/1/editions', ['version' => $this->version('/api/blueprints/1')], 'Edition', 201)->integer('id');
        $this->logIn('wren');
        $this->act($this->begin("/api/editions/$edition/sittings"), ['type' => 'handed in']);
        self::assertStringContainsString('can begin in 60 min', $this->send('POST', "/api/editions/$edition/sittings", status: 422)->text('detail'));
        $this->clock->sleep(3600);
        self::assertSame('running', $this->begin("/api/editions/$edition/sittings")->text('phase'));
    }

    public function test_a_code_admits_whoever_has_it(): void
    {
        $code = $this->admit(['everybody' => false, 'code' => 'new'])->text('code');
        self::assertMatchesRegularExpression('/^[a-z2-9]{10}$/', $code);
        self::assertNull($this->offered('wren'));
        self::assertStringContainsString('No assessment has this code', $this->send('POST', '/api/access-codes', ['code' => 'nothing'], status: 422)->text('detail'));
        $typed = ['code' => ' ' . strtoupper(substr($code, 0, 5)) . '-' . substr($code, 5)];
        self::assertSame(['title' => 'Apprentice Certificate, written part', 'stands' => 'in the list'], $this->send('POST', '/api/access-codes', $typed, 'Admitted')->raw());
        self::assertNotNull($this->offered('wren'));
        $this->logIn('orrell');
        $this->send('PUT', '/api/editions/1/closed', ['closed' => true]);
        $this->logIn('wren');
        self::assertSame('closed', $this->send('POST', '/api/access-codes', $typed, 'Admitted')->text('stands'), 'nobody is told to look for what is not there');
        $this->logIn('orrell');
        $this->send('PUT', '/api/editions/1/closed', ['closed' => false]);
        $blueprint = $this->send('POST', '/api/banks/1/blueprints', ['title' => 'Spring'], status: 201)->integer('id');
        $none = $this->send('PUT', "/api/blueprints/$blueprint/admission", ['version' => 0, 'everybody' => false, 'groups' => [], 'people' => [], 'code' => 'new'], 'Admission')->text('code');
        $this->logIn('wren');
        self::assertSame('not yet', $this->send('POST', '/api/access-codes', ['code' => $none], 'Admitted')->text('stands'));

        $this->logIn('orrell');
        self::assertSame([[true, 0]], array_map(static fn (Fields $p): array => [$p->flag('byCode'), $p->integer('extraTime')], $this->send('GET', '/api/blueprints/1/admission')->objects('people')));
        self::assertNotSame($code, $this->admit(['code' => 'new'])->text('code'));
        self::assertNull($this->admit(['code' => 'none'])->optionalText('code'));
        $this->logIn('carrow');
        $this->send('POST', '/api/access-codes', ['code' => $code], status: 422);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what is typed, and the field that is refused */
    public static function refusals(): iterable
    {
        yield 'no moment' => [['opens' => 'soon'], 'opens'];
        yield 'it closes first' => [['opens' => '2027-05-01T10:00:00+00:00', 'closes' => '2027-05-01T10:00:00+00:00'], 'closes'];
        yield 'a group that nobody made' => [['groups' => [999]], 'groups'];
        yield 'an author' => [['people' => [['account' => 1]]], 'people'];
        yield 'less time' => [['people' => [['account' => 0, 'extraTime' => -1]]], 'extraTime'];
        yield 'very many sittings' => [['people' => [['account' => 0, 'sittings' => 100]]], 'sittings'];
        yield 'another word for the code' => [['code' => 'swarm'], 'code'];
    }

    /** @param array<string, mixed> $typed */
    #[DataProvider('refusals')]
    public function test_what_makes_no_sense_is_refused_and_nothing_is_changed(array $typed, string $field): void
    {
        $people = array_map(fn (array $one): array => [...$one, 'account' => $one['account'] === 0 ? $this->account('B. Wren') : $one['account']], is_array($typed['people'] ?? null) ? $typed['people'] : []); // @phpstan-ignore-line
        self::assertSame($field, $this->admit([...$typed, 'people' => $people], status: 422)->text('field'));
        self::assertNull($this->send('GET', '/api/blueprints/1/admission')->optionalText('opens'));
    }

    public function test_whoever_saves_second_is_told_what_was_saved_first(): void
    {
        $first = $this->admit(['everybody' => false]);
        $stale = $this->send('PUT', '/api/blueprints/1/admission', ['version' => 0, 'everybody' => true, 'groups' => [], 'people' => []], status: 409);
        self::assertSame($first->raw(), $stale->object('current')->raw());
        $this->send('POST', '/api/groups', ['name' => 'Course'], status: 201);
        $group = $this->group('Course');
        $path = '/api/groups/' . $group->integer('id');
        $this->send('PUT', $path, ['version' => 1, 'name' => 'Course A'], 'Groups');
        self::assertSame($group->integer('id'), $this->group('Course A')->integer('id'));
        self::assertSame(
            'Course A',
            $this->send('PUT', $path, ['version' => 1, 'name' => 'Course B'], status: 409)
                ->object('current')
                ->text('name'),
        );
        foreach (['', 'Course A', str_repeat('n', 81)] as $name) {
            self::assertSame('name', $this->send('POST', '/api/groups', ['name' => $name], status: 422)->text('field'));
        }
    }
}
