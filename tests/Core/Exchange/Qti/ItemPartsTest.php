<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange\Qti;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Items with parts: gaps, pairs, groups, orders, areas, labels; and interactions that have no counterpart. */
final class ItemPartsTest extends TestCase
{
    private const HUT = '<object type="image/png" data="img/hut.png" width="64" height="48">A hut</object>';
    private const IMAGE = ['image: img/hut.png', 'size: 64 48', 'shows: A hut'];

    private static function add(string $condition, string $worth = '1'): string
    {
        return Items::when([$condition => Items::set('<sum><variable identifier="SCORE"/>' . Items::number($worth) . '</sum>')]);
    }

    /** @return iterable<string, array{string, list<string>, 2?: list<string>, 3?: list<string>}> item, lines of the text format, what has no counterpart, problems */
    public static function gaps(): iterable
    {
        $body =
            '<itemBody><p>Cold air flows <inlineChoiceInteraction responseIdentifier="R1" shuffle="true"><inlineChoice identifier="d">down</inlineChoice><inlineChoice identifier="u">up</inlineChoice></inlineChoiceInteraction> at night, towards the <textEntryInteraction responseIdentifier="R2"/>.</p></itemBody>';
        $both = Items::response('d', identifier: 'R1') . Items::response('hut', type: 'string', identifier: 'R2');
        $lines = ['gaps: Cold air flows ___ at night, towards the ___.', 'ignore: nothing', 'gap 1 yes: down', 'gap 1 no: up', 'gap 2: hut'];
        yield 'all gaps together' => [Items::xml($both . $body . Items::rules(Items::when(['<and>' . Items::right('R1') . Items::right('R2') . '</and>' => Items::set(Items::number('1'))]))), $lines];
        yield 'each gap a part' => [Items::xml($both . $body . Items::rules(self::add(Items::right('R1')), self::add(Items::right('R2')))), [$lines[0], 'points: 2', 'marking: parts', ...array_slice($lines, 1)]];
        yield 'each gap its own points' => [
            Items::xml($both . $body . Items::rules(self::add(Items::right('R1'), '3'), self::add(Items::right('R2')))),
            [$lines[0], 'marking: weighed', 'ignore: nothing', 'gap 1 yes: down', 'earns: 3', 'gap 1 no: up', 'gap 2: hut', 'earns: 1'],
        ];
        $words = Items::response(
            '',
            type: 'string',
            more: '<mapping defaultValue="0"><mapEntry mapKey="queen" mappedValue="2" caseSensitive="false"/><mapEntry mapKey="a queen" mappedValue="1" caseSensitive="false"/></mapping>',
            identifier: 'R2',
        );
        yield 'wordings of a gap with shares' => [
            Items::xml(
                Items::response('one', type: 'string', more: '<mapping defaultValue="0"><mapEntry mapKey="one" mappedValue="2" caseSensitive="false"/></mapping>', identifier: 'R1') .
                    $words .
                    '<itemBody><p>A colony has <textEntryInteraction responseIdentifier="R1"/> <textEntryInteraction responseIdentifier="R2"/>.</p></itemBody>',
            ),
            ['gaps: A colony has ___ ___.', 'points: 4', 'marking: parts', 'gap 1: one', 'gap 2: queen', 'gap 2 50 %: a queen'],
        ];
        yield 'one field amid words is a gap' => [
            Items::xml(Items::response('queen', type: 'string', identifier: 'R1') . '<itemBody><p>A colony has one <textEntryInteraction responseIdentifier="R1"/>.</p></itemBody>'),
            ['gaps: A colony has one ___.', 'ignore: nothing', 'gap 1: queen'],
        ];
        yield 'a number in one of several gaps' => [
            Items::xml(Items::response('d', identifier: 'R1') . Items::response('12', type: 'integer', identifier: 'R2') . $body),
            ['gaps: Cold air flows ___ at night, towards the ___.', 'gap 1 yes: down', 'gap 1 no: up', 'gap 2: 12'],
            ['textEntryInteraction'],
        ];
        yield 'a gap without a key' => [Items::xml(Items::response('', identifier: 'R1') . Items::response('hut', type: 'string', identifier: 'R2') . $body), [], ['gap']];
        $match =
            '<itemBody><gapMatchInteraction responseIdentifier="RESPONSE" shuffle="true"><gapText identifier="W1" matchMax="1">handler</gapText><gapText identifier="W2" matchMax="1">dog</gapText><p>The <gap identifier="G1"/> finds, the <gap identifier="G2"/> marks.</p></gapMatchInteraction></itemBody>';
        $matched = ['gap 1 no: handler', 'gap 1 yes: dog', 'gap 2 yes: handler', 'gap 2 no: dog'];
        yield 'words put into gaps' => [Items::xml(Items::response('W2 G1|W1 G2', 'multiple', 'directedPair') . $match . Items::template('match_correct')), ['gaps: The ___ finds, the ___ marks.', ...$matched]];
        yield 'words put into gaps, each a part' => [
            Items::xml(Items::response('W2 G1|W1 G2', 'multiple', 'directedPair', Items::mapping(['W2 G1' => '1', 'W1 G2' => '1'])) . $match . Items::template('map_response')),
            ['gaps: The ___ finds, the ___ marks.', 'points: 2', 'marking: parts', ...$matched],
        ];
        yield 'words put into gaps, one of which takes none' => [Items::xml(Items::response('W2 G1', 'multiple', 'directedPair') . $match), [], ['gap']];
    }

