<?php

declare(strict_types=1);

namespace Zetema\App\Background;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Psr\Container\ContainerInterface;
use Psr\Log\LoggerInterface;
use Symfony\Component\DependencyInjection\Attribute\AutowireLocator;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\MessageBusInterface;
use Zetema\App\People\Account;
use Zetema\App\Shared\Lock;
use Zetema\App\Shared\Row;
use Zetema\App\Shared\Transactions;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\ToldToPeople;

/**
 * Begins jobs, and runs them: small ones at once, within the request, the others in the background. Each ends as done, as failed with
 * the reason, or as stopped: one whose worker gives no sign of life any more is taken up by another where its last piece left it.
 */
final readonly class Jobs
{
    /** Seconds without a sign of life after which a job counts as left. */
    public const LEFT = 30;
    private const TRIES = 3;
    private const BROKE = 'Something broke on our side. What was saved up to then stays; it has been written to the log.';

    public function __construct(
        private EntityManagerInterface $em,
        private Transactions $transactions,
        private MessageBusInterface $bus,
        private ClockInterface $clock,
        private LoggerInterface $logger,
        #[AutowireLocator(Task::class, defaultIndexMethod: 'name')]
        private ContainerInterface $tasks,
    ) {
    }

    /**
     * @param class-string<Task> $task
     * @param int|null $bank id of the bank whose work it is; null: the one that is made with it, which the input names as `made`
     * @param array<string, mixed> $input
     * @param bool $atOnce for what takes less than a second; not within a transaction, since it has one for each of its pieces
     * @param (callable(): array<string, mixed>)|null $with what is written in the same transaction in which the job is; gives more of the
     *   input
     *
     * @throws ToldToPeople the reason, if it was done at once and failed
     */
    public function begin(string $task, ?int $bank, Account $account, array $input, bool $atOnce, ?callable $with = null): Job
    {
        $job = $this->transactions->over(Lock::house(), function () use ($task, $bank, $account, $input, $with, $atOnce): Job {
            $input = [...$input, ...$with === null ? [] : $with()];
            $job = new Job(
                $task::name(),
                $bank ?? Fields::of($input)->integer('made'),
                $this->em->getReference(Account::class, $account->id) ?? $account,
                $input,
                $this->clock->now(),
            );
            $this->em->persist($job);
            $this->em->flush();
            if (!$atOnce) {
                $this->bus->dispatch(new RunJob($job->id));
            }

            return $job;
        });
        if (!$atOnce) {
            return $job;
        }
        $this->work($job->id, rethrow: true);
        $this->em->clear();

        return $this->em->find(Job::class, $job->id) ?? throw new \LogicException('a job is stored');
    }

    #[AsMessageHandler]
    public function run(RunJob $message): void
    {
        $this->em->clear();
        $this->work($message->job, rethrow: false);
        $this->em->clear();
    }

    /** Takes up what was left: by a worker that is gone, or by a request that was cut off. */
    public function takeUpLeft(): void
    {
        $left = $this->em
            ->getConnection()
            ->fetchFirstColumn("SELECT id FROM job WHERE state IN ('waiting', 'running') AND beat_at < ? ORDER BY id", [
                time() - self::LEFT,
            ]);
        foreach ($left as $id) {
            $this->run(new RunJob(Row::int($id)));
        }
    }

    /**
     * The jobs of a bank that are not over.
     *
     * @return list<Job>
     */
    public function open(int $bank): array
    {
        return $this->em
            ->getRepository(Job::class)
            ->findBy(['bankId' => $bank, 'state' => [JobState::Waiting, JobState::Running]], ['id' => 'ASC']);
    }

    public function stop(Job $job): Job
    {
        $this->transactions->ofRows(Lock::house(), function () use ($job): void {
            $this->em->getConnection()->executeStatement('UPDATE job SET stop_asked = 1 WHERE id = ?', [$job->id]);
            if (
                $this->em
                    ->getConnection()
                    ->executeStatement("UPDATE job SET try = try + 1, state = 'stopped' WHERE id = ? AND state = 'waiting'", [$job->id]) >
                0
            ) {
                $this->end($job, JobState::Stopped, null, null);
            }
        });
        $this->em->detach($job);

        return $this->em->find(Job::class, $job->id) ?? throw new \LogicException('a job is stored');
    }

    private function work(int $id, bool $rethrow): void
    {
        $tried = $this->claim($id);
        if ($tried === null) {
            return;
        }
        $job = $this->em->find(Job::class, $id) ?? throw new \LogicException('it was just claimed');
        $progress = new Progress($this->transactions, $this->em, $id, $tried);
        if ($tried > self::TRIES) {
            $this->finish(
                $id,
                $tried,
                JobState::Failed,
                null,
                sprintf('It was left %d times half-way, for reasons of our own, and is not tried again.', self::TRIES),
            );

            return;
        }
        try {
            $result = $this->task($job)->run($job, $progress);
            $this->finish($id, $tried, $progress->isStopped() ? JobState::Stopped : JobState::Done, $result, null);
        } catch (NotOurs) {
            return;
        } catch (\Throwable $e) {
            $why = $e instanceof ToldToPeople ? $e->getMessage() : self::BROKE;
            if (!$e instanceof ToldToPeople) {
                $this->logger->error('A job failed: ' . $e->getMessage(), ['exception' => $e, 'job' => $id]);
            }
            $this->finish($id, $tried, JobState::Failed, null, $why);
            if ($rethrow) {
                throw $e;
            }
        }
    }

    /** @return int|null which try this is; null if the job is over, or somebody is at it */
    private function claim(int $id): ?int
    {
        return $this->transactions->ofRows(Lock::house(), function () use ($id): ?int {
            $claimed = $this->em
                ->getConnection()
                ->executeStatement(
                    "UPDATE job SET try = try + 1, state = 'running', beat_at = ? WHERE id = ? AND (state = 'waiting' OR (state = 'running' AND beat_at < ?))",
                    [time(), $id, time() - self::LEFT],
                );
            $try = $claimed === 0 ? null : $this->em->getConnection()->fetchOne('SELECT try FROM job WHERE id = ?', [$id]);

            return Row::optionalInt($try);
        });
    }

    /** @param array<string, mixed>|null $result */
    private function finish(int $id, int $try, JobState $state, ?array $result, ?string $failure): void
    {
        $this->em->clear();
        $this->transactions->over(Lock::house(), function () use ($id, $try, $state, $result, $failure): void {
            $job = $this->em->find(Job::class, $id);
            if ($job?->isOf($try) === true) {
                $this->end($job, $state, $result, $failure);
            }
        });
    }

    /** @param array<string, mixed>|null $result */
    private function end(Job $job, JobState $state, ?array $result, ?string $failure): void
    {
        if ($state !== JobState::Done) {
            $this->task($job)->abandon($job);
        }
        // What it was given may be a whole file, and nobody asks for it any more.
        $this->em
            ->getConnection()
            ->executeStatement("UPDATE job SET state = ?, result = ?, failure = ?, input = '{}', at = '{}' WHERE id = ?", [
                $state->value,
                $result === null ? null : json_encode($result, JSON_THROW_ON_ERROR),
                $failure,
                $job->id,
            ]);
    }

    private function task(Job $job): Task
    {
        $task = $this->tasks->get($job->task);

        return $task instanceof Task ? $task : throw new \LogicException('a job has a task');
    }
}
