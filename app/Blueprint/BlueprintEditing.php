<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Blueprint\Editions\Editions;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Lock;
use Zetema\App\Shared\Saving;
use Zetema\App\Shared\Stale;
use Zetema\App\Shared\Transactions;
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
    public const STALE = 'This blueprint was saved in another window or by someone else since you opened it.';
    private const LONGEST_TITLE = 160;

    public function __construct(
        private EntityManagerInterface $em,
        private Saving $saving,
        private Transactions $transactions,
        private BlueprintView $view,
        private Editions $editions,
        private BankStock $stock,
    ) {
    }

    public function make(Bank $bank, Fields $body): Blueprint
    {
        $blueprint = new Blueprint(
            $bank,
            self::title($body),
            new Drawing\DealingPlan([], [], Drawing\PassMark::percent('60')),
            new PlainRules(1800),
        );
        $this->saving->make(fn () => $this->em->persist($blueprint));

        return $blueprint;
    }

    /** Another with the same plan, to be changed; editions and sittings stay where they are. */
    public function copy(Blueprint $blueprint): Blueprint
    {
        $title = mb_substr('Copy of ' . $blueprint->title(), 0, self::LONGEST_TITLE);
        $copy = new Blueprint($blueprint->bank, $title, new Drawing\DealingPlan([]), new PlainRules());
        $copy->write($title, [...$blueprint->document(), 'title' => $title]);
        $this->saving->make(fn () => $this->em->persist($copy));

        return $copy;
    }

    public function putAway(Blueprint $blueprint, bool $isPutAway): void
    {
        $this->saving->change(
            Blueprint::class,
            $blueprint->id,
            null,
            static fn (Blueprint $blueprint) => $blueprint->putAway($isPutAway),
            self::STALE,
            $this->view->of(...),
        );
    }

    /**
     * With its rehearsals and its withdrawn editions, which nobody has begun.
     *
     * @throws Refused if an edition of it can be sat or was
     */
    public function delete(Blueprint $blueprint): void
    {
        $this->transactions->over(Lock::blueprint($blueprint->id), function () use ($blueprint): void {
            $edition = $this->editions->newest($blueprint);
            if ($edition !== null) {
                throw new Refused(
                    sprintf(
                        'Edition %d of “%s” is in use, so it stays. It can be deleted once its editions are withdrawn, which they can be as long as nobody has begun them.',
                        $edition->number,
                        $blueprint->title(),
                    ),
                );
            }
            foreach (['sitting', 'edition'] as $table) {
                $this->em->getConnection()->delete($table, ['blueprint_id' => $blueprint->id]);
            }
            $this->em->remove($blueprint);
        });
    }

    /**
     * The whole blueprint at once, written as docs/formats/sitting.md has it; questions by their names. What keeps it from being sat is
     * told beside it.
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
        return $this->saving->change(Blueprint::class, $blueprint->id, $version, $change, self::STALE, $this->view->of(...));
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
        $rows = $this->em
            ->getConnection()
            ->fetchAllAssociativeIndexed(
                'SELECT r.id AS revision, q.id, r.kind, o.path AS objective, ' .
                    Dialects::of($this->em->getConnection())->jsonText('r.content', 'stem') .
                    ' AS stem FROM revision r JOIN question q ON q.id = r.question_id LEFT JOIN objective o ON o.id = q.objective_id WHERE r.id IN (?)',
                [array_values($revisions)],
                [ArrayParameterType::INTEGER],
            );
        $questions = array_map(
            static fn (array $dealt): array => [
                ...$rows[$revisions[$dealt['id']]],
                'step' => $dealt['step'],
                'worth' => (string) $dealt['worth'],
            ],
            $form->questions,
        );

        return ['seed' => $seed, 'points' => (string) $form->points(), 'questions' => $questions];
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

        return $title !== '' && mb_strlen($title) <= self::LONGEST_TITLE
            ? $title
            : throw new Malformed('title', 'must have 1 to 160 characters');
    }
}