    private static function sets(string $left, string $right, int $leftMost, int $rightMost, string $attributes = 'maxAssociations="0"'): string
    {
        $set = static fn (string $ids, int $most): string => '<simpleMatchSet>' .
            implode('', array_map(static fn (string $id): string => "<simpleAssociableChoice identifier=\"$id\" matchMax=\"$most\">Thing $id</simpleAssociableChoice>", str_split($ids))) .
            '</simpleMatchSet>';

        return "<itemBody><matchInteraction responseIdentifier=\"RESPONSE\" shuffle=\"true\" $attributes><prompt>What goes where?</prompt>" .
            $set($left, $leftMost) .
            $set($right, $rightMost) .
            '</matchInteraction></itemBody>';
    }

    /** @return iterable<string, array{string, list<string>, 2?: list<string>, 3?: list<string>}> */
    public static function pairings(): iterable
    {
        $pairs = static fn (string $correct, string $body, string $mapping = '', string $type = 'directedPair'): string => Items::xml(
            Items::response($correct, 'multiple', $type, $mapping) . $body . Items::template($mapping === '' ? 'match_correct' : 'map_response'),
        );
        yield 'pairs' => [$pairs('A Y|B X', self::sets('AB', 'XYZ', 1, 1)), ['pairs: What goes where?', 'pair: Thing A', 'with: Thing Y', 'pair: Thing B', 'with: Thing X', 'spare with: Thing Z']];
        yield 'pairs, each a part' => [
            $pairs('A X|B Y', self::sets('AB', 'XY', 1, 1), Items::mapping(['A X' => '1', 'B Y' => '1'])),
            ['pairs: What goes where?', 'points: 2', 'marking: parts', 'pair: Thing A', 'with: Thing X', 'pair: Thing B', 'with: Thing Y'],
        ];
        yield 'pairs, each its own points' => [
            $pairs('A X|B Y', self::sets('AB', 'XYZ', 1, 1), Items::mapping(['A X' => '1', 'B Y' => '2'], 'defaultValue="-1"')),
            ['pairs: What goes where?', 'marking: weighed', 'pair: Thing A', 'with: Thing X', 'earns: 1', 'loses: 1', 'pair: Thing B', 'with: Thing Y', 'earns: 2', 'loses: 1', 'spare with: Thing Z'],
        ];
        yield 'a left that belongs nowhere makes them groups' => [
            $pairs('A X|B Y', self::sets('ABC', 'XY', 1, 1)),
            ['groups: What goes where?', 'group: Thing X', 'item: Thing A', 'group: Thing Y', 'item: Thing B', 'spare item: Thing C'],
        ];
        yield 'groups on the right' => [
            $pairs('A X|B Y|C X', self::sets('ABCD', 'XY', 1, 0)),
            ['groups: What goes where?', 'group: Thing X', 'item: Thing A', 'item: Thing C', 'group: Thing Y', 'item: Thing B', 'spare item: Thing D'],
        ];
        yield 'groups on the left' => [$pairs('A X|B Y|A Z', self::sets('AB', 'XYZ', 0, 1)), ['groups: What goes where?', 'group: Thing A', 'item: Thing X', 'item: Thing Z', 'group: Thing B', 'item: Thing Y']];
        yield 'groups, a wrong one costs' => [
            $pairs('A X|B Y|C X', self::sets('ABC', 'XY', 1, 0), Items::mapping(['A X' => '1', 'B Y' => '1', 'C X' => '1'], 'lowerBound="0" defaultValue="-1"')),
            ['groups: What goes where?', 'points: 3', 'marking: parts', 'wrong part costs: 1', 'group: Thing X', 'item: Thing A', 'item: Thing C', 'group: Thing Y', 'item: Thing B'],
        ];
        yield 'a wrong pair with points of its own' => [
            $pairs('A X|B Y', self::sets('AB', 'XYZ', 1, 1), Items::mapping(['A X' => '2', 'B Y' => '2', 'A Z' => '1'])),
            ['pairs: What goes where?', 'points: 4', 'marking: parts', 'pair: Thing A', 'with: Thing X', 'pair: Thing B', 'with: Thing Y', 'spare with: Thing Z'],
            ['mapEntry'],
        ];
        yield 'many to many' => [$pairs('A X|A Y|B X', self::sets('AB', 'XY', 0, 0)), [], ['matchInteraction']];
        $associate =
            '<itemBody><associateInteraction responseIdentifier="RESPONSE" shuffle="true" maxAssociations="2"><prompt>Who knows whom?</prompt>' .
            implode('', array_map(static fn (string $id): string => "<simpleAssociableChoice identifier=\"$id\" matchMax=\"1\">Bee $id</simpleAssociableChoice>", str_split('ABCDE'))) .
            '</associateInteraction></itemBody>';
        yield 'associations: what is written first is left' => [$pairs('C A|B D', $associate, type: 'pair'), ['pairs: Who knows whom?', 'pair: Bee B', 'with: Bee D', 'pair: Bee C', 'with: Bee A', 'spare with: Bee E']];
        yield 'one in two associations' => [$pairs('C A|C D', $associate, type: 'pair'), [], ['associateInteraction']];

        $order = static fn (string $correct, string $rules, string $attributes = ''): string => Items::xml(
            Items::response($correct, 'ordered') .
                "<itemBody><orderInteraction responseIdentifier=\"RESPONSE\" shuffle=\"true\" $attributes><prompt>In which order?</prompt><simpleChoice identifier=\"B\">Lid</simpleChoice><simpleChoice identifier=\"A\">Smoke</simpleChoice><simpleChoice identifier=\"C\">Frame</simpleChoice></orderInteraction></itemBody>" .
                $rules,
        );
        $items = ['item: Smoke', 'item: Lid', 'item: Frame'];
        $at = static fn (int $n, string $id): string => "<match><index n=\"$n\"><variable identifier=\"RESPONSE\"/></index>" . Items::number($id, 'identifier') . '</match>';
        $next = static fn (string $a, string $b): string => '<contains><variable identifier="RESPONSE"/><ordered>' . Items::number($a, 'identifier') . Items::number($b, 'identifier') . '</ordered></contains>';
        yield 'an order as a whole' => [$order('A|B|C', Items::template('match_correct')), ['order: In which order?', ...$items]];
        yield 'an order by places' => [
            $order('A|B|C', Items::rules(self::add($at(1, 'A')), self::add($at(2, 'B')), self::add($at(3, 'C')))),
            ['order: In which order?', 'points: 3', 'marking: parts by place', ...$items],
        ];
        yield 'an order by neighbours' => [$order('A|B|C', Items::rules(self::add($next('A', 'B')), self::add($next('B', 'C')))), ['order: In which order?', 'points: 2', 'marking: parts by neighbour', ...$items]];
        yield 'only some are to be ordered' => [$order('A|B', Items::template('match_correct')), [], ['orderInteraction']];
        yield 'as many as one likes are to be ordered' => [$order('A|B|C', Items::template('match_correct'), 'minChoices="2" maxChoices="3"'), [], ['orderInteraction']];
    }

