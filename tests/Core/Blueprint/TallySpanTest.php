<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Blueprint;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Blueprint\Paths\TallySpan;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Question;

/** The margin tells between which values a tally ends, so that its bands can be cut. */
final class TallySpanTest extends TestCase
{
    private static function question(string $name): ?Question
    {
        $choice = static fn (int $id, int $adds): array => ['id' => $id, 'text' => "choice $id", 'key' => $id === 1, 'tallies' => ['calm' => $adds]];
        $data = match ($name) {
            'rating' => ['kind' => 'rating', 'from' => 1, 'to' => 5, 'tallies' => ['calm']],
            'one' => ['kind' => 'one', 'choices' => [$choice(1, 3), $choice(2, -1)]],
            'positive' => ['kind' => 'one', 'choices' => [$choice(1, 2), $choice(2, 4)]],
            'several' => ['kind' => 'several', 'choices' => [$choice(1, 3), $choice(2, -1), $choice(3, 2), $choice(4, -4)]],
            'other' => ['kind' => 'one', 'choices' => [['id' => 1, 'text' => 'a', 'key' => true, 'tallies' => ['curious' => 9]], ['id' => 2, 'text' => 'b', 'key' => false]]],
            default => null,
        };

        return $data === null ? null : Question::fromData(Fields::of(['stem' => 'So?', ...$data]), $name);
    }

    /** @return iterable<string, array{list<string>, bool, bool, int, int}> questions, must be answered, branches; least and most */
    public static function spans(): iterable
    {
        yield 'a scale that must be answered' => [['rating'], true, false, 1, 5];
        yield 'a scale that may be left blank' => [['rating'], false, false, 0, 5];
        yield 'one of two' => [['one'], true, false, -1, 3];
        yield 'both add' => [['positive'], true, false, 2, 4];
        yield 'both add, and blank adds nothing' => [['positive'], false, false, 0, 4];
        yield 'several at once' => [['several'], true, false, -5, 5];
        yield 'all together' => [['rating', 'one', 'positive', 'several'], true, false, -3, 17];
        yield 'some of them perhaps not asked' => [['rating', 'one', 'positive'], true, true, -1, 12];
        yield 'what adds to another tally' => [['other'], true, false, 0, 0];
        yield 'one that is not whole' => [['none', 'rating'], true, false, 1, 5];
    }

    /** @param list<string> $questions */
    #[DataProvider('spans')]
    public function test_between_which_values_a_tally_ends(array $questions, bool $must, bool $branches, int $least, int $most): void
    {
        $steps = [['id' => 'd', 'draw' => ['take' => 1, 'pool' => []]], ...array_map(static fn (string $name): array => ['id' => $name, 'question' => $name], $questions)];
        $blueprint = BlueprintReader::planned(['v' => 2, 'title' => 'T', 'rules' => ['mustAnswer' => $must], 'sections' => [['id' => 's', 'steps' => $steps]]]);
        $span = TallySpan::of('calm', $blueprint, self::question(...), $branches);
        self::assertSame([$least, $most, false], [$span->least, $span->most, $span->isWhole], 'its draw is not looked at');
    }

    /** @return iterable<string, array{int, list<string>, bool, int, int}> how many of which are drawn, must be answered; least and most */
    public static function draws(): iterable
    {
        yield 'all there are' => [2, ['rating', 'one'], true, 0, 8];
        yield 'one of two: the lowest, and the highest' => [1, ['rating', 'one'], true, -1, 5];
        yield 'two of four' => [2, ['rating', 'one', 'positive', 'several'], true, -6, 10];
        yield 'that may be left blank' => [2, ['rating', 'positive'], false, 0, 9];
        yield 'of which some add nothing' => [1, ['other', 'positive'], true, 0, 4];
        yield 'from none at all' => [1, [], true, 0, 0];
    }

    /** @param list<string> $pool */
    #[DataProvider('draws')]
    public function test_what_is_drawn_counts_by_the_lowest_and_the_highest_of_its_pool(int $take, array $pool, bool $must, int $least, int $most): void
    {
        $blueprint = BlueprintReader::planned(['v' => 2, 'title' => 'T', 'rules' => ['mustAnswer' => $must], 'sections' => [['id' => 's', 'steps' => [['id' => 'd', 'draw' => ['take' => $take, 'pool' => []]]]]]]);
        $span = TallySpan::of('calm', $blueprint, self::question(...), false, static fn (): array => array_values(array_filter(array_map(self::question(...), $pool))));
        self::assertSame([$least, $most, true], [$span->least, $span->most, $span->isWhole]);
    }
}
