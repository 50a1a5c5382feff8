<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Question;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** Making, copying, restoring, throwing away, trying out. */
final class QuestionEditingTest extends ApiTestCase
{
    private const ONE = ['v' => 1, 'kind' => 'one', 'stem' => 'What calms bees here?', 'choices' => [['id' => 1, 'text' => 'Smoke', 'key' => true], ['id' => 2, 'text' => 'Water', 'key' => false], ['id' => 3, 'text' => 'Light', 'key' => false]]];

    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function emptyOnes(): iterable
    {
        $parts = [['id' => 1, 'text' => ''], ['id' => 2, 'text' => '']];
        $picture = ['file' => '', 'shows' => ''];
        yield 'one' => [['kind' => 'one', 'choices' => []]];
        yield 'text' => [['kind' => 'text', 'wordings' => []]];
        yield 'number' => [['kind' => 'number', 'spans' => []]];
        yield 'gaps' => [['kind' => 'gaps', 'gaps' => []]];
        yield 'pairs' => [['kind' => 'pairs', 'pairs' => $parts]];
        yield 'groups' => [['kind' => 'groups', 'groups' => ['', ''], 'items' => $parts]];
        yield 'order' => [['kind' => 'order', 'items' => $parts]];
        yield 'regions' => [['kind' => 'regions', 'picture' => $picture, 'regions' => []]];
        yield 'place' => [['kind' => 'place', 'picture' => $picture, 'spots' => [], 'labels' => []]];
        yield 'rating' => [['kind' => 'rating', 'from' => 1, 'to' => 5]];
    }

    /** @param array<string, mixed> $content */
    #[DataProvider('emptyOnes')]
    public function test_an_empty_question_of_any_kind_is_a_draft_at_once(array $content): void
    {
        $made = $this->send('POST', '/api/banks/1/questions', ['content' => ['v' => 1, 'stem' => '', ...$content], 'objective' => 'Colony life'], 'Question', 201);

        self::assertSame(['draft', 'Colony life'], [$made->text('status'), $made->text('objective')]);
        self::assertNotSame('', $made->object('problem')->text('message'));
        self::assertStringNotContainsString('`', $made->object('problem')->text('message'), 'said for the screen, not for the text format');
    }

    public function test_several_of_a_kind_are_made_at_once(): void
    {
        $this->send('POST', '/api/banks/1/questions', ['content' => self::ONE, 'count' => 5, 'objective' => 'Swarms > Casts'], 'Question', 201);

        self::assertCount(self::QUESTIONS + 5, $this->send('GET', '/api/banks/1/questions')->objects('questions'));
        foreach ([['count' => 0], ['count' => 51], ['count' => 2, 'name' => 'twice']] as $body) {
            self::assertSame('count', $this->send('POST', '/api/banks/1/questions', ['content' => self::ONE, ...$body], status: 422)->text('field'));
        }
    }

    public function test_a_copy_says_the_same_under_no_name_and_is_a_draft(): void
    {
        $copy = $this->send('POST', '/api/questions/16/copy', [], 'Question', 201);
        $original = $this->send('GET', '/api/questions/16');

        self::assertSame(['draft', null, $original->text('objective')], [$copy->text('status'), $copy->optionalText('name'), $copy->text('objective')]);
        self::assertEquals($original->object('content')->raw(), $copy->object('content')->raw());
    }

    public function test_a_house_pattern_is_found_and_new_questions_are_copies_of_it(): void
    {
        self::assertSame('16', $this->patterns(), 'the one of the demo');
        $this->send('PUT', '/api/questions/2/about', ['version' => $this->version('/api/questions/2'), 'isPattern' => true], 'Question');
        $this->send('PUT', '/api/questions/16/about', ['version' => $this->version('/api/questions/16'), 'isPattern' => false, 'selfNote' => 'Ask about larvae too.'], 'Question');

        self::assertSame('2', $this->patterns());
        $again = $this->send('GET', '/api/questions/16', schema: 'Question');
        self::assertSame(['Ask about larvae too.', 1], [$again->text('selfNote'), $again->integer('revision')], 'a note to self is no part of the question');
    }

