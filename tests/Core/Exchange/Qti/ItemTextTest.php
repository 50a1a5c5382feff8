<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange\Qti;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Tests\Speed;

/** What stands in an item's body, its feedback and its hints, and what is refused before it is read. */
final class ItemTextTest extends TestCase
{
    private const TWO = '<choiceInteraction responseIdentifier="RESPONSE" maxChoices="1"><simpleChoice identifier="A">a</simpleChoice><simpleChoice identifier="B">b</simpleChoice></choiceInteraction>';

    /** @return iterable<string, array{string, string, 2?: list<string>, 3?: list<string>}> body, stem, what has no counterpart, problems */
    public static function bodies(): iterable
    {
        yield 'paragraphs' => ["<p>One\n   two</p><p>three</p>", "One two\n\nthree"];
        yield 'the prompt in its place' => [
            '<p>Before.</p><choiceInteraction responseIdentifier="RESPONSE" maxChoices="1"><prompt>Which?</prompt><simpleChoice identifier="A">a</simpleChoice><simpleChoice identifier="B">b</simpleChoice></choiceInteraction><p>After.</p>',
            "Before.\n\nWhich?\n\nAfter.",
        ];
        yield 'no stem: the title' => ['', 'Leads'];
        yield 'emphasis and code' => ['<p><em>a</em> <i>b</i> <strong>c</strong> <b>d</b> <code>e</code></p>', '*a* *b* **c** **d** `e`'];
        yield 'lists' => ['<p>Look:</p><ul><li>one</li><li>two</li></ul><ol><li>first</li><li>second</li></ol>', "Look:\n\n- one\n- two\n\n1. first\n2. second"];
        yield 'a heading, a line break, a link' => ['<h2>Swarms</h2><p>one<br/>two <a href="https://guild.example/a">there</a></p>', "**Swarms**\n\none\ntwo [there](https://guild.example/a)"];
        yield 'raised and lowered' => ['<p>H<sub>2</sub>O, x<sup>2</sup></p>', 'H$_{2}$O, x$^{2}$'];
        yield 'a table' => ['<table><tbody><tr><th>hive</th><th>kg</th></tr><tr><td>1</td><td>30</td></tr></tbody></table>', "hive | kg\n1 | 30", ['table']];
        yield 'what is only text' => ['<p>a <span>b</span> <abbr title="x">c</abbr></p><div><blockquote><p>d</p></blockquote></div>', "a b c\n\nd", ['abbr']];
        yield 'what would be marks' => ['<p>2*3*4, _so_, `x`, [a](b), $5 and $6, ~~, snake_case_name</p>', '2\*3\*4, \_so\_, \`x\`, \[a](b), $5 and $6, ~~, snake_case_name'];
        yield 'what would be a formula' => ['<p>from $a$ on</p>', 'from \$a\$ on'];
        yield 'what would be a list' => ['<p>- not a list</p><p>1. neither</p>', "\\- not a list\n\n1\\. neither"];
        yield 'a picture' => ['<p><img src="img/my%20hut.png" alt="A hut"/></p>', '![A hut](img/my%20hut.png)'];
        yield 'a picture without a text' => ['<p><img src="img/hut.png"/></p>', '![hut.png](img/hut.png)', [], ['img: “img/hut.png” has no text that says what it shows']];
        yield 'sound and film' => ['<p><audio src="hum.mp3">The hum of a swarm</audio><object data="dance.mp4" type="video/mp4">A dance</object></p>', '![The hum of a swarm](hum.mp3)![A dance](dance.mp4)'];
        yield 'an address that is never fetched' => ['<p>See <img src="https://guild.example/hut.png" alt="A hut"/></p>', 'See', ['img https://guild.example/hut.png']];
        yield 'a formula with its TeX' => [
            '<p>Is <math xmlns="http://www.w3.org/1998/Math/MathML"><semantics><mi>x</mi><annotation encoding="application/x-tex">\frac{x}{2}</annotation></semantics></math>?</p>',
            'Is $\frac{x}{2}$?',
        ];
        yield 'formulas without TeX' => [
            '<p><math xmlns="http://www.w3.org/1998/Math/MathML"><mfrac><mrow><mi>α</mi><mo>+</mo><mn>1</mn></mrow><msqrt><mi>x</mi></msqrt></mfrac><mo>≤</mo><msup><mi>y</mi><mn>2</mn></msup></math></p>',
            '$\frac{\alpha+1}{\sqrt{x}}\le y^{2}$',
        ];
        yield 'a formula that the converter does not know' => ['<p><math xmlns="http://www.w3.org/1998/Math/MathML"><mtable><mtr><mtd><mn>1</mn></mtd></mtr></mtable></math></p>', '1', ['math']];
        yield 'style and script' => ['<p>a</p><script>alert(1)</script><style>p{}</style>', 'a', ['script', 'style']];
        yield 'a rubric for candidates' => ['<rubricBlock view="candidate"><p>Read with care.</p></rubricBlock><p>Which?</p>', "Read with care.\n\nWhich?"];
        yield 'a rubric for others' => ['<rubricBlock view="scorer"><p>Be kind.</p></rubricBlock><p>Which?</p>', 'Which?', ['rubricBlock']];
        yield 'things within that have no counterpart' => ['<p>a <printedVariable identifier="N"/></p><p><endAttemptInteraction responseIdentifier="H" title="x"/></p>', 'a', ['printedVariable', 'endAttemptInteraction']];
        yield 'nothing is included' => ['<p>a</p><xi:include xmlns:xi="http://www.w3.org/2001/XInclude" href="/etc/passwd"/>', 'a', ['xi:include']];
        yield 'attributes that are only look, and one that is not' => ['<p class="x" id="y" data-a="b" aria-label="c" onclick="z()">a</p>', 'a', ['onclick']];
    }

