<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Settings;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Background\Job;
use Zetema\App\Background\Progress;
use Zetema\App\Background\Task;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Bank\Review\ProofreadingStore;

/** Works out anew, after a change of a bank's settings, what depends on them too: worths, places of keys, the proofreader's notes. */
final readonly class FollowSettings implements Task
{
    /** Up to so many questions take less than a second. */
    public const AT_ONCE = 300;
    private const PIECE = 100;

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
        $last = 0;
        for ($done = 0; $done < $total;) {
            $questions = $this->em->createQuery('SELECT q, n, c FROM ' . Question::class . ' q LEFT JOIN q.newest n LEFT JOIN q.cleared c WHERE q.bank = :bank AND q.id > :last ORDER BY q.id')
                ->setParameters(['bank' => $bank, 'last' => $last])->setMaxResults(self::PIECE)->getResult();
            if (!is_array($questions) || $questions === []) {
                break;
            }
            $db = $this->em->getConnection();
            $db->transactional(function () use ($questions, $db): void {
                foreach ($questions as $question) {
                    if ($question instanceof Question) {
                        $question->followSettings($db);
                        $this->notes->keep($question);
                    }
                }
            });
            $end = end($questions);
            $last = $end instanceof Question ? $end->id : PHP_INT_MAX;
            $done += count($questions);
            if ($total > self::AT_ONCE) {
                $this->em->clear();
            } else {
                $this->forget($questions); // what was worked out is stored, and is no change of theirs
            }
            if (!$progress->at($done)) {
                break;
            }
        }

        return null;
    }

    /** @param array<mixed> $questions */
    private function forget(array $questions): void
    {
        foreach ($questions as $question) {
            if ($question instanceof Question) {
                $this->em->detach($question);
                array_map($this->em->detach(...), array_filter([$question->newest(), $question->cleared()]));
            }
        }
    }
}
