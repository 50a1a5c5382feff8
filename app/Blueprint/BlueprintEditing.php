<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\People\Account;
use Zetema\App\Shared\Saving;
use Zetema\App\Shared\Stale;
use Zetema\Core\Blueprint\Plain\PlainRules;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\BlueprintRefused;
use Zetema\Core\Blueprint\Reading\VersionOne;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing;
use Zetema\Core\Drawing\Proof\CannotDeal;
use Zetema\Core\Sitting\Refused;

/** Where blueprints are made, edited, dealt from for a look, and frozen into editions. */
final readonly class BlueprintEditing
{
    private const LONGEST_TITLE = 160;

    public function __construct(private EntityManagerInterface $em, private Saving $saving, private BlueprintView $view, private Editions $editions, private BankStock $stock, private ClockInterface $clock)
    {
    }

    public function make(Bank $bank, Fields $body): Blueprint
    {
        $blueprint = new Blueprint($bank, self::title($body), new Drawing\DealingPlan([], [], Drawing\PassMark::percent('60')), new PlainRules(1800));
        $this->em->persist($blueprint);
        $this->em->flush();

        return $blueprint;
    }

    /** Another with the same plan, to be changed; editions and sittings stay where they are. */
    public function copy(Blueprint $blueprint): Blueprint
    {
        $title = mb_substr('Copy of ' . $blueprint->title(), 0, self::LONGEST_TITLE);
        $copy = new Blueprint($blueprint->bank, $title, new Drawing\DealingPlan([]), new PlainRules());
        $copy->write($title, [...$blueprint->document(), 'title' => $title]);
        $this->em->persist($copy);
        $this->em->flush();

        return $copy;
    }

    /**
     * With its rehearsals and its withdrawn editions, which nobody has begun.
     *
     * @throws Refused if an edition of it can be sat or was
     */
    public function delete(Blueprint $blueprint): void
    {
        $this->em->wrapInTransaction(function () use ($blueprint): void {
            $edition = $this->editions->newest($blueprint);
            if ($edition !== null) {
                throw new Refused(sprintf('Edition %d of “%s” is in use, so it stays. It can be deleted once its editions are withdrawn, which they can be as long as nobody has begun them.', $edition->number, $blueprint->title()));
            }
            foreach (['sitting', 'edition'] as $table) {
                $this->em->getConnection()->delete($table, ['blueprint_id' => $blueprint->id]);
            }
            $this->em->remove($blueprint);
        });
    }

    /**
     * The whole blueprint at once, written as docs/formats/sitting.md has it; questions by their names. What keeps it from being sat is told beside it.
     *
     * @throws Stale|BlueprintRefused|Malformed if it was saved elsewhere since it was opened, or is no blueprint at all
     */
    public function write(Blueprint $blueprint, Fields $body): Blueprint
    {
        $typed = $body->object('document')->raw();

        return $this->change($blueprint, $body->integer('version'), function (Blueprint $blueprint) use ($typed): Blueprint {
            $names = new BankNames($this->em, $this->em->getConnection(), $blueprint->bank, withDrafts: true);
            $document = $names->stored(VersionOne::raised($typed));
            $read = BlueprintReader::planned($document);
            if (trim($read->title) === '' || mb_strlen($read->title) > self::LONGEST_TITLE) {
                throw new Malformed('title', 'must have 1 to 160 characters');
            }
            $blueprint->write($read->title, (array) $document);
            $this->em->flush();

            return $blueprint;
        });
    }

    /**
     * @template R
     *
     * @param callable(Blueprint): R $change
     *
     * @return R
     */
    private function change(Blueprint $blueprint, int $version, callable $change): mixed
    {
        return $this->saving->change(Blueprint::class, $blueprint->id, $version, $change, 'This blueprint was saved in another window or by someone else since you opened it.', $this->view->of(...));
    }

    /**
     * @return array{seed: int, points: string, questions: list<array<string, mixed>>}
     *
     * @throws CannotDeal
     */
    public function deal(Blueprint $blueprint, int $seed): array
    {
        $stock = $this->stock->of($blueprint->bank);
        $form = $stock->dealer($blueprint->plan())->deal($seed);
        $revisions = $stock->revisions($form->ids());
        $rows = $this->em->getConnection()->fetchAllAssociativeIndexed("SELECT r.id AS revision, q.id, r.kind, o.path AS objective, json_extract(r.content, '$.stem') AS stem FROM revision r JOIN question q ON q.id = r.question_id LEFT JOIN objective o ON o.id = q.objective_id WHERE r.id IN (?)", [array_values($revisions)], [ArrayParameterType::INTEGER]);
        $questions = array_map(static fn (array $dealt): array => [...$rows[$revisions[$dealt['id']]], 'step' => $dealt['step'], 'worth' => (string) $dealt['worth']], $form->questions);

        return ['seed' => $seed, 'points' => (string) $form->points(), 'questions' => $questions];
    }

    /**
     * @param int $version of the blueprint that is frozen, so that nobody freezes what they have not seen
     *
     * @throws CannotDeal|NotCleared|Malformed|Refused|Stale if no form could be dealt, nobody could pass, or nothing has changed since the last edition
     */
    public function freeze(Blueprint $blueprint, int $version, Account $account): Edition
    {
        return $this->change($blueprint, $version, fn (Blueprint $blueprint): Edition => $this->frozen($blueprint, $this->saving->again(Account::class, $account->id)));
    }

    /** @throws Refused if somebody has begun it */
    public function withdraw(Edition $edition): void
    {
        $this->em->wrapInTransaction(function () use ($edition): void {
            $begun = $this->editions->begun($edition);
            if ($begun > 0) {
                throw new Refused(sprintf('%s begun this edition, so it stays. Freeze another one; then no more can begin this.', $begun === 1 ? 'One candidate has' : $begun . ' candidates have'));
            }
            $edition->withdraw($this->clock->now());
        });
    }

    private function frozen(Blueprint $blueprint, Account $account): Edition
    {
        $this->refuseUnfit($blueprint);
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
        $edition = new Edition($blueprint, $number, array_keys($stock->held($dealer->held())), $stock->pools($plan->pools()), $account, $this->clock->now());
        $last = $this->editions->newest($blueprint);
        if ($last !== null && $last->holdsTheSameAs($edition)) {
            throw new Refused(sprintf('Nothing has changed since edition %d was frozen, so there is nothing to freeze.', $last->number));
        }
        $this->em->persist($edition);
        $this->em->flush();
        $stock->hold($edition, $dealer->held());
        $this->em->getConnection()->executeStatement('INSERT INTO edition_page (edition_id, name, heading, reads) SELECT ?, name, heading, reads FROM page WHERE bank_id = ?', [$edition->id, $blueprint->bank->id]);

        return $edition;
    }

    /** @throws BlueprintRefused if anything keeps it from being sat */
    public function refuseUnfit(Blueprint $blueprint): void
    {
        $names = new BankNames($this->em, $this->em->getConnection(), $blueprint->bank, withDrafts: true);
        $names->lookUp($blueprint->document());
        $findings = BlueprintReader::findings($blueprint->document(), $names);
        if ($findings !== []) {
            throw new BlueprintRefused($findings);
        }
    }

    private static function title(Fields $body): string
    {
        $title = trim($body->text('title'));

        return $title !== '' && mb_strlen($title) <= self::LONGEST_TITLE ? $title : throw new Malformed('title', 'must have 1 to 160 characters');
    }
}
