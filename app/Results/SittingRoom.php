<?php

declare(strict_types=1);

namespace Zetema\App\Results;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Admission\Admissions;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Delivery\Going;
use Zetema\App\Delivery\Invigilation;
use Zetema\App\Delivery\Sitting;
use Zetema\App\Delivery\Stored\SittingStore;
use Zetema\App\People\Account;
use Zetema\App\People\PasswordAgain;
use Zetema\App\Shared\Lock;
use Zetema\App\Shared\Transactions;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Sitting\Act\Act;
use Zetema\Core\Sitting\Act\Close;
use Zetema\Core\Sitting\Act\GiveTime;
use Zetema\Core\Sitting\Act\Refused as NotDone;
use Zetema\Core\Sitting\Event\Clock;
use Zetema\Core\Sitting\Event\ClockKind;
use Zetema\Core\Sitting\Paper\Screen;
use Zetema\Core\Sitting\Refused;
use Zetema\Core\Sitting\State\At;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** What staff can do while somebody sits, and after: each with a reason, which stands in the log of the edition. */
final readonly class SittingRoom
{
    private const MOST_SECONDS = 86_400;

    public function __construct(
        private EntityManagerInterface $em,
        private Connection $db,
        private Invigilation $invigilation,
        private SittingStore $store,
        private Admissions $admissions,
        private PasswordAgain $password,
        private Transactions $transactions,
        private ClockInterface $clock,
    ) {
    }

    /** @return list<array<string, mixed>> what was done to sittings of an edition, newest first */
    public function log(Edition $edition): array
    {
        return array_map(
            static fn (StaffAct $act): array => $act->toData(),
            $this->em->getRepository(StaffAct::class)->findBy(['edition' => $edition], ['id' => 'DESC'], 200),
        );
    }

    /**
     * @param Fields $body {do: give time | close | allow another | delete, reason, seconds and clock for time, password for delete}
     *
     * @throws Malformed|Refused|NotDone in words
     */
    public function do(Sitting $sitting, Edition $edition, Fields $body, Account $account): void
    {
        $reason = trim($body->text('reason'));
        if ($reason === '' || mb_strlen($reason) > 500) {
            throw new Malformed('reason', 'has 1 to 500 characters: whoever reads the log wants to know why');
        }
        if ($body->text('do') === 'delete') {
            $this->password->refuseOther($body->text('password', ''), $account);
        }
        // Nothing is done that is not in the log, and nothing stands there that was not done.
        $this->transactions->over(Lock::sitting($sitting->id), function () use ($sitting, $edition, $body, $account, $reason): void {
            $id = $sitting->id;
            $words = match ($body->text('do')) {
                'give time' => $this->giveTime($sitting, $body),
                'close' => $this->close($sitting),
                'allow another' => $this->allowAnother($sitting, $edition),
                'delete' => $this->delete($sitting),
                default => throw new Malformed('do', 'is give time, close, allow another or delete'),
            };
            // What was done may have let go of everything that was read.
            [$edition, $account] = [$this->em->find(Edition::class, $edition->id), $this->em->find(Account::class, $account->id)];
            if ($edition === null || $account === null) {
                throw new \LogicException('both were there');
            }
            $this->em->persist(new StaffAct($edition, $id, $account, $this->clock->now(), $words, $reason));
        });
    }

    private function giveTime(Sitting $sitting, Fields $body): string
    {
        $seconds = $body->integer('seconds');
        if ($seconds < 1 || $seconds > self::MOST_SECONDS) {
            throw new Malformed('seconds', sprintf('must be from 1 to %d', self::MOST_SECONDS));
        }
        $kind = ClockKind::tryFrom($body->text('clock', ClockKind::Whole->value));
        $this->invigilation->byStaff(
            $sitting,
            static fn (Going $going, Instant $now): Act => new GiveTime($now, Duration::seconds($seconds), self::clock($kind, $going)),
        );

        return sprintf(
            'gave %s %s',
            $seconds % 60 === 0 ? sprintf('%d min', intdiv($seconds, 60)) : sprintf('%d s', $seconds),
            match ($kind) {
                ClockKind::Whole => 'more for the whole',
                ClockKind::Section => 'more for the section they were in',
                ClockKind::Question, ClockKind::Until, ClockKind::Pause, null => 'more for the question they were at',
            },
        );
    }

    /** The clock of the whole, or of the section or the question that the candidate is at. */
    private static function clock(?ClockKind $kind, Going $going): Clock
    {
        $state = $going->state;
        $node = $state->position->isAt(At::Node) ? $going->paper->nodes[$state->position->node] ?? null : null;
        $question = $node instanceof Screen ? $node->questions()[0] ?? null : null;

        return match (true) {
            $kind === ClockKind::Whole => Clock::whole(),
            $kind === ClockKind::Section && $state->section !== null => Clock::section($going->paper->sections[$state->section]->id),
            $kind === ClockKind::Question && $question !== null => Clock::question($question->name),
            default => throw new Malformed('clock', 'is whole, section or question; what they are at must have a time'),
        };
    }

    private function close(Sitting $sitting): string
    {
        $this->invigilation->byStaff($sitting, static fn (Going $going, Instant $now): Act => new Close($now));

        return 'closed the sitting';
    }

    private function allowAnother(Sitting $sitting, Edition $edition): string
    {
        $this->admissions->allowAnother($edition->blueprint, $sitting->account);

        return sprintf('allowed %s another sitting', $sitting->account->name);
    }

    /** All that was given and marked in it goes. What staff did to it stays in the log, without a name. */
    private function delete(Sitting $sitting): string
    {
        if ($sitting->endedAt() === null) {
            throw new Refused('It is still running. Close it first.');
        }
        $id = $sitting->id;
        $this->store->delete($id);
        $this->db->executeStatement(
            "UPDATE staff_act SET words = 'allowed another sitting' WHERE sitting_number = ? AND words LIKE 'allowed %'",
            [$id],
        );
        $this->em->clear();

        return 'deleted the sitting with all that was given in it';
    }
}
