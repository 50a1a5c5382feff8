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
use Zetema\Core\Question\Status;

/** Writes revisions of many questions row by row: thousands within one transaction that others hardly notice. */
final readonly class QuestionWriter
{
    public function __construct(private Connection $db, private SearchIndex $search, private ProofreadingStore $notes)
    {
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
            (new InLists($facts->worth, $one->standing->number + ($one->hasRevision() ? 1 : 0), $facts->problem === null, $one->changed->sketch->stem()))->columns(),
            $one->status,
            $one->changed->objective === null ? null : implode(Objective::SEPARATOR, $one->changed->objective),
            $question === null || $one->status === Status::Retired ? [] : ProofreadingStore::notes($question, $bank->settings()),
        );
    }

    /**
     * @param array<string, int> $objectives ids by path
     *
     * @return bool false if it was saved by someone else since it was prepared; then nothing is written
     */
    public function write(PreparedQuestion $one, Bank $bank, Account $author, string $now, array $objectives): bool
    {
        $standing = $one->standing;
        if ($this->db->executeStatement('UPDATE question SET version = version + 1 WHERE id = ? AND version = ?', [$standing->id, $standing->version]) === 0) {
            return false;
        }
        $newest = $one->facts === null ? $standing->revision : $this->revision($one->facts, $standing->id, $standing->number + 1, $bank, $author, $now);
        $cleared = match ($one->status) {
            Status::Cleared => $newest,
            Status::Retired => null,
            default => $standing->cleared,
        };
        if ($cleared !== $standing->cleared) {
            $this->db->executeStatement('UPDATE revision SET is_dealt = 0 WHERE question_id = ? AND is_dealt = 1', [$standing->id]);
            $this->db->executeStatement('UPDATE revision SET is_dealt = 1, was_cleared = 1 WHERE id = ?', [$cleared]);
        }
        $objective = $one->path === null ? $standing->objective : ($one->path === '' ? null : $objectives[$one->path]);
        $path = $one->path === null ? $standing->path : ($one->path === '' ? null : $one->path);
        $elsewhere = $cleared !== null && $cleared === $standing->cleared && $newest !== $cleared && ($standing->clearedPath !== $path || $standing->clearedKind !== $one->kind());
        $this->db->update('question', ['newest_id' => $newest, 'cleared_id' => $cleared, 'status' => $one->status->value, 'objective_id' => $objective, 'dealt_elsewhere' => (int) $elsewhere], ['id' => $standing->id]);
        $this->follow($one, $bank);

        return true;
    }

    /** What is kept beside a question and follows from its text: what lists show, words for searching, the proofreader's notes. */
    public function follow(PreparedQuestion $one, Bank $bank): void
    {
        $this->db->update('question', [...$one->columns, 'kind' => $one->kind()], ['id' => $one->standing->id]);
        $this->search->put($one->standing->id, $bank->id, $one->standing->name, $one->facts->content ?? $one->standing->content);
        $this->notes->put($one->standing->id, $bank->id, $one->notes);
    }

    private function revision(RevisionFacts $facts, int $question, int $number, Bank $bank, Account $author, string $now): int
    {
        $json = static fn (mixed $data): string => json_encode($data, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION);
        $this->db->insert('revision', [
            'question_id' => $question, 'bank_id' => $bank->id, 'number' => $number, 'author_id' => $author->id, 'content' => $json($facts->content),
            'problem' => $facts->problem === null ? null : $json($facts->problem), 'kind' => $facts->kind, 'difficulty' => $facts->difficulty, 'key_place' => $facts->keyPlace,
            'is_dealt' => 0, 'was_cleared' => 0, 'worth' => $facts->worth, 'objective_path' => $facts->objectivePath, 'saved_at' => $now,
        ]);
        $id = (int) $this->db->lastInsertId();
        foreach ($facts->tags as $tag) {
            $this->db->insert('revision_tag', ['revision_id' => $id, 'tag' => $tag]);
        }

        return $id;
    }
}
