<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\Edition;
use Zetema\App\Blueprint\Stock;
use Zetema\App\People\Account;
use Zetema\App\Shared\Stale;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Sitting as Core;
use Zetema\Core\Sitting\CandidateView;
use Zetema\Core\Sitting\Event;
use Zetema\Core\Sitting\EventType;
use Zetema\Core\Sitting\Refused;

/** Where sittings begin and go on. Nothing acknowledged is lost: an event is on the disk before the answer leaves. */
final readonly class Desk
{
    public function __construct(private EntityManagerInterface $em, private Connection $db, private Papers $papers, private Stock $stock, private ClockInterface $clock)
    {
    }

    /** Begins a sitting, or goes on with the one that is running. */
    public function begin(Edition $edition, Account $account, int $seed): Sitting
    {
        return $this->db->transactional(function () use ($edition, $account, $seed): Sitting {
            // The write lock keeps a double click from beginning twice.
            $this->db->executeStatement('UPDATE account SET login = login WHERE id = ?', [$account->id]);

            return $this->beginOrGoOn($edition, $account, $seed);
        });
    }

    private function beginOrGoOn(Edition $edition, Account $account, int $seed): Sitting
    {
        $sittings = $this->em->getRepository(Sitting::class)->findBy(['edition' => $edition, 'account' => $account]);
        foreach ($sittings as $sitting) {
            $this->settle($sitting);
            if ($sitting->endedAt() === null) {
                return $sitting;
            }
        }
        $most = $edition->rules()->sittings;
        if ($most !== null && count($sittings) >= $most) {
            throw new Refused($most === 1 ? 'This assessment can be sat once, and you have sat it.' : sprintf('This assessment can be sat %d times, and you have.', $most));
        }
        $form = $this->papers->deal($edition->plan(), $this->stock->of($edition->revisionIds), $seed);

        return $this->started(new Sitting($account, $edition->blueprint, $edition, $seed, $form));
    }

    /** A sitting by the author, which leaves no result. */
    public function rehearse(Blueprint $blueprint, Account $account, int $seed): Sitting
    {
        $form = $this->papers->deal($blueprint->plan(), $this->stock->cleared($blueprint->bank), $seed);

        return $this->started(new Sitting($account, $blueprint, null, $seed, $form));
    }

    /** The state now, with what the clock has brought about meanwhile. */
    public function settle(Sitting $sitting): Core\Sitting
    {
        $run = $this->papers->replay($sitting);
        $overdue = $run->overdue($this->now());
        if ($overdue === null) {
            return $run;
        }

        return $this->db->transactional(function () use ($sitting): Core\Sitting {
            $this->lock($sitting);
            $run = $this->papers->replay($sitting);
            $overdue = $run->overdue($this->now());
            if ($overdue !== null) { // nobody else has written it meanwhile
                $run = $run->with($overdue);
                $this->append($sitting, $overdue, $run, 'clock');
            }
            $sitting->note($run);

            return $run;
        });
    }

    /** Taking the write lock first keeps two windows from both building on the same event. */
    private function lock(Sitting $sitting): void
    {
        $this->db->executeStatement('UPDATE sitting SET seed = seed WHERE id = ?', [$sitting->id]);
    }

    /**
     * Does what a candidate's page asks. A repeated request changes nothing; a stale one gets the current state.
     *
     * @throws Stale|Refused|Malformed
     */
    public function act(Sitting $sitting, Fields $body): Core\Sitting
    {
        $request = $body->text('request');
        if ($request === '' || strlen($request) > 60) {
            throw new Malformed('request', 'must be an id of 1 to 60 characters');
        }

        return $this->db->transactional(fn (): Core\Sitting => $this->actOnce($sitting, $body, $request));
    }

    public function now(): int
    {
        return (int) $this->clock->now()->format('Uv');
    }

    private function actOnce(Sitting $sitting, Fields $body, string $request): Core\Sitting
    {
        $this->lock($sitting);
        $run = $this->settle($sitting);
        $known = $this->db->fetchOne('SELECT 1 FROM sitting_event WHERE sitting_id = ? AND request = ?', [$sitting->id, $request]);
        if ($known !== false) {
            return $run;
        }
        if ($run->isRunning() && $body->integer('on') !== $run->events) {
            throw new Stale('This sitting went on in another window. What was saved there is shown now.', CandidateView::of($run, $this->now()));
        }
        $type = EventType::tryFrom($body->text('type'));
        if ($type === null || in_array($type, [EventType::Started, EventType::RanOut], true)) {
            throw new Malformed('type', 'is nothing a candidate can do');
        }
        $sheet = $body->optionalInteger('sheet');
        $response = in_array($type, [EventType::Saved, EventType::Checked], true)
            ? ($run->paper->sheets[($sheet ?? 0) - 1] ?? throw new Malformed('sheet', 'is no question of this paper'))->fromPage($body->raw()['response'] ?? null)
            : null;
        $event = $run->accept(new Event($type, $this->now(), $sheet, $response));
        $run = $run->with($event);
        $this->append($sitting, $event, $run, $request);

        return $run;
    }

    private function started(Sitting $sitting): Sitting
    {
        $this->em->persist($sitting);
        $this->em->flush();
        $event = new Event(EventType::Started, $this->now());
        $this->append($sitting, $event, Core\Sitting::of($this->papers->paper($sitting))->with($event), 'start');

        return $sitting;
    }

    private function append(Sitting $sitting, Event $event, Core\Sitting $run, string $request): void
    {
        $this->em->persist(new SittingEvent($sitting, $run->events, $request, $event));
        $sitting->note($run);
        $this->em->flush();
    }
}
