<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Dealing;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Section;
use Zetema\Core\Blueprint\Step\AskingStep;
use Zetema\Core\Blueprint\Step\DrawStep;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Drawing\Dealer;
use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Drawing\Draw;
use Zetema\Core\Drawing\Proof\CannotDeal;
use Zetema\Core\Drawing\Seen;
use Zetema\Core\Drawing\Stock\Stock;
use Zetema\Core\Drawing\UnknownQuestion;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Settings\Setting;

/** Deals forms of a blueprint: the dealer picks the questions, then sections, steps and mixed draws are put in the form's order. */
final class BlueprintDealer
{
    /** The order of a form is drawn beside the picks, so that it changes none of them (docs/formats/dealing.md). */
    private const ORDER = 0x0DEA1;

    private readonly Dealer $dealer;
    /** @var list<string> ids of the steps that ask, in the order written */
    private array $asking = [];

    /** @throws UnknownQuestion */
    public function __construct(private readonly Blueprint $blueprint, Stock $stock, Seen $seen = new Seen())
    {
        foreach ($blueprint->steps() as [, $step]) {
            if ($step instanceof AskingStep) {
                $this->asking[] = $step->id;
            }
        }
        $this->dealer = new Dealer(self::plan($blueprint), $stock, $seen);
    }

    /** What dealing needs of a blueprint: its draws and fixed questions, in the order written. */
    public static function plan(Blueprint $blueprint): DealingPlan
    {
        $steps = [];
        foreach ($blueprint->steps() as [, $step]) {
            if ($step instanceof QuestionStep) {
                $steps[] = $step->question;
            } elseif ($step instanceof DrawStep) {
                $points = $step->settings->get(Setting::Points);
                $steps[] = new Draw($step->draw->take, $step->draw->pool, $points === null ? null : Points::of($points));
            }
        }

        return new DealingPlan($steps, $blueprint->apart, $blueprint->pass?->mark);
    }

    /** @throws CannotDeal */
    public function deal(int $seed): DealtForm
    {
        $picked = array_fill_keys($this->asking, []);
        foreach ($this->dealer->deal($seed)->questions as $question) {
            $picked[$this->asking[$question['step'] - 1]][] = $question['id'];
        }
        $chance = new Chance($seed ^ self::ORDER);
        $sections = [];
        foreach ($this->blueprint->isMixed ? $chance->shuffled($this->blueprint->sections) : $this->blueprint->sections as $section) {
            $sections[] = ['section' => $section->id, 'steps' => self::section($section, $picked, $chance)];
        }

        return new DealtForm($seed, $sections);
    }

    /**
     * @param array<string, list<string>> $picked questions by step
     *
     * @return list<DealtStep>
     */
    private static function section(Section $section, array $picked, Chance $chance): array
    {
        $among = [];
        $blocks = [];
        foreach ($section->steps as $step) {
            $mixed = $step instanceof DrawStep && $step->isMixed;
            $dealt =
                $step instanceof AskingStep
                    ? array_map(static fn (string $id): DealtStep => new DealtStep($step->id, $id, $step->id), $picked[$step->id])
                    : [new DealtStep($step->id, null, $step->id)];
            $among = $mixed ? [...$among, ...$dealt] : $among;
            // What stands together keeps together where the section is mixed.
            $blocks = [...$blocks, ...$mixed ? array_map(static fn (DealtStep $one): array => [$one, true], $dealt) : [[$dealt, false]]];
        }
        $among = $chance->shuffled($among);
        $blocks = array_map(static function (array $block) use (&$among): array {
            [$steps, $isMixed] = $block;
            $one = $isMixed ? array_shift($among) : null;

            return $one !== null && $steps instanceof DealtStep
                ? [new DealtStep($one->step, $one->question, $steps->at)]
                : (is_array($steps)
                    ? $steps
                    : [$steps]);
        }, $blocks);

        return array_merge(...$section->isMixed ? $chance->shuffled($blocks) : $blocks);
    }
}
