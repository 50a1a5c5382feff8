<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

use Zetema\Core\Blueprint\Rules\Rules;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Sitting\Run\Terms;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** One person and one assessment: whether and when they may begin it, and under which terms. */
final readonly class Candidacy
{
    /**
     * @param bool $isAdmitted whether they are among those who may sit it
     * @param Instant|null $opens from when on it can be begun; null: always
     * @param Instant|null $closes until when; running sittings end then where the rules say so; null: never
     * @param int $extraTime percent by which all their times are longer
     * @param int $more sittings beyond those that the rules give everybody
     */
    public function __construct(
        public bool $isAdmitted,
        public ?Instant $opens,
        public ?Instant $closes,
        public int $extraTime = 0,
        public int $more = 0,
    ) {
    }

    public function terms(): Terms
    {
        return self::termsOf($this->extraTime, $this->closes);
    }

    /** The terms of a sitting: percent of time more, and when it closes. */
    public static function termsOf(int $extraTime, ?Instant $closes): Terms
    {
        return new Terms(Ratio::nd(100 + $extraTime, 100), $closes);
    }

    /** @return int|null how many they may still begin; null: any number */
    public function sittingsLeft(Rules $rules, int $sat): ?int
    {
        return $rules->sittings() === null ? null : max(0, $rules->sittings() + $this->more - $sat);
    }

    /**
     * When the next sitting may begin.
     *
     * @param list<Instant> $ended when those before ended
     */
    public function next(Rules $rules, array $ended): Instant
    {
        $next = $this->opens ?? Instant::start();
        foreach ($rules->pause() === 0 ? [] : $ended as $end) {
            $next = $next->later($end->plus(Duration::seconds($rules->pause())));
        }

        return $next;
    }

    public function hasClosed(Instant $now): bool
    {
        return $this->closes !== null && !$now->isBefore($this->closes);
    }

    /**
     * @param list<Instant> $ended when the sittings before ended
     *
     * @throws Refused in words for the candidate, if none can be begun now
     */
    public function refuse(Rules $rules, array $ended, Instant $now): void
    {
        $most = ($rules->sittings() ?? 0) + $this->more;
        $next = $this->next($rules, $ended);
        $why = match (true) {
            !$this->isAdmitted => 'You are not among those who may sit this assessment.',
            $this->hasClosed($now) => 'This assessment has closed.',
            $this->sittingsLeft($rules, count($ended)) === 0 => $most === 1
                ? 'This assessment can be sat once, and you have sat it.'
                : sprintf('This assessment can be sat %d times, and you have.', $most),
            $this->opens !== null && $now->isBefore($this->opens) => 'This assessment is not open yet.',
            $now->isBefore($next) => sprintf(
                'Between two sittings there is a pause; the next one can begin in %d min.',
                $next->since($now)->inMinutes(),
            ),
            default => null,
        };
        if ($why !== null) {
            throw new Refused($why);
        }
    }
}
