<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Objective;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Row;
use Zetema\Core\Data\Fields;
use Zetema\Core\Objective\ObjectiveNode;
use Zetema\Core\Objective\ObjectiveTree;

/** The tree of a bank as it is stored, and all that says where something stands in it: questions, their revisions, blueprints. */
final readonly class StoredTree
{
    private const DESCRIBED = ['name' => 1, 'code' => 1, 'description' => 1];

    public function __construct(private Connection $db, private NamesObjectives $names)
    {
    }

    public function of(Bank $bank): ObjectiveTree
    {
        $rows = $this->db->fetchAllAssociative(
            'SELECT id, parent_id AS parent, name, code, description FROM objective WHERE bank_id = ? ORDER BY place, id',
            [$bank->id],
        );

        return new ObjectiveTree(array_map(static fn (array $row): ObjectiveNode => ObjectiveNode::fromData(Fields::of($row)), $rows));
    }

    /** An id that no objective has yet. */
    public function nextId(): int
    {
        $most = $this->db->fetchOne(Dialects::of($this->db)->lastId('objective'));

        return 1 + Row::int($most);
    }

    /**
     * Makes one tree of another, in the transaction of whoever calls it. Questions keep their objective by its id; what is written
     * as a path follows it.
     *
     * @param array<int, int|null> $went objectives that go, and where their questions belong; null: to none
     *
     * @return array<string, mixed> what cannot be told from the trees: what stood under those that went, and the blueprints that name it
     */
    public function become(Bank $bank, ObjectiveTree $before, ObjectiveTree $after, array $went): array
    {
        $stood = [
            'questions' => $this->idsUnder('question', 'objective_id', array_combine(array_keys($went), array_keys($went))),
            'revisions' => $this->idsUnder(
                'revision',
                'objective_path',
                array_combine(array_keys($went), array_map($before->path(...), array_keys($went))),
                $bank,
            ),
        ];
        $gone = array_keys(array_diff_key($before->nodes, $after->nodes));
        $this->write($bank, $after, array_diff_key($after->nodes, $before->nodes), $gone);
        foreach ($went as $from => $to) {
            $this->db->executeStatement('UPDATE question SET objective_id = ? WHERE objective_id = ?', [$to, $from]);
        }
        $this->db->executeStatement('DELETE FROM objective WHERE id IN (?)', [$gone], [ArrayParameterType::INTEGER]);
        $paths = [];
        foreach (array_keys($before->nodes) as $id) {
            $to = array_key_exists($id, $went) ? $went[$id] : $id;
            if (isset($after->nodes[$to ?? $id]) || $to === null) {
                $path = $to === null ? null : $after->path($to);
                if ($path !== $before->path($id)) {
                    $paths[$before->path($id)] = [$path, $to];
                }
            }
        }
        $blueprints = $this->follow($bank, $paths, array_merge(...array_values($stood['questions'])));

        return $went === [] ? [] : [...$stood, 'blueprints' => $blueprints];
    }

    /** Goes back to a tree as it was, with what stood under objectives that are there again. @param Fields $stood as become() told it */
    public function goBack(Bank $bank, ObjectiveTree $now, ObjectiveTree $tree, Fields $stood): void
    {
        $this->names->putBack($stood->objects('blueprints', optional: true));
        $this->become($bank, $now, $tree, []);
        foreach (['question' => 'questions', 'revision' => 'revisions'] as $table => $what) {
            foreach ($stood->optionalObject($what)?->raw() ?? [] as $objective => $ids) {
                $under = $table === 'question' ? (int) $objective : $tree->path((int) $objective);
                $this->db->executeStatement(
                    sprintf(
                        'UPDATE %s SET %s = ? WHERE bank_id = ? AND id IN (?)',
                        $table,
                        $table === 'question' ? 'objective_id' : 'objective_path',
                    ),
                    [$under, $bank->id, is_array($ids) ? $ids : []],
                    [2 => ArrayParameterType::INTEGER],
                );
                if ($table === 'question') {
                    $this->raise('id IN (?)', is_array($ids) ? $ids : []);
                }
            }
        }
        $this->compareWithDealt($bank, []);
    }

    /**
     * @param array<int, ObjectiveNode> $new
     * @param list<int> $gone ids of those that are taken out afterwards
     */
    private function write(Bank $bank, ObjectiveTree $tree, array $new, array $gone): void
    {
        foreach ($new as $node) {
            $this->db->insert('objective', [
                'id' => $node->id,
                'bank_id' => $bank->id,
                'parent_id' => null,
                'name' => $node->name,
                'path' => "\x01" . $node->id,
                'position' => 0,
                'place' => 0,
                'code' => '',
                'description' => '',
                'is_kept' => 1,
            ]);
        }
        $stored = $this->db->fetchAllAssociativeIndexed(
            'SELECT id, parent_id, name, path, position, place, code, description FROM objective WHERE bank_id = ?',
            [$bank->id],
        );
        $changed = [];
        $place = 0;
        foreach ($tree->nodes as $id => $node) {
            $row = [
                'parent_id' => $node->parent,
                'name' => $node->name,
                'path' => $tree->path($id),
                'position' => ++$place,
                'place' => $place,
                'code' => $node->code,
                'description' => $node->description,
            ];
            $differs = array_diff_assoc(
                array_map(strval(...), $row),
                array_map(static fn (mixed $v): string => is_scalar($v) ? (string) $v : '', $stored[$id] ?? []),
            );
            if ($differs !== []) {
                $changed[$id] = array_intersect_key($row, $differs);
            }
        }
        // Two may change places, and one may take the place of one that goes: for a moment each has a path that none can have.
        $this->db->executeStatement(
            'UPDATE objective SET path = ' . Dialects::of($this->db)->character(1) . ' || id WHERE id IN (?)',
            [[...$gone, ...array_keys(array_filter($changed, static fn (array $row): bool => isset($row['path'])))]],
            [ArrayParameterType::INTEGER],
        );
        foreach ($changed as $id => $row) {
            $this->db->update('objective', $row, ['id' => $id]);
            if (array_intersect_key($row, self::DESCRIBED) !== []) {
                $this->db->executeStatement('UPDATE objective SET version = version + 1 WHERE id = ?', [$id]);
            }
        }
    }

    /**
     * What was written as a path is written anew; whoever has one of these questions open is told when they save.
     *
     * @param array<string, array{string|null, int|null}> $paths the new path and its objective, by the old path
     * @param list<int> $moved ids of questions
     *
     * @return list<array<string, mixed>> what else was changed
     */
    private function follow(Bank $bank, array $paths, array $moved): array
    {
        $changed = [];
        if ($paths !== []) {
            $cases = str_repeat(' WHEN ? THEN ?', count($paths));
            $values = [];
            foreach ($paths as $old => [$new]) {
                array_push($values, $old, $new);
            }
            $this->db->executeStatement(
                "UPDATE revision SET objective_path = CASE objective_path$cases END WHERE bank_id = ? AND objective_path IN (?)",
                [...$values, $bank->id, array_map(strval(...), array_keys($paths))],
                [count($values) + 1 => ArrayParameterType::STRING],
            );
            $this->raise('objective_id IN (?)', array_values(array_filter(array_column($paths, 1), is_int(...))));
            $changed = $this->names->follow($bank, array_map(static fn (array $to): ?string => $to[0], $paths));
        }
        $this->compareWithDealt($bank, $moved);

        return $changed;
    }

    /** @param array<mixed> $ids */
    private function raise(string $where, array $ids): void
    {
        $this->db->executeStatement(
            "UPDATE question SET version = version + 1, intake_version = CASE WHEN intake_version = version THEN version + 1 ELSE intake_version END WHERE $where",
            [$ids],
            [ArrayParameterType::INTEGER],
        );
    }

    /** @param list<int> $moved ids of questions whose objective was changed */
    private function compareWithDealt(Bank $bank, array $moved): void
    {
        $this->db->executeStatement(
            'UPDATE question SET dealt_elsewhere = cleared_id IS NOT NULL AND NOT EXISTS (SELECT 1 FROM revision r LEFT JOIN objective o ON o.id = question.objective_id
            WHERE r.id = question.cleared_id AND r.objective_path IS NOT DISTINCT FROM o.path AND r.kind = question.kind) WHERE bank_id = ? AND (dealt_elsewhere = TRUE OR id IN (?))',
            [$bank->id, $moved],
            [1 => ArrayParameterType::INTEGER],
        );
    }

    /**
     * @param array<int, int|string> $under what stands in the column, by objective
     *
     * @return array<int, list<int>>
     */
    private function idsUnder(string $table, string $column, array $under, ?Bank $bank = null): array
    {
        return array_map(function (int|string $value) use ($table, $column, $bank): array {
            $ids = $this->db->fetchFirstColumn(
                "SELECT id FROM $table WHERE $column = ?" . ($bank === null ? '' : ' AND bank_id = ' . $bank->id),
                [$value],
            );

            return array_map(Row::int(...), $ids);
        }, $under);
    }
}
