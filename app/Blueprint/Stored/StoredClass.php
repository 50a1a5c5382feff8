<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Stored;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Query\QueryBuilder;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Shared\Dialect\Dialect;
use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Question\Points;

/** What the questions of a class in a StoredStock have in common, and how many they are. */
final class StoredClass
{
    public int $count = 0;

    /**
     * @param int $sample the number of the first of them
     * @param array<int, true> $tags places of the tags they have, among those that are asked for
     * @param array<int, true> $pools places of the pools they are in, likewise
     * @param int|null $own the number of the one question, if the blueprint names it
     */
    private function __construct(
        public readonly int $sample,
        public readonly ?string $objectivePath,
        public readonly string $kind,
        public readonly ?string $difficulty,
        public readonly string $worth,
        public readonly array $tags,
        public readonly array $pools,
        public readonly ?int $own,
    ) {
    }

    /**
     * @param array<string, mixed> $row
     * @param array<int, true> $tags
     * @param array<int, true> $pools
     */
    public static function of(array $row, int $sample, array $tags = [], array $pools = [], ?int $own = null): self
    {
        $text = static fn (string $column): ?string => is_scalar($row[$column] ?? null) ? (string) $row[$column] : null;
        ksort($tags);
        ksort($pools);

        return new self(
            $sample,
            $text('objective_path'),
            $text('kind') ?? '',
            $text('difficulty'),
            $text('worth') ?? '0',
            $tags,
            $pools,
            $own,
        );
    }

    /** Whether a draw may take any of them, as far as their facts tell. */
    public function mayBeAsked(DealingPlan $plan): bool
    {
        $objective = self::path($this->objectivePath);
        foreach ($plan->draws() as $draw) {
            if ($draw->pool->fitsFacts($objective, $this->kind, $this->difficulty)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> */
    private static function path(?string $stored): array
    {
        return $stored === null ? [] : explode(Objective::SEPARATOR, $stored);
    }

    /**
     * The same for questions that cannot be told apart, and for no others.
     *
     * @param array<string, mixed> $row
     * @param array<int, true> $tags
     * @param array<int, true> $pools
     */
    public static function key(array $row, array $tags = [], array $pools = [], ?int $own = null): string
    {
        $key = '';
        foreach (['objective_path', 'kind', 'difficulty', 'worth'] as $fact) {
            $key .= (is_scalar($row[$fact]) ? (string) $row[$fact] : '') . "\n";
        }
        ksort($tags);
        ksort($pools);

        return $key . implode(',', array_keys($tags)) . '/' . implode(',', array_keys($pools)) . '#' . $own;
    }

    /**
     * @param list<string> $tags all that are asked for
     * @param list<string> $pools likewise
     */
    public function question(array $tags, array $pools): EligibleQuestion
    {
        return new EligibleQuestion(
            ($this->own === null ? 'like q' : 'q') . $this->sample, // no blueprint can name the first of a class that is counted
            $this->kind,
            self::path($this->objectivePath),
            array_values(array_intersect_key($tags, $this->tags)),
            $this->difficulty,
            Points::of($this->worth),
            array_values(array_intersect_key($pools, $this->pools)),
        );
    }

    /**
     * Narrows a query of questions "s" to those of this class.
     *
     * @param string $revision column with the revision's id
     * @param list<string> $tags all that are asked for
     * @param list<list<int>> $pools ids of the questions in those that are asked for
     * @param list<int> $named questions that are classes of their own
     */
    public function narrow(QueryBuilder $query, Dialect $dialect, string $revision, array $tags, array $pools, array $named): void
    {
        if ($this->own !== null) {
            $query->andWhere('s.question_id = :own')->setParameter('own', $this->own);

            return;
        }
        foreach (
            ['objective_path' => $this->objectivePath, 'kind' => $this->kind, 'difficulty' => $this->difficulty, 'worth' => $this->worth] as $fact => $value
        ) {
            if ($value === null) {
                $query->andWhere("s.$fact IS NULL");
            } else {
                $query->andWhere("s.$fact = :$fact")->setParameter($fact, $value);
            }
        }
        foreach ($tags as $i => $tag) {
            $query
                ->andWhere(
                    (isset($this->tags[$i]) ? '' : 'NOT ') .
                        'EXISTS (SELECT 1 FROM revision_tag WHERE revision_id = ' .
                        $revision .
                        ' AND tag = :tag' .
                        $i .
                        ')',
                )
                ->setParameter('tag' . $i, $tag);
        }
        foreach ($pools as $i => $members) {
            $query
                ->andWhere('s.question_id ' . (isset($this->pools[$i]) ? '' : 'NOT ') . 'IN (' . $dialect->inList(':pool' . $i) . ')')
                ->setParameter('pool' . $i, json_encode($members, JSON_THROW_ON_ERROR));
        }
        if ($named !== []) {
            $query->andWhere('s.question_id NOT IN (:named)')->setParameter('named', $named, ArrayParameterType::INTEGER);
        }
    }
}
