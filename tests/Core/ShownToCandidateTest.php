<?php

declare(strict_types=1);

namespace Zetema\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Drawing\ChoiceOrder;
use Zetema\Core\Exchange\TextFormat\Writer;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Sitting\Paper\PageAnswers;

/** How a question of each kind stands on a candidate's page, and how what is given there is understood. */
final class ShownToCandidateTest extends TestCase
{
    /** @return iterable<string, array{string, \Closure(array<string, mixed>): mixed}> a question; what its page shows → the right response on that page */
    public static function kinds(): iterable
    {
        $place = static fn (mixed $list, string $text): int => (int) array_search($text, is_array($list) ? $list : [], true) + 1;
        yield 'one' => ["one: W?\n shuffle: yes\n yes: a\n no: b\n no: c", static fn (array $f): array => ['choose' => [$place($f['choices'], 'a')]]];
        yield 'several' => [
            "several: W?\n shuffle: yes\n yes: a\n yes: b\n no: c",
            static function (array $f) use ($place): array {
                $places = [$place($f['choices'], 'a'), $place($f['choices'], 'b')];
                sort($places);

                return ['choose' => $places];
            },
        ];
        yield 'claim' => ['true: W.', static fn (array $f): array => ['choose' => [$place($f['choices'], 'true')]]];
        yield 'text' => ["text: W?\n answer: a", static fn (array $f): array => ['text' => 'a']];
        yield 'number' => ["number: W?\n answer: 14\n unit: kg", static fn (array $f): array => ['text' => '14 ' . (is_array($f['units']) && is_string($f['units'][0]) ? $f['units'][0] : '')]];
        yield 'gaps' => [
            "gaps: W ___ and ___ and ___\n gap 1: a\n gap 2 yes: b\n gap 2 no: c\n gap 2 no: d\n gap 3 no: e\n gap 3 yes: f",
            static fn (array $f): array => ['gaps' => ['1' => 'a', '2' => (string) $place(is_array($f['gaps']) ? $f['gaps'][1] : [], 'b'), '3' => (string) $place(is_array($f['gaps']) ? $f['gaps'][2] : [], 'f')]],
        ];
        yield 'pairs' => [
            "pairs: W?\n pair: a\n with: 1\n pair: b\n with: 2\n pair: c\n with: 3\n spare with: 4",
            static fn (array $f): array => ['pairs' => ['1' => (string) $place($f['rights'], '1'), '2' => (string) $place($f['rights'], '2'), '3' => (string) $place($f['rights'], '3')]],
        ];
        yield 'groups' => [
            "groups: W?\n group: G\n item: a\n item: b\n group: H\n item: c\n spare item: d",
            static fn (array $f): array => ['groups' => [(string) $place($f['items'], 'a') => '1', (string) $place($f['items'], 'b') => '1', (string) $place($f['items'], 'c') => '2']],
        ];
        yield 'order' => ["order: W?\n item: a\n item: b\n item: c\n item: d", static fn (array $f): array => ['order' => array_map(static fn (string $t): int => $place($f['items'], $t), ['a', 'b', 'c', 'd'])]];
        yield 'regions' => ["regions: W?\n image: p.svg\n  size: 100 100\n  shows: P\n area yes: rectangle 10 10 20 20\n  name: secret", static fn (array $f): array => ['points' => [[15, 15]]]];
        yield 'place' => [
            "place: W?\n image: p.svg\n  size: 100 100\n  shows: P\n spot: 10 10 5\n  name: secret\n spot: 50 50 5\n label: a\n  at: 1\n label: b\n  at: 2\n spare label: c",
            static fn (array $f): array => ['place' => [(string) $place($f['labels'], 'a') => '1', (string) $place($f['labels'], 'b') => '2']],
        ];
    }

    /** @param \Closure(array<string, mixed>): mixed $right */
    #[DataProvider('kinds')]
    public function test_the_right_response_on_any_page_is_marked_right_and_comes_back_as_given(string $text, \Closure $right): void
    {
        $question = TextQuestions::one($text);
        for ($seed = 1; $seed <= 12; ++$seed) {
            $sheet = self::sheet($question, $seed);
            $given = $right($sheet->shown(false));
            $response = $sheet->fromPage($given);

            self::assertSame('right', (new Marker())->mark(self::plan($question), $response)->outcome->value, "seed $seed");
            self::assertEquals(json_decode((string) json_encode($given)), json_decode((string) json_encode($sheet->toPage($response))), "seed $seed");
            self::assertSame(
                $response->toData() === null ? null : json_encode($response->toData()),
                json_encode($question->kind->response(json_decode((string) json_encode($response->toData()), true), $question->effective(), complete: false)->toData()),
            );
            self::assertNotSame([], $question->kind->inWords($response));
        }
    }

    /** @param \Closure(array<string, mixed>): mixed $right */
    #[DataProvider('kinds')]
    public function test_it_is_marked_the_same_whatever_its_lines_are_known_by(string $text, \Closure $right): void
    {
        $question = TextQuestions::one($text);
        $data = $question->toData();
        foreach ($question->kind::id()->facts()->lists as $list) {
            foreach (is_array($data[$list]) ? $data[$list] : [] as $i => $row) {
                if (!is_array($data[$list]) || !is_array($row)) {
                    continue;
                }
                $id = 20 - 3 * (int) $i;
                $data[$list][$i] = is_array($row['part'] ?? null) ? [...$row, 'part' => [...$row['part'], 'id' => $id]] : [...$row, ...isset($row['id']) ? ['id' => $id] : []];
            }
        }
        $other = Question::fromData(Fields::of($data));
        for ($seed = 1; $seed <= 12; ++$seed) {
            $sheet = self::sheet($other, $seed);
            $given = $right($sheet->shown(false));
            $response = $sheet->fromPage($given);

            self::assertSame('right', (new Marker())->mark(self::plan($other), $response)->outcome->value, "seed $seed");
            self::assertEquals(json_decode((string) json_encode($given)), json_decode((string) json_encode($sheet->toPage($response))), "seed $seed");
            self::assertEquals($question->kind->keyInWords(), $other->kind->keyInWords());
            self::assertCount(count($question->kind->inWords(self::sheet($question, $seed)->fromPage($right(self::sheet($question, $seed)->shown(false))))), $other->kind->inWords($response));
        }
        self::assertSame((new Writer())->question($question), (new Writer())->question($other), 'text has numbers, no ids');
    }