    /**
     * @param list<string> $unmatched
     * @param list<string> $problems
     */
    #[DataProvider('bodies')]
    public function test_the_body_becomes_the_stem(string $body, string $stem, array $unmatched = [], array $problems = []): void
    {
        $read = Items::read(Items::xml(Items::response('A') . '<itemBody>' . $body . (str_contains($body, '<choiceInteraction') ? '' : self::TWO) . '</itemBody>'));
        self::assertSame("one: $stem", str_replace("\n  ", "\n", explode("\n  name:", $read['text'])[0]));
        self::assertSame([$unmatched, $problems], [$read['unmatched'], $read['problems']]);
    }

    public function test_version_3_is_read_alike(): void
    {
        $xml =
            '<qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="q-7-leads" title="7 leads" adaptive="0" time-dependent="false">' .
            '<qti-response-declaration identifier="RESPONSE" cardinality="multiple" base-type="identifier"><qti-correct-response><qti-value> A </qti-value></qti-correct-response><qti-mapping lower-bound="0" default-value="-1"><qti-map-entry map-key="A" mapped-value="2"/></qti-mapping></qti-response-declaration>' .
            '<qti-item-body><qti-rubric-block view="candidate" use="instructions"><qti-content-body><p>Mind.</p></qti-content-body></qti-rubric-block><p>Look.</p><qti-choice-interaction response-identifier="RESPONSE" shuffle="1" max-choices="2" min-choices="1"><qti-prompt>Which?</qti-prompt><qti-simple-choice identifier="A">a</qti-simple-choice><qti-simple-choice identifier="B" fixed="true">b</qti-simple-choice><qti-simple-choice identifier="C">c</qti-simple-choice></qti-choice-interaction>' .
            '<details><summary>Help</summary><p>Think of June.</p></details></qti-item-body><qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/map_response.xml"/><qti-companion-materials-info/></qti-assessment-item>';
        $read = Items::read($xml);
        self::assertSame(
            <<<'TEXT'
            several: Mind.

              Look.

              Which?
              name: 7 leads
              points: 2
              marking: parts
              wrong part costs: 0.5
              shuffle: yes
              choose: at most 2
              yes: a
              pinned no: b
              no: c
              hint: Think of June.
            TEXT
            ,
            $read['text'],
        );
        self::assertSame(['use', 'qti-companion-materials-info'], $read['unmatched'], 'names stand as the file has them');
    }

