<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Objective\NamesObjectives;
use Zetema\App\Shared\Conflict;

/** Blueprints name objectives by their path: when that changes, what they say follows. Editions are frozen and do not. */
final readonly class ObjectivePaths implements NamesObjectives
{
    public function __construct(private Connection $db)
    {
    }

    public function follow(Bank $bank, array $paths): array
    {
        $changed = [];
        foreach ($this->db->fetchAllAssociative('SELECT id, title, version, plan, document FROM blueprint WHERE bank_id = ?', [$bank->id]) as $row) {
            $title = is_string($row['title']) ? $row['title'] : '';
            $written = [];
            foreach (['plan', 'document'] as $column) {
                $data = is_string($row[$column]) ? json_decode($row[$column], true, 512, JSON_THROW_ON_ERROR) : null;
                $new = self::renamed($data, $paths, $title);
                if ($new !== $data) {
                    $written[$column] = json_encode($new, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
                }
            }
            if ($written !== []) {
                $version = (is_numeric($row['version']) ? (int) $row['version'] : 0) + 1;
                $this->db->update('blueprint', [...$written, 'version' => $version], ['id' => $row['id']]);
                $changed[] = ['id' => is_numeric($row['id']) ? (int) $row['id'] : 0, 'version' => $version, 'plan' => is_string($row['plan']) ? $row['plan'] : '', 'document' => is_string($row['document']) ? $row['document'] : null];
            }
        }

        return $changed;
    }

    public function putBack(array $changed): void
    {
        foreach ($changed as $one) {
            $put = $this->db->executeStatement('UPDATE blueprint SET plan = ?, document = ?, version = version + 1 WHERE id = ? AND version = ?', [$one->text('plan'), $one->optionalText('document'), $one->integer('id'), $one->integer('version')]);
            if ($put === 0) {
                $title = $this->db->fetchOne('SELECT title FROM blueprint WHERE id = ?', [$one->integer('id')]);
                throw new Conflict(sprintf('The assessment “%s” was changed since, and draws from what was merged. Split them by hand.', is_string($title) ? $title : ''));
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
