<?php

declare(strict_types=1);

namespace Zetema\App\Background;

use Symfony\Component\Messenger\Attribute\AsMessage;

/** The message that a job waits to be run. */
#[AsMessage('background')]
final readonly class RunJob
{
    public function __construct(public int $job)
    {
    }
}
