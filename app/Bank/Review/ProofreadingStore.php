<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Review;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Question\Question;
use Zetema\Core\Proofreading\Proofreader;
use Zetema\Core\Question as Core;
use Zetema\Core\Question\Status;

/** Keeps what the proofreader notices in each question's newest revision, so that a bank need not be read to show it. */
final readonly class ProofreadingStore
{
    public function __construct(private Connection $db)
    {
    }

    /** Reads the newest revision of a question and keeps the notes; none of one that is not whole or retired. */
    public function keep(Question $question): void
    {
        $this->db->executeStatement('DELETE FROM proofreading_note WHERE question_id = ?', [$question->id]);
        if ($question->newest()->isWhole() && $question->status() !== Status::Retired) {
            $this->write($question->id, $question->bank->id, $question->newest()->question(), $question->bank->settings());
        }
    }

    private function write(int $id, int $bank, Core\Question $content, Core\Settings\BankSettings $settings): void
    {
        $lines = Core\Lines::of($content);
        foreach ((new Proofreader())->read($content, $content->effective($settings)) as $flaw) {
            $this->db->insert('proofreading_note', [
                'bank_id' => $bank, 'question_id' => $id, 'rule' => $flaw->rule->value, 'line' => mb_substr($flaw->where, 0, 40), 'message' => mb_substr($flaw->message, 0, 300),
                'line_id' => mb_substr($lines->at($flaw->where), 0, 40), 'message_by_ids' => mb_substr($lines->inText($flaw->message), 0, 300),
            ]);
        }
    }
}
