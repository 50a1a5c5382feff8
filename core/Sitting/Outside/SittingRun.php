<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Outside;

use Zetema\Core\Sitting\Act\Refused;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Run\Conduct;

/** Runs a sitting that was written down, by the events' own times. */
final class SittingRun
{
    /** @return array<string, mixed> what it comes to, and which events were refused */
    public static function result(Paper $paper, SittingFile $file): array
    {
        $conduct = new Conduct($paper, $file->terms);
        $state = $conduct->begin();
        $reader = new ActReader($paper);
        $refused = [];
        foreach ($file->events as $i => $written) {
            try {
                $why = $conduct->take($state, $reader->act($written))->refused?->slug();
            } catch (Refused $e) {
                $why = $e->slug();
            }
            if ($why !== null) {
                $refused[] = ['event' => $i + 1, 'why' => $why];
            }
        }
        $now = $reader->latest()->later($file->now ?? $reader->latest());
        $conduct->settle($state, $now);

        return ['id' => $file->id, ...(new SittingResult($paper, $state, $file->terms, $now))->toData(), 'refused' => $refused];
    }
}
