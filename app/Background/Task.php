<?php

declare(strict_types=1);

namespace Zetema\App\Background;

use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/** What a job does, in pieces that are each saved as a whole, so that it can be stopped between any two. */
#[AutoconfigureTag]
interface Task
{
    /** Its name in the table of jobs. */
    public static function name(): string;

    /**
     * @param Job $job no longer managed after the first piece, if this clears the entity manager
     *
     * @return array<string, mixed>|null what came of it
     */
    public function run(Job $job, Progress $progress): ?array;
}
