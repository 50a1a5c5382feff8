<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Outside;

use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Run\Totals;
use Zetema\Core\Sitting\State\State;

/** What an ended sitting has come to beside its points, for lists of sittings: how it ended, how many were right, minimums, tallies with their bands, the ways that were taken. */
final class Summary
{
    /** @return array{how: string, right: int, asked: int, minimums: list<array{objective: string, met: bool|null}>, tallies: list<array{tally: string, value: int, band: string|null}>, routes: list<array{checkpoint: string, to: string}>} */
    public static function of(Paper $paper, State $state): array
    {
        $totals = new Totals($paper, $state);
        $closed = $totals->closed();
        $tallies = [];
        foreach ($paper->blueprint->tallies as $tally) {
            $value = $totals->tallied($tally->name);
            $tallies[] = ['tally' => $tally->name, 'value' => $value, 'band' => $tally->bandOf($value)?->name];
        }

        return [
            'how' => $state->ended['how'] ?? '',
            'right' => count(array_filter($closed, static fn (array $one): bool => $one[1]->outcome === Outcome::Right)),
            'asked' => count($closed),
            'minimums' => (new Passing($paper, $totals, $state->ended !== null))->minimums(),
            'tallies' => $tallies,
            'routes' => $state->routes,
        ];
    }
}
