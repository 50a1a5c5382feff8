<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Scoring;

use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;

/** How a kind's responses are measured: the criteria to look for and how what was found becomes a share. */
final readonly class Scoring
{
    public const LOOK_CHOICES = 'choose';
    public const LOOK_TEXT = 'text';
    public const LOOK_NUMBER = 'number';
    public const LOOK_PARTS = 'parts';
    public const LOOK_ORDER = 'order';
    public const LOOK_POINTS = 'points';

    public const WHOLE = 'whole';     // share 1 if all needed right parts and no wrong one, else 0
    public const SHARE = 'share';     // (right − c × wrong) / need, from 0 to 1
    public const BEST = 'best';       // the highest share among the criteria found
    public const WEIGHTS = 'weights'; // the sum of the weights found, in points
    public const NONE = 'none';       // nothing to judge

    /**
     * @param list<Criterion> $criteria
     * @param array<array-key, mixed> $options how texts are compared and numbers are read
     * @param Ratio $need right parts that make everything
     * @param Ratio $wrongPartCosts in right parts
     * @param Points $worth of a right response
     */
    public function __construct(
        public string $look,
        public array $criteria,
        public string $rule,
        public Ratio $need,
        public Ratio $wrongPartCosts,
        public Points $worth,
        public array $options = [],
    ) {
    }
}
