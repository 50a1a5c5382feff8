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

/** Begins jobs, and runs them: small ones at once, within the request, the others in the background. */
final readonly class Jobs
{
    public function __construct(
        private EntityManagerInterface $em,
        private MessageBusInterface $bus,
        private ClockInterface $clock,
        private LoggerInterface $logger,
        #[AutowireLocator(Task::class, defaultIndexMethod: 'name')]
        private ContainerInterface $tasks,
    ) {
    }

    /**
     * @param class-string<Task> $task
     * @param int $bank id of the bank whose work it is
     * @param array<string, mixed> $input
     * @param bool $atOnce for what takes less than a second
     */
    public function begin(string $task, int $bank, Account $account, array $input, bool $atOnce): Job
    {
        $job = new Job($task::name(), $bank, $account, $input, $this->clock->now());
        $this->em->persist($job);
        $this->em->flush();
        if ($atOnce) {
            $progress = new Progress($this->em->getConnection(), $job->id);
            $progress->end($this->task($job)->run($job, $progress));
            $this->em->detach($job);

            return $this->em->find(Job::class, $job->id) ?? throw new \LogicException('a job is stored');
        }
        $this->bus->dispatch(new RunJob($job->id));

        return $job;
    }

    #[AsMessageHandler]
    public function run(RunJob $message): void
    {
        $this->em->clear();
        $job = $this->em->find(Job::class, $message->job);
        if ($job === null || $job->state()->isOver()) {
            return;
        }
        $progress = new Progress($this->em->getConnection(), $job->id);
        try {
            $progress->end($this->task($job)->run($job, $progress));
        } catch (\DomainException $e) {
            $progress->fail($e->getMessage());
        } catch (\Throwable $e) {
            $this->logger->error('A job failed: ' . $e->getMessage(), ['exception' => $e, 'job' => $message->job]);
            $progress->fail('Something broke on our side. What was saved up to then stays; it has been written to the log.');
        } finally {
            $this->em->clear();
        }
    }

    /**
     * The jobs of a bank that are not over.
     *
     * @return list<Job>
     */
    public function open(int $bank): array
    {
        return $this->em->getRepository(Job::class)->findBy(['bankId' => $bank, 'state' => [JobState::Waiting, JobState::Running]], ['id' => 'ASC']);
    }

    public function stop(Job $job): void
    {
        $job->askToStop();
        $this->em->flush();
    }

    private function task(Job $job): Task
    {
        $task = $this->tasks->get($job->task);

        return $task instanceof Task ? $task : throw new \LogicException('a job has a task');
    }
}
