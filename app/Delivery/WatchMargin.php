<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Zetema\Core\Marking\Marker;
use Zetema\Core\Question\Points;
use Zetema\Core\Sitting\Sitting as Run;

/** What the author sees beside a rehearsal and no candidate ever does: the working of each mark as it would stand now, and the key. */
final class WatchMargin
{
    /** @return array<string, mixed> */
    public function of(Sitting $sitting, Run $run): array
    {
        $rows = [];
        $sum = Points::zero();
        foreach ($run->paper->sheets as $i => $sheet) {
            $state = $run->states[$i];
            $standing = $state->standing($sheet);
            $verdict = $standing !== null && $state->attempts !== [] && ($state->isClosed($sheet) || $standing->response->toData() === $state->saved->toData())
                ? $standing->verdict
                : (new Marker())->mark($sheet->plan, $state->saved, count($state->attempts) + 1, $state->hintsOpened);
            $sum = $sum->plus($verdict->earned);
            $rows[] = ['n' => $i + 1, 'name' => $sheet->question->name, 'key' => $sheet->question->kind->keyInWords(), ...$verdict->toData()];
        }

        return ['seed' => $sitting->seed, 'sum' => (string) $sum, 'max' => (string) $run->paper->max(), 'questions' => $rows];
    }
}