    /** @param \Closure(array<string, mixed>): mixed $right */
    #[DataProvider('kinds')]
    public function test_a_page_tells_nothing_that_gives_the_answer_away(string $text, \Closure $right): void
    {
        $shown = (string) json_encode(self::sheet(TextQuestions::one($text), 1)->shown(false));

        foreach (['key', 'secret', 'belongs', 'with"', 'area"', 'says', 'share', 'id"'] as $word) {
            self::assertStringNotContainsString($word, $shown);
        }
    }

    /** @return iterable<string, array{list<string>, float}> items, how often the right order is dealt */
    public static function orders(): iterable
    {
        yield 'two as dealt: half the time' => [['a', 'b'], 1 / 2];
        yield 'three, dealt once more: a sixth of a sixth' => [['a', 'b', 'c'], 1 / 36];
        yield 'three, two of them alike: a third of a third' => [['a', 'a', 'b'], 1 / 9];
    }

    /** @param list<string> $items */
    #[DataProvider('orders')]
    public function test_an_order_that_began_solved_is_dealt_once_more_so_that_the_page_tells_nothing(array $items, float $share): void
    {
        $question = TextQuestions::one("order: W?\n item: " . implode("\n item: ", $items));
        $seeds = 3000;
        $solved = 0;
        for ($seed = 1; $seed <= $seeds; ++$seed) {
            $solved += self::sheet($question, $seed)->shown(false)['items'] === $items ? 1 : 0;
        }

        // Within four standard deviations of what chance alone would give.
        self::assertEqualsWithDelta($share * $seeds, $solved, 4 * sqrt($seeds * $share * (1 - $share)));
    }

    public function test_right_hand_sides_are_mixed_even_if_nothing_is_shuffled(): void
    {
        $question = TextQuestions::one("pairs: W?\n pair: a\n with: 1\n pair: b\n with: 2\n pair: c\n with: 3");
        $seen = [];
        for ($seed = 1; $seed <= 30; ++$seed) {
            $seen[json_encode(self::sheet($question, $seed)->shown(false)['rights'])] = true;
        }

        self::assertGreaterThan(3, count($seen));
    }

    public function test_areas_are_outlined_when_the_setting_says_so(): void
    {
        $text = "regions: W?\n image: p.svg\n  shows: P\n area yes: rectangle 10 10 20 20\n areas: ";
        foreach (['hidden' => [0, 0], 'outlined' => [1, 1], 'outlined after checking' => [0, 1]] as $areas => [$before, $after]) {
            $sheet = self::sheet(TextQuestions::one($text . $areas), 1);
            $count = static fn (bool $checked): int => count((array) $sheet->shown($checked)['areas']);

            self::assertSame([$before, $after], [$count(false), $count(true)], $areas);
        }
    }

    /** @return iterable<string, array{string, mixed, string}> a question, what a page may not send, the field named */
    public static function refused(): iterable
    {
        yield 'a choice beyond the last' => ["one: W?\n yes: a\n no: b", ['choose' => [3]], 'choose'];
        yield 'a choice 0' => ["one: W?\n yes: a\n no: b", ['choose' => [0]], 'choose'];
        yield 'a right-hand side beyond the last' => ["pairs: W?\n pair: a\n with: 1\n pair: b\n with: 2", ['pairs' => ['1' => '3']], 'pairs'];
        yield 'an item beyond the last' => ["groups: W?\n group: G\n item: a\n group: H\n item: b", ['groups' => ['3' => '1']], 'groups'];
        yield 'an order that leaves one out' => ["order: W?\n item: a\n item: b", ['order' => [1]], 'order'];
        yield 'an order with one twice' => ["order: W?\n item: a\n item: b", ['order' => [1, 1]], 'order'];
        yield 'an entry that is not in the list' => ["gaps: W ___\n gap 1 yes: a\n gap 1 no: b", ['gaps' => ['1' => '3']], 'gaps'];
        yield 'a text for a list' => ["gaps: W ___\n gap 1 yes: a\n gap 1 no: b", ['gaps' => ['1' => 'a']], 'gaps'];
        yield 'two fields' => ["one: W?\n yes: a\n no: b", ['choose' => [1], 'text' => 'a'], 'text'];
    }

    #[DataProvider('refused')]
    public function test_what_no_page_could_send_is_refused_by_its_field(string $text, mixed $given, string $field): void
    {
        try {
            self::sheet(TextQuestions::one($text), 1)->fromPage($given);
            self::fail('it was taken');
        } catch (Malformed $e) {
            self::assertSame($field, $e->field);
        }
    }

    private static function sheet(Question $question, int $seed): PageAnswers
    {
        $settings = $question->effective();

        return new PageAnswers($question, $settings, ChoiceOrder::of($question, $settings->isYes(Setting::Shuffle), new Chance($seed)));
    }

    private static function plan(Question $question): MarkingPlan
    {
        return MarkingPlan::of($question, $question->effective());
    }
}
