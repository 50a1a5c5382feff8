<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange\Qti;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Exchange\Qti\Texts\Literal;
use Zetema\Core\Exchange\Qti\Texts\MathText;
use Zetema\Core\Exchange\Qti\Texts\Paths;
use Zetema\Core\Exchange\Qti\Writing\Html;
use Zetema\Core\Exchange\Qti\Writing\Tag;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Exchange\Qti\Xml\XmlFile;

/** Texts between the standard's HTML and MathML and the small Markdown, piece by piece. */
final class TextsTest extends TestCase
{
    /** @return iterable<string, array{string, string|null}> MathML and TeX; null where the converter does not know all of it */
    public static function formulas(): iterable
    {
        $x = '<mi>x</mi>';
        yield 'a fraction' => ["<mfrac>$x<mn>2</mn></mfrac>", '\frac{x}{2}'];
        yield 'roots' => ["<msqrt>$x</msqrt><mo>+</mo><mroot>$x<mn>3</mn></mroot>", '\sqrt{x}+\sqrt[3]{x}'];
        yield 'raised and lowered' => ["<msup>$x<mn>2</mn></msup><msub>$x<mi>i</mi></msub><msubsup>$x<mi>i</mi><mn>2</mn></msubsup>", 'x^{2}x_{i}x_{i}^{2}'];
        yield 'raised from something long' => ["<msup><mrow>$x<mo>+</mo><mn>1</mn></mrow><mn>2</mn></msup>", '{x+1}^{2}'];
        yield 'under and over' => ["<munder><mo>∑</mo><mi>i</mi></munder><mover>$x<mo>¯</mo></mover><mover>$x<mo>→</mo></mover>", '\sum_{i}\overline{x}\vec{x}'];
        yield 'Greek and signs' => ['<mi>α</mi><mo>×</mo><mi>Ω</mi><mo>≤</mo><mn>3</mn><mo>≠</mo><mi>π</mi>', '\alpha\times\Omega\le3\ne\pi'];
        yield 'a letter behind a word of TeX' => ['<mi>α</mi><mi>x</mi>', '\alpha x'];
        yield 'functions and names' => ['<mi>sin</mi><mi>x</mi><mi>speed</mi>', '\sin x\mathrm{speed}'];
        yield 'words' => ['<mtext>if </mtext>' . $x, '\text{if}x'];
        yield 'signs that TeX would take' => ['<mn>50</mn><mo>%</mo><mo>{</mo>', '50\%\{'];
        yield 'what it says of itself' => ['<semantics><mi>y</mi><annotation encoding="application/x-tex">y_0</annotation></semantics>', 'y_0'];
        yield 'a table' => ['<mtable><mtr><mtd><mn>1</mn></mtd></mtr></mtable>', null];
        yield 'a fraction of one part' => ["<mfrac>$x</mfrac>", null];
    }

    #[DataProvider('formulas')]
    public function test_a_formula_is_tex(string $mathml, ?string $tex): void
    {
        self::assertSame($tex, MathText::of(XmlFile::root("<math xmlns=\"http://www.w3.org/1998/Math/MathML\">$mathml</math>")));
    }

    /** @return iterable<string, array{string, string}> what stands in a file, and what means the same in the small Markdown */
    public static function literals(): iterable
    {
        foreach (
            [
                '2 * 3 * 4' => '2 * 3 * 4',
                'a *b* c' => 'a \*b\* c',
                '**b**' => '\*\*b\*\*',
                '_b_ and snake_case' => '\_b\_ and snake_case',
                'a`b' => 'a\`b',
                '[a](b) and [c]' => '\[a](b) and [c]',
                'costs $5' => 'costs $5',
                'from $a$ to' => 'from \$a\$ to',
                'x^2^ y' => 'x\^2\^ y',
                'a ~b~ ~ c' => 'a \~b\~ ~ c',
                'C:\*' => 'C:\\\\*',
                'plain' => 'plain',
            ] as $text => $means
        ) {
            yield $text => [$text, $means];
        }
    }

    #[DataProvider('literals')]
    public function test_a_text_means_nothing_but_itself(string $text, string $means): void
    {
        self::assertSame($means, Literal::text($text));
    }

