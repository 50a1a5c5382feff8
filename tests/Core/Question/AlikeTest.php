<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Question;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Question\Alike;
use Zetema\Core\Question\AlikeIndex;

final class AlikeTest extends TestCase
{
    /** @return iterable<string, array{string, string, int}> */
    public static function pairs(): iterable
    {
        yield 'the same' => ['Which mite is it?', 'Which mite is it?', 100];
        yield 'capitals, marks and signs aside' => ['Which **mite** is it', 'which mite: is it?', 100];
        yield 'in another order' => ['Is it which mite?', 'Which mite is it?', 100];
        yield 'three of five words' => ['red blue green black', 'red blue green white', 60];
        yield 'nothing in common' => ['red blue', 'green black', 0];
        yield 'another number' => ['A sample of 300 bees gives 42 mites', 'A sample of 300 bees gives 30 mites', 77];
        yield 'nothing at all' => ['', '?!', 0];
    }

    #[DataProvider('pairs')]
    public function test_two_stems_are_as_alike_as_the_words_they_share(string $one, string $other, int $percent): void
    {
        self::assertSame([$percent, $percent], [Alike::percent($one, $other), Alike::percent($other, $one)]);
    }

    public function test_the_nearest_of_many_is_found_without_holding_it_against_each(): void
    {
        $stems = [];
        for ($i = 1; $i <= 2_000; ++$i) {
            $stems[$i] = sprintf('Which sign number %d of %d shows that colony %d is about to swarm?', $i, $i * 7, $i * 13);
        }
        $index = new AlikeIndex($stems);
        foreach (
            [
                'Which sign number 12 of 84 shows that the colony 156 is about to swarm soon?' => 12,
                'Which sign number 12 of 84 shows that colony 156 is about to swarm' => 12,
                'What is a nectar flow?' => null,
                'sign' => null,
                '' => null,
            ] as $stem => $nearest
        ) {
            self::assertSame($nearest, $index->nearest($stem), $stem);
            // The same as by holding it against each.
            $percents = array_map(static fn (string $one): int => Alike::percent($stem, $one), $stems);
            arsort($percents);
            $first = array_key_first($percents);
            self::assertSame($first !== null && $percents[$first] >= Alike::NEARLY ? $first : null, $nearest, $stem);
        }
    }

    public function test_groups_are_told_nearest_first_each_question_once(): void
    {
        $groups = Alike::groups([
            1 => 'Which sign shows that a queen laid here lately?',
            2 => 'How long does a drone take to hatch?',
            3 => 'Which sign shows that a queen laid here?',
            4 => 'Which sign shows that the queen laid here lately?',
            5 => 'How long does a drone take to hatch',
            6 => 'What is a nectar flow?',
            7 => 'Bees?',
            8 => 'Bees?',
        ])['groups'];

        self::assertSame([[2, 5], [1, 3, 4]], array_map(static fn (array $group): array => array_column($group, 'id'), $groups));
        self::assertSame([100, 88, 80], array_column($groups[1], 'percent'));
    }

    public function test_it_finds_what_comparing_every_pair_finds(): void
    {
        mt_srand(7);
        $words = array_map(static fn (int $i): string => 'word' . $i, range(1, 25));
        $stems = [];
        for ($id = 1; $id <= 300; ++$id) {
            $stems[$id] = implode(' ', array_map(static fn (int $i): string => $words[$i], array_rand($words, 5)));
        }
        $grouped = [];
        foreach (Alike::groups($stems)['groups'] as $group) {
            foreach (array_slice($group, 1) as $one) {
                self::assertSame(Alike::percent($stems[$group[0]['id']], $stems[$one['id']]), $one['percent']);
            }
            array_push($grouped, ...array_column($group, 'id'));
        }
        $missed = [];
        foreach ($stems as $id => $stem) {
            foreach ($stems as $other => $also) {
                if ($other > $id && !in_array($id, $grouped, true) && !in_array($other, $grouped, true) && Alike::percent($stem, $also) >= Alike::NEARLY) {
                    $missed[] = [$id, $other];
                }
            }
        }

        self::assertGreaterThan(10, count($grouped));
        self::assertSame([], $missed);
        self::assertSame($grouped, array_values(array_unique($grouped)));
    }

    public function test_it_stops_comparing_where_all_have_the_same_few_words_and_says_so(): void
    {
        $words = range('a', 'p');
        $texts = [];
        for ($i = 0; $i < 400; ++$i) {
            $texts[$i] = implode(' ', [$words[$i % 16], $words[($i * 3 + 1) % 16], $words[($i * 7 + 2) % 16], $words[intdiv($i, 16) % 16]]);
        }
        $few = Alike::groups($texts, 500);
        $all = Alike::groups($texts);

        self::assertSame([false, true], [$few['complete'], $all['complete']]);
        self::assertLessThan(count($all['groups']), count($few['groups']));
    }
}
