<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Admission\Admissions;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Blueprint\Editions\Editions;
use Zetema\App\People\Account;
use Zetema\Core\Blueprint\Outcome\Rung;

/** What a candidate can sit, goes on with, and has sat. */
final readonly class CandidateList
{
    public function __construct(private EntityManagerInterface $em, private Editions $editions, private Admissions $admissions)
    {
    }

    /** @return array{assessments: list<array<string, mixed>>, sat: list<array<string, mixed>>} */
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
            $offered[] = [
                'edition' => $edition->id,
                'bank' => $edition->blueprint->bank->name(),
                'running' => $running?->id,
                ...Offer::facts($edition->assessment(), $candidacy, $ended[$assessment] ?? [], $running !== null, $now),
                'title' => $edition->title,
            ];
        }

        return $offered;
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
