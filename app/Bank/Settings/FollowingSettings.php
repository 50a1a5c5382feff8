<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Settings;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Background\Job;
use Zetema\App\Background\Jobs;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Question;
use Zetema\App\People\Account;

/** The work that follows from a change of settings at the questions of a bank: in the background if there are many. */
final readonly class FollowingSettings
{
    public function __construct(private EntityManagerInterface $em, private Jobs $jobs)
    {
    }

    public function of(Bank $bank): ?Job
    {
        $open = array_filter($this->jobs->open($bank->id), static fn (Job $job): bool => $job->task === FollowSettings::name());

        return $open === [] ? null : end($open);
    }

    /** @param (callable(): array<string, mixed>)|null $with what is written in the same transaction */
    public function begin(Bank $bank, Account $account, ?callable $with = null, bool $inBackground = false): Job
    {
        $older = $this->of($bank);
        if ($older !== null) {
            $this->jobs->stop($older); // it would end with settings that are no more
        }
        $count = $this->em->getRepository(Question::class)->count(['bank' => $bank]);

        return $this->jobs->begin(
            FollowSettings::class,
            $bank->id,
            $account,
            [],
            atOnce: !$inBackground && $count <= FollowSettings::AT_ONCE,
            with: $with,
        );
    }
}
