<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Settings;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Background\Job;
use Zetema\App\Background\Jobs;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Question;
use Zetema\App\People\Account;
use Zetema\App\Shared\Saving;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Settings\BankSettings;

/** What is set for a bank as a whole, and what the organisation sets for all of them. */
final readonly class BankSettingsEditing
{
    public function __construct(private EntityManagerInterface $em, private Saving $saving, private Jobs $jobs)
    {
    }

    /** @return array<string, mixed> */
    public function settings(Bank $bank): array
    {
        return [...SettingsPlace::told($bank->version(), $bank->own(), $bank->house()), 'following' => $this->following($bank)?->toData()];
    }

    /** @return array<string, mixed> */
    public function houseRules(): array
    {
        $rules = $this->rules();

        return [...SettingsPlace::told($rules->version(), $rules->settings(), BankSettings::none()), 'following' => null];
    }

    private function following(Bank $bank): ?Job
    {
        $open = array_filter($this->jobs->open($bank->id), static fn (Job $job): bool => $job->task === FollowSettings::name());

        return $open === [] ? null : end($open);
    }

    /** What follows from the settings at each question is worked out anew in the background, if there are many. Cleared revisions keep their text. */
    public function set(Bank $bank, Fields $body, Account $account): Bank
    {
        $set = BankSettings::fromData($body);
        $bank = $this->saving->change(Bank::class, $bank->id, $body->integer('version'), function (Bank $bank) use ($set): Bank {
            $bank->set($set);
            $this->em->flush();

            return $bank;
        }, 'The settings of this bank were changed in another window or by someone else since you opened them.', $this->settings(...));
        $this->follow($bank, $this->saving->again(Account::class, $account->id));

        return $bank;
    }

    /** Every bank gets its copy in the same transaction. */
    public function setHouseRules(Fields $body, Account $account): void
    {
        $set = BankSettings::fromData($body);
        $banks = $this->saving->change(HouseRules::class, HouseRules::ID, $body->integer('version'), function (HouseRules $rules) use ($set): array {
            $rules->set($set);
            $banks = $this->em->getRepository(Bank::class)->findAll();
            foreach ($banks as $bank) {
                $bank->follow($set);
            }
            $this->em->flush();

            return array_map(static fn (Bank $bank): int => $bank->id, $banks);
        }, 'The house rules were changed in another window or by someone else since you opened them.', fn (): array => $this->houseRules());
        foreach ($banks as $id) {
            $this->follow($this->saving->again(Bank::class, $id), $this->saving->again(Account::class, $account->id));
        }
    }

    public function follow(Bank $bank, Account $account, bool $inBackground = false): void
    {
        $older = $this->following($bank);
        if ($older !== null) {
            $this->jobs->stop($older); // it would end with settings that are no more
        }
        $count = $this->em->getRepository(Question::class)->count(['bank' => $bank]);
        $this->jobs->begin(FollowSettings::class, $bank->id, $account, [], atOnce: !$inBackground && $count <= FollowSettings::AT_ONCE);
    }

    private function rules(): HouseRules
    {
        return $this->em->find(HouseRules::class, HouseRules::ID) ?? throw new \LogicException('a migration put them there');
    }
}
