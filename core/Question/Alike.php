<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

use Zetema\Core\Data\AuthorText;

/**
 * Which stems ask the same or nearly the same: by the words they share of all words that either has, whatever their order, capitals
 * and accents (the Jaccard index, in percent).
 */
final readonly class Alike
{
    /** From here on two stems are told as nearly the same. */
    public const NEARLY = 60;
    /**
     * So many pairs are compared, some seconds' work: texts that all have the same few words would else be held against each other one by
     * one.
     */
    public const MOST_PAIRS = 1_500_000;
    /** What is compared of a stem: its beginning, as lists have it. */
    private const LONGEST = 200;

    /** @return int 0 to 100; 100 only if both have the same words */
    public static function percent(string $one, string $other): int
    {
        return self::shared(self::words($one), self::words($other));
    }

    /**
     * Groups of stems that are the same or nearly the same, each with the first of its group at least so far.
     *
     * @param array<int, string> $stems by the question's id
     *
     * @return array{groups: list<list<array{id: int, percent: int}>>, complete: bool} the nearest group first, each in the order given;
     *   percent: shared with the first; complete: whether all were compared
     */
    public static function groups(array $stems, int $mostPairs = self::MOST_PAIRS): array
    {
        $pairs = 0;
        $words = array_map(self::words(...), $stems);
        $having = [];
        foreach ($words as $id => $own) {
            foreach (array_keys($own) as $word) {
                $having[$word][] = $id;
            }
        }
        $taken = $groups = [];
        foreach ($words as $id => $own) {
            if (isset($taken[$id]) || count($own) < 2 || $pairs > $mostPairs) {
                continue;
            }
            $group = [['id' => $id, 'percent' => 100]];
            $nearest = 0;
            foreach (self::candidates($own, $having, $id) as $other) {
                ++$pairs;
                $percent = isset($taken[$other]) ? 0 : self::shared($own, $words[$other]);
                if ($percent >= self::NEARLY) {
                    $nearest = max($nearest, $percent);
                    $group[] = ['id' => $other, 'percent' => $percent];
                    $taken[$other] = true;
                }
            }
            if (count($group) > 1) {
                $groups[] = ['nearest' => $nearest, 'group' => $group];
            }
        }
        usort($groups, static fn (array $a, array $b): int => $b['nearest'] <=> $a['nearest']);

        return ['groups' => array_column($groups, 'group'), 'complete' => $pairs <= $mostPairs];
    }

    /**
     * Those after a question that can be like it: who shares so large a part of its words has at least one of its few rarest
     * (prefix filtering, after Chaudhuri, Ganti and Kaushik, 2006).
     *
     * @param array<string, true> $own
     * @param array<string, list<int>> $having
     *
     * @return list<int>
     */
    public static function candidates(array $own, array $having, int $id): array
    {
        // A word that none of them has is the rarest of all.
        $counts = array_map(count(...), array_intersect_key($having, $own)) + array_fill_keys(array_keys($own), 0);
        asort($counts);
        $rarest = count($counts) - intdiv(self::NEARLY * count($counts) + 99, 100) + 1;
        $found = [];
        foreach (array_slice(array_keys($counts), 0, $rarest) as $word) {
            foreach ($having[$word] ?? [] as $other) {
                if ($other > $id) {
                    $found[$other] = true;
                }
            }
        }
        ksort($found);

        return array_keys($found);
    }

    /**
     * @param array<string, true> $one
     * @param array<string, true> $other
     */
    public static function shared(array $one, array $other): int
    {
        $both = count(array_intersect_key($one, $other));
        $either = count($one) + count($other) - $both;

        return $either === 0 ? 0 : intdiv(100 * $both, $either);
    }

    /** @return array<string, true> */
    public static function words(string $stem): array
    {
        preg_match_all('/[\p{L}\p{N}]+/u', AuthorText::comparable($stem, self::LONGEST), $found);

        return array_fill_keys(array_map(static fn (string $word): string => 'w' . $word, $found[0]), true);
    }
}
