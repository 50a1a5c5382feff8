<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Review;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Question;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Proofreading\Flaw;
use Zetema\Core\Proofreading\Proofreader;
use Zetema\Core\Proofreading\Rule;

/** The proofreader's notes at a bank's questions, and those that were waved off. */
final readonly class ProofreadingNotes
{
    public function __construct(private EntityManagerInterface $em, private Connection $db, private ClockInterface $clock)
    {
    }

    /** @return list<array<string, mixed>> */
    public function of(Question $question): array
    {
        if (!$question->newest()->isWhole()) {
            return [];
        }
        $content = $question->newest()->question();

        return $this->told((new Proofreader())->read($content, $content->effective($question->bank->settings())), $this->waved('question_id = ?', $question->id)['q' . $question->id] ?? []);
    }

    /** @return array{read: int, questions: list<array<string, mixed>>} the questions with notes, over a whole bank */
    public function ofBank(Bank $bank): array
    {
        $contents = [];
        $questions = [];
        foreach ($this->em->getRepository(Question::class)->findBy(['bank' => $bank], ['objective' => 'ASC', 'id' => 'ASC']) as $question) {
            if ($question->newest()->isWhole() && $question->status() !== \Zetema\Core\Question\Status::Retired) {
                $questions['q' . $question->id] = $question;
                $contents['q' . $question->id] = $question->newest()->question();
            }
        }
        $proofreader = new Proofreader();
        $across = $proofreader->across($contents, $bank->settings());
        $waved = $this->waved('question_id IN (SELECT id FROM question WHERE bank_id = ?)', $bank->id);
        $told = [];
        foreach ($contents as $key => $content) {
            $notes = $this->told([...$proofreader->read($content, $content->effective($bank->settings())), ...$across[$key] ?? []], $waved[$key] ?? []);
            if ($notes !== []) {
                $question = $questions[$key];
                $told[] = ['id' => $question->id, 'name' => $question->name(), 'kind' => $question->kind(), 'excerpt' => $question->excerpt(), 'notes' => $notes];
            }
        }

        return ['read' => count($contents), 'questions' => $told];
    }

    /** @throws Malformed without a reason, or for a rule that there is not */
    public function waveOff(Question $question, Fields $body, Account $account): void
    {
        $rule = Rule::tryFrom($body->text('rule')) ?? throw new Malformed('rule', 'is no rule of the proofreader');
        $reason = trim($body->text('reason'));
        if ($reason === '' || mb_strlen($reason) > 300) {
            throw new Malformed('reason', 'must be said, in up to 300 characters');
        }
        $line = mb_substr($body->text('where'), 0, 40);
        $message = mb_substr($body->text('message'), 0, 300);
        $this->bringBack($question, $rule->value, $line, $message);
        $this->em->persist(new WavedNote($question, $rule->value, $line, $message, $reason, $account, $this->clock->now()));
        $this->em->flush();
    }

    public function bringBack(Question $question, string $rule, string $line, string $message): void
    {
        $this->db->executeStatement('DELETE FROM waving WHERE question_id = ? AND rule = ? AND line = ? AND message = ?', [$question->id, $rule, $line, $message]);
    }

    /**
     * @param list<Flaw> $findings
     * @param array<string, array{by: string, reason: string}> $waved
     *
     * @return list<array<string, mixed>>
     */
    private function told(array $findings, array $waved): array
    {
        return array_map(static fn (Flaw $f): array => [
            'rule' => $f->rule->value,
            'where' => $f->where,
            'message' => $f->message,
            'reason' => $f->rule->reason(),
            'remedy' => $f->rule->remedy(),
            'waved' => $waved[$f->rule->value . '|' . $f->where . '|' . $f->message] ?? null,
        ], $findings);
    }

    /** @return array<string, array<string, array{by: string, reason: string}>> by question, then by rule, line and message */
    private function waved(string $where, int $id): array
    {
        $rows = $this->db->fetchAllAssociative('SELECT w.*, a.name AS by_name FROM waving w JOIN account a ON a.id = w.account_id WHERE w.' . $where, [$id]);
        $waved = [];
        $text = static fn (mixed $value): string => is_scalar($value) ? (string) $value : '';
        foreach ($rows as $row) {
            $waved['q' . $text($row['question_id'])][$text($row['rule']) . '|' . $text($row['line']) . '|' . $text($row['message'])] = ['by' => $text($row['by_name']), 'reason' => $text($row['reason'])];
        }

        return $waved;
    }
}
