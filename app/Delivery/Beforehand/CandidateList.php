<?php

declare(strict_types=1);

namespace Zetema\App\Delivery\Beforehand;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Admission\Admissions;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Blueprint\Editions\Editions;
use Zetema\App\Delivery\ClosedNow;
use Zetema\App\Delivery\Invigilation;
use Zetema\App\Delivery\Sitting;
use Zetema\App\People\Account;
use Zetema\Core\Blueprint\Outcome\Rung;
use Zetema\Core\Sitting\Candidacy;
use Zetema\Core\Time\Instant;

/** What a candidate can sit, goes on with, and has sat. */
final readonly class CandidateList
{
    public function __construct(
        private EntityManagerInterface $em,
        private Editions $editions,
        private Admissions $admissions,
        private ClosedNow $closed,
    ) {
    }

    /** @return array{assessments: list<array<string, mixed>>, sat: list<array<string, mixed>>} */
    public function of(Account $account, Invigilation $invigilation): array
    {
        $open = $ended = [];
        foreach ($this->em->getRepository(Sitting::class)->findBy(['account' => $account], ['id' => 'DESC']) as $sitting) {
            if ($sitting->isRehearsal()) {
                continue;
            }
            if ($sitting->endedAt() === null) {
                $invigilation->settle($sitting);
            }
            if ($sitting->endedAt() === null) {
                $open[$sitting->blueprint->id] = $sitting;
            } else {
                $ended[] = $sitting;
            }
        }
        $now = $invigilation->now();
        $editions = $this->editions($open);
        $assessments = [...$editions, ...$ended];
        $candidacies = $this->admissions->candidacies(
            array_map(static fn (Edition|Sitting $one): Blueprint => $one->blueprint, $assessments),
            $account,
        );

        return [
            'assessments' => self::offered($editions, $candidacies, $ended, $open, $now),
            'sat' => $this->sat($ended, $candidacies, $now),
        ];
    }

    /**
     * Each assessment once: the edition that is being sat, else the newest.
     *
     * @param array<int, Sitting> $open by assessment
     *
     * @return list<Edition> in the order in which the assessments were made
     */
    private function editions(array $open): array
    {
        $editions = [];
        foreach ($this->editions->toBegin() as $newest) {
            $editions[$newest->blueprint->id] = $newest;
        }
        foreach ($open as $assessment => $sitting) {
            // Whoever has begun goes on, whatever became of it meanwhile.
            $editions[$assessment] = $sitting->edition ?? throw new \LogicException('a rehearsal is in no list');
        }
        ksort($editions);

        return array_values($editions);
    }

    /**
     * How often an assessment may be sat counts over all its editions.
     *
     * @param list<Edition> $editions
     * @param array<int, Candidacy> $candidacies by assessment
     * @param list<Sitting> $ended
     * @param array<int, Sitting> $open by assessment
     *
     * @return list<array<string, mixed>>
     */
    private static function offered(array $editions, array $candidacies, array $ended, array $open, Instant $now): array
    {
        $offered = $before = [];
        foreach ($ended as $sitting) {
            $before[$sitting->blueprint->id][] = $sitting->endedAt() ?? Instant::start();
        }
        foreach ($editions as $edition) {
            $assessment = $edition->blueprint->id;
            $candidacy = $candidacies[$assessment];
            $running = $open[$assessment] ?? null;
            if ($running === null && (!$candidacy->isAdmitted || $candidacy->hasClosed($now))) {
                continue;
            }
            $offered[] = [
                'edition' => $edition->id,
                'bank' => $edition->blueprint->bank->name(),
                'running' => $running?->id,
                ...Offer::facts($edition->assessment(), $candidacy, $before[$assessment] ?? [], $now, $running !== null),
                'title' => $edition->title,
            ];
        }

        return $offered;
    }

    /**
     * What was sat, and no more of it than its review would tell now.
     *
     * @param list<Sitting> $ended
     * @param array<int, Candidacy> $candidacies by assessment
     *
     * @return list<array<string, mixed>>
     */
    private function sat(array $ended, array $candidacies, Instant $now): array
    {
        $sat = $reviews = [];
        foreach ($ended as $sitting) {
            $edition = $sitting->edition ?? throw new \LogicException('a rehearsal is in no list');
            $reviews[$edition->id] ??= $edition->assessment()->review;
            $result = $sitting->result();
            $rung = $reviews[$edition->id]->rung(
                $result['passed'],
                $this->closed->isFor($sitting, $now, $candidacies[$sitting->blueprint->id]),
            );
            $total = $rung->includes(Rung::Total);
            $sat[] = [
                'id' => $sitting->id,
                'title' => $edition->title,
                'endedAt' => $sitting->endedAt()?->inWords(),
                'passed' => $rung->includes(Rung::PassedOrNot) ? $result['passed'] : null,
                'earned' => $total ? $result['earned'] : null,
                'max' => $total ? $result['max'] : null,
                'percent' => $total ? $result['percent'] : null,
            ];
        }

        return $sat;
    }
}
