<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange\Qti;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Qti\Items\ItemReader;
use Zetema\Core\Exchange\Qti\QtiSource;
use Zetema\Core\Exchange\Qti\Writing\ItemWriter;
use Zetema\Core\Exchange\Qti\Writing\KindWriters;
use Zetema\Core\Exchange\Qti\Writing\Losses;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Exchange\TextFormat\Reader;
use Zetema\Core\Exchange\TextFormat\Writer;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Marking\Table\WhatScoresWhat;
use Zetema\Core\Question\Question;

/** A question written as an item and read again marks every response as it did before, and says what it said, but for what is listed beforehand. */
final class RoundTripTest extends TestCase
{
    /** Lines that are no part of an item: the package and its test have them. */
    private const ELSEWHERE = '/^(?:objective|tags|difficulty|status|attempts|time|late):/';

    /** @return iterable<string, array{Question, Version}> */
    public static function questions(): iterable
    {
        foreach (['every' => EveryKind::TEXT, 'demo' => (string) file_get_contents(__DIR__ . '/../../../../demo/certificate.zet.txt')] as $from => $text) {
            foreach ((new Reader())->questions($text) as $i => $read) {
                self::assertNotNull($read->question, $from . ' ' . $i . ': ' . json_encode($read->problems));
                foreach (Version::cases() as $version) {
                    yield "$from, $version->value, " . ($read->question->name ?? mb_substr($read->question->stem, 0, 30)) => [$read->question, $version];
                }
            }
        }
    }

    private static function again(Question $question, Version $version): Question
    {
        $name = $question->name ?? 'q';
        $item = (new ItemWriter($version, static fn (string $path): string => $path, KindWriters::all()))->item($question, ItemReader::identifierOf($name), $name, $question->effective())->document($version);
        $source = new QtiSource($item, 'item.xml');
        $found = iterator_to_array($source->questions(), false);
        self::assertSame([], $source->report()->unmatched, $item);
        self::assertCount(1, $found, $item);
        self::assertSame([], $found[0]->problems, $item);
        self::assertNotNull($found[0]->question);

        return $found[0]->question;
    }

    public function test_what_is_too_large_to_be_read_back_is_told_before(): void
    {
        $regions =
            "regions: Where?\n  image: a.png\n  shows: A hut\n  size: 2000 100\n" .
            implode('', array_map(static fn (int $i): string => sprintf("  area %s: rectangle %d 0 5 5\n", $i % 3 === 0 ? 'yes' : 'no', $i * 20), range(0, 60)));
        $choices = "several: Which?\n" . implode('', array_map(static fn (int $i): string => sprintf("  %s: choice %d\n", $i % 3 === 0 ? 'yes' : 'no', $i), range(0, 400)));
        foreach (['area' => $regions, 'yes and no' => $choices] as $word => $text) {
            [$read] = iterator_to_array((new Reader())->questions($text), false);
            self::assertNotNull($read->question);
            self::assertNotSame([], preg_grep("/^$word: more than/", Losses::of($read->question, $read->question->effective())));
            // One less is read back.
            [$less] = iterator_to_array((new Reader())->questions((string) preg_replace('/\n[^\n]+\n$/', "\n", $text)), false);
            self::assertNotNull($less->question);
            self::assertSame([], preg_grep("/^$word: more than/", Losses::of($less->question, $less->question->effective())));
            self::again($less->question, Version::V30);
        }
    }

    #[DataProvider('questions')]
    public function test_every_response_is_marked_as_before(Question $question, Version $version): void
    {
        $lost = Losses::of($question, $question->effective());
        $again = self::again($question, $version);
        self::assertSame($question->kind::id(), $again->kind::id());
        // What is typed is compared otherwise where that is among what is lost.
        $isTypedOtherwise = array_filter($lost, static fn (string $l): bool => preg_match('/^(?:typos|ignore|unit|figures|pattern)/', $l) === 1) !== [];
        $marker = new Marker();
        [$before, $after] = [$question->effective(), $again->effective()];
        $compared = 0;
        foreach ($isTypedOtherwise ? [] : WhatScoresWhat::responses($question, $before) as $response) {
            try {
                $same = $again->kind->response($response->toData(), $after, complete: false);
            } catch (Malformed) {
                self::fail('refused: ' . json_encode($response->toData()));
            }
            foreach ([1, 2, 4] as $attempt) {
                [$was, $is] = [$marker->mark(MarkingPlan::of($question, $before), $response, $attempt), $marker->mark(MarkingPlan::of($again, $after), $same, $attempt)];
                $graded = !in_array('graded: no', $lost, true);
                self::assertSame(
                    [$was->outcome->value, $graded ? (string) $was->earned : null],
                    [$is->outcome->value, $graded ? (string) $is->earned : null],
                    json_encode([$response->toData(), $attempt], JSON_THROW_ON_ERROR),
                );
            }
            ++$compared;
        }
        self::assertTrue($isTypedOtherwise || $compared > 0);
    }

    #[DataProvider('questions')]
    public function test_its_texts_and_settings_come_back_but_for_what_is_listed(Question $question, Version $version): void
    {
        $lines = static fn (Question $q): array => array_values(
            array_filter(array_map(trim(...), explode("\n", (new Writer())->question($q))), static fn (string $l): bool => $l !== '' && preg_match(self::ELSEWHERE, $l) !== 1),
        );
        $gone = array_diff($lines($question), $lines(self::again($question, $version)));
        $allowed = Losses::of($question, $question->effective());
        foreach ($gone as $line) {
            $word = explode(':', $line)[0];
            $isListed = array_filter($allowed, static fn (string $lost): bool => str_starts_with($lost, $word) || str_contains($lost, $word)) !== [];
            // Normal forms: what counts anyway, a kind that always mixes, words as a drawing, what is said to the only answer of its outcome, a simpler marking with the same marks.
            $isSame =
                in_array($line, ['wrong part costs: 1', 'shuffle: yes', 'clicks: 1', 'points: 10'], true) ||
                preg_match('/^(?:name|label|spare label|says|marking|wrong costs|floor|weight (?:true|false)|(?:yes|no) -?\d+)$/', $word) === 1;
            self::assertTrue($isListed || $isSame, sprintf('“%s” is lost and not among: %s', $line, implode(' · ', $allowed)));
        }
        $this->addToAssertionCount(1);
    }
}
