<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Settings;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Background\Job;
use Zetema\App\Background\Progress;
use Zetema\App\Background\Task;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Bank\Review\ProofreadingStore;
use Zetema\App\Shared\Lock;

/** Works out anew, after a change of a bank's settings, what depends on them too: worths, places of keys, the proofreader's notes. */
final readonly class FollowSettings implements Task
{
    /** Up to so many questions take less than a second. */
    public const AT_ONCE = 300;

    public function __construct(private EntityManagerInterface $em, private ProofreadingStore $notes)
    {
    }

    public static function name(): string
    {
        return 'follow settings';
    }

    public function run(Job $job, Progress $progress): ?array
    {
        $bank = $job->bankId;
        $total = $this->em->getRepository(Question::class)->count(['bank' => $bank]);
        $progress->begin($total);
        $at = $progress->cursor();
        $last = $at->integer('last', 0);
        for ($done = $at->integer('done', 0), $goesOn = true; $goesOn && $done < $total;) {
            $size = min($progress->size(), $total - $done);
            $goesOn =
                $progress->piece(
                    Lock::bank($bank),
                    $done += $size,
                    function () use ($bank, $size, $done, &$last): array {
                        $last = $this->next($bank, $last, $size);
                        // What was worked out is stored, and is no change of theirs.
                        $this->em->clear();

                        return ['last' => $last, 'done' => $done];
                    },
                    $size,
                ) && $last < \PHP_INT_MAX;
        }

        return null;
    }

    /** @return int the last question that was looked at; PHP_INT_MAX if there is no other */
    private function next(int $bank, int $after, int $size): int
    {
        $questions = $this->em
            ->createQuery(
                'SELECT q, n, c FROM ' .
                    Question::class .
                    ' q LEFT JOIN q.newest n LEFT JOIN q.cleared c WHERE q.bank = :bank AND q.id > :last ORDER BY q.id',
            )
            ->setParameters(['bank' => $bank, 'last' => $after])
            ->setMaxResults($size)
            ->getResult();
        $last = \PHP_INT_MAX;
        foreach (is_array($questions) ? $questions : [] as $question) {
            if ($question instanceof Question) {
                $question->followSettings($this->em->getConnection());
                $this->notes->keep($question);
                $last = $question->id;
            }
        }

        return $last;
    }

    public function abandon(Job $job): void
    {
    }
}
