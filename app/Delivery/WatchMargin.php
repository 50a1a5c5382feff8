<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\DBAL\Connection;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Points;
use Zetema\Core\Sitting\State\Standing;

/** What the author sees beside a rehearsal and no candidate ever does: the working of each mark as it would stand now, and the key. */
final readonly class WatchMargin
{
    public function __construct(private Connection $db)
    {
    }

    /** @return array<string, mixed> */
    public function of(Sitting $sitting, Going $going): array
    {
        $rows = [];
        $sum = $max = Points::zero();
        foreach ($going->state->asked as $i => $id) {
            $place = $going->paper->questions[$id];
            $visit = $going->state->visit($id);
            $standing = $visit->saved->isBlank() ? Standing::of($place, $visit) : null;
            $verdict = $standing->mark->verdict ?? (new Marker())->mark($place->plan, $visit->saved, $visit->attempt(), $visit->hints);
            $sum = $sum->plus($verdict->earned);
            $max = $max->plus($place->plan->max());
            $rows[] = ['n' => $i + 1, 'question' => $this->question($place->name), 'name' => $place->question->name, 'key' => array_map(static fn (AnswerLine $line): array => $line->toData(), $place->question->kind->keyInWords()), ...$verdict->toData()];
        }

        return ['seed' => $sitting->seed, 'sum' => (string) $sum, 'max' => (string) $max, 'questions' => $rows];
    }

    /** The number of a dealt question, so that its author can go straight to it; the first forms named revisions. */
    private function question(string $name): int
    {
        $number = (int) substr($name, 1);
        $id = str_starts_with($name, 'r') ? $this->db->fetchOne('SELECT question_id FROM revision WHERE id = ?', [$number]) : $number;

        return is_numeric($id) ? (int) $id : 0;
    }
}
