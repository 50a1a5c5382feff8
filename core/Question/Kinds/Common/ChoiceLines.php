<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Common;

use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Kinds\LineWord;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problems;

/** The lines of answers to choose from, right ones and others. */
final class ChoiceLines
{
    /** @return list<LineWord> */
    public static function words(): array
    {
        $number = '(?: (?<number>[-−]?\d+(?:\.\d+)?))?';

        return [
            LineWord::line('yes')
                ->with('(?<pinned>pinned )?yes' . $number, 'yes', 'yes 5')
                ->after('pinned'),
            LineWord::line('no')
                ->with('(?<pinned>pinned )?no' . $number, 'no', 'no 5')
                ->after('pinned'),
            LineWord::textBelow('says'),
            LineWord::below('tally'),
            LineWord::below('leads to'),
        ];
    }

    /** @return list<array{id: int, text: string, key: bool}> rows of a new question, the first of them the key */
    public static function empty(): array
    {
        return array_map(static fn (int $id): array => ['id' => $id, 'text' => '', 'key' => $id === 1], range(1, 4));
    }

    /**
     * @param list<Line> $parts
     *
     * @return list<Choice>
     */
    public static function read(array $parts, Problems $problems): array
    {
        return array_map(static fn (Line $part, int $i): Choice => Choice::read($part, $i + 1, $problems), $parts, array_keys($parts));
    }
}
