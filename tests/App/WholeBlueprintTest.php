<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Zetema\Core\Data\Fields;

/** A blueprint that is written as a whole: sections with their time, a silent route, a closing page; refused at its places, delivered as it says. */
final class WholeBlueprintTest extends ApiTestCase
{
    use ClockSensitiveTrait;

    private const DOCUMENT = [
        'v' => 2,
        'title' => 'A day at the hives',
        'pass' => ['percent' => '50'],
        'rules' => ['feedback' => 'after each attempt'],
        'sections' => [
            [
                'id' => 'morning',
                'title' => 'The morning',
                'time' => '2 min',
                'steps' => [
                    ['id' => 'p1', 'page' => 'why eggs matter'],
                    ['id' => 'q1', 'question' => 'fresh eggs', 'settings' => ['attempts' => '1']],
                    ['id' => 'c1', 'checkpoint' => ['routes' => [['when' => ['outcome' => 'fresh eggs', 'is' => ['right']], 'to' => 'evening']]]],
                    ['id' => 'd1', 'draw' => ['take' => 2, 'pool' => ['objective' => 'Colony life', 'kinds' => ['claim']]]],
                ],
            ],
            ['id' => 'evening', 'title' => 'The evening', 'steps' => [['id' => 'd2', 'draw' => ['take' => 1, 'pool' => ['objective' => 'Health and pests', 'kinds' => ['claim']]]]]],
        ],
        'closing' => ['passed' => 'a word before swarm day', 'notPassed' => 'why eggs matter'],
        'review' => ['passed' => [['rung' => 'total']], 'notPassed' => [['rung' => 'passed or not']]],
    ];

    public function test_what_keeps_it_from_being_sat_is_told_at_its_places_and_kept(): void
    {
        $this->logIn('orrell');
        $version = $this->version('/api/blueprints/1');
        $wrong = ['v' => 2, 'title' => 'T', 'sections' => [['id' => 'a', 'steps' => [['id' => 'q1', 'question' => 'nobody'], ['id' => 'p1', 'page' => 'nothing']]]]];
        $planned = $this->send('PUT', '/api/blueprints/1/document', ['version' => $version, 'document' => $wrong], 'Blueprint');
        self::assertSame([['q1', 'unknown'], ['p1', 'unknown']], array_map(static fn (Fields $p): array => [$p->text('where'), $p->text('subject')], $planned->objects('findings')));
        foreach (['rehearsals' => ['drafts' => true], 'editions' => ['version' => $planned->integer('version')]] as $what => $body) {
            $problem = $this->send('POST', "/api/blueprints/1/$what", $body, 'Problem', 422);
            self::assertCount(2, $problem->objects('problems'), $what);
        }
    }

    public function test_paths_and_what_is_hardly_meant_so_are_told(): void
    {
        $this->logIn('orrell');
        $steps = [
            ['question' => 'fresh eggs', 'settings' => ['attempts' => '2', 'time' => '60 s']],
            ['checkpoint' => ['routes' => [['when' => ['points' => 'all', 'is' => '>=', 'value' => '11'], 'to' => 'end']]]],
            ['draw' => ['take' => 2, 'pool' => ['objective' => 'Colony life', 'kinds' => ['claim']]]],
        ];
        $proof = $this->plan(1, $steps, [
            'rules' => ['moving' => 'forward only', 'screen' => 'question', 'feedback' => 'after each attempt', 'time' => '20 min'],
            'pass' => ['percent' => '60', 'objectives' => [['objective' => 'Honey and harvest', 'percent' => '50']]],
        ])->object('proof');
        self::assertSame([['1', 'loses'], ['2', 'never'], ['blueprint', 'minimum Honey and harvest']], array_map(static fn (Fields $a): array => [$a->text('where'), $a->text('subject')], $proof->objects('advice')));
        $all = $proof->object('paths')->object('all');
        self::assertSame([2, 1, 3, '10', '20', 1200], [$proof->object('paths')->integer('count'), $all->integer('fewest'), $all->integer('many'), $all->text('least'), $all->text('most'), $proof->integer('seconds')]);
        self::assertSame([1, 5, '10'], [$proof->object('steps')->object('1')->integer('questions'), $proof->object('steps')->object('3')->integer('fit'), $proof->object('before')->object('2')->text('most')]);
        self::assertSame('6', $proof->object('pass')->text('points'), 'of the poorest path');
    }

    public function test_what_is_no_blueprint_is_refused_and_nothing_is_lost(): void
    {
        $this->logIn('orrell');
        $blueprint = $this->send('GET', '/api/blueprints/1', schema: 'Blueprint');
        foreach ([['v' => 2, 'title' => 'T', 'sections' => [['id' => 'a', 'steps' => [['id' => 'a', 'page' => 'x']]]]], ['v' => 3], ['v' => 2, 'title' => '', 'sections' => [['id' => 'a', 'steps' => []]]]] as $wrong) {
            $this->send('PUT', '/api/blueprints/1/document', ['version' => $blueprint->integer('version'), 'document' => $wrong], 'Problem', 422);
        }
        self::assertSame($blueprint->raw()['document'], $this->send('GET', '/api/blueprints/1')->raw()['document']);
    }

