<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Question;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Sketch;

/** Questions as far as they have been written. */
final class SketchTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, string|null}> data, a word of what is missing or null where it is whole */
    public static function sketches(): iterable
    {
        $two = [['id' => 1, 'text' => 'a', 'key' => true], ['id' => 2, 'text' => 'b', 'key' => false]];
        $picture = ['file' => 'p.svg', 'shows' => 'P'];
        yield 'one, whole' => [['kind' => 'one', 'stem' => 'W?', 'choices' => $two], null];
        yield 'one, only begun' => [['kind' => 'one', 'stem' => '', 'choices' => []], 'stem'];
        yield 'one, no answers' => [['kind' => 'one', 'stem' => 'W?', 'choices' => []], 'two answers'];
        yield 'one, a blank answer' => [['kind' => 'one', 'stem' => 'W?', 'choices' => [...$two, ['id' => 3, 'text' => '', 'key' => false]]], 'answer 3 has no text'];
        yield 'one, a bad setting' => [['kind' => 'one', 'stem' => 'W?', 'choices' => $two, 'settings' => ['attempts' => 'many']], '“many”'];
        yield 'one, an unknown setting' => [['kind' => 'one', 'stem' => 'W?', 'choices' => $two, 'settings' => ['colour' => 'red']], 'no setting'];
        yield 'number, no number yet' => [['kind' => 'number', 'stem' => 'W?', 'spans' => []], 'no number is accepted'];
        yield 'number, half a span' => [['kind' => 'number', 'stem' => 'W?', 'spans' => [['span' => '14 within']]], '“14 within”'];
        yield 'text, no wording yet' => [['kind' => 'text', 'stem' => 'W?', 'wordings' => []], 'no wording is accepted'];
        yield 'gaps, none yet' => [['kind' => 'gaps', 'stem' => 'W?', 'gaps' => []], 'no gap'];
        yield 'gaps, nothing accepted' => [['kind' => 'gaps', 'stem' => 'W ___', 'gaps' => [['part' => ['id' => 1, 'text' => 'gap 1'], 'wordings' => []]]], 'gap 1 accepts nothing'];
        yield 'pairs, one side' => [['kind' => 'pairs', 'stem' => 'W?', 'pairs' => [['id' => 1, 'text' => 'a', 'belongs' => ['1'], 'with' => '']]], 'right-hand side'];
        yield 'groups, one group' => [['kind' => 'groups', 'stem' => 'W?', 'groups' => ['G'], 'items' => []], 'two groups'];
        yield 'order, one item' => [['kind' => 'order', 'stem' => 'W?', 'items' => [['id' => 1, 'text' => 'a']]], 'two items'];
        yield 'regions, no picture' => [['kind' => 'regions', 'stem' => 'W?', 'picture' => ['file' => '', 'shows' => ''], 'regions' => []], 'picture'];
        yield 'regions, no area' => [['kind' => 'regions', 'stem' => 'W?', 'picture' => $picture, 'regions' => []], 'no area'];
        yield 'regions, half an area' => [['kind' => 'regions', 'stem' => 'W?', 'picture' => $picture, 'regions' => [['area' => 'ellipse 4', 'key' => true]]], 'four numbers'];
        yield 'place, no spot' => [['kind' => 'place', 'stem' => 'W?', 'picture' => $picture, 'spots' => [], 'labels' => []], 'spot'];
        yield 'rating, whole' => [['kind' => 'rating', 'stem' => 'W?', 'from' => 1, 'to' => 5], null];
        yield 'rating, ends the wrong way' => [['kind' => 'rating', 'stem' => 'W?', 'from' => 5, 'to' => 1], 'scale'];
        yield 'a hint without a text' => [
            ['kind' => 'claim', 'stem' => 'W.', 'choices' => [['id' => 1, 'text' => 'true', 'key' => true], ['id' => 2, 'text' => 'false', 'key' => false]], 'hints' => [['text' => '']]],
            'hint',
        ];
    }

    /** @param array<string, mixed> $data */
    #[DataProvider('sketches')]
    public function test_it_is_whole_or_says_what_is_missing_and_keeps_what_was_typed(array $data, ?string $missing): void
    {
        $sketch = Sketch::of(Fields::of(['v' => 1, ...$data]), null, []);

        if ($missing === null) {
            self::assertNull($sketch->problem);
            self::assertNotNull($sketch->question);
        } else {
            self::assertStringContainsString($missing, $sketch->problem['message'] ?? 'nothing');
            self::assertNull($sketch->question);
        }
        foreach ($data as $field => $value) {
            self::assertEquals($value, $sketch->data[$field]);
        }
        self::assertSame($data['kind'], $sketch->kind()->value);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> data, the field named */
    public static function refused(): iterable
    {
        yield 'no kind' => [['stem' => 'W?'], 'kind'];
        yield 'an unknown kind' => [['kind' => 'essay', 'stem' => 'W?'], 'kind'];
        yield 'a stem that is no text' => [['kind' => 'one', 'stem' => []], 'stem'];
        yield 'an unknown field' => [['kind' => 'one', 'stem' => 'W?', 'colour' => 'red'], 'colour'];
        yield 'answers that are no list' => [['kind' => 'one', 'stem' => 'W?', 'choices' => 'a'], 'choices'];
        yield 'settings that are no texts' => [['kind' => 'one', 'stem' => 'W?', 'settings' => ['points' => 5]], 'settings.points'];
        yield 'far too much' => [['kind' => 'one', 'stem' => str_repeat('long ', 100_000)], 'content'];
    }

    /** @param array<string, mixed> $data */
    #[DataProvider('refused')]
    public function test_what_could_not_be_shown_again_is_refused_by_its_field(array $data, string $field): void
    {
        try {
            Sketch::of(Fields::of($data), null, []);
            self::fail('it was taken');
        } catch (Malformed $e) {
            self::assertSame($field, $e->field);
        }
    }

    /** @return iterable<string, array{string, int, bool}> stem, gaps, whether it is whole */
    public static function stems(): iterable
    {
        yield 'as many as there are places' => ['A ___ and a ____.', 2, true];
        yield 'a gap too many' => ['A ___.', 2, false];
        yield 'a place too many' => ['A ___ and a ___.', 1, false];
        yield 'no place at all' => ['A and b.', 1, false];
    }

    #[DataProvider('stems')]
    public function test_a_gap_fill_has_as_many_gaps_as_its_text_leaves_open(string $stem, int $gaps, bool $whole): void
    {
        $data = [
            'v' => 1,
            'kind' => 'gaps',
            'stem' => $stem,
            'gaps' => array_map(static fn (int $n): array => ['part' => ['id' => $n, 'text' => "gap $n", 'belongs' => [(string) $n]], 'wordings' => [['text' => 'x']]], range(1, $gaps)),
        ];
        $sketch = Sketch::of(Fields::of($data), null, []);

        self::assertSame($whole, $sketch->problem === null, $sketch->problem['message'] ?? '');
        // What was whole by the rules of its day is still read: papers hold it.
        self::assertSame($stem, Question::fromData(Fields::of($data), verified: true)->stem);
    }

    public function test_a_setting_that_cannot_be_taken_is_named(): void
    {
        $sketch = Sketch::of(Fields::of(['v' => 1, 'kind' => 'one', 'stem' => 'W?', 'choices' => [], 'settings' => ['attempts' => 'many']]), null, []);

        self::assertSame('attempts', $sketch->problem['field'] ?? null);
    }
}
