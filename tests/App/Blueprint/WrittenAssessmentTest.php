<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Blueprint;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\App\Blueprint\Out\WrittenAssessment;
use Zetema\App\Shared\FixedZip;
use Zetema\Core\Blueprint\Check\TrustedNames;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Exchange\Qti\Package\PackageSource;
use Zetema\Core\Exchange\Qti\Tests\TestDocument;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Exchange\Qti\Writing\PackageWriter;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Exchange\TextFormat\Reader;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Question;
use Zetema\Tests\Core\Exchange\TemporaryFile;

/** An assessment that is written as a test of the open standard and read again asks the same, in the same sections, and leads to the same places; what cannot be said is listed. */
final class WrittenAssessmentTest extends TestCase
{
    use TemporaryFile;

    private const FORWARD = ['rules' => ['moving' => 'forward only', 'feedback' => 'after each attempt']];
    private const REVIEW = ['review' => ['passed' => [['rung' => 'marked paper']], 'notPassed' => [['rung' => 'marked paper']]]];

    /** @return list<Question> a to e, two points each */
    private static function questions(): array
    {
        $text = implode("\n\n", array_map(static fn (string $name): string => "one: Which, $name?\n  name: $name\n  points: 2\n  yes: this\n  no: that", ['a', 'b', 'c', 'd', 'e']));

        return array_values(array_filter(array_map(static fn ($read): ?Question => $read->question, iterator_to_array((new Reader())->questions($text), false))));
    }

    /** @param array<string, mixed> $document */
    private static function written(array $document): WrittenAssessment
    {
        $byName = array_column(array_map(static fn (Question $q): array => [(string) $q->name, $q], self::questions()), 1, 0);
        $eligible = array_map(static fn (string $name): EligibleQuestion => new EligibleQuestion($name, 'one', [], [], null, Points::of('2')), array_keys($byName));
        $pages = [
            'welcome' => new Page('welcome', null, 'Take your *time*.'),
            'smoke' => new Page('smoke', null, "Use little smoke.\n\nWait."),
            'well done' => new Page('well done', 'Passed', 'You may keep bees.'),
            'again' => new Page('again', null, 'Come again.'),
            'thanks' => new Page('thanks', null, 'Thanks.'),
        ];

        return new WrittenAssessment(
            BlueprintReader::read(['v' => 2, 'title' => 'Paper', ...$document], new TrustedNames()),
            $eligible,
            static fn (string $name): array => [$byName[$name], null],
            static fn (string $name): ?Page => $pages[$name] ?? null,
        );
    }

    /** @return array{array<string, mixed>, list<Page>} the document as it is read again, and the pages */
    private function again(WrittenAssessment $written, Version $version): array
    {
        $writer = new PackageWriter($version, static fn (): ?string => null);
        $beats = 0;
        $writer->write($written->questions, $written->test, $written->unmatched, static function () use (&$beats): void {
            ++$beats;
        });
        self::assertSame(count($written->questions), $beats, 'a sign of life at each question');
        self::assertTrue(FixedZip::write($this->file, $writer->files));
        $source = PackageSource::ofZip($this->file);
        iterator_to_array($source->questions(), false);
        $report = $source->report();
        self::assertSame([[], []], [$report->problems, array_map(static fn (Unmatched $u): string => $u->what, $report->unmatched)], $writer->files['tests/assessment.xml']);
        self::assertCount(1, $report->assessments);
        $document = new TestDocument($report->assessments[0]);
        self::assertSame([], $document->left);
        BlueprintReader::read($document->document, new TrustedNames());

        return [$document->document, $report->pages];
    }

