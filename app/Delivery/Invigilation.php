<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Admission\Admissions;
use Zetema\App\Blueprint\BankStock;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\BlueprintEditing;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Blueprint\Editions\Editions;
use Zetema\App\Blueprint\Stored\StoredStock;
use Zetema\App\Delivery\Stored\SittingsOfCandidates;
use Zetema\App\Delivery\Stored\SittingStore;
use Zetema\App\People\Account;
use Zetema\App\Shared\Conflict;
use Zetema\App\Shared\Lock;
use Zetema\App\Shared\Stale;
use Zetema\App\Shared\Transactions;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\Seen;
use Zetema\Core\Sitting\Act\Act;
use Zetema\Core\Sitting\Act\Place;
use Zetema\Core\Sitting\Act\Refused as NotDone;
use Zetema\Core\Sitting\Act\Start;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Refused;
use Zetema\Core\Sitting\Run\Conduct;
use Zetema\Core\Sitting\Run\Taken;
use Zetema\Core\Sitting\State\Assumed;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Time\Instant;

/** Where sittings begin and go on. Nothing acknowledged is lost: an event is on the disk before the answer leaves. */
final readonly class Invigilation
{
    /** Ids of requests that begin with this are our own; no browser can say one. */
    public const OWN = ':';

    public function __construct(
        private EntityManagerInterface $em,
        private Connection $db,
        private Papers $papers,
        private SittingStore $store,
        private Transactions $transactions,
        private CandidatePage $shown,
        private ClockInterface $clock,
        private BankStock $stock,
        private BlueprintEditing $editing,
        private Admissions $admissions,
        private Editions $editions,
        private SittingsOfCandidates $had,
    ) {
    }

    /**
     * Begins a sitting, or goes on with the one that is running. The form is dealt before the lock is taken, so that a class that begins
     * at the same minute does not wait for each other's dealing; whether it may begin is looked at again within.
     */
    public function begin(Edition $edition, Account $account, int $seed): Sitting
    {
        $sittings = $this->had->all($edition->blueprint, $account);
        $had = [];
        foreach ($sittings as $sitting) {
            $going = $this->settle($sitting);
            if ($going->state->ended === null) {
                return $sitting;
            }
            $had[] = array_map(static fn (string $place): string => $going->paper->questions[$place]->name, $going->state->asked);
        }
        $seen = new Seen($had);
        $this->editions->refuseOver($edition);
        $candidacy = $this->admissions->candidacy($edition->blueprint, $account);
        $ended = array_map(static fn (Sitting $sitting): Instant => $sitting->endedAt() ?? Instant::start(), $sittings);
        $candidacy->refuse($edition->assessment()->rules, $ended, $this->now());
        $form = $this->papers->deal(
            $edition->assessment(),
            $edition->bankSettings(),
            StoredStock::ofEdition($this->db, $edition),
            $seed,
            $seen,
        );
        $sitting = new Sitting($account, $edition->blueprint, $edition, $seed, $form, $seen->sittings === [] ? null : $seen->sittings);
        $sitting->goesBy($candidacy);
        $paper = $this->papers->paper($sitting);
        $running = $this->transactions->over(Lock::account($account->id), function () use (
            $edition,
            $account,
            $sitting,
            $sittings,
            $paper,
        ): ?int {
            $now = $this->had->ids($edition->blueprint, $account);
            if (count($now) > count($sittings)) {
                return $now[count($now) - 1]; // a double click, or another window
            }
            $this->editions->refuseOver($edition);
            $this->started($sitting, $paper);

            return null;
        });

        return $running === null ? $sitting : $this->em->find(Sitting::class, $running) ?? throw new \LogicException('it was just found');
    }

    /**
     * A sitting by the author, which leaves no result.
     *
     * @param bool $drafts whether questions may be dealt that are not cleared yet
     * @param string|null $step where it begins; null: at the beginning
     * @param Assumed|null $assumed what is taken to have been reached before that step
     */
    public function rehearse(
        Blueprint $blueprint,
        Account $account,
        int $seed,
        bool $drafts = false,
        ?string $step = null,
        ?Assumed $assumed = null,
    ): Sitting {
        $this->editing->refuseUnfit($blueprint);
        $form = $this->papers->deal(
            $blueprint->assessment(),
            $blueprint->bank->settings(),
            $this->stock->of($blueprint->bank, $drafts),
            $seed,
        );

        $sitting = new Sitting($account, $blueprint, null, $seed, $form);
        $paper = $this->papers->paper($sitting);
        $this->transactions->over(Lock::blueprint($blueprint->id), fn () => $this->started($sitting, $paper));
        if ($step !== null) {
            $this->byStaff($sitting, static fn (Going $going, Instant $now): Act => new Place($now, $step, $assumed ?? Assumed::nothing()));
        }

        return $sitting;
    }

    /** The sitting as it stands, with what the clock has brought about meanwhile; a reply that is on its way still counts. */
    public function settle(Sitting $sitting): Going
    {
        $going = $this->going($sitting);
        $until = $this->nowOf($sitting)->minus(Conduct::grace())->before();
        $due = $going->conduct->settle(clone $going->state, $until);
        // One that is due without cause, since its terms are others now, is told when it is due next.
        if ($due === [] && ($sitting->due() === null || $sitting->due()->isAfter($until))) {
            return $going;
        }

        return $this->transactions->ofRows(Lock::sitting($sitting->id), function () use ($sitting, $going, $until): Going {
            $state = $this->store->state($sitting, $going->paper, $going->conduct); // what stands now that nobody else can write
            $before = clone $state;
            $events = $going->conduct->settle($state, $until);
            $this->store->keep($sitting, $going->paper, $going->terms, $before, $state, $events, self::OWN . $state->events);

            return $going->at($state);
        });
    }

    /**
     * Does what a candidate's page asks. A repeated request changes nothing; a stale one gets the current state.
     *
     * @throws Stale|Conflict|NotDone|Malformed
     */
    public function act(Sitting $sitting, Fields $body): Going
    {
        $request = $body->text('request');
        if (preg_match('/^[A-Za-z0-9_-]{1,60}$/D', $request) !== 1) {
            throw new Malformed('request', 'must be an id of 1 to 60 letters, digits, hyphens or underscores');
        }
        $paper = $this->papers->paper($sitting); // put together before the lock is taken
        [$going, $why] = $this->transactions->ofRows(
            Lock::sitting($sitting->id),
            fn (): array => $this->actOnce($sitting, $paper, $body, $request),
        );
        if ($why !== null) {
            // told once what the clock did is kept
            throw $why;
        }

        return $going;
    }

    /**
     * What staff does to a sitting.
     *
     * @param callable(Going, Instant): Act $act how it stands and what time it is
     *
     * @throws NotDone
     */
    public function byStaff(Sitting $sitting, callable $act): Going
    {
        $paper = $this->papers->paper($sitting);
        [$going, $why] = $this->transactions->ofRows(Lock::sitting($sitting->id), function () use ($sitting, $paper, $act): array {
            $conduct = new Conduct($paper, $terms = $sitting->terms());
            $going = new Going($paper, $terms, $conduct, $this->store->state($sitting, $paper, $conduct));
            $taken = $this->take($sitting, $going, $act($going, $this->nowOf($sitting)), self::OWN . 'staff-' . $going->state->events);

            return [$going, $taken->refused];
        });
        if ($why !== null) {
            throw $why;
        }

        return $going;
    }

    /** Takes a snapshot of a sitting that has none. */
    public function catchUp(Sitting $sitting): void
    {
        $paper = $this->papers->paper($sitting);
        $this->transactions->ofRows(Lock::sitting($sitting->id), fn () => $this->store->catchUp($sitting, $paper, $sitting->terms()));
    }

    /** The time that counts for a sitting: the server's; of a rehearsal as it was wound on or stopped. */
    public function nowOf(Sitting $sitting): Instant
    {
        return $sitting->isRehearsal() ? $sitting->rehearsalClock()->at($this->now()) : $this->now();
    }

    public function now(): Instant
    {
        return Instant::of($this->clock->now());
    }

    /**
     * The transaction has the write lock from its beginning (SqlitePragmas), so that no two windows build on the same event.
     *
     * @return array{Going, NotDone|null} as it stands then, and why it was refused
     */
    private function actOnce(Sitting $sitting, Paper $paper, Fields $body, string $request): array
    {
        $conduct = new Conduct($paper, $terms = $sitting->terms());
        [$state, $before] = $this->store->stateAndRequest($sitting, $paper, $conduct, $request);
        $going = new Going($paper, $terms, $conduct, $state);
        $asked = new AskedByPage($going, $body);
        if ($before !== null) {
            return $asked->isTheSameAs($before)
                ? [$going, null]
                : throw new Conflict(
                    'Another request of this sitting had the same id. Nothing was changed; reload the page and try again.',
                );
        }
        if ($going->state->isRunning() && $body->integer('on') !== $going->state->events) {
            throw new Stale(
                'This sitting went on in another window. What was saved there is shown now.',
                $this->shown->running($sitting, $going, $this->nowOf($sitting)),
            );
        }
        $taken = $this->take($sitting, $going, $asked->act($this->nowOf($sitting)), $request);

        return [$going, $taken->refused];
    }

    private function take(Sitting $sitting, Going $going, Act $act, string $request): Taken
    {
        $before = clone $going->state;
        $taken = $going->conduct->take($going->state, $act);
        if ($taken->events !== []) {
            $this->store->keep(
                $sitting,
                $going->paper,
                $going->terms,
                $before,
                $going->state,
                $taken->events,
                $taken->refused === null ? $request : self::OWN . $going->state->events,
            );
        }

        return $taken;
    }

    /** Within a transaction. */
    private function started(Sitting $sitting, Paper $paper): void
    {
        $this->em->persist($sitting);
        $this->em->flush();
        $conduct = new Conduct($paper, $terms = $sitting->terms());
        $this->take($sitting, new Going($paper, $terms, $conduct, $conduct->begin()), new Start($this->now()), self::OWN . 'start');
    }

    private function going(Sitting $sitting): Going
    {
        $paper = $this->papers->paper($sitting);
        $conduct = new Conduct($paper, $terms = $sitting->terms());

        return new Going($paper, $terms, $conduct, $this->store->state($sitting, $paper, $conduct));
    }
}
