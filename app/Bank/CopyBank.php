<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Background\Job;
use Zetema\App\Background\Progress;
use Zetema\App\Background\Task;
use Zetema\App\Bank\Question\Listing\SearchIndex;
use Zetema\Core\Data\Fields;

/**
 * A bank copied with all that is worked with: objectives, questions as they stand and as they are dealt, pages, pictures, pools,
 * settings, blueprints. What was done with it stays behind: older revisions, comments, batches, editions, sittings.
 *
 * Everything is copied within the database in one transaction; a copy has the id of what it was made of and one distance for each table.
 */
final readonly class CopyBank implements Task
{
    public const AT_ONCE = 2_000;

    public function __construct(private EntityManagerInterface $em, private Connection $db, private Banks $banks, private SearchIndex $search, private CopiedWithBank $others)
    {
    }

    public static function name(): string
    {
        return 'copy bank';
    }

    public function run(Job $job, Progress $progress): ?array
    {
        $total = $this->db->fetchOne('SELECT COUNT(*) FROM question WHERE bank_id = ?', [$job->bankId]);
        $progress->begin($total = is_numeric($total) ? (int) $total : 0);
        $name = Fields::of($job->input)->text('name');
        $this->em->wrapInTransaction(fn () => $this->copy($this->em->find(Bank::class, $job->bankId) ?? throw new \LogicException('a job is of a bank'), $this->banks->make($name)));
        $progress->at($total);

        return null;
    }

    private function copy(Bank $from, Bank $to): void
    {
        $to->set($from->own());
        $this->em->flush();
        $far = [];
        foreach (['objective', 'question', 'revision', 'page', 'medium', 'waving', 'proofreading_note', 'pool'] as $table) {
            $most = $this->db->fetchOne("SELECT MAX(id) FROM $table");
            $far[$table] = is_numeric($most) ? (int) $most : 0;
        }
        $ids = ['from' => $from->id];
        $bank = ['bank_id' => (string) $to->id];
        $mine = 'x.bank_id = :from';
        $ofMine = 'x.question_id IN (SELECT q.id FROM question q WHERE q.bank_id = :from)';
        $this->rows('objective', $mine, [...$bank, 'id' => "x.id + {$far['objective']}", 'parent_id' => "x.parent_id + {$far['objective']}", 'batch_id' => 'NULL', 'is_kept' => '1'], $ids);
        $this->rows('question', $mine, [...$bank, 'id' => "x.id + {$far['question']}", 'objective_id' => "x.objective_id + {$far['objective']}", 'newest_id' => 'NULL', 'cleared_id' => 'NULL', 'batch_id' => 'NULL'], $ids);
        $kept = 'x.id IN (SELECT q.newest_id FROM question q WHERE q.bank_id = :from UNION SELECT q.cleared_id FROM question q WHERE q.bank_id = :from)';
        $this->rows('revision', $kept, [...$bank, 'id' => "x.id + {$far['revision']}", 'question_id' => "x.question_id + {$far['question']}"], $ids);
        $this->rows('revision_tag', 'x.revision_id IN (SELECT q.newest_id FROM question q WHERE q.bank_id = :from UNION SELECT q.cleared_id FROM question q WHERE q.bank_id = :from)', ['revision_id' => "x.revision_id + {$far['revision']}"], $ids);
        $this->db->executeStatement('UPDATE question SET newest_id = (SELECT o.newest_id FROM question o WHERE o.id = question.id - :far) + :revisions, cleared_id = (SELECT o.cleared_id FROM question o WHERE o.id = question.id - :far) + :revisions WHERE bank_id = :to', ['far' => $far['question'], 'revisions' => $far['revision'], 'to' => $to->id]);
        $this->rows('page', $mine, [...$bank, 'id' => "x.id + {$far['page']}", 'batch_id' => 'NULL'], $ids);
        $this->rows('medium', $mine, [...$bank, 'id' => "x.id + {$far['medium']}"], $ids);
        $this->rows('waving', $ofMine, ['id' => "x.id + {$far['waving']}", 'question_id' => "x.question_id + {$far['question']}"], $ids);
        $this->rows('proofreading_note', $mine, [...$bank, 'id' => "x.id + {$far['proofreading_note']}", 'question_id' => "x.question_id + {$far['question']}"], $ids);
        // A pool of what an assessment holds would hold what that of the other bank does.
        $this->rows('pool', "$mine AND (x.filter IS NULL OR json_extract(x.filter, '$.assessment') IS NULL)", [...$bank, 'id' => "x.id + {$far['pool']}"], $ids);
        $this->rows('pool_question', $ofMine, ['pool_id' => "x.pool_id + {$far['pool']}", 'question_id' => "x.question_id + {$far['question']}"], $ids);
        $this->search->copy($from->id, $to->id, $far['question']);
        $this->others->copy($from, $to, $far['question']);
    }

    /**
     * @param array<string, string> $otherwise what a column gets instead of what it has, in SQL over x
     * @param array<string, int> $parameters
     */
    private function rows(string $table, string $which, array $otherwise, array $parameters): void
    {
        $columns = array_map(static fn (\Doctrine\DBAL\Schema\Column $column): string => $column->getName(), array_values($this->db->createSchemaManager()->listTableColumns($table)));
        $values = array_map(static fn (string $column): string => $otherwise[$column] ?? 'x.' . $column, $columns);
        $this->db->executeStatement(sprintf('INSERT INTO %s (%s) SELECT %s FROM %s x WHERE %s', $table, implode(', ', $columns), implode(', ', $values), $table, $which), $parameters);
    }
}
