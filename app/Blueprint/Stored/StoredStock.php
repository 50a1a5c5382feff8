<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Stored;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Query\QueryBuilder;
use Zetema\App\Bank\Bank;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Blueprint\NotCleared;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Row;
use Zetema\Core\Drawing\Dealer;
use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Drawing\Stock\QuestionClass;
use Zetema\Core\Drawing\Stock\Stock;
use Zetema\Core\Drawing\UnknownQuestion;

/**
 * The questions of a bank or of an edition that forms are dealt from, counted by the database: a bank of 100,000 gives some
 * hundred classes. A question's id here is "q" and its number.
 */
final class StoredStock implements Stock
{
    /** What is dealt from a bank, which the database has counted. */
    private const DEALT = 's.bank_id = :owner AND s.is_dealt = TRUE';
    private const FACTS = ['s.objective_path', 's.kind', 's.difficulty', 's.worth'];

    /** @var list<int> questions that are classes of their own */
    private array $named = [];
    /** @var list<string> tags by which classes are told apart */
    private array $tags = [];
    /** @var array<string, list<int>> ids of the questions in the pools that are asked for, by name */
    private array $pools = [];
    /** @var array<string, StoredClass> by key */
    private array $facts = [];

    /**
     * @param array{string, string, string} $from table, condition on :owner, column with the revision's id
     * @param callable(list<string>): array<string, list<int>> $members ids of the questions in pools, by name
     * @param list<array{int, int}> $apart ids of questions that never meet
     */
    private function __construct(private readonly Connection $db, private readonly array $from, private readonly int $owner, private readonly ?int $bank, private readonly mixed $members, private readonly array $apart = [])
    {
    }

    /**
     * What is cleared in a bank now, or with drafts: the newest of every question that is whole and not retired.
     *
     * @param callable(list<string>): array<string, list<int>> $members
     * @param list<array{int, int}> $apart
     */
    public static function ofBank(Connection $db, int $bank, callable $members, array $apart, bool $drafts = false): self
    {
        $newest = "s.bank_id = :owner AND EXISTS (SELECT 1 FROM question q WHERE q.id = s.question_id AND q.newest_id = s.id AND NOT q.is_unfinished AND q.status <> 'retired')";

        return new self($db, ['revision', $drafts ? $newest : self::DEALT, 's.id'], $bank, $bank, $members, $apart);
    }

    /** What an edition holds. */
    public static function ofEdition(Connection $db, Edition $edition): self
    {
        return new self($db, ['edition_question', 's.edition_id = :owner', 's.revision_id'], $edition->id, null, static fn (): array => $edition->pools(), $edition->apart());
    }

    public function classes(DealingPlan $blueprint, array $alone = []): array
    {
        $this->named = array_values(array_filter(array_map(self::number(...), array_unique([...$blueprint->named(), ...$blueprint->fixed(), ...$alone])), is_int(...)));
        $this->tags = $blueprint->tags();
        $this->pools = array_filter(($this->members)($blueprint->pools()));
        $this->facts = [];
        $classes = [];
        foreach ($this->rows() as $row) {
            $class = StoredClass::of($row, Row::int($row['sample']));
            if ($class->mayBeAsked($blueprint)) {
                $classes[StoredClass::key($row)] = $class;
                $class->count = Row::int($row['n']);
            }
        }
        // Those that have a tag or are in a pool that is asked for, or are named, leave the class of all that are otherwise alike.
        foreach ([...$this->tagged(), ...$this->special()] as [$row, $tags, $pools, $own]) {
            $n = Row::int($row['n']);
            $alike = $classes[StoredClass::key($row)] ?? null;
            if ($alike !== null) {
                $alike->count -= $n;
            } elseif ($own === null) {
                continue; // no draw takes any that are otherwise alike
            }
            $key = StoredClass::key($row, $tags, $pools, $own);
            $classes[$key] ??= StoredClass::of($row, Row::int($row['sample']), $tags, $pools, $own);
            $classes[$key]->count += $n;
        }
        uasort($classes, static fn (StoredClass $a, StoredClass $b): int => $a->sample <=> $b->sample);
        $told = [];
        foreach ($classes as $key => $class) {
            if ($class->count > 0) {
                $this->facts[$key] = $class;
                $told[] = new QuestionClass($class->question($this->tags, array_keys($this->pools)), $class->count, $key);
            }
        }

        return $told;
    }

