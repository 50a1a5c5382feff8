<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Review;

use Zetema\App\Bank\Question\Question;
use Zetema\App\Shared\PreparedStatements;
use Zetema\Core\Proofreading\Flaw;
use Zetema\Core\Proofreading\Proofreader;
use Zetema\Core\Question as Core;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Status;

/** Keeps what the proofreader notices in each question's newest revision, so that a bank need not be read to show it. */
final readonly class ProofreadingStore
{
    public function __construct(private PreparedStatements $statements)
    {
    }

    /** Reads the newest revision of a question and keeps the notes; none of one that is not whole or retired. */
    public function keep(Question $question): void
    {
        $isRead = $question->newest()->isWhole() && $question->status() !== Status::Retired;
        $this->put(
            $question->id,
            $question->bank->id,
            $isRead ? self::notes($question->newest()->question(), $question->bank->settings()) : [],
        );
    }

    /** @param list<array<string, string>> $notes as notes() gives them */
    public function put(int $id, int $bank, array $notes): void
    {
        $this->statements->run('DELETE FROM proofreading_note WHERE question_id = ?', [$id]);
        foreach ($notes as $note) {
            $row = ['bank_id' => $bank, 'question_id' => $id, ...$note];
            $this->statements->run(
                sprintf(
                    'INSERT INTO proofreading_note (%s) VALUES (%s)',
                    implode(', ', array_keys($row)),
                    implode(', ', array_fill(0, count($row), '?')),
                ),
                array_values($row),
            );
        }
    }

    /**
     * What the proofreader notices, by column.
     *
     * @return list<array<string, string>>
     */
    public static function notes(Core\Question $content, BankSettings $settings): array
    {
        $lines = Core\Lines::of($content);

        return array_map(
            static fn (Flaw $flaw): array => [
                'rule' => $flaw->rule->value,
                'line' => mb_substr($flaw->where, 0, 40),
                'message' => mb_substr($flaw->message, 0, 300),
                'line_id' => mb_substr($lines->at($flaw->where), 0, 40),
                'message_by_ids' => mb_substr($lines->inText($flaw->message), 0, 300),
            ],
            (new Proofreader())->read($content, $content->effective($settings)),
        );
    }
}