    /** @return iterable<string, array{string, list<string>, 2?: list<string>, 3?: list<string>}> */
    public static function pictures(): iterable
    {
        $areas = static fn (string $entries, string $attributes = 'lowerBound="0" defaultValue="-1"', string $most = '2'): string => Items::xml(
            Items::response('', 'multiple', 'point', "<areaMapping $attributes>$entries</areaMapping>") .
                "<itemBody><selectPointInteraction responseIdentifier=\"RESPONSE\" maxChoices=\"$most\"><prompt>Mark both vents.</prompt>" .
                self::HUT .
                '</selectPointInteraction></itemBody>' .
                Items::template('map_response_point'),
        );
        $area = static fn (string $shape, string $coords, string $worth = '1'): string => "<areaMapEntry shape=\"$shape\" coords=\"$coords\" mappedValue=\"$worth\"/>";
        $vents = $area('circle', '20,20,6') . $area('rect', '40,10,50,20');
        $yes = ['area yes: ellipse 20 20 6 6', 'area yes: rectangle 40 10 10 10'];
        yield 'points of a picture' => [$areas($vents), ['regions: Mark both vents.', 'points: 2', 'marking: parts', 'clicks: 2', ...self::IMAGE, ...$yes]];
        yield 'any number of clicks' => [$areas($vents, most: '0'), ['regions: Mark both vents.', 'points: 2', 'marking: parts', 'clicks: any', ...self::IMAGE, ...$yes]];
        yield 'a wrong click costs nothing' => [$areas($vents, ''), ['regions: Mark both vents.', 'points: 2', 'marking: parts', 'wrong part costs: 0', 'clicks: 2', ...self::IMAGE, ...$yes]];
        yield 'areas with points of their own' => [
            $areas($area('circle', '20,20,6', '3') . $area('rect', '40,10,50,20', '-1'), ''),
            ['regions: Mark both vents.', 'marking: weighed', 'clicks: 2', ...self::IMAGE, 'area yes 3: ellipse 20 20 6 6', 'area no -1: rectangle 40 10 10 10'],
        ];
        yield 'a polygon that ends where it began, and percentages' => [
            $areas($area('poly', '0,0,10,0,0,10,0,0') . $area('circle', '50%,50%,10%'), most: '2'),
            ['regions: Mark both vents.', 'points: 2', 'marking: parts', 'clicks: 2', ...self::IMAGE, 'area yes: polygon 0,0 10,0 0,10', 'area yes: ellipse 32 24 5 5'],
        ];
        yield 'areas that overlap' => [
            $areas($area('circle', '20,20,6', '2') . $area('circle', '22,20,6', '1'), ''),
            ['regions: Mark both vents.', 'points: 3', 'clicks: 2', ...self::IMAGE, 'area yes: ellipse 20 20 6 6', 'area yes: ellipse 22 20 6 6'],
            ['areaMapEntry', 'responseProcessing'],
        ];
        yield 'no areas at all' => [$areas(''), [], ['selectPointInteraction']];
        $hot = static fn (string $correct, string $cardinality, string $most, string $mapping = ''): string => Items::xml(
            Items::response($correct, $cardinality, more: $mapping) .
                "<itemBody><hotspotInteraction responseIdentifier=\"RESPONSE\" maxChoices=\"$most\"><prompt>Where is the start?</prompt>" .
                self::HUT .
                '<hotspotChoice identifier="F" shape="circle" coords="40,12,5" hotspotLabel="The flag"/><hotspotChoice identifier="G" shape="ellipse" coords="10,10,4,8"/></hotspotInteraction></itemBody>' .
                Items::template($mapping === '' ? 'match_correct' : 'map_response'),
        );
        yield 'outlined areas' => [$hot('F', 'single', '1'), ['regions: Where is the start?', 'areas: outlined', ...self::IMAGE, 'area yes: ellipse 40 12 5 5', 'name: The flag', 'area no: ellipse 10 10 4 8']];
        yield 'outlined areas, each with its points' => [
            $hot('F', 'multiple', '2', Items::mapping(['F' => '2', 'G' => '1'])),
            ['regions: Where is the start?', 'marking: weighed', 'clicks: 2', 'areas: outlined', ...self::IMAGE, 'area yes 2: ellipse 40 12 5 5', 'name: The flag', 'area yes 1: ellipse 10 10 4 8'],
        ];
        $place = static fn (string $correct, string $hotspots): string => Items::xml(
            Items::response($correct, 'multiple', 'directedPair') .
                '<itemBody><graphicGapMatchInteraction responseIdentifier="RESPONSE"><prompt>Where?</prompt>' .
                self::HUT .
                '<gapImg identifier="L" matchMax="2" objectLabel="Lead"><object type="image/png" data="img/lead.png" width="12" height="8">A lead</object></gapImg><gapText identifier="T" matchMax="1">Tail</gapText>' .
                $hotspots .
                '</graphicGapMatchInteraction></itemBody>',
        );
        $spots = '<associableHotspot identifier="S1" matchMax="1" shape="circle" coords="12,12,6"/><associableHotspot identifier="S2" matchMax="1" shape="rect" coords="30,10,50,20" hotspotLabel="paw"/>';
        yield 'labels on spots' => [$place('L S2', $spots), ['place: Where?', ...self::IMAGE, 'spot: 12 12 6', 'spot: 40 15 5', 'name: paw', 'label: ![Lead](img/lead.png)', 'at: 2', 'spare label: Tail']];
        yield 'a label that goes onto two spots' => [
            $place('L S1|L S2', $spots),
            ['place: Where?', ...self::IMAGE, 'spot: 12 12 6', 'spot: 40 15 5', 'name: paw', 'label: ![Lead](img/lead.png)', 'at: 1', 'label: ![Lead](img/lead.png)', 'at: 2', 'spare label: Tail'],
        ];
        yield 'a spot that takes several' => [
            $place('T S1', str_replace('S1" matchMax="1"', 'S1" matchMax="3"', $spots)),
            ['place: Where?', ...self::IMAGE, 'spot: 12 12 6', 'spot: 40 15 5', 'name: paw', 'label: Tail', 'at: 1', 'spare label: ![Lead](img/lead.png)'],
            ['matchMax'],
        ];
    }