    /** @return iterable<array<string, mixed>> what tells questions apart, how many have it, and the first of them */
    private function rows(): iterable
    {
        if ($this->from[1] !== self::DEALT) {
            return $this->query()->select('MIN(s.question_id) AS sample', 'COUNT(*) AS n', ...self::FACTS)->groupBy(...self::FACTS)->executeQuery()->iterateAssociative();
        }

        return $this->db->iterateAssociative("SELECT (SELECT MIN(s.question_id) FROM revision s WHERE s.bank_id = c.bank_id AND s.is_dealt = TRUE AND s.objective_path IS NOT DISTINCT FROM NULLIF(c.objective_path, '') AND s.kind = c.kind AND s.difficulty IS NOT DISTINCT FROM NULLIF(c.difficulty, '') AND s.worth = c.worth) AS sample,
            c.questions AS n, NULLIF(c.objective_path, '') AS objective_path, c.kind, NULLIF(c.difficulty, '') AS difficulty, c.worth FROM dealt_count c WHERE c.bank_id = ? AND c.questions > 0", [$this->owner]);
    }

    /** @return list<array{array<string, mixed>, array<int, true>, array<int, true>, null}> facts with the first and the number of them, and places of tags, of all that have a tag that is asked for and are neither named nor in a pool; the first of a class first */
    private function tagged(): array
    {
        if ($this->tags === []) {
            return [];
        }
        // From the tags, which are few, to their questions; the other way round all questions would be asked. Counted here, not question by question: a tag may be on thousands.
        $dialect = Dialects::of($this->db);
        $tags = count($this->tags) === 1 ? 'SELECT revision_id, tag AS tags FROM revision_tag WHERE tag IN (:tags)' : 'SELECT revision_id, ' . $dialect->joined('tag') . ' AS tags FROM revision_tag WHERE tag IN (:tags) GROUP BY revision_id';
        $query = $this->query("($tags) t {$dialect->thenLookUp()} ")
            ->select('MIN(s.question_id) AS sample', 'COUNT(*) AS n', 't.tags', ...self::FACTS)->andWhere('t.revision_id = ' . $this->from[2])
            ->groupBy('t.tags', ...self::FACTS)->orderBy('sample')->setParameter('tags', $this->tags, ArrayParameterType::STRING);
        if ($this->named !== [] || $this->pools !== []) {
            $query->andWhere('s.question_id NOT IN (' . $dialect->inList(':alone') . ')')->setParameter('alone', $this->alone());
        }
        $places = array_flip($this->tags);

        return array_map(static fn (array $row): array => [$row, array_fill_keys(array_intersect_key($places, array_flip(explode("\n", self::text($row['tags'])))), true), [], null], $query->executeQuery()->fetchAllAssociative());
    }

    /** @return list<array{array<string, mixed>, array<int, true>, array<int, true>, int|null}> facts, places of tags and of pools, and own number of each that is named or in a pool that is asked for, rising */
    private function special(): array
    {
        if ($this->named === [] && $this->pools === []) {
            return [];
        }
        $query = $this->query()->select('s.question_id AS sample', '1 AS n', $this->from[2] . ' AS revision', ...self::FACTS)
            ->andWhere('s.question_id IN (' . Dialects::of($this->db)->inList(':alone') . ')')->setParameter('alone', $this->alone())->orderBy('s.question_id');
        $rows = $query->executeQuery()->fetchAllAssociative();
        $tags = $pools = [];
        $places = array_flip($this->tags);
        // From the questions, which are few, to their tags.
        $dialect = Dialects::of($this->db);
        $tagged = $this->db->executeQuery('SELECT t.revision_id, t.tag FROM ' . $dialect->listed('?') . ' j ' . $dialect->thenLookUp() . ' revision_tag t ON t.revision_id = j.value WHERE t.tag IN (?)', [json_encode(array_column($rows, 'revision'), JSON_THROW_ON_ERROR), $this->tags], [1 => ArrayParameterType::STRING]);
        foreach ($tagged->iterateNumeric() as $row) {
            $tags[Row::int($row[0] ?? null)][$places[self::text($row[1] ?? null)]] = true;
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

    /**
     * @param list<string> $names
     *
     * @return array<string, list<int>> ids of the questions in pools that can be dealt, rising, by the pool's name
     */
    public function pools(array $names): array
    {
        $this->pools = array_filter(($this->members)($names));
        $dealt = fn (array $members): array => $this->query()->select('s.question_id')->andWhere('s.question_id IN (' . Dialects::of($this->db)->inList(':pool') . ')')->setParameter('pool', json_encode($members, JSON_THROW_ON_ERROR))->orderBy('s.question_id')->fetchFirstColumn();

        return array_map(static fn (array $members): array => array_values(array_map(Row::int(...), $dealt($members))), $this->pools);
    }

    public function idOf(QuestionClass $class, int $n): string
    {
        $query = $this->query()->select('s.question_id')->orderBy('s.question_id')->setMaxResults(1)->setFirstResult($n);
        $this->facts[$class->key]->narrow($query, Dialects::of($this->db), $this->from[2], $this->tags, array_values($this->pools), $this->named);

        return 'q' . Row::int($query->fetchOne());
    }

    public function known(array $ids): array
    {
        if ($this->bank === null) {
            return $ids; // all that it names was known when it was frozen
        }
        $numbers = array_values(array_filter(array_map(self::number(...), $ids), is_int(...)));

        return array_map(static fn (mixed $id): string => 'q' . Row::int($id), $this->db->fetchFirstColumn('SELECT id FROM question WHERE bank_id = ? AND id IN (?)', [$this->bank, $numbers], [1 => ArrayParameterType::INTEGER]));
    }

    public function apart(): array
    {
        return array_map(static fn (array $pair): array => ['q' . $pair[0], 'q' . $pair[1]], $this->apart);
    }

    /** @throws NotCleared if the plan names questions that cannot be dealt from here */
    public function dealer(DealingPlan $plan): Dealer
    {
        try {
            return new Dealer($plan, $this);
        } catch (UnknownQuestion $e) {
            throw $this->notCleared($e);
        }
    }

    /** The same in words that authors know. */
    public function notCleared(UnknownQuestion $e): NotCleared
    {
        $numbers = array_filter(array_map(self::number(...), $e->names), is_int(...));
        $called = array_column($this->db->fetchAllNumeric('SELECT id, name FROM question WHERE bank_id = ? AND id IN (?)', [$this->bank, $numbers], [1 => ArrayParameterType::INTEGER]), 1, 0);

        return new NotCleared(array_map(static fn (string $name): string => self::text($called[self::number($name) ?? 0] ?? $name), $e->names), $called !== []);
    }

    /**
     * @param list<string> $ids of questions that may be dealt
     *
     * @return array<string, int> ids of their revisions
     */
    public function revisions(array $ids): array
    {
        $numbers = array_values(array_filter(array_map(self::number(...), $ids), is_int(...)));
        $query = $this->query()->select('s.question_id', $this->from[2])->andWhere('s.question_id IN (:ids)')->setParameter('ids', $numbers, ArrayParameterType::INTEGER);
        $revisions = [];
        foreach ($query->executeQuery()->iterateNumeric() as $row) {
            $revisions['q' . Row::int($row[0] ?? null)] = Row::int($row[1] ?? null);
        }

        return $revisions;
    }

    /**
     * @param list<QuestionClass> $classes
     *
     * @return array<int, int> ids of all their questions by those of their revisions, rising
     */
    public function held(array $classes): array
    {
        $held = [];
        foreach ($classes as $class) {
            $query = $this->query()->select($this->from[2], 's.question_id');
            $this->facts[$class->key]->narrow($query, Dialects::of($this->db), $this->from[2], $this->tags, array_values($this->pools), $this->named);
            foreach ($query->executeQuery()->iterateNumeric() as $row) {
                $held[Row::int($row[0] ?? null)] = Row::int($row[1] ?? null);
            }
        }
        ksort($held);

        return $held;
    }

    /**
     * Puts the questions of these classes into an edition, with all that dealing asks for.
     *
     * @param list<QuestionClass> $classes
     */
    public function hold(Edition $edition, array $classes): void
    {
        foreach ($classes as $class) {
            $query = $this->query()->select(':edition', $this->from[2], 's.question_id', ...self::FACTS)->setParameter('edition', $edition->id);
            $this->facts[$class->key]->narrow($query, Dialects::of($this->db), $this->from[2], $this->tags, array_values($this->pools), $this->named);
            /** @var array<string, mixed> $parameters */
            $parameters = $query->getParameters();
            $this->db->executeStatement('INSERT INTO edition_question (edition_id, revision_id, question_id, objective_path, kind, difficulty, worth) ' . $query->getSQL(), $parameters, array_filter($query->getParameterTypes(), is_object(...)));
        }
    }

    private function query(string $joined = ''): QueryBuilder
    {
        return $this->db->createQueryBuilder()->from($joined . $this->from[0], 's')->where($this->from[1])->setParameter('owner', $this->owner);
    }

    private static function number(string $id): ?int
    {
        return preg_match('/^q(\d{1,18})$/D', $id, $m) === 1 ? (int) $m[1] : null;
    }

    private static function text(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }
}
