<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Admission\Admissions;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Blueprint\Editions\Editions;
use Zetema\App\People\Account;
use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Outcome\Rung;
use Zetema\Core\Blueprint\Paths\PathTotals;
use Zetema\Core\Blueprint\Paths\Span;
use Zetema\Core\Blueprint\Paths\Ways;
use Zetema\Core\Blueprint\Step\AskingStep;
use Zetema\Core\Blueprint\Step\DrawStep;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Sitting\Run\Terms;

/** What a candidate can sit, goes on with, and has sat. */
final readonly class CandidateList
{
    public function __construct(private EntityManagerInterface $em, private Editions $editions, private Admissions $admissions)
    {
    }

    /** @return array<string, mixed> */
    public function of(Account $account, Invigilation $invigilation): array
    {
        $sittings = $this->em->getRepository(Sitting::class)->findBy(['account' => $account], ['id' => 'DESC']);
        $mine = [];
        $open = [];
        $ended = [];
        foreach ($sittings as $sitting) {
            if ($sitting->edition === null) {
                continue;
            }
            if ($sitting->endedAt() === null) {
                $invigilation->settle($sitting);
            }
            $assessment = $sitting->blueprint->id;
            if ($sitting->endedAt() === null) {
                $open[$assessment] = $sitting;
            } else {
                $ended[$assessment][] = $sitting->endedAt() * 1000;
                $mine[] = $this->sat($sitting, $sitting->edition);
            }
        }

        return ['assessments' => $this->offered($account, $ended, $open, $invigilation->now()), 'sat' => $mine];
    }

    /**
     * Each assessment once: the edition that is being sat, else the newest. How often it may be sat counts over all its editions.
     *
     * @param array<int, list<int>> $ended when the sittings so far ended, by assessment
     * @param array<int, Sitting> $open
     *
     * @return list<array<string, mixed>>
     */
    private function offered(Account $account, array $ended, array $open, int $now): array
    {
        $offered = [];
        $editions = [];
        foreach ($this->editions->toBegin() as $newest) {
            $editions[$newest->blueprint->id] = $newest;
        }
        foreach ($open as $assessment => $sitting) {
            // Whoever has begun goes on, whatever became of it meanwhile.
            $editions[$assessment] = $sitting->edition ?? throw new \LogicException('a rehearsal is in no list');
        }
        ksort($editions);
        foreach ($editions as $assessment => $edition) {
            $candidacy = $this->admissions->candidacy($edition->blueprint, $account);
            $running = $open[$assessment] ?? null;
            if ($running === null && (!$candidacy->isAdmitted || $candidacy->hasClosed($now))) {
                continue;
            }
            $plan = $edition->assessment();
            $rules = $plan->rules;
            $asks = self::asks($plan);
            $sat = $ended[$assessment] ?? [];
            $next = $candidacy->next($rules, $sat);
            $seconds = $rules->seconds();
            $offered[] = [
                'edition' => $edition->id,
                'title' => $edition->title,
                'bank' => $edition->blueprint->bank->name(),
                'questions' => $asks->many,
                'fewest' => $asks->fewest,
                'seconds' => $seconds === null ? null : intdiv($candidacy->terms()->micros($seconds), Terms::SECOND),
                'timed' => self::isTimed($plan),
                'pass' => $plan->pass?->mark->toData(),
                'minimums' => count($plan->pass->minimums ?? []),
                'sittingsLeft' => $candidacy->sittingsLeft($rules, count($sat) + ($running === null ? 0 : 1)),
                'running' => $running?->id,
                'opens' => $next > $now ? self::moment($next) : null,
                'closes' => $candidacy->closes === null ? null : self::moment($candidacy->closes),
            ];
        }

        return $offered;
    }

    /** How many questions a path through it asks, from the shortest to the longest. */
    private static function asks(Blueprint $plan): Span
    {
        $ways = new Ways($plan);
        $asks = array_map(static function (array $at): Span {
            $many = $at[1] instanceof DrawStep ? $at[1]->draw->take : ($at[1] instanceof AskingStep ? 1 : 0);

            return new Span($many, $many, Points::zero(), Points::zero());
        }, $ways->steps);

        return PathTotals::of($ways, $asks)->all;
    }

    /** Whether sections or questions have times of their own, as far as the plan says so. */
    private static function isTimed(Blueprint $plan): bool
    {
        $has = static fn (Settings $settings): bool => !in_array($settings->get(Setting::Time), [null, 'none'], true);
        foreach ($plan->steps() as [$section, $step]) {
            if ($section->seconds !== null || $has($section->settings) || ($step instanceof AskingStep && $has($step->settings))) {
                return true;
            }
        }

        return $has($plan->settings);
    }

    private static function moment(int $micros): string
    {
        return gmdate(DATE_ATOM, intdiv($micros, Terms::SECOND));
    }

    /** @return array<string, mixed> no more than the review would tell */
    private function sat(Sitting $sitting, Edition $edition): array
    {
        $result = $sitting->result();
        $rules = $edition->rules();
        $rung = $result['passed'] === false ? $rules->whoDoesNotSees : $rules->whoPassesSees;
        $total = $rung->includes(Rung::Total);

        return [
            'id' => $sitting->id,
            'title' => $edition->title,
            'endedAt' => date(DATE_ATOM, intdiv($sitting->endedAt() ?? 0, 1000)),
            'passed' => $rung->includes(Rung::PassedOrNot) ? $result['passed'] : null,
            'earned' => $total ? $result['earned'] : null,
            'max' => $total ? $result['max'] : null,
            'percent' => $total ? $result['percent'] : null,
        ];
    }
}
