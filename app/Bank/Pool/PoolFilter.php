<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Pool;

use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Objective\Objectives;
use Zetema\App\Bank\Question\Listing\QuestionFilter;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** A list's filter as a pool keeps it: the objective stands by its path, so that it follows where the objective is moved or merged. */
final readonly class PoolFilter
{
    /** An objective that none has: what it narrows to is empty. */
    private const GONE = 10 ** 17;

    public function __construct(private Objectives $objectives)
    {
    }

    /**
     * @param Fields $address as in a list's address
     *
     * @return array<array-key, mixed> as it is kept
     *
     * @throws Malformed if it narrows nothing, or to another thing for everybody
     */
    public function kept(Bank $bank, Fields $address): array
    {
        $filter = QuestionFilter::of($address, null);
        if ($filter->isAll()) {
            throw new Malformed('filter', 'narrows nothing yet; choose an objective, a kind, a tag or words first');
        }
        if ($address->has('pool')) {
            throw new Malformed('pool', 'cannot be part of what another pool holds');
        }
        $kept = array_map(
            static fn (mixed $value): mixed => is_int($value) ? (string) $value : $value,
            array_filter($address->raw(), static fn (mixed $value): bool => !in_array($value, [null, '', false], true)),
        );
        if ($filter->objective !== null) {
            $path = array_column($this->objectives->told($bank), 'path', 'id')[$filter->objective] ?? null;
            $kept['objective'] = $filter->objective === 0 ? '' : $path ?? throw new Malformed('objective', 'is not there any more');
        }
        ksort($kept);

        return $kept;
    }

    /**
     * @param array<array-key, mixed> $kept
     *
     * @return array<array-key, mixed> as a list's address has it
     */
    public function address(Bank $bank, array $kept): array
    {
        $address = is_string($kept['assessment'] ?? null) ? ['assessment' => (int) $kept['assessment']] : [];
        $path = $kept['objective'] ?? null;
        if (is_string($path)) {
            $address['objective'] = $path === '' ? 0 : array_column($this->objectives->told($bank), 'id', 'path')[$path] ?? self::GONE;
        }

        return [...$kept, ...$address];
    }
}
