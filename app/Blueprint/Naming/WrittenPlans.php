<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Naming;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Shared\Conflict;
use Zetema\Core\Data\Fields;

/**
 * What is written as data and names things of the bank, rewritten when they are called otherwise, and put back. Whoever has it open is told
 * when they save.
 */
final readonly class WrittenPlans
{
    /** By table its column with a name, and those with data. */
    public const PLANS = ['blueprint' => ['title', ['plan', 'document']]];
    public const WITH_POOLS = [...self::PLANS, 'pool' => ['name', ['filter']]];

    public function __construct(private Connection $db)
    {
    }

    /**
     * @param array<string, array{string, list<string>}> $written PLANS or WITH_POOLS
     * @param callable(mixed, string): mixed $call what stands there, and its name
     *
     * @return list<array<string, mixed>> what was changed, as putBack() takes it
     */
    public function rewrite(Bank $bank, array $written, callable $call): array
    {
        $changed = [];
        foreach ($written as $table => [$name, $columns]) {
            foreach (
                $this->db->fetchAllAssociative(
                    sprintf('SELECT id, %s AS name, version, %s FROM %s WHERE bank_id = ?', $name, implode(', ', $columns), $table),
                    [$bank->id],
                ) as $row
            ) {
                $row = Fields::of($row);
                $new = [];
                foreach ($columns as $column) {
                    $data = json_decode($row->optionalText($column) ?? 'null', true, 512, JSON_THROW_ON_ERROR);
                    $called = $call($data, $row->text('name'));
                    if ($called !== $data) {
                        $new[$column] = json_encode($called, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
                    }
                }
                if ($new !== []) {
                    $version = $row->integer('version') + 1;
                    $this->db->update($table, [...$new, 'version' => $version], ['id' => $row->integer('id')]);
                    $changed[] = [
                        'table' => $table,
                        'id' => $row->integer('id'),
                        'version' => $version,
                        ...array_intersect_key($row->raw(), array_flip($columns)),
                    ];
                }
            }
        }

        return $changed;
    }

    /**
     * @param list<Fields> $changed as rewrite() told it
     *
     * @throws Conflict if one was changed since
     */
    public function putBack(array $changed): void
    {
        foreach ($changed as $one) {
            $table = $one->text('table', 'blueprint');
            [$name, $columns] = self::WITH_POOLS[$table] ?? throw new \LogicException('rewrite() told it');
            $set = implode(', ', array_map(static fn (string $column): string => "$column = :$column", $columns));
            $values = ['id' => $one->integer('id'), 'version' => $one->integer('version')];
            foreach ($columns as $column) {
                $values[$column] = $one->optionalText($column);
            }
            if (
                $this->db->executeStatement(
                    "UPDATE $table SET $set, version = version + 1 WHERE id = :id AND version = :version",
                    $values,
                ) === 0
            ) {
                $called = $this->db->fetchOne("SELECT $name FROM $table WHERE id = ?", [$one->integer('id')]);
                throw new Conflict(
                    sprintf(
                        'The %s “%s” was changed since, and draws from what was merged. Split them by hand.',
                        $table === 'pool' ? 'pool' : 'assessment',
                        is_string($called) ? $called : '',
                    ),
                );
            }
        }
    }
}
