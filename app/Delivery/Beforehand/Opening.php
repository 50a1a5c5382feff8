<?php

declare(strict_types=1);

namespace Zetema\App\Delivery\Beforehand;

use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Delivery\CandidatePage;
use Zetema\App\Delivery\Invigilation;
use Zetema\App\Delivery\PageAliases;
use Zetema\App\People\Account;
use Zetema\Core\Blueprint\Blueprint as Assessment;
use Zetema\Core\Blueprint\Rules\Rule;
use Zetema\Core\Blueprint\Section;
use Zetema\Core\Question\Mentions;
use Zetema\Core\Sitting\Candidacy;
use Zetema\Core\Time\Instant;

/** What one reads before the clock starts: what is to be sat, by which rules, and what its author says to it. Nothing is dealt yet. */
final readonly class Opening
{
    public function __construct(private CandidateList $list, private CandidatePage $shown, private Stakes $stakes)
    {
    }

    /**
     * @return array<string, mixed>
     *
     * @throws NotFoundHttpException if it is not among what the candidate can sit or goes on with
     */
    public function ofEdition(Edition $edition, Account $account, Invigilation $invigilation): array
    {
        foreach ($this->list->of($account, $invigilation)['assessments'] as $offer) {
            if ($offer['edition'] === $edition->id) {
                return ['offer' => $offer, ...$this->said($edition->blueprint, $edition, $edition->assessment())];
            }
        }
        throw new NotFoundHttpException();
    }

    /** @return array<string, mixed> as its author looks at it; who may sit it, and when, is left aside */
    public function ofBlueprint(Blueprint $blueprint): array
    {
        $plan = $blueprint->assessment();

        return [
            'offer' => [
                'edition' => null,
                'bank' => $blueprint->bank->name(),
                'running' => null,
                ...Offer::facts($plan, new Candidacy(true, null, null), [], Instant::start()),
            ],
            ...$this->said($blueprint, null, $plan),
        ];
    }

    /** @return array<string, mixed> */
    private function said(Blueprint $blueprint, ?Edition $edition, Assessment $plan): array
    {
        $mentions = new Mentions();
        $mentions->page($plan->opening);
        $clocks = array_keys(
            array_filter([
                'whole' => $plan->rules->seconds() !== null,
                'section' => array_filter($plan->sections, static fn (Section $section): bool => $section->seconds !== null) !== [],
            ]),
        );
        $words = static fn (Rule $rule): array => array_values(
            array_unique(array_map(static fn (Section $section): string => $plan->rulesIn($section)->word($rule), $plan->sections)),
        );
        $rungs = static fn (?bool $passed): array => [
            'atOnce' => $plan->review->rung($passed, false)->value,
            'closed' => $plan->review->rung($passed, true)->value,
        ];

        return PageAliases::veiled(
            [
                'page' => $plan->opening,
                'moving' => $words(Rule::Moving),
                'feedback' => $words(Rule::Feedback),
                'clocks' => $clocks,
                'runningOut' => $words(Rule::RunningOut),
                'endsAtClosing' => $plan->rules->flag(Rule::UntilEnds),
                'stakes' => $edition === null ? $this->stakes->ofBlueprint($blueprint) : $this->stakes->ofEdition($edition),
                'review' => ['passed' => $rungs(true), 'notPassed' => $plan->pass === null ? null : $rungs(false)],
            ],
            $this->shown->mentioned($blueprint->bank, $edition, $mentions),
        );
    }
}
