<?php

declare(strict_types=1);

namespace Zetema\App\Background;

use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/**
 * What a job does, in pieces: each is saved together with how far the job has come, so that it can be stopped between any two, and goes on
 * from there when it was left.
 */
#[AutoconfigureTag]
interface Task
{
    /** Its name in the table of jobs. */
    public static function name(): string;

    /**
     * Begins, or goes on from where the last piece left it (Progress::cursor).
     *
     * @param Job $job no longer managed after the first piece, if this clears the entity manager
     *
     * @return array<string, mixed>|null what came of it
     */
    public function run(Job $job, Progress $progress): ?array;

    /** Nobody goes on with it: takes away what would be half. Called within the transaction in which the job ends as stopped or failed. */
    public function abandon(Job $job): void;
}
