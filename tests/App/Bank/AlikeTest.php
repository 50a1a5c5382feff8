<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank;

use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

final class AlikeTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    public function test_a_copy_and_what_is_nearly_the_same_are_found_in_the_bank(): void
    {
        $before = $this->send('GET', '/api/banks/1/alike')->items('groups');
        $copy = $this->send('POST', '/api/questions/1/copy', [], 'Question', 201);
        $groups = $this->send('GET', '/api/banks/1/alike');

        self::assertCount(count($before) + 1, $groups->items('groups'));
        self::assertTrue($groups->flag('nearly'));
        $ids = array_map(static fn (mixed $group): array => is_array($group) ? array_column($group, 'id') : [], $groups->items('groups'));
        self::assertContains([1, $copy->integer('id')], $ids);
        $this->send('POST', '/api/banks/1/questions/change', ['ids' => [$copy->integer('id')], 'change' => ['status' => 'retired']], 'Job', 202);
        self::assertCount(count($before), $this->send('GET', '/api/banks/1/alike')->items('groups'), 'a retired one is no longer told');
    }

    public function test_while_a_question_is_written_what_asks_nearly_the_same_is_told_but_not_itself(): void
    {
        $question = $this->send('GET', '/api/questions/1');
        $stem = $question->object('content')->text('stem');
        $alike = fn (string $stem, int $but): array => array_map(static fn (Fields $one): array => [$one->integer('id'), $one->integer('percent')], $this->send('POST', '/api/banks/1/alike', ['stem' => $stem, 'but' => $but])->objects('alike'));

        self::assertSame([], $alike($stem, 1));
        self::assertSame([1, 100], $alike($stem, 0)[0]);
        self::assertSame(1, $alike($stem . ' Again?', 0)[0][0]);
        self::assertSame([], $alike('Zeppelins fly over Bodensee in autumn', 0));
        self::assertSame([], $alike('"', 0));
    }
}
