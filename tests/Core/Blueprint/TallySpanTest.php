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
        self::assertSame([$least, $most], [$span->least, $span->most]);
    }
}
