<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Naming;

use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Objective\NamesObjectives;
use Zetema\App\Shared\Conflict;

/**
 * Blueprints, and pools that keep a filter, name objectives by their path: when that changes, what they say follows. Editions are frozen
 * and do not.
 */
final readonly class ObjectivePaths implements NamesObjectives
{
    public function __construct(private WrittenPlans $written)
    {
    }

    public function follow(Bank $bank, array $paths): array
    {
        return $this->written->rewrite(
            $bank,
            WrittenPlans::WITH_POOLS,
            static fn (mixed $data, string $title): mixed => self::renamed($data, $paths, $title),
        );
    }

    public function putBack(array $changed): void
    {
        $this->written->putBack($changed);
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
                throw new Conflict(
                    sprintf('“%s” draws from “%s”. Merge it into another objective, or take the draw out first.', $title, $value),
                );
            }
            $data[$key] = $named ? $paths[$value] : self::renamed($value, $paths, $title);
        }

        return $data;
    }
}