    public function test_revisions_tell_what_changed_and_an_older_one_can_be_the_newest_again(): void
    {
        $id = $this->cleared();
        $opened = $this->send('GET', "/api/questions/$id");
        $saved = $this->edit($opened, ['stem' => 'What calms a colony?']);
        $lines = $this->send('GET', "/api/questions/$id/revisions/2", schema: 'Difference');

        self::assertSame([['one: What calms bees here?', 'taken out'], ['one: What calms a colony?', 'added']], array_values(array_map(
            static fn (Fields $l): array => [$l->text('text'), $l->text('change')],
            array_filter($lines->objects('lines'), static fn (Fields $l): bool => $l->text('change') !== 'kept'),
        )));
        $this->send('POST', "/api/questions/$id/restore", ['number' => 1, 'version' => $saved->integer('version') - 1], status: 409);
        $back = $this->send('POST', "/api/questions/$id/restore", ['number' => 1, 'version' => $saved->integer('version')], 'Question');
        self::assertSame([3, 'What calms bees here?', 'draft'], [$back->integer('revision'), $back->object('content')->text('stem'), $back->text('status')]);
        $this->send('GET', "/api/questions/$id/revisions/9", status: 404);
        self::assertNull($this->send('GET', "/api/questions/$id/revisions/1", schema: 'Difference')->optionalInteger('against'));
    }

    public function test_what_becomes_whole_soon_after_stays_one_revision(): void
    {
        $made = $this->send('POST', '/api/banks/1/questions', ['content' => [...self::ONE, 'choices' => []]], 'Question', 201);
        $id = $made->integer('id');
        $whole = $this->edit($made, ['choices' => self::ONE['choices']]);
        self::assertNull($whole->optionalObject('problem'));
        $lines = $this->send('GET', "/api/questions/$id/revisions/1", schema: 'Difference')->objects('lines');

        self::assertSame('one: What calms bees here?', $lines[0]->text('text'), 'soon after, it went into the same revision');
    }

    public function test_a_draft_can_be_thrown_away_and_what_was_cleared_cannot(): void
    {
        $made = $this->send('POST', '/api/banks/1/questions', ['content' => self::ONE], 'Question', 201);
        $this->send('DELETE', '/api/questions/' . $made->integer('id') . '?version=' . $made->integer('version'));
        $this->send('GET', '/api/questions/' . $made->integer('id'), status: 404);

        self::assertStringContainsString('retire it', $this->send('DELETE', '/api/questions/16?version=' . $this->version('/api/questions/16'), status: 422)->text('detail'));
    }

    public function test_any_response_can_be_tried_on_any_attempt(): void
    {
        // "fresh eggs": ten points, two attempts, the second costs five, wrong costs one, a hint that costs one
        $seen = $this->send('GET', '/api/questions/16/as-seen?seed=4', schema: 'AsSeen');
        $choices = $seen->object('question')->object('answers')->texts('choices');
        $key = (int) array_search($seen->objects('key')[0]->text('text'), $choices, true) + 1;
        $try = fn (int $attempt = 1, int $hints = 0, bool $late = false): Fields => $this->send('POST', '/api/questions/16/try', ['seed' => 4, 'response' => ['choose' => [$key]], 'attempt' => $attempt, 'hints' => $hints, 'late' => $late], 'Tried');
        $blank = $this->send('POST', '/api/questions/16/try', ['response' => null], 'Tried');

        self::assertSame(['right', '10'], [$try()->text('outcome'), $try()->text('earned')]);
        self::assertSame('4', $try(2, 1)->text('earned'));
        self::assertSame(['out of time', '-1'], [$try(late: true)->text('outcome'), $try(late: true)->text('earned')]);
        self::assertSame(['unanswered', '0'], [$blank->text('outcome'), $blank->text('earned')]);
        self::assertNotSame([], $try()->texts('working'));
        foreach ([['attempt' => 3], ['attempt' => 0], ['hints' => 2], ['response' => ['choose' => [9]]]] as $how) {
            $this->send('POST', '/api/questions/16/try', ['seed' => 4, 'response' => ['choose' => [$key]], ...$how], status: 422);
        }
    }

    public function test_what_a_sitting_would_not_take_is_not_tried_either(): void
    {
        $number = $this->send('POST', '/api/banks/1/questions', ['content' => ['v' => 1, 'kind' => 'number', 'stem' => 'How many legs has a bee?', 'spans' => [['id' => 1, 'span' => '6', 'share' => '100']]]], 'Question', 201)->integer('id');
        $refused = $this->send('POST', "/api/questions/$number/try", ['response' => ['text' => 'six or so']], status: 422);

        self::assertSame('This cannot be read as a number. No attempt was used.', $refused->text('detail'));
        self::assertSame('right', $this->send('POST', "/api/questions/$number/try", ['response' => ['text' => '6']], 'Tried')->text('outcome'));
        self::assertSame('unanswered', $this->send('POST', "/api/questions/$number/try", ['response' => ['text' => ' ']], 'Tried')->text('outcome'));
    }

