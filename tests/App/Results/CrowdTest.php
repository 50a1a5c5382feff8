<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Results;

use Zetema\App\Demo\Crowd;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** The demo's crowd sits every assessment to its end, by the rules of each. */
final class CrowdTest extends ApiTestCase
{
    public function test_a_crowd_sits_all_assessments_and_its_results_can_be_read(): void
    {
        self::assertSame(
            6 * 12,
            self::getContainer()
                ->get(Crowd::class)
                ->sit([1, 2, 3, 4, 5, 6], 12),
        );
        $this->logIn('orrell');
        $passed = $paths = $bands = [];
        foreach ([1, 2, 3, 4, 5, 6] as $edition) {
            $mine = array_values(
                array_filter($this->send('GET', "/api/editions/$edition/results", schema: 'Results')->objects('sittings'), static fn (Fields $s): bool => str_starts_with($s->text('login'), 'simulated-')),
            );
            self::assertCount(12, $mine);
            foreach ($mine as $sitting) {
                self::assertSame('handed in', $sitting->text('how'));
                self::assertGreaterThan(10, $sitting->integer('seconds'));
                $passed[] = $sitting->raw()['passed'];
                $paths[] = $sitting->text('path');
                array_push($bands, ...array_map(static fn (Fields $band): string => $band->text('band', ''), $sitting->objects('bands')));
            }
            $this->send('GET', '/api/sittings/' . $mine[0]->integer('id') . '/paper', schema: 'AuthorPaper');
        }
        self::assertContains(true, $passed);
        self::assertContains(false, $passed);
        self::assertGreaterThan(2, count(array_unique($paths)), 'they went different ways');
        self::assertGreaterThan(2, count(array_unique($bands)));
    }
}
