<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Out;

use Zetema\App\Bank\Bank;
use Zetema\Core\Exchange\Table\TableWriter;

/** A bank's questions as a table, and beforehand what of them a table cannot say. */
final readonly class BankTable
{
    public function __construct(private QuestionsInOrder $questions)
    {
    }

    /**
     * @param list<int>|null $only questions by their ids; null: all
     *
     * @return \Generator<int, string> the headings, and a row for each question that can stand in one
     */
    public function pieces(Bank $bank, ?array $only): \Generator
    {
        $writer = new TableWriter();
        yield TableWriter::headingRow();
        foreach ($this->questions->of($bank, $only) as $questions) {
            $piece = '';
            foreach ($questions as $question) {
                $piece .= $question->newest()->isWhole() ? $writer->row($question->newest()->question()) ?? '' : '';
            }
            yield $piece;
        }
    }

    /**
     * @param list<int>|null $only
     *
     * @return array{rows: int, without: list<string>, missing: list<array{what: string, questions: int}>} questions that stand in no row, by their first words; and of how many others what is missing
     */
    public function missing(Bank $bank, ?array $only): array
    {
        $writer = new TableWriter();
        $rows = 0;
        $without = $missing = [];
        foreach ($this->questions->of($bank, $only) as $questions) {
            foreach ($questions as $question) {
                $core = $question->newest()->isWhole() ? $question->newest()->question() : null;
                if ($core === null || $writer->row($core) === null) {
                    $without[] = $question->name() ?? $question->excerpt();
                    continue;
                }
                ++$rows;
                foreach (array_unique(array_map(static fn (string $line): string => trim(preg_replace('/ ?\d+$/', '', explode(':', $line)[0]) ?? ''), $writer->missing($core))) as $what) {
                    $missing[$what] = ($missing[$what] ?? 0) + 1;
                }
            }
        }
        arsort($missing);

        return ['rows' => $rows, 'without' => $without, 'missing' => array_map(static fn (string $what, int $n): array => ['what' => $what, 'questions' => $n], array_map(strval(...), array_keys($missing)), array_values($missing))];
    }
}
