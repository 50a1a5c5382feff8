<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Doctrine\DBAL\Connection;
use Zetema\App\People\Account;
use Zetema\App\Shared\Row;
use Zetema\Core\Question\Clearing;

/** Who may clear a question, as the house rules say. */
final readonly class Clearances
{
    public function __construct(private Connection $db)
    {
    }

    public function let(Question $question, Account $account): bool
    {
        $clearing = $question->bank->clearing();
        if ($clearing === Clearing::Anybody) {
            return true; // whoever wrote in it
        }
        $writers = $this->db->fetchFirstColumn('SELECT DISTINCT author_id FROM revision WHERE question_id = ? AND number > ?', [
            $question->id,
            $question->cleared()->number ?? 0,
        ]);

        return $clearing->lets($account->id, array_map(Row::int(...), $writers));
    }
}
