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
            [$question, $name, $isDraft] = $this->question($sitting->revisionOf($place->name));
            $rows[] = ['n' => $i + 1, 'question' => $question, 'name' => $name, 'draft' => $isDraft, 'key' => array_map(static fn (AnswerLine $line): array => $line->toData(), $place->question->kind->keyInWords()), ...$verdict->toData()];
        }

        return ['seed' => $sitting->seed, 'sum' => (string) $sum, 'max' => (string) $max, 'questions' => $rows];
    }

    /** @return array{int, string|null, bool} number and name of the question of a dealt revision, so that its author can go straight to it, and whether the revision is not cleared */
    private function question(int $revision): array
    {
        $row = $this->db->fetchNumeric('SELECT q.id, q.name, r.was_cleared FROM revision r JOIN question q ON q.id = r.question_id WHERE r.id = ?', [$revision]);

        return $row === false ? [0, null, false] : [is_numeric($row[0]) ? (int) $row[0] : 0, is_string($row[1]) ? $row[1] : null, (int) (bool) $row[2] === 0];
    }
}
