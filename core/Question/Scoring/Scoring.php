<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Scoring;

use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;

/** How a kind's responses are measured: the criteria to look for and how what was found becomes a share. */
final readonly class Scoring
{
    /**
     * @param list<Criterion> $criteria
     * @param array<array-key, mixed> $options how texts are compared and numbers are read
     * @param Ratio $need right parts that make everything
     * @param Ratio $wrongPartCosts in right parts
     * @param Points $worth of a right response
     */
    public function __construct(
        public Look $look,
        public array $criteria,
        public ShareRule $rule,
        public Ratio $need,
        public Ratio $wrongPartCosts,
        public Points $worth,
        public array $options = [],
    ) {
    }

    /** The same with all weights scaled to another worth. */
    public function worthing(Points $worth): self
    {
        $factor = $worth->exact()->dividedBy($this->worth->exact());

        return new self(
            $this->look,
            array_map(static fn (Criterion $c): Criterion => $c->scaled($factor), $this->criteria),
            $this->rule,
            $this->need,
            $this->wrongPartCosts,
            $worth,
            $this->options,
        );
    }
}
