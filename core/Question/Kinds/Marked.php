<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds;

use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseSpace;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Settings\EffectiveSettings;

/** How responses are measured. */
interface Marked
{
    public function scoring(EffectiveSettings $settings): Scoring;

    /** The responses there are, to list them and to guess among them. */
    public function space(EffectiveSettings $settings): ResponseSpace;

    /** Whether all responses can be listed; false where one types. */
    public function isListable(): bool;

    /**
     * Responses that tell how it is marked, where there are too many to list: each part alone, all right, all wrong, borders and near
     * misses.
     *
     * @return iterable<Response>
     */
    public function telling(EffectiveSettings $settings): iterable;
}
