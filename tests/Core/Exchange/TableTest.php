<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Aside;
use Zetema\Core\Exchange\Table\Mapping;
use Zetema\Core\Exchange\Table\TableSource;

final class TableTest extends TestCase
{
    private const READ = ['one: Who lays? / no: drone / yes: queen / no: worker'];

    /** @return iterable<string, array{string, list<string>}> */
    public static function choices(): iterable
    {
        yield 'letters as headings' => ["Question,A,B,C,Answer\nWho lays?,drone,queen,worker,B", self::READ];
        yield 'numbered headings' => ["Question Text;Option 1;Option 2;Option 3;Correct answer\nWho lays?;drone;queen;worker;2", self::READ];
        yield 'tabs' => ["stem\tanswer 1\tanswer 2\tanswer 3\tanswer\nWho lays?\tdrone\tqueen\tworker\tqueen", self::READ];
        yield 'rows above the headings' => ["Guild quiz,,,,\n\nPROMPT,choice-A,choice_b,Choice C,KEY:\nWho lays?,drone,queen,worker,b)", self::READ];
        yield 'all in one cell' => ["Question,Options,Key\nWho lays?,a) drone | b) queen | c) worker,B", self::READ];
        yield 'all in one cell, by lines' => ["Question,Choices,Key\nWho lays?,\"drone\nqueen\nworker\",queen", self::READ];
        yield 'marked' => ["Question,Choices\nWho lays?,drone; *queen; worker", self::READ];
        yield 'wrong answers apart' => ["Question,Answer,Wrong 1,Wrong 2\nWho lays?,queen,drone,worker", ['one: Who lays? / yes: queen / no: drone / no: worker']];
        yield 'several places' => ["Question,A,B,C,Key\nWho lays?,drone,queen,worker,\"1, 3\"", ['several: Who lays? / yes: drone / no: queen / yes: worker']];
        yield 'several texts' => ["Question,A,B,C,Key\nWho lays?,drone,queen,worker,drone; worker", ['several: Who lays? / yes: drone / no: queen / yes: worker']];
        yield 'a choice left out' => ["Question,A,B,C,Key\nWho lays?,drone,,worker,C", ['one: Who lays? / no: drone / yes: worker']];
        yield 'a kind' => [
            "Type,Question,A,B,Key\nsingle choice,Who lays?,drone,queen,B\nmultiple response,Who lays?,drone,queen,B",
            ['one: Who lays? / no: drone / yes: queen', 'several: Who lays? / no: drone / yes: queen'],
        ];
        yield 'place of one, text of another' => ["Question,A,B,C,Key\nHow many?,2,4,6,2", ['!2: text of another']];
        yield 'one with two keys' => ["Type,Question,A,B,C,Key\none,Who?,drone,queen,worker,AB", ['!2: names 2']];
        yield 'one choice' => ["Question,A,B,Key\nWho?,drone,,A", ['!2: at least two']];
        yield 'no key' => ["Question,A,B,Key\nWho?,drone,queen,", ['!2: key missing']];
        yield 'a letter that is not there' => ["Question,A,B,Key\nWho?,drone,queen,D", ['!2: no choice D']];
        yield 'a place that is not there' => ["Question,A,B,Key\nWho?,drone,queen,7", ['!2: no choice 7']];
        yield 'choices for a text' => ["Type,Question,A,B,Key\nshort text,Who?,drone,queen,B", ['!2: has no choices']];
        yield 'choose two' => ["Question,A,B,C,Key\nWho? (choose two),drone,queen,worker,BC", ['several: Who? (choose two) / choose: 2 / no: drone / yes: queen / yes: worker']];
        yield 'choose two, one key' => ["Question,A,B,C,Key\nWho? (choose two),drone,queen,worker,B", ['!2: asks for 2']];
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function others(): iterable
    {
        foreach (['True' => 'true', 'f' => 'false', 'FALSE' => 'false'] as $key => $read) {
            yield "a claim: $key" => ["Question,Answer\nIt stings.,$key", ["$read: It stings."]];
        }
        yield 'a claim with yes' => ["Kind,Question,Answer\nT/F,It stings.,no", ['false: It stings.']];
        yield 'a claim with choices' => ["Question,A,B,Answer\nIt stings.,True,False,B", ['false: It stings.']];
        yield 'a claim with another key' => ["Kind,Question,Answer\ntrue or false,It stings.,perhaps", ['!2: neither true nor false']];
        yield 'text' => ["Question,Answer\nWho?,queen | Weisel or mother", ['text: Who? / answer: queen / answer: Weisel / answer: mother']];
        yield 'a text that looks like a number' => ["Kind,Question,Answer\ntext,Which year?,1897", ['text: Which year? / answer: 1897']];
        yield 'gaps' => ["Question,Answer\nThe ____ lays and the ..... feed.,\"queen\nworkers / nurses\"", ['gaps: The ___ lays and the ___ feed. / gap 1: queen / gap 2: workers / gap 2: nurses']];
        yield 'too few for the gaps' => ["Question,Answer\nThe ___ and the ___.,queen", ['!2: 2 blanks']];
        yield 'number with tolerance and unit' => ["Question;Answer;Tolerance;Unit\nHow much?;14,5;0,5;kg", ['number: How much? / unit: kg / answer: 14.5 within 0.5']];
        yield 'number with a percentage' => ["Question,Answer,Within\nHow much?,250,2 %", ['number: How much? / answer: 250 within 2 %']];
        yield 'no tolerance' => ["Question,Answer,Within\nHow much?,250,a bit", ['!2: no tolerance']];
        yield 'no number' => ["Type,Question,Answer\nnumeric,How much?,plenty", ['!2: is no number']];
        yield 'pairs in the key' => ["Type,Question,Key\nmatching,Match.,\"nurse = feeds\nguard -> stings\n= sleeps\"", ['pairs: Match. / pair: nurse / with: feeds / pair: guard / with: stings / spare with: sleeps']];
        yield 'pairs in columns' => ["Type,Question,Choice 1,Choice 2\nmatch,Match.,nurse → feeds,guard = stings", ['pairs: Match. / pair: nurse / with: feeds / pair: guard / with: stings']];
        yield 'no pair' => ["Type,Question,Key\nmatching,Match.,nurse feeds", ['!2: is no pair']];
        yield 'an order by its key' => ["Type,Question,Key\nordering,In order.,smoker; lid; frame", ['order: In order. / item: smoker / item: lid / item: frame']];
        yield 'an order of choices' => ["Type,Question,A,B,C,Key\nsequence,In order.,lid,smoker,frame,\"B, A, C\"", ['order: In order. / item: smoker / item: lid / item: frame']];
        yield 'an order without key' => ["Type,Question,A,B,C,Key\nsequence,In order.,lid,smoker,frame,", ['!2: key missing']];
        yield 'an order that leaves one out' => ["Type,Question,A,B,C,Key\nsequence,In order.,lid,smoker,frame,\"B, A\"", ['!2: names each item once']];
        yield 'no kind' => ["Type,Question,Key\nriddle,Who?,she", ['!2: is no kind']];

        yield 'all the rest' => [
            "Question,Answer,Points,Topic,Subtopic,Tags,Difficulty,Hint,Id,If right,Feedback wrong\nWho?,she,\"2,5\",Queens,Laying,a; b,Easy,Look.,q 1,Well.,No.",
            ['objective: Queens > Laying / text: Who? / name: q 1 / tags: a, b / difficulty: easy / points: 2.5 / answer: she / hint: Look. / if right: Well. / if wrong: No.'],
        ];
        yield 'feedback of a choice' => [
            "Question,A,B,Answer,Feedback A,Option B feedback,Explanation\nWho?,he,she,B,Not he.,She.,So it is.",
            ['one: Who? / no: he / says: Not he. / yes: she / says: She. / if right: So it is. / if wrong: So it is.'],
        ];
        yield 'feedback by letters in one cell' => ["Question,A,B,Answer,Feedback\nWho?,he,she,B,\"A: Not he.\nB) She.\"", ['one: Who? / no: he / says: Not he. / yes: she / says: She.']];
        yield 'no points' => ["Question,Answer,Points\nWho?,she,many", ['!2: are no points']];
        yield 'no difficulty' => ["Question,Answer,Difficulty\nWho?,she,tricky", ['!2: no difficulty']];
        yield 'a name twice' => ["Question,Answer,Name\nWho?,she,q\nWhat?,it,q", ['text: Who? / name: q / answer: she', '!3: names are unique']];
        yield 'no stem' => ["Question,Answer,Points\n,she,2", ['!2: stem is missing']];
        yield 'two problems of a row' => ["Kind,Question,Answer\nriddle,,she", ['!2: stem is missing', '!2: is no kind']];

        yield 'no headings' => ["Who?,she\nWhat?,it", ['!1: no row has headings']];
        yield 'nothing below them' => ["\nQuestion,Answer\n\n", ['!2: nothing stands below']];
        yield 'the same meaning twice' => ["Question,Answer,Stem\nWho?,she,What?", ['!1: means the same']];
        yield 'a cell too many' => ["Question,Answer\nWho, then?,she", ['!2: beyond the last heading']];
        yield 'a quote that never closes' => ["Question,Answer\nWho?,she\n\"What?,it\nWhere?,there", ['text: Who? / answer: she', '!3: never closes']];
        yield 'quotes within quotes' => ["Question,Answer\n\"Who is the \"\"old one\"\"?\",she", ['text: Who is the "old one"? / answer: she']];
        yield 'a formula is a text' => ["Question,Answer\nWho?,=1+1", ['text: Who? / answer: =1+1']];
        yield 'a control character' => ["Question,Answer\nWho?,sh\x07e", ['!2: control character']];
        yield 'a long cell' => ["Question,Answer\n" . str_repeat('w', 100_001) . ',she', ['!2: more than 100,000 characters']];
        yield 'another encoding' => ["Question,Answer\nWer?,K\xF6nigin", ['text: Wer? / answer: Königin']];
        yield 'two bytes a character' => ["\xFF\xFE" . mb_convert_encoding("Question,Answer\r\nWer?,Königin", 'UTF-16LE', 'UTF-8'), ['text: Wer? / answer: Königin']];
        yield 'other line ends' => ["Question,Answer\rWho?,she\r\nWhat?,it", ['text: Who? / answer: she', 'text: What? / answer: it']];
    }

    /** @param list<string> $read */
    #[DataProvider('choices')]
    #[DataProvider('others')]
    public function test_tables_are_read(string $table, array $read): void
    {
        $off = ReadOff::of(TableSource::ofText($table));

        self::assertTrue(ReadOff::fits($off, $read), implode("\n", $off));
        foreach (TableSource::ofText($table)->questions() as $found) {
            self::assertTrue($found->question === null || $found->why !== '', 'it says how kind and key were recognised');
        }
    }

    public function test_a_problem_names_row_column_and_heading_and_the_row_is_kept_as_it_stands(): void
    {
        $source = TableSource::ofText("Guild\nQuestion,Note,Answer,Points\n\"Who\nlays?\",x,she,many\n\nWhat?,y,it,1");
        $found = iterator_to_array($source->questions(), false);

        self::assertSame(['line' => 3, 'column' => 4, 'message' => '“many” are no points; a number from 0.01 to 1,000 would be right', 'heading' => 'Points'], $found[0]->problems[0]->toData());
        self::assertSame("Question: Who\nlays?\nNote: x\nAnswer: she\nPoints: many", $found[0]->kept);
        self::assertSame(5, $found[1]->fromLine, 'a line break in quotes is no row, an empty one is');
        self::assertSame([['Note'], ['Guild']], [$source->report()->unread, array_map(static fn (Aside $a): string => $a->text, $source->report()->aside)]);
    }

    public function test_columns_beyond_two_hundred_are_counted(): void
    {
        $source = TableSource::ofText('Question,Answer' . str_repeat(',Answer', 250) . "\nWho?,she");
        iterator_to_array($source->questions(), false);

        self::assertSame('52', $source->report()->unread[count($source->report()->unread) - 1]);
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>}> */
    public static function mappings(): iterable
    {
        yield 'by headings' => [['columns' => ['stem' => 'Wording', 'key' => 'Reply', 'choices' => ['One', 'Two']]], ['one: Who? / no: he / yes: she']];
        yield 'by places' => [['headings' => 2, 'columns' => ['stem' => 1, 'key' => 4, 'choices' => [2, 3], 'feedback' => 'Note']], ['one: Who? / no: he / yes: she / if right: So. / if wrong: So.']];
        yield 'with what fills empty cells' => [
            ['columns' => ['stem' => 'Wording', 'key' => 'Reply', 'choices' => ['One', 'Two']], 'every' => ['points' => '2', 'objective' => 'Signals']],
            ['objective: Signals / one: Who? / points: 2 / no: he / yes: she'],
        ];
        yield 'all choices in one column' => [['columns' => ['stem' => 'Wording', 'key' => 'Reply', 'choices' => 'One']], ['!3: at least two']];
        yield 'a choice that no column holds' => [['columns' => ['stem' => 'Wording', 'key' => 'Reply', 'choices' => [null, 'One', 'Two']]], ['one: Who? / yes: he / no: she']];
        yield 'without headings' => [['headings' => 0, 'columns' => ['stem' => 1, 'key' => 5]], ['text: Guild words / answer: ok', 'text: Wording / answer: Note', 'text: Who? / answer: So.']];
        yield 'a heading that is not there' => [['columns' => ['stem' => 'Wording', 'key' => 'Solution']], ['!2: no heading “Solution”']];
    }

    /**
     * @param array<string, mixed> $mapping
     * @param list<string> $read
     */
    #[DataProvider('mappings')]
    public function test_columns_are_mapped_by_hand(array $mapping, array $read): void
    {
        $off = ReadOff::of(TableSource::ofText("Guild words,,,,ok\nWording,One,Two,Reply,Note\nWho?,he,she,B,So.", mapping: Mapping::of(Fields::of($mapping))));

        self::assertTrue(ReadOff::fits($off, $read), implode("\n", $off));
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function noMappings(): iterable
    {
        yield 'another part' => [['rows' => 3]];
        yield 'another meaning' => [['columns' => ['riddle' => 1]]];
        yield 'a place below 1' => [['columns' => ['stem' => 0]]];
        yield 'two columns for a stem' => [['columns' => ['stem' => [1, 2]]]];
        yield 'a row below 0' => [['headings' => -1]];
        yield 'what fills nothing' => [['every' => ['riddle' => 'x']]];
    }

    /** @param array<string, mixed> $mapping */
    #[DataProvider('noMappings')]
    public function test_what_is_no_mapping_is_refused(array $mapping): void
    {
        $this->expectException(Malformed::class);
        Mapping::of(Fields::of($mapping));
    }
}
