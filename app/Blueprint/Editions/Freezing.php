<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Editions;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Bank\Apart\ApartPairs;
use Zetema\App\Blueprint\BankStock;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\BlueprintEditing;
use Zetema\App\Blueprint\BlueprintView;
use Zetema\App\Blueprint\SittingsOfAssessments;
use Zetema\App\People\Account;
use Zetema\App\Shared\Lock;
use Zetema\App\Shared\Saving;
use Zetema\App\Shared\Stale;
use Zetema\App\Shared\Transactions;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing;
use Zetema\Core\Drawing\Proof\CannotDeal;
use Zetema\Core\Sitting\Refused;

/** Where editions are made of a blueprint, closed, and withdrawn. */
final readonly class Freezing
{
    public function __construct(
        private EntityManagerInterface $em,
        private Saving $saving,
        private Transactions $transactions,
        private BlueprintView $view,
        private BlueprintEditing $editing,
        private Editions $editions,
        private SittingsOfAssessments $sittings,
        private BankStock $stock,
        private ApartPairs $pairs,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param int $version of the blueprint that is frozen, so that nobody freezes what they have not seen
     *
     * @throws Stale if it was saved elsewhere meanwhile; and what frozen() says
     */
    public function freeze(Blueprint $blueprint, int $version, Account $account): Edition
    {
        return $this->saving->change(
            Blueprint::class,
            $blueprint->id,
            $version,
            fn (Blueprint $blueprint): Edition => $this->frozen($blueprint, $this->saving->again(Account::class, $account->id)),
            BlueprintEditing::STALE,
            $this->view->of(...),
        );
    }

    /** @throws Refused if somebody has begun it */
    public function withdraw(Edition $edition): void
    {
        $this->transactions->over(Lock::edition($edition->id), function () use ($edition): void {
            $begun = $this->sittings->begun($edition);
            if ($begun > 0) {
                throw new Refused(
                    sprintf(
                        '%s begun this edition, so it stays. Freeze another one; then no more can begin this.',
                        $begun === 1 ? 'One candidate has' : $begun . ' candidates have',
                    ),
                );
            }
            $edition->withdraw($this->clock->now());
        });
    }

    /** Nobody can begin it any more, or they can again; whoever has begun it goes on. */
    public function close(Edition $edition, bool $isClosed): void
    {
        $this->transactions->over(Lock::edition($edition->id), fn () => $edition->close($isClosed ? $this->clock->now() : null));
    }

    /**
     * @param list<int> $held ids of the questions that it may deal
     *
     * @return list<array{int, int}> what the bank keeps apart among them
     */
    private function apart(Blueprint $blueprint, array $held): array
    {
        $held = array_flip($held);

        return array_values(
            array_filter($this->pairs->of($blueprint->bank), static fn (array $pair): bool => isset($held[$pair[0]], $held[$pair[1]])),
        );
    }

    /** @throws CannotDeal|Malformed|Refused if no form could be dealt, nobody could pass, or nothing has changed since the last edition */
    private function frozen(Blueprint $blueprint, Account $account): Edition
    {
        $this->editing->refuseUnfit($blueprint);
        $stock = $this->stock->of($blueprint->bank);
        $plan = $blueprint->plan();
        $dealer = $stock->dealer($plan);
        $proof = Drawing\Proof\Proof::ofDealer($plan, $dealer);
        if ($proof->shortage !== null) {
            throw CannotDeal::short($proof->shortage);
        }
        if ($proof->questions === 0) {
            throw new Malformed('plan', 'asks for no question yet; type a number on the quota board');
        }
        if (!$proof->passIsReachable()) {
            throw new Malformed('pass', 'cannot be reached with the points of these questions; lower it first');
        }
        $number = 1 + $this->em->getRepository(Edition::class)->count(['blueprint' => $blueprint]);
        $held = $stock->held($dealer->held());
        $edition = new Edition(
            $blueprint,
            $number,
            array_keys($held),
            $stock->pools($plan->pools()),
            $this->apart($blueprint, array_values($held)),
            $account,
            $this->clock->now(),
        );
        $last = $this->editions->newest($blueprint);
        if ($last !== null && $last->holdsTheSameAs($edition)) {
            throw new Refused(sprintf('Nothing has changed since edition %d was frozen, so there is nothing to freeze.', $last->number));
        }
        $this->em->persist($edition);
        $this->em->flush();
        $stock->hold($edition, $dealer->held());
        $this->em
            ->getConnection()
            ->executeStatement(
                'INSERT INTO edition_page (edition_id, name, heading, reads) SELECT ?, name, heading, reads FROM page WHERE bank_id = ?',
                [$edition->id, $blueprint->bank->id],
            );

        return $edition;
    }
}
