<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Check;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Outcome\Tally;
use Zetema\Core\Blueprint\Reading\Refusal;
use Zetema\Core\Blueprint\Reading\Refusals;

/** The bands of a tally rise without gap or overlap. */
final readonly class BandsCheck
{
    public function __construct(private Blueprint $blueprint, private Refusals $refusals)
    {
    }

    public function run(): void
    {
        foreach ($this->blueprint->tallies as $tally) {
            foreach ($this->wrong($tally) as $message) {
                $this->refusals->add(Refusal::BLUEPRINT, 'bands', sprintf('%s: %s', $tally->name, $message));
            }
        }
    }

    /** @return list<string> */
    private function wrong(Tally $tally): array
    {
        $wrong = [];
        foreach ($tally->bands as $i => $band) {
            if ($band->from !== null && $band->to !== null && $band->from > $band->to) {
                $wrong[] = sprintf('“%s” goes from %d down to %d', $band->name, $band->from, $band->to);
            }
            $before = $tally->bands[$i - 1] ?? null;
            if ($before === null) {
                continue;
            }
            if ($before->to === null || $band->from === null) {
                $wrong[] = sprintf('“%s” and “%s” meet at an open end', $before->name, $band->name);
            } elseif ($band->from !== $before->to + 1) {
                $wrong[] = sprintf(
                    '%s between “%s”, which ends at %d, and “%s”, which begins at %d',
                    $band->from > $before->to ? 'a gap' : 'an overlap',
                    $before->name,
                    $before->to,
                    $band->name,
                    $band->from,
                );
            }
        }

        return $wrong;
    }
}
