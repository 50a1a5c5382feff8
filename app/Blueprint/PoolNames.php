<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Pool\NamesPools;

/** Blueprints whose draws take from pools that the bank keeps. Editions hold what was in them and are no concern of it. */
final readonly class PoolNames implements NamesPools
{
    public function __construct(private EntityManagerInterface $em, private Connection $db)
    {
    }

    public function of(Bank $bank): array
    {
        $titles = [];
        foreach ($this->em->getRepository(Blueprint::class)->findBy(['bank' => $bank], ['id' => 'ASC']) as $blueprint) {
            foreach ($blueprint->plan()->pools() as $name) {
                $titles[$name][] = $blueprint->title();
            }
        }

        return $titles;
    }

    public function renamed(Bank $bank, string $from, string $to): void
    {
        foreach ($this->db->fetchAllAssociative('SELECT id, plan, document FROM blueprint WHERE bank_id = ?', [$bank->id]) as $row) {
            $written = [];
            foreach (['plan', 'document'] as $column) {
                $data = is_string($row[$column]) ? json_decode($row[$column], true, 512, JSON_THROW_ON_ERROR) : null;
                $new = self::called($data, $from, $to);
                if ($new !== $data) {
                    $written[$column] = json_encode($new, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
                }
            }
            if ($written !== []) {
                $this->db->update('blueprint', $written, ['id' => $row['id']]);
                $this->db->executeStatement('UPDATE blueprint SET version = version + 1 WHERE id = ?', [$row['id']]);
            }
        }
    }

    private static function called(mixed $data, string $from, string $to): mixed
    {
        if (!is_array($data)) {
            return $data;
        }
        foreach ($data as $field => $value) {
            $data[$field] = $field === 'pool' && is_array($value) && ($value['in'] ?? null) === $from ? [...$value, 'in' => $to] : self::called($value, $from, $to);
        }

        return $data;
    }
}
