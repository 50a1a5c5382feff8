<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint;

use Zetema\Core\Blueprint\Rules\Rules;
use Zetema\Core\Blueprint\Step\Step;
use Zetema\Core\Question\Settings\Settings;

/** A part of the running order, with a time and rules of its own if it has any. */
final readonly class Section
{
    /**
     * @param bool $isMixed whether its steps stand in another order in each form
     * @param int|null $seconds for the section as a whole
     * @param list<Step> $steps
     */
    public function __construct(
        public string $id,
        public string $title,
        public bool $isMixed,
        public ?int $seconds,
        public Settings $settings,
        public Rules $rules,
        public array $steps,
    ) {
    }
}
