<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Objective\Objectives;
use Zetema\App\Bank\Question\Listing\QuestionFilter;
use Zetema\App\Bank\Question\Listing\QuestionList;
use Zetema\App\People\Account;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Row;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Difficulty;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Status;

/** The map of a bank: objective × kind, or × status, difficulty or tag; cleared and all. */
final readonly class Board
{
    /** A cleared question counts as cleared where its cleared revision stands, since that is what is dealt. */
    private const CELLS = "SELECT objective_id, kind, SUM(CASE WHEN status <> 'retired' THEN questions ELSE 0 END), SUM(dealt) FROM question_count WHERE bank_id = :bank GROUP BY 1, 2";

    /** Those of them whose draft stands in another cell by now; by the index in any case, as in ObjectiveScope. */
    private const LEAVING = 'SELECT COALESCE(o.id, 0), r.kind, COUNT(*), 0 FROM question q %s JOIN revision r ON r.id = q.cleared_id
        LEFT JOIN objective o ON o.bank_id = q.bank_id AND o.path = r.objective_path WHERE q.bank_id = :bank AND q.dealt_elsewhere = TRUE GROUP BY 1, 2';

    /** By what the columns can be; objective (0: none), column, how many, and of them dealt. */
    private const OTHER_CELLS = [
        'status' => 'SELECT objective_id, status, SUM(questions), SUM(dealt) FROM question_count WHERE bank_id = :bank GROUP BY 1, 2',
        'difficulty' => "SELECT COALESCE(q.objective_id, 0), COALESCE(r.difficulty, 'not said'), COUNT(*), COUNT(q.cleared_id) FROM question q JOIN revision r ON r.id = q.newest_id
            WHERE q.bank_id = :bank AND q.status <> 'retired' GROUP BY 1, 2",
        'tag' => "SELECT COALESCE(q.objective_id, 0), t.tag, COUNT(*), COUNT(q.cleared_id) FROM question q JOIN revision_tag t ON t.revision_id = q.newest_id
            WHERE q.bank_id = :bank AND q.status <> 'retired' GROUP BY 1, 2",
    ];
    private const MOST_TAGS = 12;

    public function __construct(private Connection $db, private Objectives $objectives, private QuestionList $list)
    {
    }

    /** @return array<string, mixed> */
    public function of(Bank $bank): array
    {
        $cells = [];
        foreach ($this->counts(self::CELLS, $bank) as [$objective, $kind, $all, $dealt]) {
            if ($all > 0 || $dealt > 0) {
                $cells[$objective][$kind] = ['cleared' => $dealt, 'all' => $all];
            }
        }
        // While a cleared question is moved, it stands in two cells: where it is dealt from, and where its draft is. Sums count it once.
        foreach (
            $this->counts(sprintf(self::LEAVING, Dialects::of($this->db)->hint('question_elsewhere')), $bank) as [$objective, $kind, $leaving]
        ) {
            $cell = $cells[$objective][$kind] ?? ['cleared' => 0, 'all' => 0];
            $cells[$objective][$kind] = [
                'cleared' => $cell['cleared'] + $leaving,
                'all' => $cell['all'] + $leaving,
                'leaving' => $leaving,
            ];
        }

        return [
            'bank' => ['id' => $bank->id, 'name' => $bank->name()],
            'kinds' => self::kinds($cells),
            'rows' => $this->rows($bank, $cells),
            'inReview' => Row::int(
                $this->db->fetchOne("SELECT SUM(questions) FROM question_count WHERE bank_id = ? AND status = 'in review'", [$bank->id]),
            ),
        ];
    }

    /**
     * The same with other columns: statuses, difficulties, or the tags that most questions have.
     *
     * @return array{by: string, columns: list<string>, rows: list<array<string, mixed>>}
     *
     * @throws Malformed
     */
    public function by(Bank $bank, string $what): array
    {
        $cells = $columns = [];
        foreach (
            $this->counts(self::OTHER_CELLS[$what] ?? throw new Malformed('by', 'must be status, difficulty or tag'), $bank) as [$objective, $column, $all, $cleared]
        ) {
            if ($all > 0) {
                $cells[$objective][$column] = ['cleared' => $cleared, 'all' => $all];
                $columns[$column] = ($columns[$column] ?? 0) + $all;
            }
        }
        arsort($columns);

        return [
            'by' => $what,
            'columns' => match ($what) {
                'status' => array_column(Status::cases(), 'value'),
                'difficulty' => [...array_column(Difficulty::cases(), 'value'), 'not said'],
                default => array_slice(array_map(strval(...), array_keys($columns)), 0, self::MOST_TAGS),
            },
            'rows' => $this->rows($bank, $cells),
        ];
    }

    /**
     * @param array<int, array<string, mixed>> $cells by objective and column
     *
     * @return list<array<string, mixed>>
     */
    private function rows(Bank $bank, array $cells): array
    {
        $rows = array_map(
            static fn (array $objective): array => ['objective' => $objective, 'cells' => (object) ($cells[$objective['id']] ?? [])],
            $this->objectives->told($bank),
        );
        if (isset($cells[0])) {
            $rows[] = [
                'objective' => [
                    'id' => 0,
                    'parent' => null,
                    'name' => 'Without an objective',
                    'path' => '',
                    'depth' => 0,
                    'code' => '',
                    'description' => '',
                    'version' => 0,
                ],
                'cells' => (object) $cells[0],
            ];
        }

        return $rows;
    }

    /**
     * What waits, and for whom.
     *
     * @return array{openComments: int, waiting: int} questions with open comments; questions that wait for who asks
     */
    public function work(Bank $bank, Account $account): array
    {
        $number = fn (string $name, string $value): int => $this->list->number(
            $bank,
            QuestionFilter::of(Fields::of([$name => $value]), $account),
        );

        return ['openComments' => $number('comments', 'open'), 'waiting' => $number('waiting', 'me')];
    }

    /**
     * The kinds that the bank has, and the two that every bank will have.
     *
     * @param array<int, array<string, mixed>> $cells
     *
     * @return list<string>
     */
    private static function kinds(array $cells): array
    {
        $there = array_merge(...array_map(array_keys(...), array_values($cells)));
        // Those with one right answer always have their column.
        $shown = array_filter(
            KindId::cases(),
            static fn (KindId $kind): bool => $kind->facts()->hasOneKey() || in_array($kind->value, $there, true),
        );

        return array_values(array_map(static fn (KindId $kind): string => $kind->value, $shown));
    }

    /** @return list<array{int, string, int, int}> objective (0: none), kind, how many, and of them dealt */
    private function counts(string $sql, Bank $bank): array
    {
        return array_map(
            static fn (array $row): array => [
                Row::int($row[0] ?? 0),
                is_string($row[1] ?? null) ? $row[1] : '',
                Row::int($row[2] ?? 0),
                Row::int($row[3] ?? 0),
            ],
            $this->db->fetchAllNumeric($sql, ['bank' => $bank->id]),
        );
    }
}
