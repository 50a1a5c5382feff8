<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Naming;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Pool\NamesPools;
use Zetema\App\Blueprint\Blueprint;

/** Blueprints whose draws take from pools that the bank keeps. Editions hold what was in them and are no concern of it. */
final readonly class PoolNames implements NamesPools
{
    public function __construct(private EntityManagerInterface $em, private WrittenPlans $written)
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
        $this->written->rewrite($bank, WrittenPlans::PLANS, static fn (mixed $data): mixed => self::called($data, $from, $to));
    }

    private static function called(mixed $data, string $from, string $to): mixed
    {
        if (!is_array($data)) {
            return $data;
        }
        foreach ($data as $field => $value) {
            $data[$field] =
                $field === 'pool' && is_array($value) && ($value['in'] ?? null) === $from
                    ? [...$value, 'in' => $to]
                    : self::called($value, $from, $to);
        }

        return $data;
    }
}
