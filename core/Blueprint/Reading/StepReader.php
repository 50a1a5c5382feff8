<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Reading;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Step\CheckpointStep;
use Zetema\Core\Blueprint\Step\DrawStep;
use Zetema\Core\Blueprint\Step\Lead;
use Zetema\Core\Blueprint\Step\LeadsHere;
use Zetema\Core\Blueprint\Step\PageStep;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Blueprint\Step\RefresherHere;
use Zetema\Core\Blueprint\Step\Route;
use Zetema\Core\Blueprint\Step\Step;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\Draw;
use Zetema\Core\Drawing\Stock\Pool;

/** Reads one step. */
final readonly class StepReader
{
    private const SORTS = ['page', 'question', 'draw', 'checkpoint'];

    public function __construct(private RuleReader $rules, private ConditionReader $conditions)
    {
    }

    /** @return Step|null null where it is none that there is */
    public function step(string $id, Shape $shape): ?Step
    {
        $sorts = array_values(array_filter(self::SORTS, $shape->has(...)));
        if (count($sorts) !== 1) {
            $shape->wrong('', 'a step has one of ' . implode(', ', self::SORTS));

            return null;
        }

        return match ($sorts[0]) {
            'page' => new PageStep($id, $shape->only('id', 'page', 'then')->text('page'), $shape->optionalText('then')),
            'question' => $this->question($id, $shape->only('id', 'question', 'settings', 'rules', 'refresher', 'leads')),
            'draw' => $this->draw($id, $shape->only('id', 'draw', 'settings', 'rules', 'refresher', 'leads')),
            default => $this->checkpoint($id, $shape->only('id', 'checkpoint')->object('checkpoint')),
        };
    }

    private function question(string $id, Shape $shape): QuestionStep
    {
        return new QuestionStep(
            $id,
            $shape->text('question'),
            $this->rules->settings($shape->optional('settings')),
            $this->rules->ofStep($shape->optional('rules')),
            $this->refresher($shape),
            $this->leads($shape),
        );
    }

    private function draw(string $id, Shape $shape): DrawStep
    {
        $draw = $shape->object('draw')->only('take', 'pool', 'place');
        if ($shape->has('leads') && !$shape->isNull('leads')) {
            $shape->wrong('leads', 'can only be null at a draw, which drops those of the questions drawn');
        }
        $take = $draw->integer('take');
        try {
            $pool = new Draw(is_int($draw->raw('take')) ? $take : 1, Pool::fromData(Fields::of($draw->raw('pool'), 'draw.pool')));
        } catch (Malformed $e) {
            $draw->wrong('', $e->getMessage());
            $pool = new Draw(1, new Pool());
        }

        return new DrawStep(
            $id,
            $pool,
            $draw->word('place', ['together', 'mixed']) === 'mixed',
            $this->rules->settings($shape->optional('settings')),
            $this->rules->ofStep($shape->optional('rules')),
            $this->refresher($shape),
            new LeadsHere($shape->isNull('leads')),
        );
    }

    private function refresher(Shape $shape): RefresherHere
    {
        if (!$shape->has('refresher')) {
            return RefresherHere::nothing();
        }
        if ($shape->isNull('refresher')) {
            return RefresherHere::dropped();
        }
        $refresher = $shape->object('refresher');
        $pages = $refresher->has('pages') ? $refresher->texts('pages') : null;
        if ($pages === [] && $refresher->raw('pages') === []) {
            $refresher->wrong('pages', 'is empty; name a page, or leave it out');
        }

        return RefresherHere::typed($pages, $this->rules->refresher($refresher, 'pages', 'rounds', 'stands', 'clock', 'time'));
    }

    private function leads(Shape $shape): LeadsHere
    {
        if (!$shape->has('leads') || $shape->isNull('leads')) {
            return new LeadsHere($shape->isNull('leads'));
        }
        $leads = $shape->object('leads');
        $byChoice = [];
        foreach ($leads->fields() as $choice) {
            if (preg_match('/^[1-9]\d{0,5}$/D', $choice) !== 1) {
                $leads->wrong($choice, 'is no number of a choice');
                continue;
            }
            $lead = $leads->isNull($choice) ? null : $leads->object($choice)->only('page', 'then');
            $byChoice[(int) $choice] = $lead === null ? null : new Lead($lead->optionalText('page'), $lead->optionalText('then'));
        }

        return new LeadsHere(false, $byChoice);
    }

    private function checkpoint(string $id, Shape $shape): CheckpointStep
    {
        $shape->only('routes', 'otherwise', 'announced');
        $routes = [];
        foreach ($shape->objects('routes') as $route) {
            $route->only('when', 'to');
            $routes[] = new Route($this->conditions->condition($route->object('when')), $route->text('to'));
        }

        return new CheckpointStep($id, $routes, $shape->optionalText('otherwise') ?? Blueprint::NEXT, $shape->flag('announced', false));
    }
}
