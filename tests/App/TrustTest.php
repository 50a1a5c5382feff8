<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;

/** What a candidate's browser may say, and what it gets for it. */
final class TrustTest extends ApiTestCase
{
    public function test_a_saved_response_brings_no_page_and_no_picture_along(): void
    {
        $this->logIn('orrell');
        $page = $this->send('POST', '/api/banks/1/pages', ['name' => 'secret', 'heading' => 'S', 'reads' => 'The key is varroa.'], 'Page', 201);
        $this->plan(2, [['draw' => ['take' => 1, 'pool' => ['kinds' => ['text']]]]]);
        $edition = $this->send('POST', '/api/blueprints/2/editions', ['version' => $this->version('/api/blueprints/2')], status: 201)->integer('id');
        $this->logIn('carrow');
        $sitting = $this->begin("/api/editions/$edition/sittings");
        $text = $sitting->objects('questions')[0];
        $typed = ['text' => '(page:secret) ![x](hive.svg) ' . rawurlencode($page->text('name'))];
        $saved = $this->act($sitting, ['request' => 'typed', 'type' => 'saved', 'sheet' => $text->integer('n'), 'response' => $typed]);

        self::assertSame([[], []], [$saved->object('pages')->raw(), $saved->object('media')->raw()]);
        $this->act($saved, ['request' => 'end', 'type' => 'handed in']);
        $review = $this->send('GET', '/api/sittings/' . $sitting->integer('id') . '/review', schema: 'Review');
        self::assertSame([[], []], [$review->object('pages')->raw(), $review->object('media')->raw()]);
        self::assertStringNotContainsString('The key is', (string) $this->client->getResponse()->getContent());
    }

    /** @return iterable<string, array{string, int}> request id, status */
    public static function ids(): iterable
    {
        yield 'what our clock was once called' => ['clock', 200];
        yield 'what our start was once called' => ['start', 200];
        yield 'our own clock' => [':clock', 422];
        yield 'our own start' => [':start', 422];
        yield 'nothing' => ['', 422];
        yield 'with a line break' => ["a\n", 422];
        yield 'too long' => [str_repeat('a', 61), 422];
    }

    #[DataProvider('ids')]
    public function test_no_browser_can_say_an_id_of_our_own_and_every_sitting_can_be_ended(string $id, int $status): void
    {
        $this->logIn('carrow');
        $sitting = $this->begin();
        $answer = $this->act($sitting, ['request' => $id, 'type' => 'saved', 'sheet' => 1, 'response' => ['choose' => [1]]], $status);
        if ($status === 200) {
            self::assertTrue($answer->objects('questions')[0]->flag('answered'), 'it is not swallowed');
        }
        $now = $this->send('GET', '/api/sittings/' . $sitting->integer('id'), schema: 'Sitting');

        self::assertSame('ended', $this->act($now, ['request' => 'end', 'type' => 'handed in'])->text('phase'));
    }

    /** @return iterable<string, array{array<string, mixed>, int}> the second request under the same id */
    public static function repeats(): iterable
    {
        yield 'the same again' => [[], 200];
        yield 'on another event, as after a lost answer' => [['on' => 2], 200];
        yield 'another response' => [['response' => ['choose' => [2]]], 409];
        yield 'another question' => [['sheet' => 2], 409];
        yield 'another act' => [['type' => 'flagged'], 409];
        yield 'a response that makes no sense' => [['response' => ['choose' => [99]]], 409];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('repeats')]
    public function test_a_repeated_id_with_another_body_is_a_conflict(array $change, int $status): void
    {
        $this->logIn('carrow');
        $sitting = $this->begin();
        $event = ['request' => 'one', 'type' => 'saved', 'sheet' => 1, 'response' => ['choose' => [1]]];
        $first = $this->act($sitting, $event);
        $this->act($sitting, [...$event, ...$change], $status);
        $now = $this->send('GET', '/api/sittings/' . $sitting->integer('id'), schema: 'Sitting');

        self::assertSame($first->raw()['questions'], $now->raw()['questions'], 'nothing was changed by it');
    }

    public function test_only_the_newest_edition_is_begun_and_sittings_count_for_the_assessment(): void
    {
        $this->logIn('carrow');
        $running = $this->begin();
        $this->logIn('orrell');
        $blueprint = $this->send('GET', '/api/blueprints/1');
        $this->send('PUT', '/api/blueprints/1/document', ['version' => $blueprint->integer('version'), 'document' => [...$blueprint->object('document')->raw(), 'title' => 'Another title']]);
        $newest = $this->send('POST', '/api/blueprints/1/editions', ['version' => $this->version('/api/blueprints/1')], status: 201)->integer('id');

        $this->logIn('carrow');
        self::assertSame($running->integer('id'), $this->send('POST', "/api/editions/$newest/sittings", schema: 'Sitting', status: 201)->integer('id'), 'the one that is running goes on');
        $mine = $this->send('GET', '/api/my-assessments', schema: 'MyAssessments')->objects('assessments');
        self::assertSame([1, $running->integer('id'), 0], [$mine[0]->integer('edition'), $mine[0]->integer('running'), $mine[0]->integer('sittingsLeft')], 'one line for the assessment');
        $this->act($running, ['request' => 'end', 'type' => 'handed in']);
        self::assertStringContainsString('you have', $this->send('POST', "/api/editions/$newest/sittings", status: 422)->text('detail'), 'both sittings are used, whatever the edition');

        $this->logIn('aldous');
        self::assertStringContainsString('no longer', $this->send('POST', '/api/editions/1/sittings', status: 422)->text('detail'));
        self::assertSame(1, $this->send('GET', '/api/my-assessments')->objects('assessments')[0]->integer('sittingsLeft'), 'the one of the older edition counts');
    }

    public function test_events_stored_before_have_ids_that_no_browser_can_say(): void
    {
        $ids = self::getContainer()->get(Connection::class)->fetchFirstColumn("SELECT request FROM sitting_event WHERE kind IN ('started', 'ran out')");

        self::assertNotSame([], $ids);
        foreach ($ids as $id) {
            self::assertStringStartsWith(':', is_string($id) ? $id : '');
        }
    }
}
