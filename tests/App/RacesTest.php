<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Tests\Browser\Server;

/** Several processes of the real server, asked at the same moment: one is first, the others are told, and nothing is lost or broken. */
final class RacesTest extends TestCase
{
    use AsksServer;

    public static function setUpBeforeClass(): void
    {
        self::$server = new Server(workers: 6);
    }

    public static function tearDownAfterClass(): void
    {
        self::$server = null;
    }

    protected function setUp(): void
    {
        $this->logIn('orrell');
    }

    public function test_of_twenty_saves_of_one_version_one_is_saved_and_the_others_are_shown_it(): void
    {
        $question = $this->get('/api/questions/16');
        $body = static fn (int $i): array => [
            'version' => $question->integer('version'),
            'name' => 'fresh eggs',
            'objective' => $question->text('objective'),
            'content' => [...$question->object('content')->raw(), 'stem' => "Version number $i?"],
        ];
        $answers = $this->atOnce(array_map(static fn (int $i): array => ['PUT', '/api/questions/16', $body($i)], range(1, 20)));
        $saved = array_values(array_filter($answers, static fn (array $a): bool => $a[0] === 200));

        self::assertSame([200 => 1, 409 => 19], self::counted($answers));
        $stands = $this->get('/api/questions/16')->object('content')->text('stem');
        self::assertSame(Fields::ofJson($saved[0][1])->object('content')->text('stem'), $stands);
        foreach ($answers as [$status, $json]) {
            self::assertTrue($status === 200 || Fields::ofJson($json)->object('current')->object('content')->text('stem') === $stands, 'who was second sees what was saved');
        }
    }

    public function test_a_page_or_a_blueprint_or_settings_are_never_overwritten_in_silence(): void
    {
        $page = $this->get('/api/banks/1/pages')->objects('pages')[0];
        $blueprint = $this->get('/api/blueprints/2');
        $settings = $this->get('/api/banks/1/settings');
        /** @return list<array{string, string, array<string, mixed>}> */
        $versions = static fn (string $path, array $body, Fields $of): array => array_map(
            static fn (int $i): array => ['PUT', $path, ['version' => $of->integer('version'), ...array_map(static fn (mixed $v): mixed => is_string($v) ? str_replace('#', (string) $i, $v) : $v, $body)]],
            range(1, 8),
        );

        foreach (
            [
                $versions('/api/pages/' . $page->integer('id'), ['name' => 'a page', 'heading' => 'H', 'reads' => 'Text #'], $page),
                array_map(
                    static fn (int $i): array => ['PUT', '/api/blueprints/2/document', ['version' => $blueprint->integer('version'), 'document' => [...$blueprint->object('document')->raw(), 'title' => "Title $i"]]],
                    range(1, 8),
                ),
                $versions('/api/banks/1/settings', ['settings' => ['shuffle' => 'yes'], 'byKind' => ['one' => ['points' => '2']]], $settings),
            ] as $requests
        ) {
            self::assertSame([200 => 1, 409 => 7], self::counted($this->atOnce($requests)), $requests[0][1]);
        }
    }

    public function test_a_name_goes_to_one_and_the_others_hear_that_it_is_taken(): void
    {
        $content = ['v' => 1, 'kind' => 'number', 'stem' => 'How many?', 'spans' => [['span' => '14']]];
        $answers = $this->atOnce(array_fill(0, 10, ['POST', '/api/banks/1/questions', ['name' => 'the only one', 'objective' => 'Brand new > Deep', 'content' => $content]]));

        self::assertSame([201 => 1, 422 => 9], self::counted($answers));
    }

    public function test_objectives_and_answers_to_a_comment_that_come_together_are_all_kept(): void
    {
        $content = ['v' => 1, 'kind' => 'number', 'stem' => 'How many?', 'spans' => [['span' => '14']]];
        $made = $this->atOnce(array_map(static fn (int $i): array => ['POST', '/api/banks/1/questions', ['name' => "together $i", 'objective' => 'Made together > Deep', 'content' => $content]], range(1, 8)));
        $comment = Fields::ofJson($this->atOnce([['POST', '/api/questions/3/comments', ['where' => 'stem', 'text' => 'Look.']]])[0][1])
            ->objects('comments')[0]
            ->integer('id');
        $answered = $this->atOnce(array_map(static fn (int $i): array => ['PUT', "/api/questions/3/comments/$comment", ['text' => "Answer $i"]], range(1, 8)));

        self::assertSame([[201 => 8], [200 => 8]], [self::counted($made), self::counted($answered)]);
        self::assertCount(8, $this->get('/api/questions/3')->objects('comments')[0]->objects('answers'));
    }

