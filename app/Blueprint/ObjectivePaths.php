<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Objective\NamesObjectives;
use Zetema\App\Shared\Conflict;
use Zetema\Core\Data\Fields;

/** Blueprints, and pools that keep a filter, name objectives by their path: when that changes, what they say follows. Editions are frozen and do not. */
final readonly class ObjectivePaths implements NamesObjectives
{
    /** What is written as data: by table its column with a name, and those that name objectives. */
    private const WRITTEN = ['blueprint' => ['title', ['plan', 'document']], 'pool' => ['name', ['filter']]];

    public function __construct(private Connection $db)
    {
    }

    public function follow(Bank $bank, array $paths): array
    {
        $changed = [];
        foreach (self::WRITTEN as $table => [$name, $columns]) {
            foreach ($this->db->fetchAllAssociative(sprintf('SELECT id, %s AS name, version, %s FROM %s WHERE bank_id = ?', $name, implode(', ', $columns), $table), [$bank->id]) as $row) {
                $row = Fields::of($row);
                $written = [];
                foreach ($columns as $column) {
                    $data = json_decode($row->optionalText($column) ?? 'null', true, 512, JSON_THROW_ON_ERROR);
                    $new = self::renamed($data, $paths, $row->text('name'));
                    if ($new !== $data) {
                        $written[$column] = json_encode($new, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
                    }
                }
                if ($written !== []) {
                    $version = $row->integer('version') + 1;
                    $this->db->update($table, [...$written, 'version' => $version], ['id' => $row->integer('id')]);
                    $changed[] = ['table' => $table, 'id' => $row->integer('id'), 'version' => $version, ...array_intersect_key($row->raw(), array_flip($columns))];
                }
            }
        }

        return $changed;
    }

    public function putBack(array $changed): void
    {
        foreach ($changed as $one) {
            $table = $one->text('table', 'blueprint');
            [$name, $columns] = self::WRITTEN[$table] ?? throw new \LogicException('follow() told it');
            $set = implode(', ', array_map(static fn (string $column): string => "$column = :$column", $columns));
            $values = ['id' => $one->integer('id'), 'version' => $one->integer('version')];
            foreach ($columns as $column) {
                $values[$column] = $one->optionalText($column);
            }
            if ($this->db->executeStatement("UPDATE $table SET $set, version = version + 1 WHERE id = :id AND version = :version", $values) === 0) {
                $called = $this->db->fetchOne("SELECT $name FROM $table WHERE id = ?", [$one->integer('id')]);
                throw new Conflict(sprintf('The %s “%s” was changed since, and draws from what was merged. Split them by hand.', $table === 'pool' ? 'pool' : 'assessment', is_string($called) ? $called : ''));
            }
        }
    }

    /** @param array<string, string|null> $paths */
    private static function renamed(mixed $data, array $paths, string $title): mixed
    {
        if (!is_array($data)) {
            return $data;
        }
        foreach ($data as $key => $value) {
            $named = $key === 'objective' && is_string($value) && array_key_exists($value, $paths);
            if ($named && $paths[$value] === null) {
                throw new Conflict(sprintf('“%s” draws from “%s”. Merge it into another objective, or take the draw out first.', $title, $value));
            }
            $data[$key] = $named ? $paths[$value] : self::renamed($value, $paths, $title);
        }

        return $data;
    }
}
