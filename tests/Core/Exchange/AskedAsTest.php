<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Exchange\AskedAs;
use Zetema\Core\Exchange\Encoding;
use Zetema\Core\Exchange\Found;
use Zetema\Core\Exchange\Source;
use Zetema\Core\Exchange\Table\TableSource;
use Zetema\Core\Exchange\TextFormat\TextSource;
use Zetema\Core\Exchange\TypedPaper\PaperSource;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Kinds\KindId;

/** Questions that only look like a kind can be asked as another; what says its kind, or cannot be the other, stays. */
final class AskedAsTest extends TestCase
{
    private static function paper(string $text): Source
    {
        return new PaperSource($text, Encoding::Utf8, false);
    }

    /** @return iterable<string, array{Source, KindId, list<string>}> source, kind wanted, kinds and keys that come out */
    public static function sources(): iterable
    {
        $choices = "1. Which of these give nectar in October?\n\na) Hazel\nb) Ivy *\nc) Willow\n";
        yield 'one as several' => [self::paper($choices), KindId::Several, ['several: Ivy']];
        yield 'one as it is' => [self::paper($choices), KindId::One, ['one: Ivy']];
        yield 'one as a number stays' => [self::paper($choices), KindId::Number, ['one: Ivy']];
        yield 'several keys of one: each scores' => [self::paper(str_replace('Hazel', 'Hazel *', $choices)), KindId::One, ['one: Hazel, Ivy']];
        yield 'a claim has no choices to be several' => [self::paper("1. A drone can sting.\nTrue / False\nAnswer: False\n"), KindId::Several, ['claim: false']];
        yield 'a table without kinds' => [TableSource::ofLines("question,a,b,key\nWhich?,Ivy,Hazel,a\n"), KindId::Several, ['several: Ivy']];
        yield 'a table that says its kind' => [TableSource::ofLines("question,kind,a,b,key\nWhich?,one,Ivy,Hazel,a\n"), KindId::Several, ['one: Ivy']];
        yield 'a table that says it has choices' => [TableSource::ofLines("question,kind,a,b,key\nWhich?,multiple choice,Ivy,Hazel,a\n"), KindId::Several, ['several: Ivy']];
        yield 'a number as text' => [TableSource::ofLines("question,key\nHow many legs has a bee?,6\n"), KindId::Text, ['text: 6']];
        yield 'words are no number' => [TableSource::ofLines("question,key\nWho lays the eggs?,the queen\n"), KindId::Number, ['text: the queen']];
        yield 'our own text says its kinds' => [new TextSource("one: Which?\n  yes: Ivy\n  no: Hazel\n"), KindId::Several, ['one: Ivy']];
    }

    /** @param list<string> $expected */
    #[DataProvider('sources')]
    public function test_it_is_asked_as_another_kind_where_it_can_be(Source $source, KindId $kind, array $expected): void
    {
        $found = iterator_to_array((new AskedAs($source, $kind))->questions(), false);
        $told = array_map(
            static fn (Found $f): string => $f->question === null
                ? json_encode($f->problems, JSON_THROW_ON_ERROR)
                : $f->question->kind::id()->value .
                    ': ' .
                    implode(
                        ', ',
                        $f->question->kind->choices() === []
                            ? AnswerLine::texts($f->question->kind->keyInWords())
                            : array_map(static fn ($c): string => $c->text, array_filter($f->question->kind->choices(), static fn ($c): bool => $c->isKey)),
                    ),
            $found,
        );
        self::assertSame($expected, $told);
    }

    public function test_why_says_that_it_was_chosen_and_all_else_stays(): void
    {
        $text = "Feeding\n\n1. Which of these give nectar in October? (2 points)\n\na) Hazel\nb) Ivy *\n";
        [$plain] = iterator_to_array(self::paper($text)->questions(), false);
        [$asked] = iterator_to_array((new AskedAs(self::paper($text), KindId::Several))->questions(), false);
        self::assertStringEndsWith('asked as several, as was chosen', $asked->why);
        self::assertSame(
            [$plain->fromLine, $plain->toLine, $plain->question?->stem, $plain->question?->objective, $plain->question?->settings->values],
            [$asked->fromLine, $asked->toLine, $asked->question?->stem, $asked->question?->objective, $asked->question?->settings->values],
        );
    }
}
