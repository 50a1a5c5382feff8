<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\Edition;
use Zetema\App\Blueprint\Editions;
use Zetema\App\Blueprint\StoredStock;
use Zetema\App\People\Account;
use Zetema\App\Shared\Conflict;
use Zetema\App\Shared\Stale;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Sitting as Core;
use Zetema\Core\Sitting\Event;
use Zetema\Core\Sitting\EventType;
use Zetema\Core\Sitting\Refused;

/** Where sittings begin and go on. Nothing acknowledged is lost: an event is on the disk before the answer leaves. */
final readonly class Invigilation
{
    /** Ids of requests that begin with this are our own; no browser can say one. */
    public const OWN = ':';

    public function __construct(private EntityManagerInterface $em, private Connection $db, private Papers $papers, private Editions $editions, private CandidatePage $shown, private ClockInterface $clock)
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
        $sittings = $this->sittings($edition->blueprint, $account);
        foreach ($sittings as $sitting) {
            $this->settle($sitting);
            if ($sitting->endedAt() === null) {
                return $sitting;
            }
        }
        if ($edition->isWithdrawn() || $this->editions->newest($edition->blueprint) !== $edition) {
            throw new Refused('This edition is no longer to be begun; your list of assessments has the newest one.');
        }
        $most = $edition->rules()->sittings;
        if ($most !== null && count($sittings) >= $most) {
            throw new Refused($most === 1 ? 'This assessment can be sat once, and you have sat it.' : sprintf('This assessment can be sat %d times, and you have.', $most));
        }
        $form = $this->papers->deal($edition->plan(), $edition->bankSettings(), StoredStock::ofEdition($this->db, $edition), $seed);

        return $this->started(new Sitting($account, $edition->blueprint, $edition, $seed, $form));
    }

    /** @return list<Sitting> of one candidate and one assessment, whatever the edition */
    private function sittings(Blueprint $blueprint, Account $account): array
    {
        return array_values(array_filter(
            $this->em->getRepository(Sitting::class)->findBy(['blueprint' => $blueprint, 'account' => $account], ['id' => 'ASC']),
            static fn (Sitting $sitting): bool => !$sitting->isRehearsal(),
        ));
    }

    /** A sitting by the author, which leaves no result. */
    public function rehearse(Blueprint $blueprint, Account $account, int $seed): Sitting
    {
        $form = $this->papers->deal($blueprint->plan(), $blueprint->bank->settings(), StoredStock::ofBank($this->db, $blueprint->bank), $seed);

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
                $this->append($sitting, $overdue, $run, self::OWN . 'clock');
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
     * @throws Stale|Conflict|Refused|Malformed
     */
    public function act(Sitting $sitting, Fields $body): Core\Sitting
    {
        $request = $body->text('request');
        if (preg_match('/^[A-Za-z0-9_-]{1,60}$/D', $request) !== 1) {
            throw new Malformed('request', 'must be an id of 1 to 60 letters, digits, hyphens or underscores');
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
        $before = $this->em->getRepository(SittingEvent::class)->findOneBy(['sitting' => $sitting, 'request' => $request]);
        if ($before !== null) {
            return $this->isRepeated($before, $run, $body) ? $run : throw new Conflict('Another request of this sitting had the same id. Nothing was changed; reload the page and try again.');
        }
        if ($run->isRunning() && $body->integer('on') !== $run->events) {
            throw new Stale('This sitting went on in another window. What was saved there is shown now.', $this->shown->running($sitting, $run, $this->now()));
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

    /** Whether a request says again what the one with its id said before. */
    private function isRepeated(SittingEvent $before, Core\Sitting $run, Fields $body): bool
    {
        $given = $body->raw()['response'] ?? null;
        $sheet = $body->optionalInteger('sheet');
        if ($before->type->value !== $body->text('type') || $before->sheet !== $sheet) {
            return false;
        }
        if (!in_array($before->type, [EventType::Saved, EventType::Checked], true)) {
            return true;
        }
        try {
            $response = ($run->paper->sheets[($sheet ?? 0) - 1] ?? null)?->fromPage($given)->toData();
        } catch (Malformed) {
            return false;
        }

        return json_encode($response) === json_encode($before->response);
    }

    private function started(Sitting $sitting): Sitting
    {
        $this->em->persist($sitting);
        $this->em->flush();
        $event = new Event(EventType::Started, $this->now());
        $this->append($sitting, $event, Core\Sitting::of($this->papers->paper($sitting))->with($event), self::OWN . 'start');

        return $sitting;
    }

    private function append(Sitting $sitting, Event $event, Core\Sitting $run, string $request): void
    {
        $this->em->persist(new SittingEvent($sitting, $run->events, $request, $event));
        $sitting->note($run);
        $this->em->flush();
    }
}
