<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Blueprint;

use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** Editions are looked at, compared with one another and with what would be frozen now, closed and opened again. */
final class EditionsTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    /** @return array<string, list<string>> questions that came in, went out, read or count otherwise */
    private function questions(Fields $differences): array
    {
        return array_map(static fn (string $part): array => array_map(static fn (Fields $q): string => $q->text('words'), $differences->object('questions')->object($part)->objects('few')), [
            'in' => 'in',
            'out' => 'out',
            'changed' => 'changed',
            'worth' => 'worth',
        ]);
    }

    private function save(string $name, callable $change): void
    {
        $id = $this->send('GET', '/api/banks/1/questions?search=' . rawurlencode($name))
            ->objects('questions')[0]
            ->integer('id');
        $question = $this->send('GET', "/api/questions/$id");
        $this->send(
            'PUT',
            "/api/questions/$id",
            [
                'version' => $question->integer('version'),
                'name' => $question->optionalText('name') ?? '',
                'objective' => $question->optionalText('objective') ?? '',
                'content' => $change($question->object('content')->raw()),
            ],
            'Question',
        );
        $this->send('PUT', "/api/questions/$id/status", ['status' => 'cleared', 'version' => $this->version("/api/questions/$id")]);
    }

    public function test_before_freezing_it_says_what_the_next_edition_brings(): void
    {
        $none = $this->send('GET', '/api/blueprints/1/differences')->object('differences');
        self::assertSame([], [...$none->objects('plan'), ...array_merge(...array_values($this->questions($none)))]);
        $this->save('drone sting', static fn (array $content): array => [...$content, 'stem' => 'A drone cannot sting.']);
        $this->save('warming eggs', static fn (array $content): array => [...$content, 'settings' => ['points' => '7']]);
        $retired = $this->send('GET', '/api/banks/1/questions?search=never+another+queen')->objects('questions')[0]->integer('id');
        $this->send('PUT', "/api/questions/$retired/status", ['status' => 'retired', 'version' => $this->version("/api/questions/$retired")]);
        $made = $this->send(
            'POST',
            '/api/banks/1/questions',
            [
                'name' => 'new claim',
                'objective' => 'Colony life',
                'content' => ['kind' => 'claim', 'stem' => 'New?', 'choices' => [['id' => 1, 'text' => 'true', 'key' => true], ['id' => 2, 'text' => 'false', 'key' => false]]],
            ],
            status: 201,
        );
        $this->send('PUT', '/api/questions/' . $made->integer('id') . '/status', ['status' => 'cleared', 'version' => $made->integer('version')]);
        $document = $this->send('GET', '/api/blueprints/1')->object('document')->raw();
        $this->send('PUT', '/api/blueprints/1/document', ['version' => $this->version('/api/blueprints/1'), 'document' => [...$document, 'pass' => ['percent' => '65']]]);

        $next = $this->send('GET', '/api/blueprints/1/differences')->object('differences');
        self::assertSame(['in' => ['new claim'], 'out' => ['never another queen'], 'changed' => ['drone sting', 'warming eggs'], 'worth' => ['warming eggs']], $this->questions($next));
        self::assertSame(['5', '7'], [$next->object('questions')->object('worth')->objects('few')[0]->text('old'), $next->object('questions')->object('worth')->objects('few')[0]->text('new')]);
        self::assertSame(['pass', 'Colony life', 'Hive inspection', 'Health and pests', 'Honey and harvest', 'Neighbours and law'], array_map(static fn (Fields $d): string => $d->text('what'), $next->objects('plan')));

        $second = $this->send('POST', '/api/blueprints/1/editions', ['version' => $this->version('/api/blueprints/1')], 'Edition', 201)->integer('id');
        $between = $this->send('GET', '/api/editions/1/differences?to=2')->object('differences');
        self::assertEquals([...$next->raw(), 'to' => 2], $between->raw(), 'it brought what was said');
        self::assertSame(['new claim'], $this->questions($this->send('GET', "/api/editions/$second/differences?to=1")->object('differences'))['out'], 'the other way round');
        $this->send('GET', '/api/editions/1/differences?to=9', status: 404);
    }

    public function test_an_edition_is_looked_at_as_it_was_frozen(): void
    {
        $document = $this->send('GET', '/api/blueprints/1')->object('document')->raw();
        $this->send('PUT', '/api/blueprints/1/document', ['version' => $this->version('/api/blueprints/1'), 'document' => [...$document, 'title' => 'Another', 'pass' => ['percent' => '65']]]);
        $edition = $this->send('GET', '/api/editions/1', schema: 'FrozenEdition');
        $blueprint = $edition->object('blueprint');
        self::assertSame(
            ['Apprentice Certificate, written part', '60', 15, '75'],
            [$blueprint->text('title'), $blueprint->object('document')->object('pass')->text('percent'), $blueprint->object('proof')->integer('questions'), $blueprint->object('proof')->object('pass')->text('points')],
        );
        self::assertSame($document, $blueprint->object('document')->raw());
    }

    public function test_a_closed_edition_is_not_begun_and_goes_on_for_whoever_began(): void
    {
        $this->logIn('carrow');
        $running = $this->begin();
        $this->logIn('orrell');
        $closed = $this->send('PUT', '/api/editions/1/closed', ['closed' => true], 'Blueprint');
        self::assertTrue($closed->objects('editions')[0]->flag('closed'));

        $this->logIn('wren');
        self::assertStringContainsString('closed', $this->send('POST', '/api/editions/1/sittings', status: 422)->text('detail'));
        $offered = fn (): array => array_map(static fn (Fields $a): int => $a->integer('edition'), $this->send('GET', '/api/my-assessments', schema: 'MyAssessments')->objects('assessments'));
        self::assertNotContains(1, $offered());
        $this->logIn('carrow');
        self::assertContains(1, $offered(), 'who has begun it finds it');
        self::assertSame($running->integer('id'), $this->begin()->integer('id'));

        $this->logIn('orrell');
        $this->send('PUT', '/api/editions/1/closed', ['closed' => false], 'Blueprint');
        $this->logIn('wren');
        self::assertContains(1, $offered());
    }
}
