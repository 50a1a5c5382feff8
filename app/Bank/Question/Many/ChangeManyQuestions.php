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
use Zetema\App\Bank\History\BankHistory;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Bank\Objective\Objectives;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;

/**
 * Changes many questions: what each comes to is worked out first, with progress, and can be stopped; then all is written in one short
 * transaction. Whoever saved one of them meanwhile keeps what they saved.
 */
final readonly class ChangeManyQuestions implements Task
{
    private const PIECE = 200;

    public function __construct(private EntityManagerInterface $em, private Connection $db, private QuestionWriter $writer, private Objectives $objectives, private BankHistory $history, private ClockInterface $clock)
    {
    }

    public static function name(): string
    {
        return 'change many';
    }

    public function run(Job $job, Progress $progress): array
    {
        $input = Fields::of($job->input);
        $bank = $this->em->find(Bank::class, $job->bankId) ?? throw new \LogicException('a job is of a bank');
        $account = $job->account;
        $change = ManyChange::of($input, $account);
        $ids = $input->integers('ids');
        $progress->begin(count($ids));
        $prepared = [];
        $seen = 0;
        foreach (Standing::of($this->db, $bank, $ids) as $standing) {
            $one = $change->to($standing, $bank->settings());
            if (!$one->isNone()) {
                $prepared[] = $this->writer->prepare($one, $bank);
            }
            if (++$seen % self::PIECE === 0 && !$progress->at($seen)) {
                return ['changed' => 0, 'left' => 0, 'change' => null];
            }
        }
        $told = $this->em->wrapInTransaction(fn (): array => $this->write($bank, $account, $change, $prepared));
        $progress->at(count($ids));

        return $told;
    }

    /**
     * @param list<PreparedQuestion> $prepared
     *
     * @return array{changed: int, left: int, change: int|null} left: saved by someone else meanwhile
     */
    private function write(Bank $bank, Account $account, ManyChange $change, array $prepared): array
    {
        $now = $this->clock->now()->format('Y-m-d H:i:s');
        $objectives = [];
        if ($change->objective() !== null && $change->objective() !== []) {
            $objective = $this->objectives->at($bank, $change->objective());
            $this->em->flush();
            $objectives[implode(Objective::SEPARATOR, $change->objective())] = $objective->id;
        }
        $undo = [];
        $versions = $this->versions($prepared);
        foreach ($prepared as $one) {
            $standing = $one->standing;
            if (($versions[$standing->id] ?? null) === $standing->version) {
                $this->writer->write($one, $bank, $account, $now, $objectives);
                $undo[] = [$standing->id, $standing->version + 1, $standing->revision, $standing->status->value, $standing->objective, $standing->cleared, $standing->place];
            }
        }
        if ($undo === []) {
            return ['changed' => 0, 'left' => count($prepared), 'change' => null];
        }
        $words = sprintf(count($undo) === 1 ? 'changed %d question: %s' : 'changed %d questions: %s', count($undo), $change->inWords());
        $recorded = $this->history->record($bank, $account, UndoManyQuestions::kind(), $words, ['questions' => $undo]);

        return ['changed' => count($undo), 'left' => count($prepared) - count($undo), 'change' => $recorded->id];
    }

    /**
     * @param list<PreparedQuestion> $prepared
     *
     * @return array<int, int> as they are now, by question
     */
    private function versions(array $prepared): array
    {
        $versions = [];
        foreach (array_chunk(array_map(static fn (PreparedQuestion $one): int => $one->standing->id, $prepared), 500) as $ids) {
            foreach ($this->db->fetchAllKeyValue('SELECT id, version FROM question WHERE id IN (?)', [$ids], [ArrayParameterType::INTEGER]) as $id => $version) {
                $versions[(int) $id] = is_numeric($version) ? (int) $version : 0;
            }
        }

        return $versions;
    }
}
