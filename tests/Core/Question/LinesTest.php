<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Question;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Marking\Feedback\FeedbackChooser;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Lines;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Response\Response;
use Zetema\Tests\Core\TextQuestions;

/** What is kept about a line stays with it, wherever it is moved and whatever comes or goes beside it. */
final class LinesTest extends TestCase
{
    private const PICTURE = " image: hive.svg\n  size: 100 100\n  shows: a hive\n";

    /** @return iterable<string, array{string, string, string}> text, where its lines are stored, the word for a line */
    public static function kinds(): iterable
    {
        yield 'one' => ["one: Which of these?\n yes: a\n no: b\n no: c", 'choices', 'answer'];
        yield 'several' => ["several: Which of these?\n yes: a\n yes: b\n no: c", 'choices', 'answer'];
        yield 'text' => ["text: Which word?\n answer: a\n answer 50 %: b\n pattern: c*", 'wordings', 'answer'];
        yield 'number' => ["number: How many?\n answer: 1\n answer 50 %: 2\n answer 20 %: 3", 'spans', 'answer'];
        yield 'pairs' => ["pairs: Which goes with which?\n pair: a\n  with: x\n pair: b\n  with: y\n pair: c\n  with: z", 'pairs', 'pair'];
        yield 'gaps' => ["gaps: ___ and ___ and ___.\n gap 1: a\n gap 2: b\n gap 3: c", 'gaps', 'gap'];
        yield 'groups' => ["groups: Where does it belong?\n group: G\n  item: a\n  item: b\n  item: c\n group: H\n  item: d", 'items', 'item'];
        yield 'order' => ["order: In which order?\n item: a\n item: b\n item: c", 'items', 'item'];
        yield 'regions' => ["regions: Where?\n" . self::PICTURE . " area yes: rectangle 0 0 9 9\n area no: rectangle 20 20 29 29\n area no: rectangle 40 40 49 49", 'regions', 'area'];
    }

    #[DataProvider('kinds')]
    public function test_a_line_is_the_same_line_wherever_it_stands(string $text, string $list, string $word): void
    {
        $question = TextQuestions::one($text);
        $data = self::withIds($question->toData(), $list);
        $lines = Lines::of(Question::fromData(Fields::of($data)));
        $second = $lines->at("$word 2");
        $rows = $data[$list];
        self::assertIsArray($rows);

        $moved = self::changed($data, $list, [$rows[1], $rows[0], ...array_slice($rows, 2)]);
        self::assertSame(["$word 1", $second], [$moved->place($second), $moved->at("$word 1")], 'moved up');
        $dropped = self::changed($data, $list, array_slice($rows, 1));
        self::assertSame("$word 1", $dropped->place($second), 'the one before it was taken out');
        self::assertNull($dropped->place($lines->at("$word 1")), 'what was taken out is nowhere');
    }

    public function test_every_kind_with_lines_names_them(): void
    {
        $kinds = array_unique([...array_map(static fn (array $case): string => explode(':', $case[0])[0], iterator_to_array(self::kinds())), 'claim', 'place', 'rating']);
        sort($kinds);
        $all = array_map(static fn (KindId $kind): string => $kind->value, KindId::cases());
        sort($all);

        self::assertSame($all, $kinds, 'a claim has its order from the question itself');
        self::assertSame('gap:2', Lines::of(TextQuestions::one("gaps: A ___ and a ___.\n gap 1: x\n gap 2: y"))->at('gap 2'));
        self::assertSame('hint:1', Lines::of(TextQuestions::one("true: A claim of ours.\n hint: Think."))->at('hint 1'));
        self::assertSame('stem', Lines::of(TextQuestions::one('true: A claim of ours.'))->at('stem'));
    }

    public function test_a_text_about_lines_speaks_of_the_same_ones(): void
    {
        $data = self::withIds(TextQuestions::one("one: Which of these?\n yes: a\n no: b\n no: c")->toData(), 'choices');
        $lines = Lines::of(Question::fromData(Fields::of($data)));

        self::assertSame('It says the same as answer:30; answer 9 is none, and answers 2 are not meant.', $lines->inText('It says the same as answer 3; answer 9 is none, and answers 2 are not meant.'));
    }

    public function test_a_note_speaks_of_its_answer_wherever_that_is_moved(): void
    {
        $data = TextQuestions::one("one: Which of these?\n yes: a\n no: b\n no: c\n note when chosen 2: Said to b.")->toData();
        $choices = $data['choices'];
        self::assertIsArray($choices);
        foreach ([$choices, array_reverse($choices), [$choices[1], $choices[0], ['id' => 9, 'text' => 'new', 'key' => false], $choices[2]]] as $order) {
            $question = Question::fromData(Fields::of([...$data, 'choices' => $order]));
            foreach ($question->kind->choices() as $choice) {
                $response = Response::choosing([$choice->id]);
                $plan = MarkingPlan::of($question, $question->effective());
                $said = (new FeedbackChooser())->texts($question, $plan, $response, (new Marker())->mark($plan, $response), 1, isLast: false);
                self::assertSame($choice->text === 'b', in_array('Said to b.', $said, true), $choice->text);
            }
        }
    }

    /** @return iterable<string, array{array<string, mixed>}> a note as it was stored */
    public static function storedNotes(): iterable
    {
        yield 'by number' => [['when' => [[['choice' => 2]]], 'text' => 'N']];
        yield 'by number, and one attempt' => [['choice' => 2, 'chosen' => true, 'text' => 'N']];
        yield 'by id' => [['when' => [[['answer' => 20]]], 'text' => 'N']];
    }

    /** @param array<string, mixed> $note */
    #[DataProvider('storedNotes')]
    public function test_notes_of_every_form_that_was_stored_are_read(array $note): void
    {
        $data = self::withIds(TextQuestions::one("one: Which of these?\n yes: a\n no: b\n no: c")->toData(), 'choices');

        self::assertSame([20], Question::fromData(Fields::of([...$data, 'notes' => [$note]]))->notes[0]->answers());
    }

    /**
     * Ids that are no places.
     *
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed>
     */
    private static function withIds(array $data, string $list): array
    {
        $rows = [];
        foreach (is_array($data[$list]) ? array_values($data[$list]) : [] as $i => $row) {
            $rows[] = [...(array) $row, 'id' => 10 * ($i + 1)];
        }

        return [...$data, $list => $rows];
    }

    /**
     * @param array<string, mixed> $data
     * @param array<mixed> $rows
     */
    private static function changed(array $data, string $list, array $rows): Lines
    {
        return Lines::of(Question::fromData(Fields::of([...$data, $list => array_values($rows)]), verified: true));
    }
}
