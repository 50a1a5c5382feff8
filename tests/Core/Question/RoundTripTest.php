<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Question;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Exchange\TextFormat\Reader;
use Zetema\Core\Exchange\TextFormat\Writer;
use Zetema\Core\Question\Answers\Area;
use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Answers\Part;
use Zetema\Core\Question\Answers\Span;
use Zetema\Core\Question\Answers\Wording;
use Zetema\Core\Question\Kinds;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Question\Settings\Share;
use Zetema\Tests\Core\TextQuestions;

/** Writing a question out and reading it back gives the same, for every kind; and so does storing it. */
final class RoundTripTest extends TestCase
{
    use TestTrait;

    private const WORDS = ['plain', 'two words', 'points: 5', 'at: 2', '-- dashes', '\\back', 'ä ≠ ß', "one\n\ntwo", "x\nitem: y", "a\nwith: b", 'a, b', 'answr: z', '50 %', 'name: n'];

    /** @return iterable<string, array{KindId}> */
    public static function kinds(): iterable
    {
        foreach (KindId::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_text_and_storage_keep_every_field(KindId $kind): void
    {
        $this->limitTo(40)
            ->forAll(Generators::vector(8, Generators::elements(...self::WORDS)), Generators::bool(), Generators::choose(1, 9))
            ->then(function (array $words, bool $weighed, int $n) use ($kind): void {
                $w = array_map(static fn (mixed $word): string => is_string($word) ? $word : '', array_values($words));
                $weighed = $weighed && in_array('weighed', $kind->facts()->rules, true);
                $question = new Question(self::make($kind, $w, $weighed, $n), $w[7] . ($kind === KindId::Gaps ? ' ___ ___' : ''), Settings::of($weighed ? ['marking' => 'weighed'] : ['points' => "$n.5"]));
                $read = TextQuestions::all((new Writer())->question($question));

                self::assertCount(1, $read);
                self::assertEquals($question, $read[0]->question, implode('; ', array_map(static fn ($p): string => $p->message, $read[0]->problems)));
                self::assertEquals($question, Question::fromData(Fields::ofJson(json_encode($question->toData(), JSON_THROW_ON_ERROR))));
            });
    }

    public function test_pages_are_written_and_read_back(): void
    {
        $text = "page: why eggs matter\n heading: Eggs\n reads: First line\n\n \\points: text\n\ntrue: Bees fly.\n";
        $reader = new Reader();
        iterator_to_array($reader->questions($text), false);
        $again = new Reader();
        iterator_to_array($again->questions((new Writer())->page($reader->pages()[0])), false);

        self::assertSame([], $reader->outside());
        self::assertSame("First line\n\npoints: text", $reader->pages()[0]->reads);
        self::assertEquals($reader->pages(), $again->pages());
    }

    /** @param list<string> $w */
    private static function make(KindId $kind, array $w, bool $weighed, int $n): Kinds\Kind
    {
        $earns = $weighed ? Points::of("$n.25") : null;
        $loses = $weighed && $n > 5 ? Points::of('0.5') : null;
        $part = static fn (int $id, string $text, string ...$belongs): Part => new Part($id, $text, array_values($belongs), null, $belongs === [] ? null : $earns, $loses);
        $line = strtr($w[0], "\n", ' ');
        $picture = new Kinds\Common\Picture('f.svg', 'a frame', $n > 4 ? 800 : null, $n > 4 ? 600 : null);

        return match ($kind) {
            KindId::One => new Kinds\One\One([new Choice(1, $w[0], true, $earns, says: $w[1]), new Choice(2, $w[2], false, $earns, pinned: true, leadsTo: 'a page')]),
            KindId::Several => new Kinds\Several\Several([new Choice(1, $w[0], true, $earns), new Choice(2, $w[1], true, $earns), new Choice(3, $w[2], false, $weighed ? Points::of('-1') : null)]),
            KindId::Claim => new Kinds\Claim\Claim([new Choice(1, 'holds', $n > 4, $earns), new Choice(2, 'does not', $n <= 4, $weighed ? Points::of('0') : null)]),
            KindId::Text => new Kinds\Text\Text([new Wording($line, Share::whole(), says: $w[1]), new Wording('a*', Share::ofPercent('12.5'), true)]),
            KindId::Number => new Kinds\Number\Number([Span::of("$n within 2 %", null, $w[1]), Span::of('over 12 up to but not 13', Share::ofPercent('50'))]),
            KindId::Gaps => new Kinds\Gaps\Gaps([
                new Kinds\Gaps\Gap($part(1, 'gap 1', '1'), [new Wording($line, Share::whole()), new Wording('b', Share::ofPercent('50'), says: $w[1])], []),
                new Kinds\Gaps\Gap($part(2, 'gap 2', '2'), [], [['text' => 'c', 'key' => true], ['text' => 'd', 'key' => false]]),
            ]),
            KindId::Pairs => new Kinds\Pairs\Pairs([new Part(1, $w[0], ['1'], $w[1], $earns, $loses), new Part(2, $w[2], ['2'], $w[3], $earns, $loses)], $n > 3 ? [$w[4]] : []),
            KindId::Groups => new Kinds\Groups\Groups([$w[0], $w[1]], [$part(1, $w[2], '1'), $part(2, $w[3], '2'), $part(3, $w[4], '2'), ...$n > 3 ? [$part(4, $w[5])] : []]),
            KindId::Order => new Kinds\Order\Order([new Part(1, $w[0]), new Part(2, $w[1]), new Part(3, 'the last')]),
            KindId::Regions => new Kinds\Regions\Regions($picture, [
                new Kinds\Regions\Region(Area::of('ellipse 100 100 20 10'), true, 'the cell', $earns, null),
                new Kinds\Regions\Region(Area::of('polygon 0,0 9,0 9,9'), false, null, $earns, 'No.'),
            ]),
            KindId::Place => new Kinds\Place\Place($picture, [['x' => 1, 'y' => 2, 'radius' => 3, 'name' => 'top'], ['x' => 9, 'y' => 9, 'radius' => 3, 'name' => null]], [$part(1, $w[0], '1', '2'), $part(2, $w[1])]),
            KindId::Rating => new Kinds\Rating\Rating(0, $n, $n > 4 ? ['not at all', 'completely'] : [], $n % 2 === 0 ? [] : ['calm', 'two words']),
        };
    }
}
