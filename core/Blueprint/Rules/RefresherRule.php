<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Rules;

/** What is set about refreshers at one place; null: nothing. */
final readonly class RefresherRule
{
    /**
     * @param int|null $rounds how often one can be sent to it
     * @param bool|null $clockRunsOn whether the question's clock runs on meanwhile
     * @param bool|null $timeAfresh whether the question's time then starts from nothing used
     */
    public function __construct(
        public ?int $rounds = null,
        public ?RoundStands $stands = null,
        public ?bool $clockRunsOn = null,
        public ?bool $timeAfresh = null,
    ) {
    }

    public function over(?self $further): self
    {
        return new self(
            $this->rounds ?? $further?->rounds,
            $this->stands ?? $further?->stands,
            $this->clockRunsOn ?? $further?->clockRunsOn,
            $this->timeAfresh ?? $further?->timeAfresh,
        );
    }

    public function mostRounds(): int
    {
        return $this->rounds ?? 1;
    }

    public function standing(): RoundStands
    {
        return $this->stands ?? RoundStands::Last;
    }
}
