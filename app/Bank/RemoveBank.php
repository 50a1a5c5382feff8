<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Zetema\App\Background\Job;
use Zetema\App\Background\Progress;
use Zetema\App\Background\Task;
use Zetema\App\Bank\Question\Listing\SearchIndex;
use Zetema\App\Shared\Lock;
use Zetema\App\Shared\Row;

/** Takes away what there is of a bank that was never finished. */
final readonly class RemoveBank implements Task
{
    public function __construct(private Connection $db, private SearchIndex $search, private Assessments $assessments)
    {
    }

    public static function name(): string
    {
        return 'remove bank';
    }

    public function run(Job $job, Progress $progress): ?array
    {
        $done = $progress->cursor()->integer('done', 0);
        $left = $this->db->fetchOne('SELECT COUNT(*) FROM question WHERE bank_id = ?', [$job->bankId]);
        $progress->begin($done + Row::int($left));
        while (
            ($ids = $this->db->fetchFirstColumn('SELECT id FROM question WHERE bank_id = ? ORDER BY id LIMIT ' . $progress->size(), [
                $job->bankId,
            ])) !== []
        ) {
            $done += count($ids);
            $progress->piece(
                Lock::bank($job->bankId),
                $done,
                function () use ($ids, $done): array {
                    foreach ($ids as $id) {
                        $this->search->forget(Row::int($id));
                    }
                    $this->db->executeStatement('DELETE FROM question WHERE id IN (?)', [$ids], [ArrayParameterType::INTEGER]);

                    return ['done' => $done];
                },
                count($ids),
            );
        }
        $progress->piece(Lock::bank($job->bankId), $done, function () use ($job, $done): array {
            $this->db->executeStatement('UPDATE objective SET parent_id = NULL WHERE bank_id = ?', [$job->bankId]);
            $this->assessments->removeOf($job->bankId);
            foreach (['pool', 'page', 'medium', 'objective'] as $table) {
                $this->db->executeStatement("DELETE FROM $table WHERE bank_id = ?", [$job->bankId]);
            }
            $this->db->executeStatement('DELETE FROM bank WHERE id = ? AND is_unfinished = TRUE', [$job->bankId]);

            return ['done' => $done];
        });

        return null;
    }

    public function abandon(Job $job): void
    {
    }
}
