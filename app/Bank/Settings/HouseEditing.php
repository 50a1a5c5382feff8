<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Settings;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Zetema\App\Bank\Bank;
use Zetema\App\People\Account;
use Zetema\App\Shared\Conflict;
use Zetema\App\Shared\Saving;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Settings\BankSettings;

/** What the organisation sets for all its banks, and what was changed of it by whom. Every bank gets its copy in the same transaction. */
final readonly class HouseEditing
{
    private const SHOWN = 20;

    public function __construct(
        private EntityManagerInterface $em,
        private Saving $saving,
        private FollowingSettings $following,
        private ClockInterface $clock,
    ) {
    }

    /** @return array<string, mixed> */
    public function told(): array
    {
        $rules = $this->em->find(HouseRules::class, HouseRules::ID) ?? throw new \LogicException('a migration put them there');

        return [...SettingsPlace::told($rules->version(), $rules->settings(), BankSettings::none()), 'following' => null];
    }

    public function set(Fields $body, Account $account): void
    {
        $set = BankSettings::fromData($body);
        $this->change($body->integer('version'), $account, function (HouseRules $rules, Account $account) use ($set): void {
            $change = new ChangedSettings($rules->settings(), $set);
            $rules->set($set);
            if ($change->before->equals($set)) {
                return;
            }
            $last = $this->changes(1)[0] ?? null;
            if (
                $last === null ||
                !ChangedSettings::goesOn($last->account === $account, $last->at, $last->isUndone(), $this->clock->now())
            ) {
                $this->em->persist(new HouseChange($account, $change, $this->clock->now()));
            } else {
                $last->become($last->what()->then($change));
            }
        });
    }

    /** @throws Conflict if it is undone already, or they were changed again since */
    public function undo(int $id, Account $account): void
    {
        $this->change(null, $account, function (HouseRules $rules, Account $account) use ($id): void {
            $change = $this->em->find(HouseChange::class, $id) ?? throw new NotFoundHttpException();
            if ($change->isUndone()) {
                throw new Conflict('This is undone already.');
            }
            if (!$rules->settings()->equals($change->what()->after)) {
                throw new Conflict('The house rules were changed again since. Undo the later changes first, newest first.');
            }
            $rules->set($change->what()->before);
            $change->undone($account, $this->clock->now());
        });
    }

    /** @return list<HouseChange> newest first */
    public function changes(int $most = self::SHOWN): array
    {
        return $this->em->getRepository(HouseChange::class)->findBy([], ['id' => 'DESC'], $most);
    }

    /** @param callable(HouseRules, Account): void $change */
    private function change(?int $version, Account $account, callable $change): void
    {
        $banks = $this->saving->change(
            HouseRules::class,
            HouseRules::ID,
            $version,
            function (HouseRules $rules) use ($change, $account): array {
                $change($rules, $this->saving->again(Account::class, $account->id));
                $banks = $this->em->getRepository(Bank::class)->findAll();
                foreach ($banks as $bank) {
                    $bank->follow($rules->settings());
                }
                $this->em->flush();

                return array_map(static fn (Bank $bank): int => $bank->id, $banks);
            },
            'The house rules were changed in another window or by someone else since you opened them.',
            fn (): array => $this->told(),
        );
        foreach ($banks as $id) {
            $this->following->begin($this->saving->again(Bank::class, $id), $this->saving->again(Account::class, $account->id));
        }
    }
}
