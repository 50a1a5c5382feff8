<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Review;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Bank\Question\Question;
use Zetema\App\People\Account;
use Zetema\App\Shared\Saving;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Proofreading\Flaw;
use Zetema\Core\Proofreading\Proofreader;
use Zetema\Core\Proofreading\Rule;
use Zetema\Core\Question\Lines;

/** The proofreader's notes at a question, and those that were waved off. */
final readonly class ProofreadingNotes
{
    public function __construct(
        private EntityManagerInterface $em,
        private Connection $db,
        private Saving $saving,
        private ClockInterface $clock,
    ) {
    }

    /** @return list<array<string, mixed>> */
    public function of(Question $question): array
    {
        if (!$question->newest()->isWhole()) {
            return [];
        }
        $content = $question->newest()->question();

        return $this->told(
            (new Proofreader())->read($content, $content->effective($question->bank->settings())),
            Lines::of($content),
            $this->waved($question),
        );
    }

    /** @throws Malformed without a reason, or for a rule that there is not */
    public function waveOff(Question $question, Fields $body, Account $account): void
    {
        $rule = Rule::tryFrom($body->text('rule')) ?? throw new Malformed('rule', 'is no rule of the proofreader');
        $reason = trim($body->text('reason'));
        if ($reason === '' || mb_strlen($reason) > 300) {
            throw new Malformed('reason', 'must be said, in up to 300 characters');
        }
        [$line, $message] = $this->kept($question, $body);
        $this->saving->make(function () use ($question, $body, $rule, $line, $message, $reason, $account): void {
            $this->bringBack($question, $body);
            $this->em->persist(new WavedNote($question, $rule->value, $line, $message, $reason, $account, $this->clock->now()));
        });
    }

    public function bringBack(Question $question, Fields $body): void
    {
        [$line, $message] = $this->kept($question, $body);
        $this->saving->make(
            fn () => $this->db->executeStatement('DELETE FROM waving WHERE question_id = ? AND rule = ? AND line = ? AND message = ?', [
                $question->id,
                $body->text('rule'),
                $line,
                $message,
            ]),
        );
    }

    /** @return array{string, string} line and message as they are kept: by ids, so that they mean the same wherever the lines stand */
    private function kept(Question $question, Fields $body): array
    {
        $message = $body->text('message');
        $message = $question->newest()->isWhole() ? Lines::of($question->newest()->question())->inText($message) : $message;

        return [mb_substr($body->text('where'), 0, 40), mb_substr($message, 0, 300)];
    }

    /**
     * @param list<Flaw> $flaws
     * @param array<string, array{by: string, reason: string}> $waved
     *
     * @return list<array<string, mixed>>
     */
    private function told(array $flaws, Lines $lines, array $waved): array
    {
        return array_map(
            static fn (Flaw $f): array => [
                'rule' => $f->rule->value,
                'where' => $lines->at($f->where),
                'message' => $f->message,
                'reason' => $f->rule->reason(),
                'remedy' => $f->rule->remedy(),
                'waved' => $waved[$f->rule->value . '|' . $lines->at($f->where) . '|' . $lines->inText($f->message)] ?? null,
            ],
            $flaws,
        );
    }

    /** @return array<string, array{by: string, reason: string}> by rule, line and message */
    private function waved(Question $question): array
    {
        $waved = [];
        foreach ($this->em->getRepository(WavedNote::class)->findBy(['question' => $question]) as $note) {
            $waved[$note->rule . '|' . $note->line . '|' . $note->message] = ['by' => $note->account->name, 'reason' => $note->reason];
        }

        return $waved;
    }
}
