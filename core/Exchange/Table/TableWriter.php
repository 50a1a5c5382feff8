<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Table;

use Zetema\Core\Exchange\TextFormat\Writer;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\Setting;

/** Writes questions as rows of a table; what a row cannot say is what is missing when it is read again. */
final readonly class TableWriter
{
    private const CHOICES = 10;
    private const KINDS = [
        'one' => 'one',
        'several' => 'several',
        'true' => 'claim',
        'false' => 'claim',
        'number' => 'number',
        'text' => 'text',
        'gaps' => 'gaps',
        'pairs' => 'pairs',
        'order' => 'order',
    ];
    private const BEFORE = ['Name', 'Kind', 'Question'];
    private const AFTER = ['Answer', 'Unit', 'Points', 'Objective', 'Tags', 'Difficulty', 'Hint', 'If right', 'If wrong'];

    private RowReading $reading;

    public function __construct()
    {
        $columns = Columns::ofHeadings(new Row(1, self::headings())) ?? throw new \LogicException('its own headings are known');
        $this->reading = new RowReading($columns, []);
    }

    /** @return list<string> */
    public static function headings(): array
    {
        $numbered = static fn (string $name): array => array_map(static fn (int $n): string => "$name $n", range(1, self::CHOICES));

        return [...self::BEFORE, ...$numbered('Choice'), ...self::AFTER, ...$numbered('Feedback')];
    }

    public static function headingRow(): string
    {
        return CsvText::row(self::headings());
    }

    /**
     * The row, or null where it would not be read as a question again.
     *
     * @param BankSettings|null $bank what its bank sets, for the points that count
     */
    public function row(Question $question, ?BankSettings $bank = null): ?string
    {
        $cells = $this->cells($question, $bank);

        return $cells === null || $this->again($cells) === null ? null : CsvText::row($cells);
    }

    /** @return list<string> what the row does not say of the question, as lines of the text format; all of it where there is no row */
    public function missing(Question $question): array
    {
        $cells = $this->cells($question);
        $again = $cells === null ? null : $this->again($cells);
        $lines = self::lines($question);

        return $again === null ? $lines : array_values(array_diff($lines, self::lines($again)));
    }

    /**
     * What a row is read as.
     *
     * @param list<string> $cells
     */
    private function again(array $cells): ?Question
    {
        $read = $this->reading->of(new Row(2, $cells), []);

        return $read instanceof Question ? $read : null;
    }

    /** @return list<string>|null */
    private function cells(Question $question, ?BankSettings $bank = null): ?array
    {
        $lines = $question->kind->toLines($question->stem);
        $opening = $lines[0];
        $lines = array_slice($lines, 1);
        $kind = self::KINDS[$opening->head] ?? null;
        if ($kind === null) {
            return null;
        }
        $texts = static fn (string ...$heads): array => array_values(
            array_map(
                static fn (Line $l): string => $l->text,
                array_filter($lines, static fn (Line $l): bool => in_array($l->head, $heads, true)),
            ),
        );
        $choices = array_values(array_filter($lines, static fn (Line $l): bool => in_array($l->head, ['yes', 'no'], true)));
        $cell = array_fill_keys(self::headings(), '');
        $keys = [];
        foreach ($choices as $i => $choice) {
            $cell['Choice ' . ($i + 1)] = $choice->text;
            $cell['Feedback ' . ($i + 1)] = $choice->child('says')->text ?? '';
            $keys = $choice->head === 'yes' ? [...$keys, chr(65 + $i)] : $keys;
        }
        $said = [
            'Name' => $question->name ?? '',
            'Kind' => $kind,
            'Question' => $question->stem,
            'Answer' => match ($kind) {
                'one', 'several' => implode(', ', $keys),
                'claim' => ucfirst($opening->head),
                'number' => str_replace(' within ', ' ± ', implode(' | ', $texts('answer'))),
                'text' => implode(' | ', $texts('answer')),
                'gaps' => self::gaps($lines),
                'pairs' => self::pairs($lines),
                default => implode("\n", $texts('item')),
            },
            'Objective' => implode(' > ', $question->objective),
            'Tags' => implode(', ', $question->tags),
            'Difficulty' => $question->difficulty === null ? '' : $question->difficulty->value,
            'Unit' => $question->settings->get(Setting::Unit) ?? '',
            'Points' => self::points($question, $bank),
            'Hint' => $question->hints === [] ? '' : $question->hints[0]->text,
        ];
        foreach ($question->outcomeTexts as $text) {
            if ($text->attempt === null && !$text->onLast) {
                $said['If ' . $text->outcome->value] = $text->text;
            }
        }

        return array_values(array_intersect_key([...$cell, ...$said], $cell));
    }

    /** Those that count; nothing where they are what counts anyway, or where nothing is earned. */
    private static function points(Question $question, ?BankSettings $bank): string
    {
        $own = $question->settings->get(Setting::Points);
        $worth = (string) MarkingPlan::of($question, $question->effective($bank))->max();

        return $own ?? (in_array($worth, ['0', Setting::Points->houseValue()], true) ? '' : $worth);
    }

    /** @param array<Line> $lines */
    private static function gaps(array $lines): string
    {
        $gaps = [];
        foreach ($lines as $line) {
            if (preg_match('/^gap (\d+)$/', $line->head, $m) === 1) {
                $gaps[(int) $m[1]][] = $line->text;
            }
        }
        ksort($gaps);

        return implode("\n", array_map(static fn (array $wordings): string => implode(' | ', $wordings), $gaps));
    }

    /** @param array<Line> $lines */
    private static function pairs(array $lines): string
    {
        $pairs = [];
        foreach ($lines as $line) {
            $pairs[] = $line->head === 'spare with' ? '= ' . $line->text : $line->text . ' = ' . ($line->child('with')->text ?? '');
        }

        return implode("\n", $pairs);
    }

    /** @return list<string> */
    private static function lines(Question $question): array
    {
        return array_values(
            array_filter(
                array_map(trim(...), explode("\n", (new Writer())->question($question))),
                static fn (string $line): bool => $line !== '',
            ),
        );
    }
}
