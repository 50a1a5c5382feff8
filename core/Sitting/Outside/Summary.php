<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Outside;

use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Run\Totals;
use Zetema\Core\Sitting\State\State;

/**
 * What an ended sitting has come to beside its points, for lists of sittings: how it ended, how many were right, minimums, tallies with
 * their bands, the ways that were taken.
 */
final class Summary
{
    /**
     * @return array{how: string, right: int, asked: int, minimums: list<array{objective: string, met: bool|null}>,
     *   tallies: list<array{tally: string, value: int, band: string|null}>, routes: list<array{checkpoint: string, to: string}>}
     */
    public static function of(Paper $paper, State $state): array
    {
        $totals = new Totals($paper, $state);
        $closed = $totals->closed();

        return [
            'how' => $state->ended?->how->value ?? '',
            'right' => count(array_filter($closed, static fn (array $one): bool => $one[1]->outcome === Outcome::Right)),
            'asked' => count($closed),
            'minimums' => (new Passing($paper, $totals, $state->ended !== null))->minimums(),
            'tallies' => array_map(
                static fn (array $one): array => ['tally' => $one[0]->name, 'value' => $one[1], 'band' => $one[2]?->name],
                $totals->tallies(),
            ),
            'routes' => $state->routes,
        ];
    }
}
