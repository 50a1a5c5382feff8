<?php

declare(strict_types=1);

namespace Zetema\App\Background;

/** How far a job has come. */
enum JobState: string
{
    case Waiting = 'waiting';
    case Running = 'running';
    case Done = 'done';
    case Stopped = 'stopped';
    case Failed = 'failed';

    public function isOver(): bool
    {
        return in_array($this, [self::Done, self::Stopped, self::Failed], true);
    }
}
