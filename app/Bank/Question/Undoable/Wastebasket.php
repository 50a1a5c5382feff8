<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Undoable;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Apart\ApartPairs;
use Zetema\App\Bank\History\BankChange;
use Zetema\App\Bank\History\Undoing;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Bank\Objective\Objectives;
use Zetema\App\Bank\Page\Page;
use Zetema\App\Bank\Question\Listing\SearchIndex;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Bank\Review\ProofreadingStore;
use Zetema\App\People\Account;
use Zetema\App\Shared\Conflict;
use Zetema\Core\Data\Fields;

/**
 * Questions and pages that were thrown away: each is kept whole in the bank's history, a question with its revisions and comments, and
 * comes back as it was.
 */
final readonly class Wastebasket implements Undoing
{
    /** What is of a question, in an order in which it can be put back; the column that says so. */
    private const TABLES = [
        'question' => 'id',
        'revision' => 'question_id',
        'comment' => 'question_id',
        'waving' => 'question_id',
        'pool_question' => 'question_id',
    ];

    public function __construct(
        private EntityManagerInterface $em,
        private Connection $db,
        private Objectives $objectives,
        private SearchIndex $search,
        private ProofreadingStore $notes,
        private ApartPairs $apart,
    ) {
    }

    public static function kind(): string
    {
        return 'thrown away';
    }

    /** @return array<string, mixed> all that is kept of a question before it goes, as undo() takes it */
    public function kept(Question $question): array
    {
        $rows = array_map(
            fn (string $table): array => $this->db->fetchAllAssociative(
                sprintf('SELECT * FROM %s WHERE %s = ?', $table, self::TABLES[$table]),
                [$question->id],
            ),
            array_combine(array_keys(self::TABLES), array_keys(self::TABLES)),
        );
        $rows['kept_apart'] = array_map(static fn (int $other): array => ['other' => $other], $this->apart->with($question->id));
        $rows['revision_tag'] = $this->db->fetchAllAssociative(
            'SELECT t.* FROM revision_tag t JOIN revision r ON r.id = t.revision_id WHERE r.question_id = ?',
            [$question->id],
        );

        return ['objective' => $question->objective()?->path, 'rows' => $rows];
    }

    /** @return array<string, mixed> the same of a page */
    public function keptPage(Page $page): array
    {
        return ['page' => $this->db->fetchAssociative('SELECT * FROM page WHERE id = ?', [$page->id])];
    }

    private function restorePage(BankChange $change, Fields $page): void
    {
        if ($this->db->fetchOne('SELECT 1 FROM page WHERE bank_id = ? AND name = ?', [$change->bank->id, $page->text('name')]) !== false) {
            throw new Conflict(sprintf('Another page is called “%s” by now. Give that one another name first.', $page->text('name')));
        }
        $this->db->insert('page', [...self::row($page), 'version' => $page->integer('version') + 1]);
    }

    public function undo(BankChange $change, Account $account): void
    {
        $kept = Fields::of($change->undo);
        if ($kept->has('page')) {
            $this->restorePage($change, $kept->object('page'));

            return;
        }
        $rows = $kept->object('rows');
        $question = $rows->objects('question')[0];
        $name = $question->optionalText('name');
        if (
            $name !== null &&
            $this->db->fetchOne('SELECT 1 FROM question WHERE bank_id = ? AND name = ?', [$change->bank->id, $name]) !== false
        ) {
            throw new Conflict(sprintf('Another question is named “%s” by now. Give that one another name first.', $name));
        }
        $path = $kept->optionalText('objective');
        $objective = $path === null || $path === '' ? null : $this->objectives->at($change->bank, explode(Objective::SEPARATOR, $path));
        $this->em->flush();
        $this->db->insert('question', [
            ...self::row($question),
            'objective_id' => $objective?->id,
            'newest_id' => null,
            'has_notes' => 0,
            'version' => $question->integer('version') + 1,
        ]);
        foreach (['revision', 'comment', 'waving', 'revision_tag'] as $table) {
            foreach ($rows->objects($table, optional: true) as $row) {
                $this->db->insert($table, self::row($row));
            }
        }
        foreach ($rows->objects('pool_question', optional: true) as $row) {
            $this->db->executeStatement('INSERT INTO pool_question (pool_id, question_id) SELECT id, ? FROM pool WHERE id = ?', [
                $row->integer('question_id'),
                $row->integer('pool_id'),
            ]);
        }
        foreach ($rows->objects('kept_apart', optional: true) as $row) {
            $this->apart->add($question->integer('id'), $row->integer('other'));
        }
        $this->db->update('question', ['newest_id' => $question->integer('newest_id')], ['id' => $question->integer('id')]);
        $back = $this->em->find(Question::class, $question->integer('id')) ?? throw new \LogicException('it was put back');
        $this->search->write($back);
        $this->notes->keep($back);
    }

    /** @return array<string, mixed> by column */
    private static function row(Fields $row): array
    {
        $raw = $row->raw();

        return array_combine(array_map(strval(...), array_keys($raw)), $raw);
    }
}
