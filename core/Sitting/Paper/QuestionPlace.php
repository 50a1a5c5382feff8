<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Paper;

use Zetema\Core\Blueprint\Rules\Rules;
use Zetema\Core\Blueprint\Step\Lead;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Stands;

/** A question as it is asked here: all that was said about it at any place, put together. */
final readonly class QuestionPlace extends Place
{
    /**
     * @param string $step the id of the blueprint's step
     * @param string $name the question's
     * @param Rules $rules that hold at its step
     * @param int|null $attempts null: any number
     * @param int|null $seconds of its own
     * @param array<int, Lead> $leads by choice, in the order written
     */
    public function __construct(
        string $id,
        int $section,
        public string $step,
        public string $name,
        public Question $question,
        public EffectiveSettings $settings,
        public MarkingPlan $plan,
        public Rules $rules,
        public ?int $attempts,
        public ?int $seconds,
        public ?Refresher $refresher,
        public array $leads,
    ) {
        parent::__construct($id, $section);
    }

    /** Whether the highest mark of a round stands, and not the last. */
    public function bestStands(): bool
    {
        return $this->settings->stands() === Stands::Best;
    }
}
