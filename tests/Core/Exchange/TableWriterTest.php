<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Exchange\Found;
use Zetema\Core\Exchange\Table\TableSource;
use Zetema\Core\Exchange\Table\TableWriter;
use Zetema\Core\Exchange\TextFormat\Writer;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Tests\Core\TextQuestions;

final class TableWriterTest extends TestCase
{
    public function test_what_is_not_told_as_missing_of_the_demo_bank_is_read_again_the_same(): void
    {
        $writer = new TableWriter();
        $table = TableWriter::headingRow();
        $written = [];
        foreach (self::demo() as $question) {
            $row = $writer->row($question);
            if ($row !== null) {
                $table .= $row;
                $written[] = $question;
            }
        }
        $read = iterator_to_array(TableSource::ofText($table)->questions(), false);
        self::assertCount(count($written), $read);
        self::assertGreaterThan(60, count($read));
        foreach ($written as $i => $question) {
            self::assertNotNull($read[$i]->question, implode('; ', array_map(static fn ($p): string => $p->message, $read[$i]->problems)));
            self::assertSame(array_values(array_diff(self::lines($question), $writer->missing($question))), array_values(array_intersect(self::lines($read[$i]->question), self::lines($question))), $question->stem);
        }
    }

    public function test_the_points_that_count_stand_in_the_row(): void
    {
        $bank = BankSettings::fromData(Fields::of(['settings' => ['points' => '4']]));
        $points = static fn (string $text): string => explode(',', (string) (new TableWriter())->row(TextQuestions::one($text), $bank))[15] ?? '';

        self::assertSame(['4', '3', ''], array_map($points, ["text: Who?\n answer: she", "text: Who?\n answer: she\n points: 3", "text: Who?\n key: none"]));
    }

    /** @return iterable<string, array{string, list<string>}> a question, and what a row cannot say of it */
    public static function questions(): iterable
    {
        yield 'one' => ["one: Who?\n name: q 1\n points: 2.5\n no: he\n  says: Not he.\n yes: she\n hint: Look.\n if right: So.\n if wrong: No.", []];
        yield 'a claim' => ["false: It stings.\n difficulty: hard\n tags: a, b", []];
        yield 'a number' => ["number: How much?\n unit: kg\n answer: 14.5 within 0.5", []];
        yield 'gaps' => ["gaps: The ___ and the ___.\n gap 1: queen\n gap 1: mother\n gap 2: drone", []];
        yield 'pairs' => ["pairs: Match.\n pair: nurse\n  with: feeds\n pair: guard\n  with: stings\n spare with: sleeps", []];
        yield 'an order' => ["order: In order.\n item: smoker\n item: lid\n item: frame", []];
        yield 'a text that would be a formula' => ["text: =1+1 is?\n answer: =2", []];
        yield 'settings that have no column' => ["one: Who?\n yes: she\n no: he\n attempts: 2\n shuffle: yes", ['attempts: 2', 'shuffle: yes']];
        yield 'a second hint' => ["text: Who?\n answer: she\n hint: Look.\n hint: Look again.", ['hint: Look again.']];
        yield 'a kind that stands in no row' => ["rating: How sure?\n scale: 1 to 5", ['rating: How sure?', 'scale: 1 to 5']];
        yield 'a wording that would be cut' => ["text: Who?\n answer: she or he", ['answer: she or he']];
    }

    /** @param list<string> $missing */
    #[DataProvider('questions')]
    public function test_what_a_row_cannot_say_is_told(string $text, array $missing): void
    {
        self::assertSame($missing, (new TableWriter())->missing(TextQuestions::one($text)));
    }

    public function test_nothing_runs_in_a_spreadsheet(): void
    {
        foreach (['=1+1', '+A1', '-A1', '@SUM(A1)'] as $formula) {
            $row = (new TableWriter())->row(TextQuestions::one("text: $formula\n answer: $formula\n tags: $formula")) ?? '';

            self::assertDoesNotMatchRegularExpression('/(?:^|,)"?[=+\-@]/', $row);
        }
    }

    /** @return list<Question> */
    private static function demo(): array
    {
        $found = TextQuestions::all((string) file_get_contents(dirname(__DIR__, 3) . '/demo/certificate.zet.txt'));

        return array_values(array_filter(array_map(static fn (Found $read): ?Question => $read->question, $found)));
    }

    /** @return list<string> */
    private static function lines(Question $question): array
    {
        return array_values(array_filter(array_map(trim(...), explode("\n", (new Writer())->question($question))), static fn (string $line): bool => $line !== ''));
    }
}
