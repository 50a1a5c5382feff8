<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Stored;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Query\QueryBuilder;
use Zetema\App\Bank\Bank;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Row;
use Zetema\Core\Drawing\Stock\Stock;

/** Rows of which the classes of a stock are made: what tells questions apart, and how many have it. */
final readonly class ClassRows
{
    /** What is dealt from a bank, which the database has counted. */
    public const DEALT = 's.bank_id = :owner AND s.is_dealt = TRUE';
    public const FACTS = ['s.objective_path', 's.kind', 's.difficulty', 's.worth'];

    /**
     * @param array{string, string, string} $from table, condition on :owner, column with the revision's id
     * @param list<int> $named questions that are classes of their own
     * @param list<string> $tags by which classes are told apart
     * @param array<string, list<int>> $pools ids of the questions in the pools that are asked for, by name
     */
    public function __construct(
        private Connection $db,
        private array $from,
        private int $owner,
        private array $named = [],
        private array $tags = [],
        private array $pools = [],
    ) {
    }

    /** @return iterable<array<string, mixed>> what tells questions apart, how many have it, and the first of them */
    public function counted(): iterable
    {
        if ($this->from[1] !== self::DEALT) {
            return $this->query()
                ->select('MIN(s.question_id) AS sample', 'COUNT(*) AS n', ...self::FACTS)
                ->groupBy(...self::FACTS)
                ->executeQuery()
                ->iterateAssociative();
        }

        return $this->db->iterateAssociative(
            "SELECT (SELECT MIN(s.question_id) FROM revision s WHERE s.bank_id = c.bank_id AND s.is_dealt = TRUE AND s.objective_path IS NOT DISTINCT FROM NULLIF(c.objective_path, '') AND s.kind = c.kind AND s.difficulty IS NOT DISTINCT FROM NULLIF(c.difficulty, '') AND s.worth = c.worth) AS sample,
            c.questions AS n, NULLIF(c.objective_path, '') AS objective_path, c.kind, NULLIF(c.difficulty, '') AS difficulty, c.worth FROM dealt_count c WHERE c.bank_id = ? AND c.questions > 0",
            [$this->owner],
        );
    }

    /**
     * @return list<array{array<string, mixed>, array<int, true>, array<int, true>, null}> facts with the first and the number of them, and
     *   places of tags, of all that have a tag that is asked for and are neither named nor in a pool; the first of a class first
     */
    public function tagged(): array
    {
        if ($this->tags === []) {
            return [];
        }
        // From the tags, which are few, to their questions; the other way round all questions would be asked. Counted here, not question by
        // question: a tag may be on thousands.
        $dialect = Dialects::of($this->db);
        $tags =
            count($this->tags) === 1
                ? 'SELECT revision_id, tag AS tags FROM revision_tag WHERE tag IN (:tags)'
                : 'SELECT revision_id, ' .
                    $dialect->joined('tag') .
                    ' AS tags FROM revision_tag WHERE tag IN (:tags) GROUP BY revision_id';
        $query = $this->query("($tags) t {$dialect->thenLookUp()} ")
            ->select('MIN(s.question_id) AS sample', 'COUNT(*) AS n', 't.tags', ...self::FACTS)
            ->andWhere('t.revision_id = ' . $this->from[2])
            ->groupBy('t.tags', ...self::FACTS)
            ->orderBy('sample')
            ->setParameter('tags', $this->tags, ArrayParameterType::STRING);
        if ($this->named !== [] || $this->pools !== []) {
            $query->andWhere('s.question_id NOT IN (' . $dialect->inList(':alone') . ')')->setParameter('alone', $this->alone());
        }
        $places = array_flip($this->tags);

        return array_map(
            static fn (array $row): array => [
                $row,
                array_fill_keys(array_intersect_key($places, array_flip(explode("\n", Row::text($row['tags'])))), true),
                [],
                null,
            ],
            $query->executeQuery()->fetchAllAssociative(),
        );
    }

    /**
     * @return list<array{array<string, mixed>, array<int, true>, array<int, true>, int|null}> facts, places of tags and of pools, and own
     *   number of each that is named or in a pool that is asked for, rising
     */
    public function special(): array
    {
        if ($this->named === [] && $this->pools === []) {
            return [];
        }
        $query = $this->query()
            ->select('s.question_id AS sample', '1 AS n', $this->from[2] . ' AS revision', ...self::FACTS)
            ->andWhere('s.question_id IN (' . Dialects::of($this->db)->inList(':alone') . ')')
            ->setParameter('alone', $this->alone())
            ->orderBy('s.question_id');
        $rows = $query->executeQuery()->fetchAllAssociative();
        $tags = $pools = [];
        $places = array_flip($this->tags);
        // From the questions, which are few, to their tags.
        $dialect = Dialects::of($this->db);
        $tagged = $this->db->executeQuery(
            'SELECT t.revision_id, t.tag FROM ' .
                $dialect->listed('?') .
                ' j ' .
                $dialect->thenLookUp() .
                ' revision_tag t ON t.revision_id = j.value WHERE t.tag IN (?)',
            [json_encode(array_column($rows, 'revision'), JSON_THROW_ON_ERROR), $this->tags],
            [1 => ArrayParameterType::STRING],
        );
        foreach ($tagged->iterateNumeric() as $row) {
            $tags[Row::int($row[0] ?? null)][$places[Row::text($row[1] ?? null)]] = true;
        }
        foreach (array_values($this->pools) as $place => $members) {
            foreach ($members as $id) {
                $pools[$id][$place] = true;
            }
        }
        $named = array_flip($this->named);
        $special = [];
        foreach ($rows as $row) {
            $id = Row::int($row['sample']);
            $special[] = [$row, $tags[Row::int($row['revision'])] ?? [], $pools[$id] ?? [], isset($named[$id]) ? $id : null];
        }

        return $special;
    }

    /** Ids of the questions that are looked at one by one, as JSON: the named ones and those in pools. */
    private function alone(): string
    {
        return json_encode(array_values(array_unique(array_merge($this->named, ...array_values($this->pools)))), JSON_THROW_ON_ERROR);
    }

    public function query(string $joined = ''): QueryBuilder
    {
        return $this->db
            ->createQueryBuilder()
            ->from($joined . $this->from[0], 's')
            ->where($this->from[1])
            ->setParameter('owner', $this->owner);
    }
}