    /** @return iterable<string, array{string, list<string>, 2?: list<string>, 3?: list<string>}> */
    public static function others(): iterable
    {
        $slider = static fn (string $declaration, string $attributes = 'step="1"'): string => Items::xml(
            $declaration . "<itemBody><p>How sure?</p><sliderInteraction responseIdentifier=\"RESPONSE\" lowerBound=\"1\" upperBound=\"5\" $attributes/></itemBody>",
        );
        yield 'a slider that nobody judges' => [$slider(Items::response('', type: 'integer')), ['rating: How sure?', 'scale: 1 to 5']];
        yield 'a slider with an answer' => [$slider(Items::response('3', type: 'integer')), ['number: How sure?', 'answer: 3'], ['sliderInteraction']];
        yield 'a slider in halves' => [$slider(Items::response('', type: 'float'), 'step="0.5"'), ['number: How sure?', 'key: none'], ['sliderInteraction']];
        yield 'choices that are a scale' => [Items::xml(Items::response('') . Items::choices(['a' => '1 – not at all', 'b' => '2', 'c' => '3 – very'])), ['rating: Which?', 'scale: 1 to 3', 'ends: not at all, very']];
        yield 'choices with words at one end are no scale' => [Items::xml(Items::response('') . Items::choices(['a' => '1 – not at all', 'b' => '2'])), ['one: Which?', 'key: none', 'no: 1 – not at all', 'no: 2']];
        yield 'true or false by the texts' => [Items::xml(Items::response('x') . Items::choices(['x' => 'TRUE', 'y' => 'False'], prompt: 'A drone stings.')), ['true: A drone stings.', 'words: TRUE, False']];
        yield 'what would be chosen before anybody chooses' => [
            Items::xml(Items::response('x', more: '<defaultValue><value>y</value></defaultValue>') . Items::choices(['x' => 'true', 'y' => 'false'], prompt: 'A drone stings.')),
            ['true: A drone stings.'],
            ['defaultValue'],
        ];
        yield 'true or false by the identifiers' => [
            Items::xml(Items::response('false') . Items::choices(['true' => 'holds', 'false' => 'does not hold'], 'shuffle="true" orientation="horizontal"', 'A drone stings.')),
            ['false: A drone stings.', 'shuffle: yes', 'layout: row', 'words: holds, does not hold'],
        ];
        yield 'true or false, weighed' => [
            Items::xml(Items::response('true', more: Items::mapping(['true' => '3', 'false' => '-1'])) . Items::choices(['true' => 'true', 'false' => 'false'])),
            ['true: Which?', 'points: 3', 'wrong costs: 1'],
        ];
        yield 'hot texts' => [
            Items::xml(
                Items::response('H2') .
                    '<itemBody><hottextInteraction responseIdentifier="RESPONSE" maxChoices="1"><prompt>Which word is wrong?</prompt><p>The <hottext identifier="H1">queen</hottext> and the <hottext identifier="H2">king</hottext>.</p></hottextInteraction></itemBody>',
            ),
            ['one: Which word is wrong?', 'The **queen** and the **king**.', 'no: queen', 'yes: king'],
        ];
        foreach (
            ['extendedTextInteraction', 'uploadInteraction', 'drawingInteraction', 'mediaInteraction', 'customInteraction', 'portableCustomInteraction', 'graphicOrderInteraction', 'graphicAssociateInteraction'] as $name
        ) {
            yield $name => [Items::xml(Items::response('', type: 'string') . "<itemBody><p>Write.</p><$name responseIdentifier=\"RESPONSE\"/></itemBody>"), [], [$name]];
        }
        yield 'two kinds in one item' => [
            Items::xml(
                Items::response('A') .
                    Items::response('', type: 'string', identifier: 'R2') .
                    '<itemBody><choiceInteraction responseIdentifier="RESPONSE"><simpleChoice identifier="A">a</simpleChoice></choiceInteraction><p><textEntryInteraction responseIdentifier="R2"/></p></itemBody>',
            ),
            [],
            ['itemBody'],
        ];
        yield 'an adaptive item' => [str_replace('adaptive="false"', 'adaptive="true"', Items::xml(Items::response('A') . Items::choices(['A' => 'a']))), [], ['adaptive']];
        yield 'a template' => [Items::xml('<templateDeclaration identifier="N" cardinality="single" baseType="integer"/>' . Items::response('A') . Items::choices(['A' => 'a', 'B' => 'b'])), [], ['templateDeclaration']];
        yield 'a record' => [Items::xml(Items::response('', 'record', 'string') . Items::choices(['A' => 'a', 'B' => 'b'])), [], ['cardinality']];
        yield 'a response that is not declared' => [Items::xml(Items::choices(['A' => 'a', 'B' => 'b'])), [], [], ['choiceInteraction: there is no responseDeclaration “RESPONSE”']];
        yield 'a key that is no choice' => [Items::xml(Items::response('Z') . Items::choices(['A' => 'a', 'B' => 'b'])), [], [], ['correctResponse: “Z” is no choice of this item']];
        yield 'a mapping of what is no choice' => [Items::xml(Items::response('A', more: Items::mapping(['Q' => '1'])) . Items::choices(['A' => 'a', 'B' => 'b'])), [], [], ['mapKey: “Q” is no choice of this item']];
        yield 'a choice twice' => [
            Items::xml(
                Items::response('A') .
                    '<itemBody><choiceInteraction responseIdentifier="RESPONSE"><simpleChoice identifier="A">a</simpleChoice><simpleChoice identifier="A">b</simpleChoice></choiceInteraction></itemBody>',
            ),
            [],
            [],
            ['simpleChoice: the identifier “A” stands here twice'],
        ];
        yield 'a variable twice' => [Items::xml(Items::response('A') . Items::response('A') . Items::choices(['A' => 'a', 'B' => 'b'])), [], [], ['responseDeclaration: the identifier “RESPONSE” stands here twice']];
    }

    /**
     * @param list<string> $lines
     * @param list<string> $unmatched
     * @param list<string> $problems
     */
    #[DataProvider('gaps')]
    #[DataProvider('pairings')]
    #[DataProvider('pictures')]
    #[DataProvider('others')]
    public function test_an_item_becomes_a_question_of_its_kind_or_one_entry(string $item, array $lines, array $unmatched = [], array $problems = []): void
    {
        $read = Items::read($item);
        $rows = array_filter(array_map(trim(...), explode("\n", $read['text'])), static fn (string $row): bool => !in_array($row, ['', 'name: lead'], true));
        self::assertSame($lines, array_values($rows), $read['text']);
        self::assertSame($unmatched, $read['unmatched']);
        self::assertSame($problems, $read['problems']);
    }
}
