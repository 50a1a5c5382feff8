<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Question;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\TextFormat\Reader;
use Zetema\Core\Exchange\TextFormat\Vocabulary;
use Zetema\Core\Exchange\TextFormat\Writer;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Marking\Table\WhatScoresWhat;
use Zetema\Core\Proofreading\Proofreader;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\LineWord;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Sketch;
use Zetema\Core\Sitting\Paper\PageOrder;

/** What every kind promises, held for every kind by the questions of the demo. A new kind gets a question there and must pass. */
final class KindContractTest extends TestCase
{
    private const DEMO = __DIR__ . '/../../../demo/certificate.zet.txt';

    /** @return iterable<string, array{Question}> every question of the demo, by kind and name */
    public static function questions(): iterable
    {
        $kinds = [];
        foreach ((new Reader())->questions((string) file_get_contents(self::DEMO)) as $read) {
            $question = $read->question ?? self::fail('the demo has a problem');
            $kind = $question->kind::id()->value;
            $kinds[$kind] = ($kinds[$kind] ?? 0) + 1;
            if ($kinds[$kind] <= 4) {
                yield $kind . ' ' . $kinds[$kind] => [$question];
            }
        }
        self::assertCount(count(KindId::cases()), $kinds, 'the demo has every kind');
    }

    #[DataProvider('questions')]
    public function test_it_is_stored_and_written_and_read_without_loss(Question $question): void
    {
        $stored = Question::fromData(Fields::ofJson(json_encode($question->toData(), JSON_THROW_ON_ERROR)), $question->name, $question->objective, $question->status);
        self::assertEquals($question, $stored);
        $text = (new Writer())->question($question);
        $read = iterator_to_array((new Reader())->questions($text), false);

        self::assertCount(1, $read);
        self::assertEquals($question->toData(), $read[0]->question?->toData());
        self::assertSame($text, (new Writer())->question($read[0]->question ?? $question), 'the second writing is the first');
    }

    #[DataProvider('questions')]
    public function test_a_candidate_is_shown_nothing_of_the_key(Question $question): void
    {
        $settings = $question->effective();
        $shown = json_encode($question->kind->shownToCandidate($question->kind->shuffledLists(), $settings), JSON_THROW_ON_ERROR);

        foreach (['"key"', '"keys"', '"weight"', '"share"', '"says"', '"earns"', '"loses"', '"belongs"', '"leadsTo"', '"tallies"', '"wordings"', '"area"'] as $secret) {
            self::assertStringNotContainsString($secret, $shown);
        }
        foreach ($question->kind->choices() as $choice) {
            self::assertTrue($choice->says === null || !str_contains($shown, json_encode($choice->says, JSON_THROW_ON_ERROR)));
        }
    }

    #[DataProvider('questions')]
    public function test_what_is_mixed_is_shown_whole_in_any_order(Question $question): void
    {
        $settings = $question->effective();
        $lists = $question->kind->shuffledLists();
        foreach ($lists as $list) {
            self::assertCount(count($list), array_unique($list), 'nothing stands in a list twice');
        }
        $texts = static function (array $shown): array {
            $all = [];
            array_walk_recursive($shown, static function (mixed $value) use (&$all): void {
                $all[] = json_encode($value);
            });
            sort($all);

            return $all;
        };

        self::assertSame($texts($question->kind->shownToCandidate($lists, $settings)), $texts($question->kind->shownToCandidate(array_map(array_reverse(...), $lists), $settings)));
    }

