<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Step;

use Zetema\Core\Blueprint\Rules\Rules;
use Zetema\Core\Drawing\Draw;
use Zetema\Core\Question\Settings\Settings;

/** So many questions of a pool, others in each form. */
final readonly class DrawStep extends AskingStep
{
    /**
     * @param bool $isMixed whether they are shuffled among those of the section's other mixed draws, so that nobody sees which draw one
     *   came from
     */
    public function __construct(
        string $id,
        public Draw $draw,
        public bool $isMixed,
        Settings $settings,
        Rules $rules,
        RefresherHere $refresher,
        LeadsHere $leads,
    ) {
        parent::__construct($id, $settings, $rules, $refresher, $leads);
    }

    /** What the place of a drawn question is called. */
    public function placeOf(string $question): string
    {
        return $this->id . ':' . $question;
    }
}
