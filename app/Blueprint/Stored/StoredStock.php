<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Stored;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
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
    private function __construct(
        private readonly Connection $db,
        private readonly array $from,
        private readonly int $owner,
        private readonly ?int $bank,
        private readonly mixed $members,
        private readonly array $apart = [],
    ) {
    }

    /**
     * What is cleared in a bank now, or with drafts: the newest of every question that is whole and not retired.
     *
     * @param callable(list<string>): array<string, list<int>> $members
     * @param list<array{int, int}> $apart
     */
    public static function ofBank(Connection $db, int $bank, callable $members, array $apart, bool $drafts = false): self
    {
        $newest =
            "s.bank_id = :owner AND EXISTS (SELECT 1 FROM question q WHERE q.id = s.question_id AND q.newest_id = s.id AND NOT q.is_unfinished AND q.status <> 'retired')";

        return new self($db, ['revision', $drafts ? $newest : ClassRows::DEALT, 's.id'], $bank, $bank, $members, $apart);
    }

    /** What an edition holds. */
    public static function ofEdition(Connection $db, Edition $edition): self
    {
        return new self(
            $db,
            ['edition_question', 's.edition_id = :owner', 's.revision_id'],
            $edition->id,
            null,
            static fn (): array => $edition->pools(),
            $edition->apart(),
        );
    }

    public function classes(DealingPlan $blueprint, array $alone = []): array
    {
        $this->named = array_values(
            array_filter(
                array_map(self::number(...), array_unique([...$blueprint->named(), ...$blueprint->fixed(), ...$alone])),
                is_int(...),
            ),
        );
        $this->tags = $blueprint->tags();
        $this->pools = array_filter(($this->members)($blueprint->pools()));
        $this->facts = [];
        $rows = new ClassRows($this->db, $this->from, $this->owner, $this->named, $this->tags, $this->pools);
        $classes = [];
        foreach ($rows->counted() as $row) {
            $class = StoredClass::of($row, Row::int($row['sample']));
            if ($class->mayBeAsked($blueprint)) {
                $classes[StoredClass::key($row)] = $class;
                $class->count = Row::int($row['n']);
            }
        }
        // Those that have a tag or are in a pool that is asked for, or are named, leave the class of all that are otherwise alike.
        foreach ([...$rows->tagged(), ...$rows->special()] as [$row, $tags, $pools, $own]) {
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

    /**
     * @param list<string> $names
     *
     * @return array<string, list<int>> ids of the questions in pools that can be dealt, rising, by the pool's name
     */
    public function pools(array $names): array
    {
        $this->pools = array_filter(($this->members)($names));
        $dealt = fn (array $members): array => (new ClassRows($this->db, $this->from, $this->owner))
            ->query()
            ->select('s.question_id')
            ->andWhere('s.question_id IN (' . Dialects::of($this->db)->inList(':pool') . ')')
            ->setParameter('pool', json_encode($members, JSON_THROW_ON_ERROR))
            ->orderBy('s.question_id')
            ->fetchFirstColumn();

        return array_map(static fn (array $members): array => array_values(array_map(Row::int(...), $dealt($members))), $this->pools);
    }

    public function idOf(QuestionClass $class, int $n): string
    {
        $query = (new ClassRows($this->db, $this->from, $this->owner))
            ->query()
            ->select('s.question_id')
            ->orderBy('s.question_id')
            ->setMaxResults(1)
            ->setFirstResult($n);
        $this->facts[$class->key]->narrow(
            $query,
            Dialects::of($this->db),
            $this->from[2],
            $this->tags,
            array_values($this->pools),
            $this->named,
        );

        return 'q' . Row::int($query->fetchOne());
    }

    public function known(array $ids): array
    {
        if ($this->bank === null) {
            return $ids; // all that it names was known when it was frozen
        }
        $numbers = array_values(array_filter(array_map(self::number(...), $ids), is_int(...)));

        return array_map(
            static fn (mixed $id): string => 'q' . Row::int($id),
            $this->db->fetchFirstColumn(
                'SELECT id FROM question WHERE bank_id = ? AND id IN (?)',
                [$this->bank, $numbers],
                [1 => ArrayParameterType::INTEGER],
            ),
        );
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
        $called = array_column(
            $this->db->fetchAllNumeric(
                'SELECT id, name FROM question WHERE bank_id = ? AND id IN (?)',
                [$this->bank, $numbers],
                [1 => ArrayParameterType::INTEGER],
            ),
            1,
            0,
        );

        return new NotCleared(
            array_map(static fn (string $name): string => Row::text($called[self::number($name) ?? 0] ?? $name), $e->names),
            $called !== [],
        );
    }

    /**
     * @param list<string> $ids of questions that may be dealt
     *
     * @return array<string, int> ids of their revisions
     */
    public function revisions(array $ids): array
    {
        $numbers = array_values(array_filter(array_map(self::number(...), $ids), is_int(...)));
        $query = (new ClassRows($this->db, $this->from, $this->owner))
            ->query()
            ->select('s.question_id', $this->from[2])
            ->andWhere('s.question_id IN (:ids)')
            ->setParameter('ids', $numbers, ArrayParameterType::INTEGER);
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
            $query = (new ClassRows($this->db, $this->from, $this->owner))->query()->select($this->from[2], 's.question_id');
            $this->facts[$class->key]->narrow(
                $query,
                Dialects::of($this->db),
                $this->from[2],
                $this->tags,
                array_values($this->pools),
                $this->named,
            );
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
            $query = (new ClassRows($this->db, $this->from, $this->owner))
                ->query()
                ->select(':edition', $this->from[2], 's.question_id', ...ClassRows::FACTS)
                ->setParameter('edition', $edition->id);
            $this->facts[$class->key]->narrow(
                $query,
                Dialects::of($this->db),
                $this->from[2],
                $this->tags,
                array_values($this->pools),
                $this->named,
            );
            /** @var array<string, mixed> $parameters */
            $parameters = $query->getParameters();
            $this->db->executeStatement(
                'INSERT INTO edition_question (edition_id, revision_id, question_id, objective_path, kind, difficulty, worth) ' .
                    $query->getSQL(),
                $parameters,
                array_filter($query->getParameterTypes(), is_object(...)),
            );
        }
    }

    private static function number(string $id): ?int
    {
        return preg_match('/^q(\d{1,18})$/D', $id, $m) === 1 ? (int) $m[1] : null;
    }
}