    public function test_an_item_without_interaction_is_a_page(): void
    {
        $read = Items::read(Items::xml('<itemBody><p>Eggs stand for three days.</p></itemBody>'));
        self::assertSame(['', 'lead', 'Leads', 'Eggs stand for three days.'], [$read['text'], $read['pages'][0]->name, $read['pages'][0]->heading, $read['pages'][0]->reads]);
    }

    /** @return iterable<string, array{string, list<string>, 2?: list<string>}> feedback, further lines, what has no counterpart */
    public static function feedback(): iterable
    {
        $modal = static fn (
            string $outcome,
            string $identifier,
            string $text,
            string $shows = 'show',
        ): string => "<modalFeedback outcomeIdentifier=\"$outcome\" identifier=\"$identifier\" showHide=\"$shows\"><p>$text</p></modalFeedback>";
        yield 'with a choice' => [$modal('FEEDBACK', 'A', 'It trips.'), ['no: Shovel', 'says: It trips.', 'yes: Spade', 'no: Comb']];
        yield 'after an outcome' => [$modal('OUTCOME', 'wrong', 'Not so.') . $modal('OUTCOME', 'blank', 'Nothing?'), ['no: Shovel', 'yes: Spade', 'no: Comb', 'if wrong: Not so.', 'if unanswered: Nothing?']];
        yield 'when right: the choice, if it bears its name' => [$modal('FEEDBACK', 'B', 'Yes.'), ['no: Shovel', 'yes: Spade', 'says: Yes.', 'no: Comb']];
        yield 'when right: the outcome else' => [$modal('OUTCOME', 'right', 'Yes.'), ['no: Shovel', 'yes: Spade', 'no: Comb', 'if right: Yes.']];
        yield 'with all but one' => [$modal('FEEDBACK', 'A', 'Not the shovel?', 'hide'), ['no: Shovel', 'yes: Spade', 'no: Comb', 'note when not chosen 1: Not the shovel?']];
        yield 'never shown' => [$modal('FEEDBACK', 'Z', 'Never.'), ['no: Shovel', 'yes: Spade', 'no: Comb'], ['modalFeedback']];
        yield 'two texts for one choice' => [$modal('FEEDBACK', 'A', 'It trips.') . $modal('FEEDBACK', 'A', 'Always.'), ['no: Shovel', 'says: It trips.', 'Always.', 'yes: Spade', 'no: Comb']];
    }

    /**
     * @param list<string> $lines
     * @param list<string> $unmatched
     */
    #[DataProvider('feedback')]
    public function test_feedback_is_where_ours_shows_it(string $feedback, array $lines, array $unmatched = []): void
    {
        $outcome = static fn (string $is): string => Items::set(Items::number($is, 'identifier'), 'OUTCOME');
        $rules = Items::rules(
            Items::when(['<isNull><variable identifier="RESPONSE"/></isNull>' => $outcome('blank'), Items::right() => Items::set(Items::number('1')) . $outcome('right'), '' => $outcome('wrong')]),
            Items::set('<variable identifier="RESPONSE"/>', 'FEEDBACK'),
        );
        $declared = '<outcomeDeclaration identifier="FEEDBACK" cardinality="single" baseType="identifier"/><outcomeDeclaration identifier="OUTCOME" cardinality="single" baseType="identifier"/>';
        $read = Items::read(Items::xml(Items::response('B') . $declared . Items::choices(['A' => 'Shovel', 'B' => 'Spade', 'C' => 'Comb']) . $rules . $feedback));
        $rows = array_filter(array_map(trim(...), array_slice(explode("\n", $read['text']), 2)), static fn (string $row): bool => $row !== '');
        self::assertSame([$lines, $unmatched], [array_values($rows), $read['unmatched']]);
    }

