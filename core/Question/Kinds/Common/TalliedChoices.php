<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Common;

use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Kinds\Kind;
use Zetema\Core\Question\Response\ChosenChoices;
use Zetema\Core\Question\Response\Response;

/** What chosen choices add to tallies. For a kind with choices. */
trait TalliedChoices
{
    public function adds(string $tally, Response $response): int
    {
        $chosen = ChosenChoices::in($response);

        return array_sum(
            array_map(
                static fn (Choice $choice): int => in_array($choice->id, $chosen, true) ? $choice->tallies[$tally] ?? 0 : 0,
                $this->choices,
            ),
        );
    }

    public function span(string $tally): array
    {
        $adds = $this->addings($tally);

        return $adds === [] ? [0, 0] : [min($adds), max($adds)];
    }

    /** @return list<int> what each choice adds */
    protected function addings(string $tally): array
    {
        return array_map(static fn (Choice $choice): int => $choice->tallies[$tally] ?? 0, $this->choices);
    }
}