    /** @return iterable<string, array{int, string, string, list<string>}> id, a response, its outcome, what it earns by attempt */
    public static function scores(): iterable
    {
        yield 'a key on two attempts' => [16, 'Single eggs standing upright in their cells', 'right', ['10', '5']];
        yield 'a distractor' => [16, 'Capped cells with a flat brown lid', 'wrong', ['-1', '-1']];
        yield 'nothing' => [16, 'nothing', 'unanswered', ['0', '0']];
        yield 'the border of a span' => [80, '“2.5”', 'partly right', ['5']];
        yield 'one step beyond it' => [80, '“2.49”', 'wrong', ['0']];
        yield 'an order' => [66, 'Feeding larvae › Cleaning cells › Building comb › Guarding the entrance › Foraging', 'partly right', ['5']];
        yield 'a pair alone' => [65, 'Queen – 16 days', 'partly right', ['3.33']];
    }

    /** @param list<string> $earned */
    #[DataProvider('scores')]
    public function test_what_scores_what_lists_it(int $id, string $response, string $outcome, array $earned): void
    {
        $rows = $this->send('GET', "/api/questions/$id/scores?all=1", schema: 'Scores')->objects('rows');
        $found = array_values(array_filter($rows, static fn (Fields $row): bool => $row->text('response') === $response));

        self::assertCount(1, $found, implode(' | ', array_map(static fn (Fields $row): string => $row->text('response'), array_slice($rows, 0, 20))));
        self::assertSame([$outcome, $earned], [$found[0]->text('outcome'), $found[0]->texts('earned')]);
    }

    /** @return iterable<string, array{int, string|null, string|null}> id, points on average, chance of all */
    public static function guesses(): iterable
    {
        yield 'one of four, a distractor costs one' => [16, '1.75', '1/4'];
        yield 'a number' => [80, '0', '0'];
        yield 'an order of five by neighbours' => [66, '2', '1/120'];
        yield 'pairs with a spare' => [65, '2.5', '1/24'];
        yield 'a scale' => [89, null, null];
    }

    #[DataProvider('guesses')]
    public function test_what_guessing_earns_is_exact(int $id, ?string $expected, ?string $right): void
    {
        $guess = $this->send('GET', "/api/questions/$id/guess", schema: 'Guess');

        self::assertSame([$expected, $right, null], [$guess->optionalText('expected'), $guess->optionalText('right'), $guess->optionalText('why')]);
    }

    public function test_a_long_table_begins_with_its_first_rows(): void
    {
        $scores = $this->send('GET', '/api/questions/66/scores', schema: 'Scores');

        self::assertSame([60, 121], [count($scores->objects('rows')), $scores->integer('total')], 'five items in any order, and nothing');
        self::assertSame(['right', 'nothing'], [$scores->objects('rows')[0]->text('outcome'), $scores->objects('rows')[59]->text('response')], 'the right one first, nothing last');
    }

    public function test_formulas_and_raised_signs_can_be_drawn_where_it_is_listed(): void
    {
        $made = $this->send('POST', '/api/banks/1/questions', ['content' => [...self::ONE, 'stem' => 'How large is $\\frac{1}{2}$ m^2^?', 'choices' => [['id' => 1, 'text' => '$\\frac{1}{2}$ m^2^', 'key' => true], ['id' => 2, 'text' => str_repeat('very ', 30) . 'long', 'key' => false]]]], 'Question', 201);
        $rows = $this->send('GET', '/api/questions/' . $made->integer('id') . '/scores?all=1', schema: 'Scores')->objects('rows');
        $told = array_map(static fn (Fields $row): array => [$row->text('response'), $row->objects('lines')[0]->text('text'), $row->objects('lines')[0]->flag('typed')], $rows);

        self::assertSame(['1/2 m²', '$\\frac{1}{2}$ m^2^', false], $told[0]);
        self::assertSame([str_repeat('very ', 23) . 'very…', true], array_slice($told[1], 1), 'what is long is cut, and stands as words');
        $listed = $this->send('GET', '/api/banks/1/questions?search=How+large', schema: 'QuestionList')->objects('questions');
        self::assertSame('How large is 1/2 m²?', $listed[0]->text('excerpt'));
    }

