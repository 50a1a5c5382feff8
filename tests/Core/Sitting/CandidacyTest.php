<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Sitting;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Blueprint\Check\TrustedNames;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Sitting\Candidacy;
use Zetema\Core\Sitting\Refused;
use Zetema\Core\Time\Instant;

/** Who may begin a sitting, and when. Moments here in seconds. */
final class CandidacyTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, list<int>, int, string|null}> terms, rules, when sittings ended, now, and why not */
    public static function beginnings(): iterable
    {
        yield 'nobody says anything' => [[], [], [], 100, null];
        yield 'not admitted' => [['isAdmitted' => false], [], [], 100, 'not among those'];
        yield 'before it opens' => [['opens' => 101], [], [], 100, 'not open yet'];
        yield 'at the moment it opens' => [['opens' => 100], [], [], 100, null];
        yield 'just before it closes' => [['closes' => 101], [], [], 100, null];
        yield 'at the moment it closes' => [['closes' => 100], [], [], 100, 'has closed'];
        yield 'sat once, which was all' => [[], [], [50], 100, 'can be sat once'];
        yield 'sat once, with another given' => [['more' => 1], [], [50], 100, null];
        yield 'sat twice, with another given' => [['more' => 1], [], [50, 60], 100, 'can be sat 2 times'];
        yield 'any number' => [[], ['sittings' => 'unlimited'], [50, 60, 70], 100, null];
        yield 'within the pause' => [[], ['sittings' => 3, 'pause' => '2 min'], [40], 100, 'can begin in 1 min'];
        yield 'the last ended first' => [[], ['sittings' => 3, 'pause' => '2 min'], [90, 10], 150, 'can begin in 1 min'];
        yield 'after the pause' => [[], ['sittings' => 3, 'pause' => '2 min'], [40], 160, null];
        yield 'closed, and all sat' => [['closes' => 10], [], [5], 100, 'has closed'];
    }

    /**
     * @param array<string, mixed> $terms
     * @param array<string, mixed> $rules
     * @param list<int> $ended
     */
    #[DataProvider('beginnings')]
    public function test_a_sitting_begins_only_where_everything_allows_it(array $terms, array $rules, array $ended, int $now, ?string $why): void
    {
        $blueprint = BlueprintReader::read(['v' => 2, 'title' => 'Paper', 'rules' => $rules, 'sections' => [['id' => 'a', 'steps' => [['id' => '1', 'question' => 'eggs']]]]], new TrustedNames());
        $at = static fn (mixed $seconds): ?Instant => is_int($seconds) ? Instant::millis(1_000 * $seconds) : null;
        $candidacy = new Candidacy(($terms['isAdmitted'] ?? true) === true, $at($terms['opens'] ?? null), $at($terms['closes'] ?? null), 0, is_int($terms['more'] ?? null) ? $terms['more'] : 0);
        $refused = null;
        try {
            $candidacy->refuse($blueprint->rules, array_map(static fn (int $end): Instant => Instant::millis(1_000 * $end), $ended), Instant::millis(1_000 * $now));
        } catch (Refused $e) {
            $refused = $e->getMessage();
        }
        $why === null ? self::assertNull($refused) : self::assertStringContainsString($why, (string) $refused);
    }
}
