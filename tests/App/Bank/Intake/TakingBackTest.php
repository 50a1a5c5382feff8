<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Intake;

use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** Every intake stands in the bank's history, and can be taken back from there, whatever came in after it. */
final class TakingBackTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    public function test_any_batch_is_taken_back_from_the_history_not_only_the_newest(): void
    {
        $this->takenIn("true: A.\n\ntrue: B.\n", 'first.txt');
        $this->takenIn("true: C.\n", 'second.txt');
        $changes = $this->changes();
        self::assertSame(
            [['took in “second.txt”: one question', 'M. Orrell'], ['took in “first.txt”: 2 questions', 'M. Orrell']],
            array_map(static fn (Fields $c): array => [$c->text('words'), $c->text('by')], array_slice($changes, 0, 2)),
        );
        self::assertFalse($changes[1]->flag('atWork'));

        $undone = $this->send('POST', '/api/banks/1/changes/' . $changes[1]->integer('id') . '/undo', schema: 'BankChange');
        self::assertSame(['done', 2], [$undone->object('job')->text('state'), $undone->object('job')->object('result')->integer('taken')]);
        self::assertSame([null, 'M. Orrell'], array_map(static fn (Fields $c): ?string => $c->optionalText('undoneBy'), array_slice($this->changes(), 0, 2)));
        self::assertSame(self::QUESTIONS + 1, $this->send('GET', '/api/banks/1/questions')->integer('total'), 'the later one stays');
        self::assertStringContainsString('already', $this->send('POST', '/api/banks/1/changes/' . $changes[1]->integer('id') . '/undo', status: 409)->text('detail'));
    }

    public function test_what_stays_is_said_where_the_step_stands(): void
    {
        $batch = $this->takenIn("true: A.\n\ntrue: B.\n", 'mine.txt')->object('result')->integer('id');
        $one = $this->send('GET', '/api/banks/1/questions?search=A')->objects('questions');
        $id = max(0, ...array_map(static fn (Fields $q): int => $q->integer('id'), $one));
        $question = $this->send('GET', "/api/questions/$id");
        $this->send('PUT', "/api/questions/$id", ['version' => $question->integer('version'), 'name' => null, 'objective' => '', 'content' => [...$question->object('content')->raw(), 'stem' => 'A, said better.']]);
        $this->send('POST', "/api/batches/$batch/take-back");

        self::assertSame('took in “mine.txt”: 2 questions; of these 1 stay: 1 changed since', $this->changes()[0]->text('words'));
    }

    public function test_a_page_that_a_blueprint_needs_stays_and_the_others_go(): void
    {
        $text = "page: welcome\n  reads: Come in.\n\npage: farewell\n  reads: Go out.\n\ntrue: A.\n";
        $read = $this->send('POST', '/api/banks/1/intake/read', ['text' => $text], 'Understood');
        self::assertSame(['welcome', 'farewell'], $read->texts('pages'));
        $batch = $this->takenIn($text, 'pages.txt')->object('result')->integer('id');
        $blueprint = $this->send('POST', '/api/banks/1/blueprints', ['title' => 'With a page'], status: 201)->integer('id');
        $this->plan($blueprint, [['page' => 'welcome'], ['draw' => ['take' => 1, 'pool' => ['kinds' => ['one']]]]]);
        $back = $this->send('POST', "/api/batches/$batch/take-back", schema: 'Job')->object('result');

        self::assertSame(['the page “welcome”, which a blueprint needs'], $back->texts('by'));
        $names = array_map(static fn (Fields $p): string => $p->text('name'), $this->send('GET', '/api/banks/1/pages')->objects('pages'));
        self::assertContains('welcome', $names);
        self::assertNotContains('farewell', $names);
    }

    public function test_a_large_batch_goes_back_in_pieces_in_the_background(): void
    {
        $text = implode("\n\n", array_map(static fn (int $i): string => "true: Enormouslot number $i.", range(1, 320))) . "\n";
        $taken = $this->takenIn($text, 'large.txt')->integer('id');
        $batch = $this->send('GET', "/api/jobs/$taken")
            ->object('result')
            ->integer('id');
        self::assertSame(self::QUESTIONS + 320, $this->send('GET', '/api/banks/1/questions')->integer('total'));
        $job = $this->send('POST', "/api/batches/$batch/take-back", schema: 'Job', status: 202);
        $job = $this->send('GET', '/api/jobs/' . $job->integer('id'), schema: 'Job');

        self::assertSame(['take back', 'done', 320, 320], [$job->text('task'), $job->text('state'), $job->integer('done'), $job->object('result')->integer('taken')]);
        self::assertSame(self::QUESTIONS, $this->send('GET', '/api/banks/1/questions')->integer('total'));
        self::assertSame(0, $this->send('GET', '/api/banks/1/questions?search=Enormouslot')->integer('total'), 'nothing of it is found any more');
        $this->send('POST', "/api/batches/$batch/take-back", status: 422);
    }

    private function takenIn(string $text, string $name): Fields
    {
        $lines = array_map(static fn (Fields $q): int => $q->integer('fromLine'), $this->send('POST', '/api/banks/1/intake/read', ['text' => $text])->objects('questions'));

        return $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'lines' => $lines, 'name' => $name], 'Job', count($lines) > 300 ? 202 : 201);
    }

    /** @return list<Fields> */
    private function changes(): array
    {
        return $this->send('GET', '/api/banks/1/changes?kind=intake')->objects('changes');
    }
}
