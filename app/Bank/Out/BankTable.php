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
     * @return \Generator<int, string> the headings, and a row for each question that can stand in one
     */
    public function pieces(Bank $bank, Selection $selection): \Generator
    {
        $writer = new TableWriter();
        $settings = $bank->settings();
        yield TableWriter::headingRow();
        foreach ($this->questions->of($bank, $selection->questions) as $questions) {
            $piece = '';
            foreach ($questions as $question) {
                $whole = $selection->question($question);
                $piece .= $whole === null ? '' : $writer->row($whole, $settings) ?? '';
            }
            yield $piece;
        }
    }

    /**
     * @param (callable(int): bool)|null $goesOn told how many were looked at; whether to look at more
     *
     * @return array{rows: int, without: list<string>, missing: list<array{what: string, items: list<string>}>} questions that stand in no
     *   row, by their names or first words; and of which others what is missing
     */
    public function missing(Bank $bank, Selection $selection, ?callable $goesOn = null): array
    {
        $done = 0;
        $writer = new TableWriter();
        $rows = 0;
        $without = $missing = [];
        foreach ($this->questions->of($bank, $selection->questions) as $questions) {
            $done += count($questions);
            if ($goesOn !== null && !$goesOn($done)) {
                break;
            }
            foreach ($questions as $question) {
                $core = $selection->question($question);
                $called = $question->name() ?? $question->excerpt();
                if ($core === null || $writer->row($core) === null) {
                    $without[] = $called;
                    continue;
                }
                ++$rows;
                foreach (
                    array_unique(
                        array_map(
                            static fn (string $line): string => trim(preg_replace('/ ?\d+$/', '', explode(':', $line)[0]) ?? ''),
                            $writer->missing($core),
                        ),
                    ) as $what
                ) {
                    $missing[$what][] = $called;
                }
            }
        }
        uasort($missing, static fn (array $a, array $b): int => count($b) <=> count($a));

        return [
            'rows' => $rows,
            'without' => $without,
            'missing' => array_map(
                static fn (string $what, array $items): array => ['what' => $what, 'items' => $items],
                array_map(strval(...), array_keys($missing)),
                array_values($missing),
            ),
        ];
    }
}
