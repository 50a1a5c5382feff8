<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

use Zetema\Core\Blueprint\Outcome\Rung;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** What an assessment sets for its sittings. */
final readonly class Rules
{
    /**
     * @param int|null $seconds for the whole, from the first step to hand-in; null: no limit
     * @param bool $tellsAtOnce feedback after each attempt, so that there is a *Check*; else all is told at the end
     * @param bool $showsWorth whether a candidate sees what a question is worth
     * @param int|null $sittings how many a candidate may have; null: any number
     */
    public function __construct(
        public ?int $seconds = null,
        public bool $tellsAtOnce = false,
        public bool $showsWorth = true,
        public Rung $whoPassesSees = Rung::WithKey,
        public Rung $whoDoesNotSees = Rung::WithKey,
        public ?int $sittings = 1,
    ) {
        if ($seconds !== null && ($seconds < 10 || $seconds > 86_400)) {
            throw new Malformed('seconds', 'must be from 10 seconds to 24 hours');
        }
        if ($sittings !== null && ($sittings < 1 || $sittings > 99)) {
            throw new Malformed('sittings', 'must be from 1 to 99');
        }
    }

    /** How many attempts there are at a question here; null: any number. Where nothing is told before the end there is one. */
    public function attempts(Sheet $sheet): ?int
    {
        return $this->tellsAtOnce ? $sheet->settings->attempts() : 1;
    }

    public static function fromData(Fields $data): self
    {
        $data->only('seconds', 'tellsAtOnce', 'showsWorth', 'whoPassesSees', 'whoDoesNotSees', 'sittings');
        $rung = static fn (string $field): Rung => Rung::tryFrom($data->text($field, Rung::WithKey->value)) ?? throw new Malformed($field, 'is no rung of the review');

        return new self(
            $data->optionalInteger('seconds'),
            $data->flag('tellsAtOnce', false),
            $data->flag('showsWorth', true),
            $rung('whoPassesSees'),
            $rung('whoDoesNotSees'),
            $data->optionalInteger('sittings'),
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
        ];
    }
}