    /** @return iterable<string, array{array<string, mixed>, 1?: array<string, mixed>}> what is written, and what of it reads otherwise */
    public static function blueprints(): iterable
    {
        $questions = static fn (string $names, int $from = 1): array => array_map(
            static fn (string $name, int $i): array => ['id' => (string) ($from + $i), 'question' => $name],
            str_split($names),
            array_keys(str_split($names)),
        );
        $part = static fn (array $steps, int $n = 1, array $more = []): array => ['id' => "part-$n", ...$more, 'steps' => $steps];
        $draw = static fn (string $id, int $take, string $only, array $more = []): array => ['id' => $id, 'draw' => ['take' => $take, 'pool' => ['only' => str_split($only)], ...$more]];
        $when = static fn (string $is, string $value, ?string $of = null): array => ['points' => $of === null ? 'all' : ['questions' => [$of]], 'is' => $is, 'value' => $value];
        $way = static fn (string $id, array $when, string $to): array => ['id' => $id, 'checkpoint' => ['routes' => [['when' => $when, 'to' => $to]]]];
        $only = static fn (string $id, array $when, string $otherwise): array => ['id' => $id, 'checkpoint' => ['routes' => [['when' => $when, 'to' => 'next']], 'otherwise' => $otherwise]];
        yield 'questions in their order' => [['sections' => [$part($questions('abc'))]]];
        yield 'questions and a draw' => [['sections' => [$part([...$questions('ab'), $draw('3', 1, 'cd'), ['id' => '4', 'question' => 'e']])]]];
        yield 'points, attempts and a time at one of two steps' => [['sections' => [$part([['id' => '1', 'question' => 'a', 'settings' => ['points' => '5']], ...$questions('b', 2)])]]];
        yield 'a pass mark and a time for all' => [['rules' => ['time' => '1800 s', ...self::FORWARD['rules']], 'pass' => ['percent' => '60'], 'sections' => [$part($questions('ab'))]]];
        yield 'told at the end, in any order, all to be answered' => [['rules' => ['moving' => 'any order', 'feedback' => 'at the end', 'mustAnswer' => true], 'sections' => [$part($questions('ab'))]]];
        yield 'a page in front' => [['sections' => [$part([['id' => '1', 'page' => 'welcome'], ...$questions('ab', 2)])]]];
        yield 'pages in a row, and at the end' => [['sections' => [$part([['id' => '1', 'page' => 'welcome'], ['id' => '2', 'page' => 'smoke'], ...$questions('a', 3), ['id' => '4', 'page' => 'thanks']])]]];
        yield 'a page before a draw' => [['sections' => [$part([['id' => '1', 'page' => 'smoke'], $draw('2', 2, 'abc')])]]];
        yield 'closing pages' => [
            ['pass' => ['points' => '3'], 'closing' => ['passed' => 'well done', 'notPassed' => 'again'], 'sections' => [$part($questions('ab'))]],
            ['closing' => ['passed' => 'assessment passed', 'notPassed' => 'assessment not passed']],
        ];
        yield 'a section with a time' => [['sections' => [$part($questions('ab'), 1, ['title' => 'Quick', 'time' => '90 s']), $part($questions('c', 3), 2)]]];
        yield 'two sections with a time, a page in one' => [
            [
                'sections' => [
                    $part([...$questions('a'), ['id' => '2', 'page' => 'smoke'], ...$questions('b', 3)], 1, ['title' => 'One', 'time' => '60 s']),
                    $part([$draw('4', 1, 'cd')], 2, ['title' => 'Two', 'time' => '90 s']),
                ],
            ],
        ];
        yield 'mixed draws' => [['sections' => [$part([$draw('1', 1, 'ab', ['place' => 'mixed']), $draw('2', 1, 'cd', ['place' => 'mixed'])])]]];
        yield 'past questions by one of them' => [['sections' => [$part([...$questions('a'), $way('after-1', $when('<', '1', 'a'), '3'), ...$questions('bc', 2)])]]];
        yield 'past questions by one that is worth more here' => [
            ['sections' => [$part([['id' => '1', 'question' => 'a', 'settings' => ['points' => '5']], $way('after-1', $when('<', '4', 'a'), '3'), ...$questions('bc', 2)])]],
        ];
        yield 'to the end by all so far' => [['sections' => [$part([...$questions('ab'), $way('after-2', $when('>=', '3'), 'end'), ...$questions('c', 3)])]]];
        yield 'to a page' => [['sections' => [$part([...$questions('a'), $way('after-1', $when('=', '2', 'a'), '3'), ...$questions('b', 2), ['id' => '3', 'page' => 'smoke'], ...$questions('c', 4)])]]];
        yield 'asked only if two things hold' => [['sections' => [$part([...$questions('a'), $only('before-2', ['all' => [$when('>', '0', 'a'), $when('<=', '3')]], '3'), $draw('2', 1, 'bc'), ...$questions('d', 3)])]]];
        yield 'asked only if it holds, at the end' => [['sections' => [$part([...$questions('a'), $only('before-2', $when('<', '2'), 'end'), ...$questions('b', 2)])]]];
    }

    /**
     * @param array<string, mixed> $document
     * @param array<string, mixed> $otherwise
     */
    #[DataProvider('blueprints')]
    public function test_it_reads_back_the_same(array $document, array $otherwise = []): void
    {
        $document += self::FORWARD + self::REVIEW;
        $written = self::written($document);
        self::assertSame([], array_map(static fn (Unmatched $u): string => "$u->what: $u->item", $written->unmatched));
        foreach (Version::cases() as $version) {
            [$again] = $this->again($written, $version);
            self::assertEquals(['v' => 2, 'title' => 'Paper', ...$document, ...$otherwise], $again);
        }
    }

