<?php

declare(strict_types=1);

namespace Zetema\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Blueprint\Stored\StoredStock;
use Zetema\App\Delivery\Invigilation;
use Zetema\App\Delivery\Papers;
use Zetema\App\Delivery\Sitting;
use Zetema\App\Delivery\Stored\SittingStore;
use Zetema\App\People\Account;
use Zetema\App\People\Group;
use Zetema\App\People\Role;
use Zetema\App\Shared\Lock;
use Zetema\App\Shared\Transactions;
use Zetema\Core\Blueprint\Rules\Rule;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Sitting\Act\Act;
use Zetema\Core\Sitting\Act\Check;
use Zetema\Core\Sitting\Act\Given;
use Zetema\Core\Sitting\Act\GoOn;
use Zetema\Core\Sitting\Act\HandIn;
use Zetema\Core\Sitting\Act\Save;
use Zetema\Core\Sitting\Act\Start;
use Zetema\Core\Sitting\Event\Event;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\Paper\Screen;
use Zetema\Core\Sitting\Run\Conduct;
use Zetema\Core\Sitting\Run\Terms;
use Zetema\Core\Sitting\State\At;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Statistics\Normal;
use Zetema\Core\Statistics\SimulatedCandidate;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** Candidates who never were and have sat the demo's assessments, by the same rules as real ones, so that results are worth reading. */
final class Crowd
{
    private const SEED = 240_115;
    private const GROUP = 'Simulated candidates';
    private const SURNAMES = [
        'Ashlow',
        'Brindle',
        'Cottam',
        'Dunnock',
        'Elwick',
        'Farrow',
        'Gorsely',
        'Hathern',
        'Inskip',
        'Jarrold',
        'Kelder',
        'Lowmoor',
        'Marrick',
        'Nettle',
        'Orchard',
        'Penrow',
        'Quillet',
        'Rushby',
        'Sorrel',
        'Tansley',
        'Upwell',
        'Vetchly',
        'Withen',
        'Yarrow',
    ];
    private const INITIALS = 'ABCDEFGHIJ';
    private const MOST_SCREENS = 200;
    /** Of those who answered wrongly and may try again. */
    private const TRIES_AGAIN = 0.7;

    public function __construct(
        private readonly EntityManagerInterface $em,
        private readonly Papers $papers,
        private readonly SittingStore $store,
        private readonly ClockInterface $clock,
        private Transactions $transactions,
    ) {
    }

    /**
     * @param list<int> $editions
     *
     * @return int how many sittings there are
     */
    public function sit(array $editions, int $candidates): int
    {
        return $this->transactions->over(Lock::house(), fn (): int => $this->sitAll($editions, $candidates));
    }

    /** @param list<int> $editions */
    private function sitAll(array $editions, int $candidates): int
    {
        $accounts = $this->people($candidates);
        $sat = 0;
        foreach ($editions as $number) {
            $edition = $this->em->find(Edition::class, $number) ?? throw new \LogicException('it was frozen');
            $plan = $edition->assessment();
            $stock = StoredStock::ofEdition($this->em->getConnection(), $edition);
            foreach ($accounts as $i => $account) {
                $this->one($edition, $this->papers->deal($plan, $edition->bankSettings(), $stock, $i + 1), $account, $i, $number);
                ++$sat;
            }
        }

        return $sat;
    }

    /** @param array<string, mixed> $form */
    private function one(Edition $edition, array $form, Account $account, int $i, int $number): void
    {
        $sitting = new Sitting($account, $edition->blueprint, $edition, $i + 1, $form);
        $this->em->persist($sitting);
        $this->em->flush();
        $paper = $this->papers->paper($sitting);
        $conduct = new Conduct($paper, $terms = new Terms(Ratio::one()));
        // The same person in every assessment; what they give differs.
        $candidate = new SimulatedCandidate(new Chance(self::SEED + $i), self::SEED);
        $chance = new Chance(self::SEED ^ ($i << 8) ^ $number);
        $state = $conduct->begin();
        $at = Instant::of($this->clock->now())->minus(Duration::hours(24 + $chance->below(24 * 20)));
        $events = [];
        $do = static function (Act $act) use ($conduct, $state, &$events): bool {
            $taken = $conduct->take($state, $act);
            array_push($events, ...$taken->events);

            return $taken->refused === null;
        };
        $do(new Start($at));
        for ($screens = 0; $screens < self::MOST_SCREENS && $state->isRunning() && !$state->position->isAt(At::End); ++$screens) {
            $at = $at->plus(Duration::seconds(4));
            foreach (self::here($paper, $state) as $place) {
                $at = $this->answer($state, $place, $candidate, $chance, $at, $do);
            }
            $do(new GoOn($at = $at->plus(Duration::seconds(1))));
        }
        $do(new HandIn($at->plus(Duration::seconds(9))));
        /** @var list<Event> $events */
        $this->store->keep($sitting, $paper, $terms, $conduct->begin(), $state, $events, Invigilation::OWN . 'crowd');
        $this->em->detach($sitting); // with a thousand of them each flush would look through all
    }

    /** @param \Closure(Act): bool $do whether it was taken */
    private function answer(
        State $state,
        QuestionPlace $place,
        SimulatedCandidate $candidate,
        Chance $chance,
        Instant $at,
        \Closure $do,
    ): Instant {
        $checks = $place->rules->tellsBeforeTheEnd();
        do {
            $response = $candidate->response($place, $state->visit($place->id)->attempt(), $place->rules->flag(Rule::MustAnswer));
            $at = $at->plus(Duration::millis((int) (1_000 * $candidate->seconds($place->seconds))));
            $given =
                $response !== null &&
                $do($checks ? new Check($at, $place->name, Given::of($response)) : new Save($at, $place->name, Given::of($response)));
        } while ($given && $checks && $state->visit($place->id)->isOpen() && Normal::uniform($chance) < self::TRIES_AGAIN);

        return $at;
    }

    /** @return list<QuestionPlace> */
    private static function here(Paper $paper, State $state): array
    {
        $node = $state->position->isAt(At::Node) ? $paper->nodes[$state->position->node] ?? null : null;

        return $node instanceof Screen
            ? array_values(array_filter($node->questions(), static fn (QuestionPlace $place): bool => $state->visit($place->id)->isOpen()))
            : [];
    }

    /** @return list<Account> who cannot log in: nobody knows their passwords */
    private function people(int $candidates): array
    {
        $accounts = [];
        for ($i = 0; $i < min($candidates, count(self::SURNAMES) * strlen(self::INITIALS)); ++$i) {
            $surname = self::SURNAMES[$i % count(self::SURNAMES)];
            $account = new Account(
                sprintf('simulated-%03d', $i + 1),
                sprintf('%s. %s', self::INITIALS[intdiv($i, count(self::SURNAMES))], $surname),
                Role::Candidate,
            );
            $this->em->persist($account);
            $accounts[] = $account;
        }
        $group = new Group(self::GROUP);
        $this->em->persist($group);
        $this->em->flush();
        $group->hold(array_map(static fn (Account $account): int => $account->id, $accounts));
        $this->em->flush();

        return $accounts;
    }
}