    public function test_it_is_delivered_as_it_says(): void
    {
        $clock = self::mockTime(new \DateTimeImmutable('2026-05-01 10:00:00'));
        self::assertInstanceOf(MockClock::class, $clock);
        $sitting = $this->begun('carrow');
        self::assertSame(
            ['The morning', 'page-1', ['section']],
            [$sitting->object('screen')->text('section'), $sitting->object('screen')->objects('items')[0]->text('page'), array_map(static fn (Fields $c): string => $c->text('of'), $sitting->objects('clocks'))],
        );
        $sitting = $this->act($sitting, ['type' => 'went on']);
        $sitting = $this->act($sitting, ['type' => 'checked', 'sheet' => 1, 'response' => ['choose' => [$this->right($sitting)]]]);
        $sitting = $this->act($sitting, ['type' => 'went on']);
        self::assertSame(['The evening', 2], [$sitting->object('screen')->text('section'), $sitting->objects('questions')[0]->integer('n')], 'the way led past the draw, and nothing of it is told');
        $this->act($sitting, ['type' => 'handed in']);
        $review = $this->send('GET', '/api/sittings/' . $sitting->integer('id') . '/review', schema: 'Review');
        self::assertSame(['total', true, 'page-1', 2], [$review->text('rung'), $review->flag('passed'), $review->text('closing'), $review->object('total')->integer('asked')]);
        self::assertSame(['page-1'], array_keys($review->object('pages')->raw()), 'what its author calls it is not told');
    }

    public function test_a_section_that_runs_out_leads_on_whether_anybody_is_there(): void
    {
        $clock = self::mockTime(new \DateTimeImmutable('2026-05-01 10:00:00'));
        self::assertInstanceOf(MockClock::class, $clock);
        $sitting = $this->begun('aldous');
        $clock->sleep(130);
        $sitting = $this->send('GET', '/api/sittings/' . $sitting->integer('id'), schema: 'Sitting');

        self::assertSame(['The evening', 4], [$sitting->object('screen')->text('section'), $sitting->objects('questions')[0]->integer('n')], 'egg question and both drawn ones were left blank');
        $this->act($sitting, ['type' => 'handed in']);
        $review = $this->send('GET', '/api/sittings/' . $sitting->integer('id') . '/review', schema: 'Review');
        self::assertSame(['passed or not', false, 'page-1'], [$review->text('rung'), $review->flag('passed'), $review->text('closing')]);
    }

    public function test_it_can_be_rehearsed_and_read_again(): void
    {
        $this->logIn('orrell');
        $id = $this->written();
        $blueprint = $this->send('GET', "/api/blueprints/$id", schema: 'Blueprint');
        self::assertEquals(self::DOCUMENT, $blueprint->raw()['document'], 'questions by their names, as they were written');
        self::assertSame([4, 'A day at the hives'], [$blueprint->object('proof')->integer('questions'), $blueprint->text('title')]);
        $rehearsal = $this->send('POST', "/api/blueprints/$id/rehearsals", ['seed' => 4], 'Sitting', 201);
        $this->plan($id, [['draw' => ['take' => 1, 'pool' => ['kinds' => ['claim']]]]]);
        self::assertSame(
            'page-1',
            $this->send('GET', '/api/sittings/' . $rehearsal->integer('id'), schema: 'Sitting')
                ->object('screen')
                ->objects('items')[0]
                ->text('page'),
            'what is rehearsed stays what it was',
        );
    }

    private function written(): int
    {
        $made = $this->send('POST', '/api/banks/1/blueprints', ['title' => 'Whole'], 'Blueprint', 201);
        $this->send('PUT', '/api/blueprints/' . $made->integer('id') . '/document', ['version' => $made->integer('version'), 'document' => self::DOCUMENT], 'Blueprint');

        return $made->integer('id');
    }

    private function begun(string $candidate): Fields
    {
        $this->logIn('orrell');
        $id = $this->written();
        $edition = $this->send('POST', "/api/blueprints/$id/editions", ['version' => $this->version("/api/blueprints/$id")], 'Edition', 201);
        $this->logIn($candidate);

        return $this->send('POST', '/api/editions/' . $edition->integer('id') . '/sittings', schema: 'Sitting', status: 201);
    }

    private function right(Fields $sitting): int
    {
        $choices = $sitting->objects('questions')[0]->object('answers')->items('choices');

        return 1 + (int) array_key_first(array_filter($choices, static fn (mixed $text): bool => is_string($text) && str_contains($text, 'Single eggs')));
    }
}
