<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Plain;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Outcome\Rung;
use Zetema\Core\Blueprint\Rules\Rule;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** The rules of an assessment that is one section of draws, as its screen sets them. */
final readonly class PlainRules
{
    /**
     * @param int|null $seconds for the whole, from the first step to hand-in; null: no limit
     * @param bool $tellsAtOnce feedback after each attempt, so that there is a *Check*; else all is told at the end
     * @param bool $showsWorth whether a candidate sees what a question is worth
     * @param int|null $sittings how many a candidate may have; null: any number
     * @param bool $forwardOnly one question a screen, and none to come back to; else any order
     * @param bool $mustAnswer whether no question may be left blank
     */
    public function __construct(
        public ?int $seconds = null,
        public bool $tellsAtOnce = false,
        public bool $showsWorth = true,
        public Rung $whoPassesSees = Rung::WithKey,
        public Rung $whoDoesNotSees = Rung::WithKey,
        public ?int $sittings = 1,
        public bool $forwardOnly = false,
        public bool $mustAnswer = false,
    ) {
        if ($seconds !== null && ($seconds < 10 || $seconds > 86_400)) {
            throw new Malformed('seconds', 'must be from 10 seconds to 24 hours');
        }
        if ($sittings !== null && ($sittings < 1 || $sittings > 99)) {
            throw new Malformed('sittings', 'must be from 1 to 99');
        }
    }

    /** What of a whole blueprint can be said in these rules; of the review what is shown at once. */
    public static function of(Blueprint $blueprint): self
    {
        $rules = $blueprint->rules;
        $seconds = $rules->seconds();

        return new self(
            $seconds === null ? null : max(10, $seconds),
            $rules->tellsBeforeTheEnd(),
            $rules->flag(Rule::Worth),
            $blueprint->review->rung(true, isClosed: false),
            $blueprint->review->rung(false, isClosed: false),
            $rules->sittings() === null ? null : min(99, $rules->sittings()),
            !$rules->isAnyOrder(),
            $rules->flag(Rule::MustAnswer),
        );
    }

    public static function fromData(Fields $data): self
    {
        $data->only('seconds', 'tellsAtOnce', 'showsWorth', 'whoPassesSees', 'whoDoesNotSees', 'sittings', 'forwardOnly', 'mustAnswer');
        $rung = static fn (string $field): Rung => Rung::tryFrom($data->text($field, Rung::WithKey->value)) ??
            throw new Malformed($field, 'is no rung of the review');

        return new self(
            $data->optionalInteger('seconds'),
            $data->flag('tellsAtOnce', false),
            $data->flag('showsWorth', true),
            $rung('whoPassesSees'),
            $rung('whoDoesNotSees'),
            $data->optionalInteger('sittings'),
            $data->flag('forwardOnly', false),
            $data->flag('mustAnswer', false),
        );
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return [
            'seconds' => $this->seconds,
            'tellsAtOnce' => $this->tellsAtOnce,
            'showsWorth' => $this->showsWorth,
            'whoPassesSees' => $this->whoPassesSees->value,
            'whoDoesNotSees' => $this->whoDoesNotSees->value,
            'sittings' => $this->sittings,
            'forwardOnly' => $this->forwardOnly,
            'mustAnswer' => $this->mustAnswer,
        ];
    }
}
