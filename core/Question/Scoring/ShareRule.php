<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Scoring;

/** How what was found becomes a share of the worth. */
enum ShareRule: string
{
    /** 1 if all needed right parts and no wrong one, else 0 */
    case Whole = 'whole';
    /** (right − c × wrong) / need, from 0 to 1 */
    case Share = 'share';
    /** the highest share among the criteria found */
    case Best = 'best';
    /** the sum of the weights found, in points */
    case Weights = 'weights';
    /** nothing to judge */
    case None = 'none';
}
