<?php

declare(strict_types=1);

namespace Zetema\App\Bank\History;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Psr\Container\ContainerInterface;
use Symfony\Component\DependencyInjection\Attribute\AutowireLocator;
use Zetema\App\Background\Job;
use Zetema\App\Bank\Bank;
use Zetema\App\People\Account;
use Zetema\App\Shared\Conflict;
use Zetema\App\Shared\Saving;

/** What was done to a bank, newest first, and undoing it. */
final readonly class BankHistory
{
    public const PAGE = 50;

    public function __construct(
        private EntityManagerInterface $em,
        private Saving $saving,
        private ClockInterface $clock,
        #[AutowireLocator(Undoing::class, defaultIndexMethod: 'kind')]
        private ContainerInterface $kinds,
    ) {
    }

    /**
     * To be called within the transaction of the change itself.
     *
     * @param array<string, mixed> $undo what it takes to undo it
     * @param bool $isAtWork whether more of it comes in further pieces
     */
    public function record(Bank $bank, Account $account, string $kind, string $words, array $undo, bool $isAtWork = false): BankChange
    {
        $change = new BankChange(
            $this->saving->again(Bank::class, $bank->id),
            $this->saving->again(Account::class, $account->id),
            $kind,
            $words,
            $undo,
            $this->clock->now(),
            $isAtWork,
        );
        $this->em->persist($change);
        $this->em->flush();

        return $change;
    }

    /** As it stands now, after work of others at it. */
    public function again(BankChange $change): BankChange
    {
        $this->em->clear();

        return $this->em->find(BankChange::class, $change->id) ?? throw new \LogicException('a history stays');
    }

    public function newest(Bank $bank): ?BankChange
    {
        return $this->em->getRepository(BankChange::class)->findOneBy(['bank' => $bank], ['id' => 'DESC']);
    }

    /**
     * A step that went on: it says more, and undoing it takes more back. Within a transaction.
     *
     * @param array<string, mixed> $undo
     */
    public function become(BankChange $change, string $words, array $undo): void
    {
        $this->em
            ->getConnection()
            ->executeStatement('UPDATE bank_change SET words = ?, undo = ? WHERE id = ?', [
                $words,
                json_encode($undo, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                $change->id,
            ]);
        $this->em->detach($change);
    }

    /** Says what it is by now: a change in pieces is one entry from its first piece on. Within a transaction. */
    public function goOn(int $change, string $words, bool $isAtWork): void
    {
        $this->em
            ->getConnection()
            ->executeStatement('UPDATE bank_change SET words = ?, is_at_work = ? WHERE id = ?', [$words, (int) $isAtWork, $change]);
    }

    /**
     * @param int|null $before the id of the last one of the page before
     * @param int|null $who the account that did it; null: anybody
     * @param string $kind one kind of change; empty: any
     *
     * @return list<BankChange>
     */
    public function of(Bank $bank, ?int $before = null, ?int $who = null, ?\DateTimeImmutable $since = null, string $kind = ''): array
    {
        $query = $this->em
            ->createQueryBuilder()
            ->select('c')
            ->from(BankChange::class, 'c')
            ->where('c.bank = :bank')
            ->setParameter('bank', $bank)
            ->orderBy('c.id', 'DESC')
            ->setMaxResults(self::PAGE);
        foreach (
            [
                'before' => ['c.id < :before', $before],
                'who' => ['c.account = :who', $who],
                'since' => ['c.at >= :since', $since],
                'kind' => ['c.kind = :kind', $kind === '' ? null : $kind],
            ] as $name => [$condition, $value]
        ) {
            if ($value !== null) {
                $query->andWhere($condition)->setParameter($name, $value);
            }
        }
        $found = $query->getQuery()->getResult();

        return is_array($found) ? array_values(array_filter($found, static fn (mixed $change): bool => $change instanceof BankChange)) : [];
    }

    /**
     * @return BankChange|Job the change, undone; or the work at it, where it is much
     *
     * @throws Conflict if it is undone already, or what was done since stands in its way
     */
    public function undo(BankChange $change, Account $account): BankChange|Job
    {
        if ($change->isAtWork()) {
            throw new Conflict('This is being done just now. Stop it first, or wait until it is done.');
        }
        $undoing = $this->kinds->get($change->kind);
        $job = $undoing instanceof UndoingInPieces && !$change->isUndone() ? $undoing->begin($change, $account) : null;

        return $job ?? $this->undoAtOnce($change, $account);
    }

    /** Says that it is undone, after its last piece was. Within that transaction. */
    public function undone(int $change, int $account): void
    {
        $this->em->find(BankChange::class, $change)?->undone($this->saving->again(Account::class, $account), $this->clock->now());
    }

    /** @throws Conflict */
    private function undoAtOnce(BankChange $change, Account $account): BankChange
    {
        return $this->saving->make(function () use ($change, $account): BankChange {
            $this->em->clear();
            $change = $this->em->find(BankChange::class, $change->id) ?? throw new \LogicException('it was found before');
            if ($change->isUndone()) {
                throw new Conflict('This is undone already.');
            }
            $undoing = $this->kinds->get($change->kind);
            $undoing instanceof Undoing
                ? $undoing->undo($change, $account)
                : throw new \LogicException('each kind of change can be undone');
            $change->undone($this->saving->again(Account::class, $account->id), $this->clock->now());
            $this->em->flush();

            return $change;
        });
    }
}