    /** @return iterable<string, array{string, string|null, string|null}> reference, folder of the file, path */
    public static function paths(): iterable
    {
        yield 'beside it' => ['a.png', 'items', 'items/a.png'];
        yield 'in the root' => ['a.png', '', 'a.png'];
        yield 'up and down' => ['../img/./a%20b.png', 'items/x', 'items/img/a b.png'];
        yield 'out of the package' => ['../../a.png', 'items', null];
        yield 'absolute' => ['/a.png', 'items', null];
        yield 'with more behind it' => ['a.svg?x=1#part', '', 'a.svg'];
        yield 'of an item alone' => ['../a.png', null, '../a.png'];
    }

    #[DataProvider('paths')]
    public function test_a_reference_leads_to_a_path_in_the_package(string $reference, ?string $folder, ?string $path): void
    {
        self::assertSame($path, Paths::resolved($reference, $folder));
        self::assertFalse(Paths::hasScheme($reference));
        self::assertTrue(Paths::hasScheme('https://guild.example/' . $reference));
        self::assertTrue(Paths::hasScheme('data:image/png;base64,x'));
    }

    /** @return iterable<string, array{string, string, 2?: Version}> Markdown and HTML */
    public static function written(): iterable
    {
        yield 'emphasis' => ['a *b* **c *d*** `e*f`', '<p>a <em>b</em> <strong>c <em>d</em></strong> <code>e*f</code></p>'];
        yield 'what is no mark' => ['2 * 3 \*4\* & <b>', '<p>2 * 3 *4* &amp; &lt;b&gt;</p>'];
        yield 'paragraphs and lines' => ["a\nb\n\nc", '<p>a<br/>b</p><p>c</p>'];
        yield 'lists' => ["- a\n- *b*\n\n1. c\n2. d", '<ul><li>a</li><li><em>b</em></li></ul><ol><li>c</li><li>d</li></ol>'];
        yield 'a line that only begins like a list' => ["- a\nand b", '<p>- a<br/>and b</p>'];
        yield 'a link and a picture' => ['[there](https://guild.example) ![A "hut"](my%20hut.png)', '<p><a href="https://guild.example">there</a> <img src="../my%20hut.png" alt="A &quot;hut&quot;"/></p>'];
        yield 'raised and lowered' => ['x^2^ H~2~O', '<p>x<sup>2</sup> H<sub>2</sub>O</p>'];
        yield 'a formula' => ['$a<b$', '<p><math xmlns="http://www.w3.org/1998/Math/MathML"><semantics><mtext>a&lt;b</mtext><annotation encoding="application/x-tex">a&lt;b</annotation></semantics></math></p>'];
        yield 'sound in 2.1' => ['![A hum](hum.mp3)', '<p><object data="../hum.mp3" type="audio/mpeg">A hum</object></p>', Version::V21];
        yield 'film in 3.0' => ['![A dance](dance.mp4)', '<p><video src="../dance.mp4" controls="controls">A dance</video></p>', Version::V30];
        yield 'blanks that are no gaps' => ['a ___ b', '<p>a ___ b</p>'];
    }

    #[DataProvider('written')]
    public function test_markdown_is_written_as_html(string $markdown, string $html, Version $version = Version::V21): void
    {
        $written = (new Html($version, static fn (string $path): string => "../$path"))->blocks($markdown);
        self::assertSame($html, implode('', array_map(static fn (Tag $tag): string => $tag->render($version), $written)));
        self::assertSame($html, str_replace(['<x>', '</x>'], '', XmlFile::root("<x>$html</x>")->name === 'x' ? "<x>$html</x>" : ''), 'it is whole XML');
    }

    public function test_version_3_has_names_of_its_own_and_html_keeps_its(): void
    {
        $tag = Tag::of('choiceInteraction', ['responseIdentifier' => 'R', 'maxChoices' => '1', 'orientation' => null], Tag::of('simpleChoice', ['identifier' => 'A'], Tag::of('p', [], 'a')));
        self::assertSame('<choiceInteraction responseIdentifier="R" maxChoices="1"><simpleChoice identifier="A"><p>a</p></simpleChoice></choiceInteraction>', $tag->render(Version::V21));
        self::assertSame('<qti-choice-interaction response-identifier="R" max-choices="1"><qti-simple-choice identifier="A"><p>a</p></qti-simple-choice></qti-choice-interaction>', $tag->render(Version::V30));
    }
}