    #[DataProvider('questions')]
    public function test_responses_are_read_back_as_they_are_stored_and_others_refused(Question $question): void
    {
        $settings = $question->effective();
        self::assertTrue($question->kind->response(null, $settings)->isBlank());
        $own = $question->kind::id()->facts()->field;
        $n = 0;
        foreach (WhatScoresWhat::responses($question, $settings) as $response) {
            self::assertTrue($response->isBlank() || array_keys($response->toData() ?? []) === [$own], 'the field that the facts name');
            self::assertEquals($response, $question->kind->response(json_decode((string) json_encode($response->toData()), true), $settings, complete: false));
            if (++$n > 40) {
                break;
            }
        }
        $foreign = [
            [],
            ['nonsense' => 1],
            'text',
            7,
            true,
            ['choose' => 'x'],
            ['text' => 7],
            ['gaps' => 'x'],
            ['pairs' => 1],
            ['groups' => [1]],
            ['order' => [99]],
            ['points' => [[1]]],
            ['place' => ['99' => '1']],
            [$own => null, 'more' => 1],
        ];
        foreach ($foreign as $given) {
            try {
                $question->kind->response($given, $settings);
                self::fail('it took ' . json_encode($given));
            } catch (Malformed $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
    }

    #[DataProvider('questions')]
    public function test_its_best_response_is_right_and_nothing_earns_more(Question $question): void
    {
        $settings = $question->effective();
        $plan = MarkingPlan::of($question, $settings);
        $outcomes = [];
        $n = 0;
        foreach (WhatScoresWhat::responses($question, $settings) as $response) {
            $verdict = (new Marker())->mark($plan, $response);
            $outcomes[$verdict->outcome->value] = true;
            self::assertLessThanOrEqual(0, $verdict->earned->compare($plan->max()));
            self::assertNotSame([], $verdict->working, 'every mark shows its working');
            if (++$n > 3_000) {
                break;
            }
        }

        self::assertArrayHasKey($plan->judged ? Outcome::Right->value : Outcome::Recorded->value, $outcomes);
        self::assertSame($plan->judged, $question->kind->keyInWords() !== [], 'what is judged has a key in words');
    }

    #[DataProvider('questions')]
    public function test_its_lines_have_ids_of_their_own_and_the_proofreader_names_only_lines_that_are_there(Question $question): void
    {
        $word = $question->kind::id()->facts()->line;
        $ids = $question->kind->lineIds();
        self::assertSame($ids, array_values(array_unique($ids)));
        foreach ((new Proofreader())->read($question, $question->effective()) as $flaw) {
            $isLine = preg_match('/^' . $word . ' (\d+)$/', $flaw->where, $m) === 1;
            self::assertTrue(!$isLine || (int) $m[1] <= count($ids), $flaw->where);
        }
    }

    #[DataProvider('questions')]
    public function test_half_of_it_is_kept_as_it_was_typed(Question $question): void
    {
        $typed = [...$question->toData(), 'stem' => ''];
        $sketch = Sketch::of(Fields::of($typed), $question->name, $question->objective);

        self::assertNull($sketch->question);
        self::assertSame($typed, $sketch->data);
        self::assertSame($question->kind::id(), $sketch->kind());
        self::assertNotSame('', $sketch->problem['message'] ?? '');
    }

    /** @return iterable<string, array{KindId}> */
    public static function kinds(): iterable
    {
        foreach (KindId::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_it_takes_its_own_rules_and_settings_and_no_others(KindId $kind): void
    {
        $facts = $kind->facts();
        self::assertSame($kind, $kind->definition()::id());
        foreach (['whole', 'parts', 'each', 'weighed', 'parts by place', 'parts by neighbour'] as $rule) {
            self::assertSame(in_array($rule, $facts->rules, true), Question::kindTakes($kind, Setting::Marking, $rule), $rule);
        }
        foreach ($facts->settings as $own) {
            self::assertTrue(Question::kindTakes($kind, $own, $own->houseValue() ?? ''), $own->value);
        }
        self::assertCount(count($facts->words), array_unique(array_map(static fn (LineWord $w): string => $w->word, $facts->words)));
    }

    #[DataProvider('kinds')]
    public function test_a_new_one_is_kept_and_told_what_it_lacks(KindId $kind): void
    {
        $facts = $kind->facts();
        $empty = ['v' => Question::VERSION, 'kind' => $kind->value, 'stem' => '', ...$facts->empty];
        $sketch = Sketch::of(Fields::of($empty), null, []);

        self::assertSame($kind, $sketch->kind());
        self::assertNotSame('', $sketch->problem['message'] ?? '', 'an empty question is not whole');
        self::assertSame($empty, $facts->complete($empty), 'it has every field');
        self::assertEquals($facts->lists === [] ? $empty : [...$empty, ...array_fill_keys($facts->lists, [])], $facts->complete(array_diff_key($empty, array_flip($facts->lists))));
        self::assertSame([], array_diff($facts->lists, array_keys($facts->empty)));
        self::assertArrayNotHasKey('settings', $facts->empty, 'what nobody chose is not stored');
    }

    #[DataProvider('kinds')]
    public function test_its_words_are_words_of_the_text_format(KindId $kind): void
    {
        $facts = $kind->facts();
        foreach ($facts->opening as $word) {
            self::assertSame($kind, KindId::openedBy($word));
        }
        foreach ($facts->words as $word) {
            foreach ($word->examples === [] ? [$word->word] : $word->examples as $head) {
                $known = (new Vocabulary())->classify($head);
                self::assertIsArray($known, $head);
                self::assertSame($word->word, $known[0]);
            }
        }
        self::assertContains($kind->value, $facts->names, 'it is found by its name');
        foreach ($facts->defaults as $word => $value) {
            self::assertSame($value, Setting::from($word)->canonical($value));
            self::assertTrue(Question::kindTakes($kind, Setting::from($word), $value));
        }
    }

    #[DataProvider('questions')]
    public function test_responses_that_tell_how_it_is_marked_can_be_given(Question $question): void
    {
        $settings = $question->effective();
        $given = 0;
        foreach ($question->kind->telling($settings) as $response) {
            $data = json_decode((string) json_encode($response->toData()), true);
            self::assertEquals($response, $question->kind->response($data, $settings, complete: false));
            self::assertNotSame([], $question->kind->inWords($response, withKey: true) === [] && !$response->isBlank() ? [] : ['said']);
            ++$given;
        }

        self::assertGreaterThan(0, $given);
        self::assertTrue(!$question->kind->isListable() || $question->kind->space($settings)->count() > 0);
    }

    #[DataProvider('questions')]
    public function test_what_it_shows_in_another_order_is_understood_by_its_place(Question $question): void
    {
        $order = new PageOrder($question->kind, array_map(array_reverse(...), $question->kind->shuffledLists()));
        $n = 0;
        foreach ($question->kind->telling($question->effective()) as $response) {
            $onPage = json_decode((string) json_encode($order->toPlaces($response)), true);
            self::assertEquals($response, $question->kind->response($order->toNumbers($onPage), $question->effective(), complete: false));
            if (++$n > 60) {
                break;
            }
        }
        self::assertNull($order->toPlaces(Response::blank()));
    }
}
