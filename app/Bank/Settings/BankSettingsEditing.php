<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Settings;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\People\Account;
use Zetema\App\Shared\Saving;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Settings\BankSettings;

/** What is set for a bank as a whole. */
final readonly class BankSettingsEditing
{
    public function __construct(
        private EntityManagerInterface $em,
        private Saving $saving,
        private SettingsHistory $history,
        private FollowingSettings $following,
    ) {
    }

    /** @return array<string, mixed> */
    public function settings(Bank $bank): array
    {
        return [
            ...SettingsPlace::told($bank->version(), $bank->own(), $bank->house()),
            'following' => $this->following->of($bank)?->toData(),
        ];
    }

    /**
     * What follows from the settings at each question is worked out anew in the background, if there are many. Cleared revisions keep their
     * text.
     */
    public function set(Bank $bank, Fields $body, Account $account): Bank
    {
        $set = BankSettings::fromData($body);
        $bank = $this->saving->change(
            Bank::class,
            $bank->id,
            $body->integer('version'),
            function (Bank $bank) use ($set, $account): Bank {
                $before = $bank->own();
                $bank->set($set);
                $this->em->flush();
                $this->history->record($bank, $account, $before);

                return $bank;
            },
            'The settings of this bank were changed in another window or by someone else since you opened them.',
            $this->settings(...),
        );
        $this->following->begin($bank, $this->saving->again(Account::class, $account->id));

        return $bank;
    }

    /** What a file set that the bank did not set itself. Within the transaction in which it is taken in. */
    public function filledIn(Bank $bank, Account $account, BankSettings $before): void
    {
        $this->history->record($bank, $account, $before, alone: true);
    }

    /** What follows from it, in the background. */
    public function follow(Bank $bank, Account $account): void
    {
        $this->following->begin($bank, $account, inBackground: true);
    }
}