    public function test_feedback_on_one_attempt(): void
    {
        $rules = Items::rules(
            Items::when([
                Items::right() => Items::set(Items::number('1')),
                '<and><not>' . Items::right() . '</not><equal><variable identifier="numAttempts"/>' . Items::number('1', 'integer') . '</equal></and>' => Items::set(Items::number('again', 'identifier'), 'OUTCOME'),
            ]),
        );
        $read = Items::read(
            Items::xml(
                Items::response('B') .
                    '<outcomeDeclaration identifier="OUTCOME" cardinality="single" baseType="identifier"/>' .
                    Items::choices(['A' => 'a', 'B' => 'b']) .
                    $rules .
                    '<modalFeedback outcomeIdentifier="OUTCOME" identifier="again" showHide="show"><p>Look again.</p></modalFeedback>',
            ),
        );
        self::assertStringEndsWith('if wrong on attempt 1: Look again.', $read['text'], 'the blank one is not “not right”: what is NULL is not so');
    }

    /** @return iterable<string, array{string, string}> file, what the refusal says */
    public static function refused(): iterable
    {
        $item = Items::xml(Items::response('A') . Items::choices(['A' => 'a', 'B' => 'b']));
        yield 'no namespace' => [str_replace(' xmlns="http://www.imsglobal.org/xsd/imsqti_v2p1"', '', $item), 'no namespace'];
        yield 'an earlier version' => [str_replace('imsqti_v2p1', 'imsqti_v2p0', $item), 'imsqti_v2p0'];
        yield 'a test alone' => ['<assessmentTest xmlns="http://www.imsglobal.org/xsd/imsqti_v2p1" identifier="t"/>', 'needs its package'];
        yield 'broken' => [substr($item, 0, -8), 'is no whole XML'];
        yield 'empty' => ['', 'is no whole XML'];
        yield 'a doctype' => ['<!DOCTYPE x [<!ENTITY a "b">]>' . $item, 'DOCTYPE'];
        yield 'a doctype in other letters' => ["<?xml version='1.0'?>\n<!DOCTYPE html>" . $item, 'DOCTYPE'];
        yield 'another encoding' => ['<?xml version="1.0" encoding="ISO-8859-1"?>' . $item, 'ISO-8859-1'];
        yield 'not what it says' => ['<?xml version="1.0" encoding="UTF-8"?>' . str_replace('>a<', ">\xE4<", $item), 'UTF-8'];
        yield 'says UTF-16 and is not' => ['<?xml version="1.0" encoding="UTF-16"?>' . $item, 'UTF-16'];
        yield 'UTF-16 without its mark' => [mb_convert_encoding($item, 'UTF-16LE', 'UTF-8'), 'UTF-16'];
        yield 'too deep' => [str_replace('>a<', '>' . str_repeat('<span>', 120) . str_repeat('</span>', 120) . '<', $item), '100 levels'];
        yield 'too many elements' => [str_replace('>a<', '>' . str_repeat('<br/>', 50_001) . '<', $item), '50,000'];
        yield 'too large' => [str_replace('>a<', '>' . str_repeat('abcde', 1_000_001) . '<', $item), '5 MB'];
    }

    #[DataProvider('refused')]
    public function test_what_is_no_item_is_refused_with_the_reason(string $file, string $why): void
    {
        $read = Speed::within(5_000, static fn (): array => Items::read($file));
        self::assertSame(['', 1], [$read['text'], count($read['problems'])]);
        self::assertStringContainsString($why, $read['problems'][0]);
    }

    public function test_utf_16_with_its_mark_is_read(): void
    {
        $item = '<?xml version="1.0" encoding="UTF-16"?>' . Items::xml(Items::response('A') . Items::choices(['A' => 'Bärlauch', 'B' => 'b']));
        self::assertStringContainsString('yes: Bärlauch', Items::read("\xFF\xFE" . mb_convert_encoding($item, 'UTF-16LE', 'UTF-8'))['text']);
        self::assertStringContainsString('yes: Bärlauch', Items::read("\xFE\xFF" . mb_convert_encoding($item, 'UTF-16BE', 'UTF-8'))['text']);
    }
}
