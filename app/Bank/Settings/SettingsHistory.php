<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Settings;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Background\Job;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\History\BankChange;
use Zetema\App\Bank\History\BankHistory;
use Zetema\App\Bank\History\UndoingInPieces;
use Zetema\App\People\Account;
use Zetema\App\Shared\Conflict;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Settings\BankSettings;

/** Changes of what a bank sets, in its history; what follows from one at the questions is worked out anew when it is undone, too. */
final readonly class SettingsHistory implements UndoingInPieces
{
    public function __construct(
        private EntityManagerInterface $em,
        private BankHistory $history,
        private FollowingSettings $following,
        private ClockInterface $clock,
    ) {
    }

    public static function kind(): string
    {
        return 'settings';
    }

    /** Within the transaction of the change. @param bool $alone whether it is a step of its own, whatever went before */
    public function record(Bank $bank, Account $account, BankSettings $before, bool $alone = false): void
    {
        $change = new ChangedSettings($before, $bank->own());
        if ($before->equals($bank->own())) {
            return;
        }
        $last = $this->history->newest($bank);
        if (
            $alone ||
            $last === null ||
            $last->kind !== self::kind() ||
            !ChangedSettings::goesOn($last->account->id === $account->id, $last->at, $last->isUndone(), $this->clock->now())
        ) {
            $this->history->record($bank, $account, self::kind(), $change->words(), $change->toData());

            return;
        }
        $whole = ChangedSettings::of(Fields::of($last->undo))->then($change);
        $this->history->become($last, $whole->words(), $whole->toData());
    }

    public function begin(BankChange $change, Account $account): Job
    {
        $kept = ChangedSettings::of(Fields::of($change->undo));

        return $this->following->begin($change->bank, $account, function () use ($change, $account, $kept): array {
            $bank = $this->em->find(Bank::class, $change->bank->id) ?? throw new \LogicException('its history was asked for');
            if (!$bank->own()->equals($kept->after)) {
                throw new Conflict('The settings were changed again since. Undo the later changes first, newest first.');
            }
            $bank->set($kept->before);
            $this->history->undone($change->id, $account->id);

            return [];
        });
    }

    public function undo(BankChange $change, Account $account): void
    {
        throw new \LogicException('it always is a job');
    }
}
