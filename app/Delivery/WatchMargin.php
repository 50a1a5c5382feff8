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
            [$question, $name] = $this->question($place->name);
            $rows[] = ['n' => $i + 1, 'question' => $question, 'name' => $name, 'key' => array_map(static fn (AnswerLine $line): array => $line->toData(), $place->question->kind->keyInWords()), ...$verdict->toData()];
        }

        return ['seed' => $sitting->seed, 'sum' => (string) $sum, 'max' => (string) $max, 'questions' => $rows];
    }

    /** @return array{int, string|null} number and name of a dealt question, so that its author can go straight to it; the first forms named revisions */
    private function question(string $dealt): array
    {
        $which = str_starts_with($dealt, 'r') ? '(SELECT question_id FROM revision WHERE id = ?)' : '?';
        $row = $this->db->fetchNumeric('SELECT id, name FROM question WHERE id = ' . $which, [(int) substr($dealt, 1)]);

        return $row === false ? [0, null] : [is_numeric($row[0]) ? (int) $row[0] : 0, is_string($row[1]) ? $row[1] : null];
    }
}