    public function test_pages_read_what_they_did(): void
    {
        $written = self::written([
            ...self::FORWARD,
            'pass' => ['points' => '3'],
            'closing' => ['passed' => 'well done'],
            'sections' => [['id' => 's', 'steps' => [['id' => '1', 'page' => 'smoke'], ['id' => '2', 'question' => 'a']]]],
        ]);
        [, $pages] = $this->again($written, Version::V30);
        self::assertSame([['smoke', null, "Use little smoke.\n\nWait."], ['assessment passed', 'Passed', 'You may keep bees.']], array_map(static fn (Page $p): array => [$p->name, $p->heading, $p->reads], $pages));
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>}> what cannot be said, as it is listed */
    public static function losses(): iterable
    {
        $steps = [['id' => '1', 'question' => 'a'], ['id' => '2', 'question' => 'b'], ['id' => '3', 'question' => 'c']];
        $with = static fn (array $checkpoint): array => ['sections' => [['id' => 's', 'steps' => [$steps[0], ['id' => 'way', 'checkpoint' => $checkpoint], $steps[1], $steps[2]]]]];
        $half = ['percent' => 'all', 'is' => '>=', 'value' => '50'];
        $one = ['points' => 'all', 'is' => '>=', 'value' => '1'];
        yield 'questions apart' => [['apart' => [['a', 'b']], 'sections' => [['id' => 's', 'steps' => $steps]]], ['apart: a, b']];
        yield 'a tally' => [['tallies' => [['name' => 'patience', 'bands' => []]], 'sections' => [['id' => 's', 'steps' => $steps]]], ['tally: patience']];
        yield 'a minimum' => [['pass' => ['percent' => '60', 'objectives' => [['objective' => 'Hive', 'percent' => '50']]], 'sections' => [['id' => 's', 'steps' => $steps]]], ['minimum: Hive']];
        yield 'closing pages that no pass mark chooses' => [
            ['closing' => ['passed' => 'well done', 'noPassMark' => 'thanks'], 'sections' => [['id' => 's', 'steps' => $steps]]],
            ['closing page: thanks', 'closing page: well done'],
        ];
        yield 'a heading' => [['sections' => [['id' => 's', 'steps' => [['id' => '0', 'page' => 'well done'], ...$steps]]]], ['heading: well done']];
        yield 'a page that leads on' => [
            ['sections' => [['id' => 's', 'steps' => [$steps[0], ['id' => 'way', 'checkpoint' => ['routes' => [['when' => $one, 'to' => '2']]]], ['id' => 'p', 'page' => 'smoke', 'then' => '3'], $steps[1], $steps[2]]]]],
            ['then: smoke'],
        ];
        yield 'a share of the points' => [$with(['routes' => [['when' => $half, 'to' => '3']]]), ['checkpoint: step 2']];
        yield 'an announced way' => [$with(['routes' => [['when' => $one, 'to' => '3']], 'announced' => true]), ['checkpoint: step 2']];
        yield 'a way on besides' => [$with(['routes' => [['when' => $one, 'to' => '2']], 'otherwise' => '3']), ['checkpoint: step 2']];
        yield 'between two values' => [$with(['routes' => [['when' => ['points' => 'all', 'is' => 'between', 'value' => ['1', '2']], 'to' => '3']]]), ['checkpoint: step 2']];
        yield 'what a candidate chose' => [$with(['routes' => [['when' => ['chosen' => 'a', 'choice' => 1], 'to' => '3']]]), ['checkpoint: step 2']];
        yield 'pools by condition that overlap' => [
            ['sections' => [['id' => 's', 'steps' => [['id' => '1', 'draw' => ['take' => 1, 'pool' => ['kinds' => ['one']]]], ['id' => '2', 'draw' => ['take' => 1, 'pool' => ['only' => ['a', 'b']]]]]]]],
            ['pool by condition, written as a list: step 1', 'pool, which overlaps another: step 2'],
        ];
        yield 'a mixed draw beside a question' => [
            ['sections' => [['id' => 's', 'steps' => [$steps[0], ['id' => '2', 'draw' => ['take' => 1, 'pool' => ['only' => ['b', 'c']], 'place' => 'mixed']]]]]],
            ['place: mixed, beside what is not: Draw 2'],
        ];
    }

    /**
     * @param array<string, mixed> $document
     * @param list<string> $listed
     */
    #[DataProvider('losses')]
    public function test_what_cannot_be_said_is_listed_and_the_rest_is_written(array $document, array $listed): void
    {
        $written = self::written($document + self::FORWARD);
        self::assertSame($listed, array_map(static fn (Unmatched $u): string => "$u->what: $u->item", $written->unmatched));
        $this->again($written, Version::V21);
    }
}
