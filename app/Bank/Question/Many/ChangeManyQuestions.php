<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Many;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Background\Job;
use Zetema\App\Background\Progress;
use Zetema\App\Background\Task;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Bank\Objective\Objectives;
use Zetema\App\People\Account;
use Zetema\App\Shared\Lock;
use Zetema\App\Shared\Row;
use Zetema\Core\Data\Fields;

/**
 * Changes many questions, a piece at a time: what each comes to is worked out first, then written in a short transaction, so that
 * others hardly notice. Whoever saved one of them meanwhile keeps what they saved. All pieces are one entry of the history.
 */
final readonly class ChangeManyQuestions implements Task
{
    public function __construct(
        private EntityManagerInterface $em,
        private Connection $db,
        private QuestionWriter $writer,
        private Objectives $objectives,
        private ChangedRows $rows,
        private ClockInterface $clock,
    ) {
    }

    public static function name(): string
    {
        return 'change many';
    }

    /** @return array{changed: int, left: int, change: int|null} left: saved by someone else meanwhile */
    public function run(Job $job, Progress $progress): array
    {
        $input = Fields::of($job->input);
        $account = $job->account;
        $change = ManyChange::of($input, $account);
        $ids = $input->integers('ids');
        $at = $progress->cursor();
        $told = ['changed' => $at->integer('changed', 0), 'left' => $at->integer('left', 0), 'change' => $at->optionalInteger('change')];
        $progress->begin(count($ids));
        for ($next = $at->integer('next', 0), $goesOn = true; $goesOn && $next < count($ids); $next += count($some)) {
            $some = array_slice($ids, $next, $progress->size());
            $bank = $this->em->find(Bank::class, $job->bankId) ?? throw new \LogicException('a job is of a bank');
            $prepared = $this->prepare($bank, $change, $some);
            $goesOn = $progress->piece(
                Lock::bank($job->bankId),
                $next + count($some),
                function () use ($bank, $account, $change, $prepared, $ids, $next, $some, &$told): array {
                    $told = $this->write($bank, $account, $change, $prepared, $told, [$next + count($some), count($ids)]);

                    return [...$told, 'next' => $next + count($some)];
                },
                count($some),
            );
        }

        return $told;
    }

    /** What it has done stays, and can be undone. */
    public function abandon(Job $job): void
    {
        $change = $job->cursor()->optionalInteger('change');
        if ($change !== null) {
            $this->db->executeStatement('UPDATE bank_change SET is_at_work = FALSE WHERE id = ?', [$change]);
        }
    }

    /**
     * @param list<int> $ids
     *
     * @return list<PreparedQuestion>
     */
    private function prepare(Bank $bank, ManyChange $change, array $ids): array
    {
        $prepared = [];
        foreach (Standing::of($this->db, $bank, $ids) as $standing) {
            $one = $change->to($standing, $bank->settings());
            if (!$one->isNone()) {
                $prepared[] = $this->writer->prepare($one, $bank);
            }
        }

        return $prepared;
    }

    /**
     * @param list<PreparedQuestion> $prepared
     * @param array{changed: int, left: int, change: int|null} $told by the pieces before
     * @param array{int, int} $of how many were looked at with this, and how many there are
     *
     * @return array{changed: int, left: int, change: int|null}
     */
    private function write(Bank $bank, Account $account, ManyChange $change, array $prepared, array $told, array $of): array
    {
        $now = $this->clock->now()->format('Y-m-d H:i:s');
        $versions = $this->versions($prepared);
        $fresh = array_values(
            array_filter(
                $prepared,
                static fn (PreparedQuestion $one): bool => ($versions[$one->standing->id] ?? null) === $one->standing->version,
            ),
        );
        $told['left'] += count($prepared) - count($fresh);
        $told['changed'] += count($fresh);
        if ($told['changed'] === 0) {
            return $told;
        }
        $isLast = $of[0] === $of[1];
        $words = sprintf(
            $told['changed'] === 1 && $isLast
                ? 'changed %1$s question: %2$s'
                : ($isLast
                    ? 'changed %1$s questions: %2$s'
                    : 'changed %1$s questions of %3$s: %2$s'),
            number_format($told['changed']),
            $change->inWords(),
            number_format($of[1]),
        );
        $told['change'] ??= $this->rows->begin($bank, $account, $words)->id;
        $objectives = $fresh === [] ? [] : $this->objectivesOf($bank, $change);
        foreach ($fresh as $one) {
            $this->writer->write($one, $bank, $account, $now, $objectives);
            $this->rows->add($told['change'], $one->standing, $one->standing->version + 1);
        }
        $this->rows->goOn($told['change'], $words, !$isLast);

        return $told;
    }

    /** @return array<string, int> the objective that they go to, by its path */
    private function objectivesOf(Bank $bank, ManyChange $change): array
    {
        $path = $change->objective();
        if ($path === null || $path === []) {
            return [];
        }
        $objective = $this->objectives->at($bank, $path);
        $this->em->flush();

        return [implode(Objective::SEPARATOR, $path) => $objective->id];
    }

    /**
     * @param list<PreparedQuestion> $prepared
     *
     * @return array<int, int> as they are now, by question
     */
    private function versions(array $prepared): array
    {
        $versions = [];
        foreach (
            $this->db->fetchAllKeyValue(
                'SELECT id, version FROM question WHERE id IN (?)',
                [array_map(static fn (PreparedQuestion $one): int => $one->standing->id, $prepared)],
                [ArrayParameterType::INTEGER],
            ) as $id => $version
        ) {
            $versions[(int) $id] = Row::int($version);
        }

        return $versions;
    }
}
