<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Step\Lead;
use Zetema\Core\Question\Response\ChosenChoices;
use Zetema\Core\Sitting\Paper\CheckpointPlace;
use Zetema\Core\Sitting\Paper\PagePlace;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\State\Position;
use Zetema\Core\Sitting\State\State;

/** Where a checkpoint, a page or a choice leads. */
final readonly class Ways
{
    public function __construct(private Paper $paper)
    {
    }

    /** Decides a checkpoint that was reached. @return int the node that it leads to */
    public function decide(State $state, CheckpointPlace $checkpoint, int $node): int
    {
        $totals = new Totals($this->paper, $state);
        $to = $checkpoint->step->otherwise;
        foreach ($checkpoint->step->routes as $route) {
            if ($route->when->holds($totals)) {
                $to = $route->to;
                break;
            }
        }
        $state->routes[] = ['checkpoint' => $checkpoint->id, 'to' => $to];

        return $this->paper->target($to, $node);
    }

    public function afterPage(PagePlace $page, int $node): int
    {
        return $this->paper->target($page->then ?? Blueprint::NEXT, $node);
    }

    /** Where the response leads that was marked last; nowhere if time ran out. */
    public function lead(State $state, QuestionPlace $place): ?Lead
    {
        $mark = $state->visit($place->id)->lastMark();
        if ($mark === null || $mark->isLate() || $place->leads === []) {
            return null;
        }
        $chosen = ChosenChoices::in($mark->response);
        foreach ([...$place->question->kind->lineIds(), ...$chosen] as $choice) {
            if (isset($place->leads[$choice]) && in_array($choice, $chosen, true)) {
                return $place->leads[$choice];
            }
        }

        return null;
    }

    /** Where a lead goes on to, or what follows the question. */
    public function after(?Lead $lead, int $node): int
    {
        return $this->paper->target($lead->then ?? Blueprint::NEXT, $node);
    }

    public function afterLead(Position $position): int
    {
        return $this->after($position->lead, $position->node);
    }
}
