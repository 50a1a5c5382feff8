<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Editions;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Blueprint\BankNames;
use Zetema\App\Blueprint\BankStock;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\NotCleared;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\Core\Blueprint\Differing\Difference;
use Zetema\Core\Blueprint\Differing\Differences;
use Zetema\Core\Data\Fields;

/**
 * In what an edition differs from another one, or from what would be frozen now: its plan and rules, and the questions that it can deal.
 */
final readonly class EditionDifferences
{
    /** Questions that are named; of more it says how many. */
    private const FEW = 12;

    public function __construct(private EntityManagerInterface $em, private Connection $db, private BankStock $stock)
    {
    }

    /**
     * @param Edition|null $to null: what would be frozen now
     *
     * @return array{from: int, to: int|null, plan: list<array<string, mixed>>, problem: string|null, questions: array<string, array{
     *   count: int, few: list<array<string, mixed>>}>} questions that came in, went out, read otherwise, and those that count otherwise by
     *   themselves
     */
    public function between(Edition $from, ?Edition $to): array
    {
        $blueprint = $from->blueprint;
        $problem = null;
        $old = $this->heldBy($from);
        try {
            $new = $to === null ? $this->now($blueprint) : $this->heldBy($to);
        } catch (NotCleared $e) {
            $new = $old;
            $problem = $e->getMessage();
        }
        $names = new BankNames($this->em, $this->db, $blueprint->bank, withDrafts: true);
        $both = array_intersect_key($new, $old);
        $worths = static fn (int $id): array => ['old' => $old[$id]['worth'] ?? null, 'new' => $new[$id]['worth'] ?? null];

        return [
            'from' => $from->number,
            'to' => $to?->number,
            'plan' => array_map(
                static fn (Difference $d): array => $d->toData(),
                Differences::between(
                    Fields::of($names->read($from->document())),
                    Fields::of($names->read($to?->document() ?? $blueprint->document())),
                ),
            ),
            'problem' => $problem,
            'questions' => [
                'in' => $this->few(array_keys(array_diff_key($new, $old)), $worths),
                'out' => $this->few(array_keys(array_diff_key($old, $new)), $worths),
                'changed' => $this->few(
                    array_keys(
                        array_filter(
                            $both,
                            static fn (array $held, int $id): bool => $held['revision'] !== $old[$id]['revision'],
                            ARRAY_FILTER_USE_BOTH,
                        ),
                    ),
                    $worths,
                ),
                'worth' => $this->few(
                    array_keys(
                        array_filter(
                            $both,
                            static fn (array $held, int $id): bool => $held['worth'] !== $old[$id]['worth'],
                            ARRAY_FILTER_USE_BOTH,
                        ),
                    ),
                    $worths,
                ),
            ],
        ];
    }

    /** @return array<int, array{revision: int, worth: string}> by question */
    private function heldBy(Edition $edition): array
    {
        return self::held(
            $this->db->fetchAllAssociative('SELECT question_id, revision_id, worth FROM edition_question WHERE edition_id = ?', [
                $edition->id,
            ]),
        );
    }

    /**
     * @return array<int, array{revision: int, worth: string}>
     *
     * @throws NotCleared
     */
    private function now(Blueprint $blueprint): array
    {
        $stock = $this->stock->of($blueprint->bank);
        $revisions = array_keys($stock->held($stock->dealer($blueprint->plan())->held()));

        return self::held(
            $this->db->fetchAllAssociative(
                'SELECT question_id, id AS revision_id, worth FROM revision WHERE id IN (' . Dialects::of($this->db)->inList('?') . ')',
                [json_encode($revisions, JSON_THROW_ON_ERROR)],
            ),
        );
    }

    /**
     * @param list<array<string, mixed>> $rows
     *
     * @return array<int, array{revision: int, worth: string}>
     */
    private static function held(array $rows): array
    {
        $held = [];
        foreach ($rows as $row) {
            $row = Fields::of($row);
            $held[$row->integer('question_id')] = ['revision' => $row->integer('revision_id'), 'worth' => $row->text('worth')];
        }

        return $held;
    }

    /**
     * @param list<int> $ids
     * @param callable(int): array{old: string|null, new: string|null} $worths
     *
     * @return array{count: int, few: list<array<string, mixed>>}
     */
    private function few(array $ids, callable $worths): array
    {
        sort($ids);
        $few = array_slice($ids, 0, self::FEW);
        $known = [];
        foreach ($this->em->getRepository(Question::class)->findBy(['id' => $few], ['id' => 'ASC']) as $question) {
            $known[] = ['id' => $question->id, 'words' => $question->name() ?? $question->excerpt(), ...$worths($question->id)];
        }

        return ['count' => count($ids), 'few' => $known];
    }
}
