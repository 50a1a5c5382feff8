<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Plan;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Look;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Scoring\ShareRule;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Setting;

/** All that is needed to mark a question, as plain data. The core marks by running it; so can anybody else. */
final readonly class MarkingPlan
{
    public const VERSION = 2;

    private function __construct(public Scoring $scoring, public Penalties $penalties, public bool $graded, public bool $judged)
    {
    }

    /**
     * Points typed at a step scale what the question itself says in points (weights, costs, floor) by new ÷ the worth it would have had,
     * exactly.
     */
    public static function of(Question $question, EffectiveSettings $settings): self
    {
        $scoring = $question->kind->scoring($settings);
        $factor = null;
        if ($settings->placeOf(Setting::Points) === EffectiveSettings::STEP) {
            $worth = $settings->points(Setting::Points);
            $before = $question->kind->scoring($settings->without(EffectiveSettings::STEP, Setting::Points))->worth;
            $factor = $before->isZero() ? null : $worth->exact()->dividedBy($before->exact());
            $scoring = $factor !== null && $scoring->rule === ShareRule::Weights ? $scoring->worthing($worth) : $scoring;
        }

        return new self(
            $scoring,
            Penalties::of($question, $settings, $factor),
            $settings->isYes(Setting::Graded),
            !$settings->isKeyless() && $question->kind::id()->facts()->isJudged,
        );
    }

    /** Whether it stands in totals: it is graded, and there is something to judge. */
    public function counts(): bool
    {
        return $this->graded && $this->judged;
    }

    /** What a wrong response takes off a sum, the floor heeded; 0 for weighed questions, where each choice has its own. */
    public function mostLostByOneWrong(): Points
    {
        if (!$this->counts() || $this->scoring->rule === ShareRule::Weights) {
            return Points::zero();
        }
        $lost = $this->penalties->wrong;
        $floor = $this->penalties->floor;

        return Points::rounded(
            $floor !== null && $lost->negated()->compareTo($floor) < 0 ? $floor->negated() : $lost,
            $this->penalties->decimals,
        );
    }

    /** What a right response is worth in totals: 0 for what is not graded. */
    public function max(): Points
    {
        return $this->counts() ? $this->scoring->worth : Points::zero();
    }

    /** @return array<string, mixed> plain JSON data */
    public function toData(): array
    {
        $scoring = $this->scoring;

        return [
            'v' => self::VERSION,
            'look' => $scoring->look->value,
            'options' => (object) $scoring->options,
            'criteria' => array_map(static fn (Criterion $criterion): array => $criterion->toData(), $scoring->criteria),
            'rule' => $scoring->rule->value,
            'need' => (string) $scoring->need,
            'wrongPartCosts' => (string) $scoring->wrongPartCosts,
            'worth' => (string) $scoring->worth,
            'penalties' => $this->penalties->toData(),
            'graded' => $this->graded,
            'judged' => $this->judged,
        ];
    }

    /** @throws Malformed if this is no plan of this version */
    public static function fromData(Fields $data): self
    {
        if ($data->integer('v') !== self::VERSION) {
            throw new Malformed('v', sprintf('is %d; this reads marking plans of version %d', $data->integer('v'), self::VERSION));
        }
        $criteria = [];
        foreach ($data->objects('criteria') as $criterion) {
            $criteria[] = Criterion::fromData($criterion);
        }
        $options = $data->optionalObject('options')?->raw() ?? [];

        return new self(
            new Scoring(
                Look::tryFrom($data->text('look')) ?? throw new Malformed('look', 'is not one of those there are'),
                $criteria,
                ShareRule::tryFrom($data->text('rule')) ?? throw new Malformed('rule', 'is not one of those there are'),
                Ratio::of($data->text('need')),
                Ratio::of($data->text('wrongPartCosts')),
                Points::of($data->text('worth')),
                $options,
            ),
            Penalties::fromData($data->object('penalties')),
            $data->flag('graded'),
            $data->flag('judged'),
        );
    }
}
