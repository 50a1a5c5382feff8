<?php

declare(strict_types=1);

namespace Zetema\App\Background;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Event\WorkerRunningEvent;

/** A worker that has nothing to do looks each few seconds for jobs that were left. */
#[AsEventListener]
final class TakingUp
{
    private const EACH = 5;
    private int $lookedAt = 0;

    public function __construct(private readonly Jobs $jobs)
    {
    }

    public function __invoke(WorkerRunningEvent $event): void
    {
        if ($event->isWorkerIdle() && time() - $this->lookedAt >= self::EACH) {
            $this->lookedAt = time();
            $this->jobs->takeUpLeft();
        }
    }
}
