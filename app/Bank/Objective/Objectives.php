<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Objective;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Intake\Batch;
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
        $all = $this->em->getRepository(Objective::class)->findBy(['bank' => $bank], ['position' => 'ASC', 'id' => 'ASC']);
        $byParent = [];
        foreach ($all as $objective) {
            $byParent[$objective->parent->id ?? 0][] = $objective;
        }
        $ordered = [];
        $walk = static function (int $parent) use (&$walk, &$ordered, $byParent): void {
            foreach ($byParent[$parent] ?? [] as $objective) {
                $ordered[] = $objective;
                $walk($objective->id);
            }
        };
        $walk(0);

        return $ordered;
    }

    /** Takes out objectives that hold nothing any more: no question, no objective below, nothing that is still dealt from there. */
    public function dropEmpty(Bank $bank): void
    {
        do {
            $gone = $this->em->getConnection()->executeStatement('DELETE FROM objective WHERE bank_id = ?
                AND id NOT IN (SELECT objective_id FROM question WHERE objective_id IS NOT NULL)
                AND id NOT IN (SELECT parent_id FROM objective WHERE parent_id IS NOT NULL)
                AND NOT EXISTS (SELECT 1 FROM question q JOIN revision r ON r.id = q.cleared_id WHERE q.bank_id = objective.bank_id AND r.objective_path = objective.path)', [$bank->id]);
        } while ($gone > 0);
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
        $position = count($known);
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

        return $known;
    }
}
