<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange\Qti;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Qti\Items\ItemReader;
use Zetema\Core\Exchange\Qti\QtiSource;
use Zetema\Core\Exchange\Qti\Writing\ItemWriter;
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

    /** Questions of every kind and rule, with costs, feedback and limits. */
    private const EVERY = <<<'TEXT'
        one: Costs *and* a `floor`
          points: 5
          wrong costs: 2
          blank costs: 1
          floor: -1
          attempts: 3
          attempt costs: 2, 4
          yes: a & b < c
          no: second
            says: Not this.
          pinned no: None
          if right on attempt 2: At last.
          if unanswered: Nothing?
          note when not chosen 2: Good that it is not the second.

        one: Two keys
          yes: a
          yes: b
          no: c

        one: Points of their own
          marking: weighed
          yes 8: a
          no 5: b
          no 2: c

        several: Half a part each
          points: 6
          marking: parts
          wrong part costs: 0.5
          choose: at most 3
          yes: a
          yes: b
          no: c
          no: d
          if partly right: One more.

        several: Left alone or taken
          points: 4
          marking: each
          yes: a
          no: b
          no: c
          yes: d

        several: Any two of three
          choose: 2
          yes: a
          yes: b
          yes: c
          no: d

        several: A floor below
          marking: weighed
          floor: -2
          yes 4: a
          yes 4: b
          no -3: c
          no -3: d

        false: A drone can sting.
          points: 5
          wrong costs: 5
          words: holds, does not hold
          if wrong: It cannot.

        true: Weighed.
          marking: weighed
          weight true: 3
          weight false: -1

        number: How many?
          points: 4
          answer: 14 within 0.6
          answer 50 %: 11 up to but not 12
          answer 25 %: over 20

        number: How far?
          answer: 250 within 2 %

        text: To the letter
          ignore: nothing
          answer: Varroa

        text: With shares
          points: 2
          wrong costs: 1
          answer: varroa
          answer 50 %: mite

        gaps: A colony has one ___ and many ___.
          points: 2
          marking: parts
          wrong part costs: 0.5
          gap 1: queen
          gap 1 50 %: mother
          gap 2 yes: workers
          gap 2 no: drones

        gaps: All of ___ and ___.
          gap 1: it
          gap 2: them
            says: Not they?

        gaps: Each ___ its ___.
          marking: weighed
          gap 1: has
            earns: 2
            loses: 1
          gap 2: worth
            earns: 1

        pairs: Who does what?
          points: 3
          marking: parts
          pair: Nurse
          with: feeds
          pair: Forager
          with: flies
          pair: Queen
          with: lays
          spare with: sings

        pairs: Weighed
          marking: weighed
          pair: a
          with: 1
            earns: 2
            loses: 1
          pair: b
          with: 2
            earns: 1

        groups: Where?
          points: 2
          marking: parts
          wrong part costs: 1
          group: Brood box
            item: Larvae
            item: Eggs
          group: Honey box
            item: Capped honey
          spare item: Pollen trap

        order: As a whole
          item: a
          item: b
          item: c

        order: By place
          points: 10
          marking: parts by place
          item: a
          item: b
          item: c
          item: d
          item: e

        order: By neighbour
          points: 9
          marking: parts by neighbour
          item: a
          item: b
          item: c
          item: d

        regions: Click both.
          points: 2
          marking: parts
          clicks: 3
          image: frame.svg
            size: 640 480
            shows: A frame
          area yes: ellipse 100 100 40 40
          area yes: rectangle 300 200 50 60
          area no: polygon 10,400 90,410 60,470

        regions: Choose the right one.
          areas: outlined
          wrong costs: 0.5
          image: frame.svg
            size: 640 480
            shows: A frame
          area yes: ellipse 100 100 40 30
            name: The queen cell
          area no: rectangle 300 200 50 60
            says: That is honey.

        place: Put the labels.
          points: 3
          marking: parts
          image: hive.svg
            size: 640 480
            shows: A hive
          spot: 120 80 30
          spot: 120 240 30
          label: ![Lid](lid.svg)
          at: 1
          label: ![Floor](floor.svg)
          at: 2
          spare label: ![Queen](queen.svg)

        one: Which season?
          key: none
          no: Spring
          no: Autumn

        rating: How sure?
          scale: 1 to 5
          ends: not at all, completely

        one: With a picture ![A hut](hut.svg), a $\frac{x}{2}$ and a list

          - one
          - two
          hint: Think of **June**.
          yes: a
          no: b
        TEXT;

    /** @return iterable<string, array{Question, Version}> */
    public static function questions(): iterable
    {
        foreach (['every' => self::EVERY, 'demo' => (string) file_get_contents(__DIR__ . '/../../../../demo/certificate.zet.txt')] as $from => $text) {
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
        $item = (new ItemWriter($version, static fn (string $path): string => $path))->item($question, ItemReader::identifierOf($name), $name, $question->effective())->document($version);
        $source = new QtiSource($item, 'item.xml');
        $found = iterator_to_array($source->questions(), false);
        self::assertSame([], $source->report()->unmatched, $item);
        self::assertCount(1, $found, $item);
        self::assertSame([], $found[0]->problems, $item);
        self::assertNotNull($found[0]->question);

        return $found[0]->question;
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
                self::assertSame([$was->outcome->value, $graded ? (string) $was->earned : null], [$is->outcome->value, $graded ? (string) $is->earned : null], json_encode([$response->toData(), $attempt], JSON_THROW_ON_ERROR));
            }
            ++$compared;
        }
        self::assertTrue($isTypedOtherwise || $compared > 0);
    }

    #[DataProvider('questions')]
    public function test_its_texts_and_settings_come_back_but_for_what_is_listed(Question $question, Version $version): void
    {
        $lines = static fn (Question $q): array => array_values(array_filter(array_map(trim(...), explode("\n", (new Writer())->question($q))), static fn (string $l): bool => $l !== '' && preg_match(self::ELSEWHERE, $l) !== 1));
        $gone = array_diff($lines($question), $lines(self::again($question, $version)));
        $allowed = Losses::of($question, $question->effective());
        foreach ($gone as $line) {
            $word = explode(':', $line)[0];
            $isListed = array_filter($allowed, static fn (string $lost): bool => str_starts_with($lost, $word) || str_contains($lost, $word)) !== [];
            // Normal forms: what counts anyway, a kind that always mixes, words as a drawing, what is said to the only answer of its outcome, a simpler marking with the same marks.
            $isSame = in_array($line, ['wrong part costs: 1', 'shuffle: yes', 'clicks: 1', 'points: 10'], true) || preg_match('/^(?:name|label|spare label|says|costs|marking|wrong costs|floor|weight (?:true|false)|(?:yes|no) -?\d+)$/', $word) === 1;
            self::assertTrue($isListed || $isSame, sprintf('“%s” is lost and not among: %s', $line, implode(' · ', $allowed)));
        }
        $this->addToAssertionCount(1);
    }
}
