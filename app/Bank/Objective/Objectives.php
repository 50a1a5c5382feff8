<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Objective;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Batch;
use Zetema\App\Shared\Row;
use Zetema\Core\Data\Malformed;

/** The tree of objectives of a bank. */
final readonly class Objectives
{
    public function __construct(private EntityManagerInterface $em)
    {
    }

    /** @return list<Objective> parents before what lies below them, in the order of the tree */
    public function of(Bank $bank): array
    {
        return $this->em->getRepository(Objective::class)->findBy(['bank' => $bank], ['place' => 'ASC', 'id' => 'ASC']);
    }

    /**
     * @return list<array{id: int, parent: int|null, name: string, path: string, depth: int, code: string, description: string,
     *   version: int}> the same as plain data
     */
    public function told(Bank $bank): array
    {
        return array_map(
            static fn (array $row): array => [
                'id' => Row::int($row[0]),
                'parent' => Row::optionalInt($row[3]),
                'name' => is_string($row[1]) ? $row[1] : '',
                'path' => is_string($row[2]) ? $row[2] : '',
                'depth' => substr_count(is_string($row[2]) ? $row[2] : '', Objective::SEPARATOR),
                'code' => is_string($row[4]) ? $row[4] : '',
                'description' => is_string($row[5]) ? $row[5] : '',
                'version' => Row::int($row[6]),
            ],
            $this->em
                ->getConnection()
                ->fetchAllNumeric(
                    'SELECT id, name, path, parent_id, code, description, version FROM objective WHERE bank_id = ? ORDER BY place, id',
                    [$bank->id],
                ),
        );
    }

    /** @param iterable<Objective> $all of a bank */
    private static function order(iterable $all): void
    {
        $below = [];
        foreach ($all as $objective) {
            $below[$objective->parent === null ? '' : $objective->parent->path][] = $objective;
        }
        $place = 0;
        $walk = static function (string $path) use (&$walk, &$place, $below): void {
            $objectives = $below[$path] ?? [];
            usort($objectives, static fn (Objective $a, Objective $b): int => $a->position <=> $b->position);
            foreach ($objectives as $objective) {
                $objective->stand(++$place);
                $walk($objective->path);
            }
        };
        $walk('');
    }

    /**
     * Takes out objectives that nobody made by hand and that hold nothing any more: no question, no objective below, nothing that is still
     * dealt from there.
     */
    public function dropEmpty(Bank $bank): void
    {
        do {
            $gone = $this->em->getConnection()->executeStatement(
                'DELETE FROM objective WHERE bank_id = ? AND NOT is_kept
                AND NOT EXISTS (SELECT 1 FROM question q WHERE q.bank_id = objective.bank_id AND q.objective_id = objective.id)
                AND NOT EXISTS (SELECT 1 FROM objective o WHERE o.parent_id = objective.id)
                AND NOT EXISTS (SELECT 1 FROM revision r WHERE r.bank_id = objective.bank_id AND r.is_dealt = TRUE AND r.objective_path = objective.path)',
                [$bank->id],
            );
        } while ($gone > 0);
    }

    /**
     * The objective of one path, asked for alone: a save need not read the whole tree. Made if it is missing.
     *
     * @param non-empty-list<string> $path
     */
    public function at(Bank $bank, array $path): Objective
    {
        $key = implode(Objective::SEPARATOR, $path);

        return $this->em->getRepository(Objective::class)->findOneBy(['bank' => $bank, 'path' => $key]) ??
            $this->ensure($bank, [$path])[$key];
    }

    /**
     * The objectives of many paths at once; what is missing is made.
     *
     * @param list<list<string>> $paths
     *
     * @return array<string, Objective> by path
     */
    public function ensure(Bank $bank, array $paths, ?Batch $batch = null): array
    {
        $known = [];
        foreach ($this->of($bank) as $objective) {
            $known[$objective->path] = $objective;
        }
        $position = array_reduce($known, static fn (int $most, Objective $o): int => max($most, $o->position), 0);
        $before = count($known);
        foreach ($paths as $path) {
            $parent = null;
            foreach ($path as $i => $name) {
                $key = implode(Objective::SEPARATOR, array_slice($path, 0, $i + 1));
                if (mb_strlen($name) > 160 || mb_strlen($key) > 500 || $i > 7) {
                    throw new Malformed('objective', sprintf('“%s” is too long or too deep a path', mb_substr($key, 0, 80)));
                }
                if (!isset($known[$key])) {
                    $known[$key] = new Objective($bank, $parent, $name, ++$position, $batch);
                    $this->em->persist($known[$key]);
                }
                $parent = $known[$key];
            }
        }

        if (count($known) > $before) {
            self::order($known);
        }

        return $known;
    }
}
