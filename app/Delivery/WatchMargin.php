<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\DBAL\Connection;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Points;
use Zetema\Core\Sitting\Sitting as Run;

/** What the author sees beside a rehearsal and no candidate ever does: the working of each mark as it would stand now, and the key. */
final readonly class WatchMargin
{
    public function __construct(private Connection $db)
    {
    }

    /** @return array<string, mixed> */
    public function of(Sitting $sitting, Run $run): array
    {
        $questions = $this->questions($sitting);
        $rows = [];
        $sum = Points::zero();
        foreach ($run->paper->sheets as $i => $sheet) {
            $state = $run->states[$i];
            $standing = $state->standing($sheet);
            $verdict = $standing !== null && $state->attempts !== [] && ($state->isClosed($sheet) || $standing->response->toData() === $state->saved->toData())
                ? $standing->verdict
                : (new Marker())->mark($sheet->plan, $state->saved, count($state->attempts) + 1, $state->hintsOpened);
            $sum = $sum->plus($verdict->earned);
            $rows[] = ['n' => $i + 1, 'question' => $questions[$sitting->form[$i]['revision']] ?? 0, 'name' => $sheet->question->name, 'key' => array_map(static fn (AnswerLine $line): array => $line->toData(), $sheet->question->kind->keyInWords()), ...$verdict->toData()];
        }

        return ['seed' => $sitting->seed, 'sum' => (string) $sum, 'max' => (string) $run->paper->max(), 'questions' => $rows];
    }

    /** @return array<int, int> the question of each dealt revision, so that its author can go straight to it */
    private function questions(Sitting $sitting): array
    {
        $rows = $this->db->fetchAllKeyValue('SELECT id, question_id FROM revision WHERE id IN (SELECT value FROM json_each(?))', [json_encode(array_column($sitting->form, 'revision'), JSON_THROW_ON_ERROR)]);

        $questions = [];
        foreach ($rows as $revision => $question) {
            $questions[(int) $revision] = is_numeric($question) ? (int) $question : 0;
        }

        return $questions;
    }
}
