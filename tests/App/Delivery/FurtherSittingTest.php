<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Delivery;

use Doctrine\DBAL\Connection;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** Who sits an assessment again is asked what they have not had, as far as there is any. */
final class FurtherSittingTest extends ApiTestCase
{
    public function test_a_further_sitting_asks_what_was_not_had_and_stores_what_that_was(): void
    {
        $this->logIn('orrell');
        $pool = array_map(static fn (Fields $q): int => $q->integer('id'), array_slice($this->send('GET', '/api/banks/1/questions?kind=claim&status=cleared')->objects('questions'), 0, 5));
        $blueprint = $this->send('POST', '/api/banks/1/blueprints', ['title' => 'Again and again'], status: 201)->integer('id');
        $this->plan($blueprint, [['draw' => ['take' => 2, 'pool' => ['only' => array_map(static fn (int $id): string => "q$id", $pool)]]]], ['rules' => ['sittings' => 3, 'screen' => 'section']]);
        $edition = $this->send('POST', "/api/blueprints/$blueprint/editions", ['version' => $this->version("/api/blueprints/$blueprint")], status: 201)->integer('id');

        $this->logIn('wren');
        $first = $this->sat($edition);
        $second = $this->sat($edition);
        $third = $this->sat($edition);
        self::assertSame([], array_intersect($first, $second), 'two of the other three');
        $left = array_values(array_diff(array_map(static fn (int $id): string => "q$id", $pool), $first, $second));
        self::assertContains($left[0], $third, 'the one that is left');
        self::assertCount(1, array_intersect($third, $first), 'and one of those that were had longest ago');
        self::assertSame(
            [null, json_encode([$first]), json_encode([$first, $second])],
            self::getContainer()
                ->get(Connection::class)
                ->fetchFirstColumn('SELECT seen FROM sitting WHERE edition_id = ? ORDER BY id', [$edition]),
            'seed and what was had give the form',
        );
    }

    /** @return list<string> the questions that it asked */
    private function sat(int $edition): array
    {
        $sitting = $this->begin("/api/editions/$edition/sittings");
        $this->act($sitting, ['type' => 'handed in']);
        $form = self::getContainer()
            ->get(Connection::class)
            ->fetchOne('SELECT form FROM sitting WHERE id = ?', [$sitting->integer('id')]);

        return array_map(
            static fn (Fields $step): string => $step->text('question'),
            Fields::ofJson(is_string($form) ? $form : '')
                ->objects('sections')[0]
                ->objects('steps'),
        );
    }
}
