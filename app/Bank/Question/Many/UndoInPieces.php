<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Many;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Background\Job;
use Zetema\App\Background\Progress;
use Zetema\App\Background\Task;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\History\BankHistory;
use Zetema\App\Shared\Lock;
use Zetema\Core\Data\Fields;

/** Undoes a change of very many questions, a piece at a time. Stopped or left half-way, what is left of it can be undone again. */
final readonly class UndoInPieces implements Task
{
    public function __construct(
        private EntityManagerInterface $em,
        private UndoManyQuestions $undoing,
        private ChangedRows $rows,
        private BankHistory $history,
    ) {
    }

    public static function name(): string
    {
        return 'undo many';
    }

    public function run(Job $job, Progress $progress): array
    {
        $change = Fields::of($job->input)->integer('change');
        $bank = $this->em->find(Bank::class, $job->bankId) ?? throw new \LogicException('a job is of a bank');
        $at = $progress->cursor();
        [$back, $left] = [$at->integer('back', 0), $at->integer('left', 0)];
        $progress->begin($back + $left + $this->rows->count($change));
        do {
            $size = $progress->size();
            $some = ['back' => 0, 'left' => 0];
            $goesOn = $progress->piece(
                Lock::bank($job->bankId),
                $back + $left + min($size, $this->rows->count($change)),
                function () use ($bank, $job, $change, $size, &$some, $back, $left): array {
                    $some = $this->undoing->piece($bank, $change, $size);
                    if ($this->rows->count($change) === 0) {
                        $this->history->undone($change, $job->account->id);
                    }

                    return ['back' => $back + $some['back'], 'left' => $left + $some['left']];
                },
                $size,
            );
            [$back, $left] = [$back + $some['back'], $left + $some['left']];
        } while ($goesOn && $this->rows->count($change) > 0);

        return ['back' => $back, 'left' => $left];
    }

    public function abandon(Job $job): void
    {
    }
}
