<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Many;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Bank\Question\InLists;
use Zetema\App\Bank\Question\Listing\SearchIndex;
use Zetema\App\Bank\Question\RevisionFacts;
use Zetema\App\Bank\Review\ProofreadingStore;
use Zetema\App\People\Account;
use Zetema\App\Shared\PreparedStatements;
use Zetema\Core\Question\Status;

/** Writes revisions of many questions row by row: thousands within one transaction that others hardly notice. */
final readonly class QuestionWriter
{
    public function __construct(
        private Connection $db,
        private PreparedStatements $statements,
        private SearchIndex $search,
        private ProofreadingStore $notes,
    ) {
    }

    /** What is worked out before the transaction begins. */
    public function prepare(ManyChanged $one, Bank $bank): PreparedQuestion
    {
        $path = $one->changed->objective ?? $one->standing->names();
        $facts = RevisionFacts::of($one->changed->sketch, $path, $bank->settings());
        $question = $one->changed->sketch->question;

        return new PreparedQuestion(
            $one->standing,
            $one->hasRevision() ? $facts : null,
            (new InLists(
                $facts->worth,
                $one->standing->number + ($one->hasRevision() ? 1 : 0),
                $facts->problem === null,
                $one->changed->sketch->stem(),
                $facts->keyPlace,
            ))->columns(),
            $one->status,
            $one->changed->objective === null ? null : implode(Objective::SEPARATOR, $one->changed->objective),
            $question === null || $one->status === Status::Retired ? [] : ProofreadingStore::notes($question, $bank->settings()),
        );
    }

    /**
     * Within a transaction, after it was asked whether the question is still the one that was prepared.
     *
     * @param array<string, int> $objectives ids by path
     */
    public function write(PreparedQuestion $one, Bank $bank, Account $author, string $now, array $objectives): void
    {
        $standing = $one->standing;
        $newest =
            $one->facts === null
                ? $standing->revision
                : $this->revision($one->facts, $standing->id, $standing->number + 1, $bank, $author, $now);
        $cleared = match ($one->status) {
            Status::Cleared => $newest,
            Status::Retired => null,
            Status::Draft, Status::InReview => $standing->cleared,
        };
        if ($cleared !== $standing->cleared) {
            $this->statements->run(
                'UPDATE revision SET is_dealt = (id = ?), was_cleared = (was_cleared OR id = ?) WHERE question_id = ?',
                [$cleared ?? 0, $cleared ?? 0, $standing->id],
            );
        }
        $objective = $one->path === null ? $standing->objective : ($one->path === '' ? null : $objectives[$one->path]);
        $path = $one->path === null ? $standing->path : ($one->path === '' ? null : $one->path);
        $elsewhere =
            $cleared !== null &&
            $cleared === $standing->cleared &&
            $newest !== $cleared &&
            ($standing->clearedPath !== $path || $standing->clearedKind !== $one->kind());
        $this->follow($one, $bank, [
            'newest_id' => $newest,
            'cleared_id' => $cleared,
            'status' => $one->status->value,
            'objective_id' => $objective,
            'place' => $objective === $standing->objective ? $standing->place : 0,
            'dealt_elsewhere' => (int) $elsewhere,
        ]);
    }

    /**
     * Writes what is kept beside a question and follows from its text: what lists show, words for searching, the proofreader's notes.
     *
     * @param array<string, string|int|null> $columns more of the question's
     */
    public function follow(PreparedQuestion $one, Bank $bank, array $columns): void
    {
        $columns = [...$columns, ...$one->columns, 'kind' => $one->kind()];
        $this->statements->run(
            'UPDATE question SET version = version + 1, ' . implode(' = ?, ', array_keys($columns)) . ' = ? WHERE id = ?',
            [...array_values($columns), $one->standing->id],
        );
        $this->search->put($one->standing->id, $bank->id, $one->standing->name, $one->facts->content ?? $one->standing->content);
        $this->notes->put($one->standing->id, $bank->id, $one->notes);
    }

    private function revision(RevisionFacts $facts, int $question, int $number, Bank $bank, Account $author, string $now): int
    {
        $json = static fn (mixed $data): string => json_encode(
            $data,
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION,
        );
        $this->statements->run(
            'INSERT INTO revision (question_id, bank_id, number, author_id, content, problem, kind, difficulty, key_place, is_dealt, was_cleared, worth, objective_path, saved_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, 0, 0, ?, ?, ?)',
            [
                $question,
                $bank->id,
                $number,
                $author->id,
                $json($facts->content),
                $facts->problem === null ? null : $json($facts->problem),
                $facts->kind,
                $facts->difficulty,
                $facts->keyPlace,
                $facts->worth,
                $facts->objectivePath,
                $now,
            ],
        );
        $id = (int) $this->db->lastInsertId();
        foreach ($facts->tags as $tag) {
            $this->db->insert('revision_tag', ['revision_id' => $id, 'tag' => $tag]);
        }

        return $id;
    }
}
