<?php

declare(strict_types=1);

namespace Zetema\Core\Marking;

use Brick\Math\BigRational;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Atom;
use Zetema\Core\Question\EffectiveSettings;
use Zetema\Core\Question\KindId;
use Zetema\Core\Question\Measure;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Setting;

/** All that is needed to mark a question, as plain data. The core marks by running it; so can anybody else. */
final readonly class MarkingPlan
{
    public const VERSION = 1;

    private function __construct(
        public Measure $measure,
        public Penalties $penalties,
        public bool $graded,
        public bool $judged,
    ) {
    }

    public static function of(Question $question, EffectiveSettings $settings): self
    {
        return new self(
            $question->kind->measure($settings),
            Penalties::of($question, $settings),
            $settings->get(Setting::Graded) !== 'no',
            $settings->get(Setting::Key) !== 'none' && $question->kind::id() !== KindId::Rating,
        );
    }

    /**
     * The same question at another worth: all that it says in points (weights, costs, floor) is scaled by new ÷ old, exactly.
     */
    public function worthing(Points $worth): self
    {
        $measure = $this->measure;
        if ($measure->worth->isZero() || $worth->compare($measure->worth) === 0) {
            return $this;
        }
        $factor = $worth->exact()->dividedBy($measure->worth->exact());
        $atoms = array_map(static fn (Atom $atom): Atom => $atom->scaled($factor), $measure->atoms);
        $scaled = new Measure($measure->look, $atoms, $measure->rule, $measure->need, $measure->wrongPartCosts, $worth, $measure->options);

        return new self($scaled, $this->penalties->scaled($factor), $this->graded, $this->judged);
    }

    /** Whether it stands in totals: it is graded, and there is something to judge. */
    public function counts(): bool
    {
        return $this->graded && $this->judged;
    }

    /** What a wrong response takes off a sum, the floor heeded; 0 for weighed questions, where each choice has its own. */
    public function mostLostByOneWrong(): Points
    {
        if (!$this->counts() || $this->measure->rule === Measure::WEIGHTS) {
            return Points::zero();
        }
        $lost = $this->penalties->wrong;
        $floor = $this->penalties->floor;

        return Points::rounded($floor !== null && $lost->negated()->compareTo($floor) < 0 ? $floor->negated() : $lost, $this->penalties->decimals);
    }

    /** What a right response is worth in totals: 0 for what is not graded. */
    public function max(): Points
    {
        return $this->counts() ? $this->measure->worth : Points::zero();
    }

    /** @return array<string, mixed> plain JSON data */
    public function toData(): array
    {
        $measure = $this->measure;

        return [
            'v' => self::VERSION,
            'look' => $measure->look,
            'options' => $measure->options,
            'atoms' => array_map(static fn (Atom $atom): array => $atom->toData(), $measure->atoms),
            'rule' => $measure->rule,
            'need' => (string) $measure->need->simplified(),
            'wrongPartCosts' => (string) $measure->wrongPartCosts->simplified(),
            'worth' => (string) $measure->worth,
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
        $atoms = [];
        foreach ($data->objects('atoms') as $atom) {
            $atoms[] = Atom::fromData($atom);
        }
        $options = $data->optionalObject('options')?->raw() ?? [];

        return new self(
            new Measure(
                $data->text('look'),
                $atoms,
                $data->text('rule'),
                BigRational::of($data->text('need')),
                BigRational::of($data->text('wrongPartCosts')),
                Points::of($data->text('worth')),
                $options,
            ),
            Penalties::fromData($data->object('penalties')),
            $data->flag('graded'),
            $data->flag('judged'),
        );
    }
}