    private function patterns(): string
    {
        return implode(' ', array_map(static fn (Fields $q): string => (string) $q->integer('id'), $this->send('GET', '/api/banks/1/questions?patterns=1', schema: 'QuestionList')->objects('questions')));
    }

    private function cleared(): int
    {
        $made = $this->send('POST', '/api/banks/1/questions', ['content' => self::ONE], 'Question', 201);
        $this->send('PUT', '/api/questions/' . $made->integer('id') . '/status', ['status' => 'cleared', 'version' => $made->integer('version')], 'Question');

        return $made->integer('id');
    }

    /** @param array<string, mixed> $change */
    private function edit(Fields $question, array $change): Fields
    {
        $content = [...$question->object('content')->raw(), ...$change];

        return $this->send('PUT', '/api/questions/' . $question->integer('id'), ['version' => $question->integer('version'), 'content' => $content], 'Question');
    }

    public function test_lists_times_and_numbers_are_taken_as_people_type_them(): void
    {
        $save = function (array $content): Fields {
            $made = $this->send('POST', '/api/banks/1/questions', ['content' => ['v' => 1, 'stem' => 'W?', ...$content]], 'Question', 201);
            self::assertNull($made->optionalObject('problem'), (string) json_encode($made->raw()['problem']));

            return $made->object('content');
        };
        $text = $save(['kind' => 'text', 'wordings' => [['text' => 'x']], 'settings' => ['ignore' => 'accents, case', 'points' => '2,5', 'time' => '1:30', 'attempts' => '2', 'attempt costs' => '1, 50 %']]);
        self::assertEquals(['ignore' => 'case, accents', 'points' => '2.5', 'time' => '90 s', 'attempts' => '2', 'attempt costs' => '1, 50 %'], $text->object('settings')->raw());
        $number = $save(['kind' => 'number', 'spans' => [['span' => '14,5 within 0,5'], ['span' => '1.250,5']], 'settings' => ['unit' => 'kg, kilograms'], 'hints' => [['text' => 'h', 'after' => '2 min 30 s']]]);
        self::assertSame(['14.5 within 0.5', '1250.5'], array_map(static fn (Fields $s): string => $s->text('span'), $number->objects('spans')));
        self::assertSame(['kg, kilograms', 150], [$number->object('settings')->text('unit'), $number->objects('hints')[0]->integer('after')]);
    }

    public function test_what_a_wrong_answer_costs_in_the_margin_heeds_the_floor(): void
    {
        $content = ['v' => 1, 'kind' => 'claim', 'stem' => 'Bees fly.', 'choices' => [['id' => 1, 'text' => 'true', 'key' => true], ['id' => 2, 'text' => 'false', 'key' => false]], 'settings' => ['points' => '5', 'wrong costs' => '2', 'floor' => '0']];
        $margin = $this->send('POST', '/api/banks/1/questions', ['content' => $content], 'Question', 201)->object('margin');

        self::assertSame(['0', '0'], [$margin->text('wrong'), $margin->object('lines')->object('answer:2')->texts('earned')[0]]);
    }

    public function test_after_an_older_revision_was_made_the_newest_the_list_begins_with_it(): void
    {
        $question = $this->send('GET', '/api/questions/16', schema: 'Question');
        $edited = $this->send('PUT', '/api/questions/16', ['version' => $question->integer('version'), 'name' => $question->text('name'), 'objective' => $question->text('objective'), 'content' => [...$question->object('content')->raw(), 'stem' => 'Another stem?']], 'Question');
        $restored = $this->send('POST', '/api/questions/16/restore', ['version' => $edited->integer('version'), 'number' => 1], 'Question');

        self::assertSame([3, 2, 1], array_map(static fn (Fields $r): int => $r->integer('number'), $restored->objects('revisions')));
    }

    public function test_who_has_logged_out_has_no_question_open_any_more(): void
    {
        $this->send('POST', '/api/questions/16/here');
        $this->send('POST', '/api/log-out');
        $this->logIn('penhale');

        self::assertSame([], $this->send('POST', '/api/questions/16/here')->texts('others'));
    }
}