    public function test_pictures_that_come_under_one_name_at_one_moment_each_get_a_name_of_their_own(): void
    {
        $svg = static fn (int $i): string => "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 9 9\"><circle r=\"$i\"/></svg>";
        $answers = $this->atOnce(array_map(static fn (int $i): array => ['PUT', '/api/banks/1/media/hive.svg', $svg($i)], range(1, 16)));
        self::assertSame([201 => 16], self::counted($answers));
        $names = [];
        foreach ($answers as $i => [, $json]) {
            $told = Fields::ofJson($json);
            $names[] = $told->text('name');
            self::assertStringContainsString('r="' . ($i + 1) . '"', $this->atOnce([['GET', $told->text('url'), null]])[0][1], 'it names its own picture');
        }
        self::assertCount(16, array_unique($names));
    }

    public function test_an_edition_is_frozen_once(): void
    {
        $version = $this->get('/api/blueprints/3')->integer('version');
        $renamed = $this->get('/api/blueprints/3');
        $this->atOnce([['PUT', '/api/blueprints/3/document', ['version' => $version, 'document' => [...$renamed->object('document')->raw(), 'title' => 'Changed']]]]);
        $version = $this->get('/api/blueprints/3')->integer('version');

        self::assertSame([201 => 1, 422 => 5], self::counted($this->atOnce(array_fill(0, 6, ['POST', '/api/blueprints/3/editions', ['version' => $version]]))));
    }

    public function test_who_may_sit_an_assessment_is_first_said_by_one_and_shown_to_the_others(): void
    {
        $body = static fn (int $i): array => [
            'version' => 0,
            'everybody' => false,
            'opens' => null,
            'closes' => null,
            'groups' => [],
            'people' => [['account' => $i, 'extraTime' => 0, 'sittings' => 0, 'byCode' => false]],
        ];
        $version = $this->get('/api/blueprints/2/admission')->integer('version');
        $candidates = array_map(static fn (Fields $c): int => $c->integer('id'), array_slice($this->get('/api/groups')->objects('candidates'), 0, 4));
        $answers = $this->atOnce(array_map(static fn (int $id): array => ['PUT', '/api/blueprints/2/admission', ['version' => $version] + $body($id)], $candidates));

        self::assertSame([200 => 1, 409 => count($candidates) - 1], self::counted($answers));
        self::assertCount(1, $this->get('/api/blueprints/2/admission')->items('people'));
    }

    public function test_a_large_intake_is_worked_off_by_another_process_while_everything_else_goes_on(): void
    {
        $many = 1_000;
        $text = implode("\n", array_map(static fn (int $i): string => "one: Which of these is number $i?\n yes: the right one\n no: another\n", range(1, $many)));
        $lines = array_map(static fn (int $i): int => 1 + 4 * $i, range(0, $many - 1));
        [[$status, $json]] = $this->atOnce([['POST', '/api/banks/1/intake', ['text' => $text, 'lines' => $lines, 'name' => 'large']]]);
        self::assertSame(202, $status);
        $job = Fields::ofJson($json);
        $seen = [];
        for ($end = microtime(true) + 300; microtime(true) < $end && !in_array($job->text('state'), ['done', 'failed'], true); usleep(50_000)) {
            [[, $json], [$meanwhile]] = $this->atOnce([
                ['GET', '/api/jobs/' . $job->integer('id'), null],
                ['PUT', '/api/questions/5/about', ['version' => $this->get('/api/questions/5')->integer('version'), 'selfNote' => 'typed ' . count($seen)]],
            ]);
            self::assertSame(200, $meanwhile, 'others can save while it works');
            $job = Fields::ofJson($json);
            $seen[$job->integer('done')] = true;
        }

        self::assertSame(['done', $many], [$job->text('state'), $job->object('result')->integer('questions')]);
        self::assertGreaterThan(1, count($seen), 'how far it is was told');
    }
}
