<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TextFormat;

use Zetema\Core\Question\Feedback\Hint;
use Zetema\Core\Question\Feedback\Note;
use Zetema\Core\Question\Feedback\OutcomeText;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Status;

/** Writes the text format in its normal form: reading it back gives the same, to the letter of every field. */
final class Writer
{
    /** @var list<string>|null */
    private ?array $objective = null;

    public function __construct(private readonly Vocabulary $vocabulary = new Vocabulary())
    {
    }

    public function bank(string $name): string
    {
        return 'bank: ' . $name . "\n";
    }

    /** What the bank sets for all its questions, and for those of one kind; nothing where it sets nothing. */
    public function bankSettings(BankSettings $settings): string
    {
        $text = '';
        foreach (['', ...array_map(static fn (KindId $kind): string => $kind->value, KindId::cases())] as $kind) {
            $values = ($kind === '' ? $settings->every : $settings->byKind[$kind] ?? null)->values ?? [];
            $said = $kind === '' ? $settings->wording : $settings->kindWording[$kind] ?? [];
            if ($values !== [] || $said !== []) {
                $below = [
                    ...array_map(Line::written(...), array_keys($values), $values),
                    ...array_map(
                        static fn (string $outcome, string $text): Line => Line::written('if ' . $outcome, $text),
                        array_keys($said),
                        $said,
                    ),
                ];
                $text .= "\n" . $this->line(Line::written('bank settings' . ($kind === '' ? '' : ' for ' . $kind), '', $below), 0);
            }
        }

        return $text;
    }

    public function page(Page $page): string
    {
        $below = [...$page->heading === null ? [] : [Line::written('heading', $page->heading)], Line::written('reads', $page->reads)];

        return "\n" . $this->line(Line::written('page', $page->name, $below), 0);
    }

    /** One question, with an `objective:` line before it where the objective is another than the last one's. */
    public function question(Question $question): string
    {
        $text = "\n";
        if ($this->objective !== $question->objective) {
            if ($this->objective !== null || $question->objective !== []) {
                $text .= rtrim('objective: ' . implode(' > ', $question->objective)) . "\n\n";
            }
            $this->objective = $question->objective;
        }
        [$opening, $parts] = self::split($question->kind->toLines($question->stem));
        $lines = [
            ...self::about($question),
            ...$parts,
            ...array_map(static fn (Hint $h): Line => $h->toLine(), $question->hints),
            ...array_map(static fn (OutcomeText $t): Line => $t->toLine(), $question->outcomeTexts),
            ...array_map(static fn (Note $n): Line => $n->toLine(Question::choiceIds($question->kind)), $question->notes),
        ];
        $text .= $this->line($opening, 0);
        foreach ($lines as $line) {
            $text .= $this->line($line, 1);
        }

        return $text;
    }

    /**
     * @param non-empty-list<Line> $lines
     *
     * @return array{Line, list<Line>}
     */
    private static function split(array $lines): array
    {
        return [$lines[0], array_slice($lines, 1)];
    }

    /** @return list<Line> */
    private static function about(Question $question): array
    {
        $lines = [];
        foreach (
            [
                'name' => $question->name,
                'tags' => $question->tags === [] ? null : implode(', ', $question->tags),
                'difficulty' => $question->difficulty?->value,
                'status' => $question->status === Status::Draft ? null : $question->status->value,
                ...$question->settings->values,
            ] as $word => $value
        ) {
            if ($value !== null) {
                $lines[] = Line::written($word, $value);
            }
        }

        return $lines;
    }

    private function line(Line $line, int $depth): string
    {
        $indent = str_repeat('  ', $depth);
        $rows = explode("\n", $line->text);
        $text = rtrim($indent . $line->head . ': ' . $rows[0]) . "\n";
        foreach (array_slice($rows, 1) as $row) {
            $text .= $row === '' ? "\n" : $indent . '  ' . $this->escaped($row) . "\n";
        }
        foreach ($line->below as $below) {
            $text .= $this->line($below, $depth + 1);
        }

        return $text;
    }

    /** A backslash takes away a line's meaning. */
    private function escaped(string $row): string
    {
        $colon = strpos($row, ':');
        $hasMeaning =
            str_starts_with($row, '--') ||
            str_starts_with($row, '\\') ||
            ($colon !== false && $colon <= Vocabulary::FARTHEST_COLON && $this->vocabulary->classify(substr($row, 0, $colon)) !== null);

        return $hasMeaning ? '\\' . $row : $row;
    }
}
