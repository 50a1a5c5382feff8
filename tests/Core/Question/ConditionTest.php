<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Question;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Exchange\TextFormat\Writer;
use Zetema\Core\Question\Feedback\Condition;
use Zetema\Core\Question\Feedback\Note;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Tests\Core\TextQuestions;

/** When extra notes are said: conditions joined by and, or, not. */
final class ConditionTest extends TestCase
{
    /** @return iterable<string, array{string, list<int>, Outcome, int, bool, bool}> head, chosen, outcome, attempt, last, said */
    public static function cases(): iterable
    {
        $cases = [
            ['chosen 2', [2], Outcome::Wrong, 1, false, true],
            ['chosen 2', [1], Outcome::Wrong, 1, false, false],
            ['not chosen 2', [1], Outcome::Wrong, 1, false, true],
            ['not chosen 2', [], Outcome::Unanswered, 1, false, true],
            ['not chosen 2', [1, 2], Outcome::Partly, 1, false, false],
            ['wrong', [1], Outcome::Wrong, 1, false, true],
            ['wrong', [1], Outcome::Right, 1, false, false],
            ['not right', [1], Outcome::Partly, 1, false, true],
            ['partly right', [1], Outcome::Partly, 2, false, true],
            ['unanswered', [], Outcome::Unanswered, 1, false, true],
            ['out of time', [1], Outcome::OutOfTime, 1, false, true],
            ['on attempt 2', [1], Outcome::Wrong, 2, false, true],
            ['on attempt 2', [1], Outcome::Wrong, 1, false, false],
            ['on the last attempt', [1], Outcome::Wrong, 3, true, true],
            ['on the last attempt', [1], Outcome::Wrong, 2, false, false],
            ['not on the last attempt', [1], Outcome::Wrong, 2, false, true],
            ['chosen 2 on attempt 1', [2], Outcome::Wrong, 1, false, true],
            ['chosen 2 on attempt 1', [2], Outcome::Wrong, 2, false, false],
            ['chosen 1 and chosen 3', [1, 3], Outcome::Partly, 1, false, true],
            ['chosen 1 and chosen 3', [1], Outcome::Partly, 1, false, false],
            ['chosen 1 or chosen 3', [3], Outcome::Wrong, 1, false, true],
            ['chosen 1 or chosen 3', [2], Outcome::Wrong, 1, false, false],
            ['wrong and not chosen 2 on attempt 1', [1], Outcome::Wrong, 1, false, true],
            ['wrong and not chosen 2 on attempt 1', [2], Outcome::Wrong, 1, false, false],
            ['chosen 1 and wrong or on the last attempt', [3], Outcome::Wrong, 2, true, true],
            ['chosen 1 and wrong or on the last attempt', [1], Outcome::Wrong, 1, false, true],
            ['chosen 1 and wrong or on the last attempt', [1], Outcome::Right, 1, false, false],
        ];
        foreach ($cases as $case) {
            yield sprintf('%s, %s, attempt %d: %s', $case[0], $case[2]->value, $case[3], $case[5] ? 'said' : 'not said') => $case;
        }
    }

    /** @param list<int> $chosen */
    #[DataProvider('cases')]
    public function test_a_note_is_said_when_its_conditions_are_met(string $head, array $chosen, Outcome $outcome, int $attempt, bool $last, bool $said): void
    {
        $question = TextQuestions::one("several: W?\n yes: a\n yes: b\n no: c\n note when $head: Hm.");
        $note = $question->notes[0];

        self::assertSame($said, $note->isDue($chosen, $outcome, $attempt, $last));
        self::assertSame($head, $note->inWords([1, 2, 3]), 'it is written as it was read');
        self::assertEquals($note, Note::fromData(Fields::of($note->toData()), [1, 2, 3]), 'and stored');
        self::assertStringContainsString("note when $head: Hm.", (new Writer())->question($question));
    }

    /** @return iterable<string, array{string, string}> a line, what is said about it */
    public static function refused(): iterable
    {
        yield 'no condition of ours' => ['note when the moon is full: Hm.', 'is no line of this format'];
        yield 'a choice that is not there' => ['note when chosen 9: Hm.', 'choice 9, which is not there'];
        yield 'a choice 0' => ['note when chosen 0: Hm.', 'count from 1'];
        yield 'a hanging and' => ['note when wrong and: Hm.', 'is no line of this format'];
    }

    #[DataProvider('refused')]
    public function test_other_conditions_are_told_at_their_line(string $line, string $words): void
    {
        $read = TextQuestions::all("one: W?\n yes: a\n no: b\n $line")[0];

        self::assertStringContainsString($words, implode(' ', array_map(static fn ($p): string => $p->message, $read->problems)));
    }

    public function test_notes_stored_in_the_older_form_are_read(): void
    {
        $note = Note::fromData(Fields::of(['choice' => 2, 'chosen' => false, 'text' => 'Hm.', 'attempt' => 1]), [1, 2]);

        self::assertSame('not chosen 2 on attempt 1', $note->inWords([1, 2]));
    }

    public function test_a_condition_speaks_of_one_thing(): void
    {
        $this->expectException(InvalidQuestion::class);
        Condition::fromData(Fields::of(['answer' => 1, 'attempt' => 2]), [1]);
    }

    public function test_a_note_needs_a_condition(): void
    {
        $this->expectException(InvalidQuestion::class);
        new Note([[]], 'Hm.');
    }
}
