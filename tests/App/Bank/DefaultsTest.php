<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** What counts where a question says nothing: house rules of the organisation, what a bank sets, and older questions that say something else. */
final class DefaultsTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    public function test_house_rules_reach_every_bank_and_a_bank_goes_before_them(): void
    {
        $this->setHouse(['settings' => ['attempts' => '3', 'decimals' => '1'], 'byKind' => ['claim' => ['attempts' => '1'], 'one' => ['layout' => 'two columns']], 'wording' => ['wrong' => 'Not so.']]);
        $effective = fn (int $id, string $setting): string => $this->send('GET', "/api/questions/$id", schema: 'Question')->object('margin')->object('settings')->object($setting)->text('value');
        $one = $this->first('one');
        $claim = $this->first('claim');
        self::assertSame(['3', '1', 'two columns'], [$effective($one, 'attempts'), $effective($claim, 'attempts'), $effective($one, 'layout')]);
        self::assertSame('3', $this->bank()->object('house')->object('settings')->text('attempts'));

        $this->setBank(['settings' => ['attempts' => '2']]);
        self::assertSame(['2', '2', 'two columns'], [$effective($one, 'attempts'), $effective($claim, 'attempts'), $effective($one, 'layout')], 'what the bank says of every question is nearer than what the house says of a kind');
        $made = $this->send('POST', '/api/banks', ['name' => 'Made later'], 'Banks', 201)->integer('made');
        self::assertSame(['3', 'Not so.'], [$this->bank($made)->object('house')->object('settings')->text('attempts'), $this->bank($made)->object('house')->object('wording')->text('wrong')]);
        self::assertSame([], $this->bank($made)->object('settings')->raw());
    }

    public function test_only_who_keeps_the_accounts_keeps_the_house_rules_and_of_two_at_once_one_is_told(): void
    {
        $rules = $this->send('GET', '/api/house-rules', schema: 'BankSettings');
        $this->send('PUT', '/api/house-rules', ['version' => $rules->integer('version'), 'settings' => []], status: 403);
        $this->logIn('kestle');
        $this->send('PUT', '/api/house-rules', ['version' => $rules->integer('version'), 'settings' => ['points' => '2']], 'BankSettings');
        $stale = $this->send('PUT', '/api/house-rules', ['version' => $rules->integer('version'), 'settings' => ['points' => '4']], status: 409);
        self::assertSame('urn:zetema:problem:stale', $stale->text('type'));
        self::assertSame('2', $this->send('GET', '/api/house-rules')->object('settings')->text('points'));
    }

    public function test_the_wording_of_a_bank_is_read_where_a_question_says_nothing_and_an_edition_keeps_its_own(): void
    {
        $claim = $this->first('claim');
        $wrong = ['choose' => [1]];
        $said = fn (): array => $this->send('POST', "/api/questions/$claim/try", ['response' => $wrong], 'Tried')->texts('said');
        $key = $this->send('POST', "/api/questions/$claim/try", ['response' => $wrong])->text('outcome') === 'right' ? 2 : 1;
        $wrong = ['choose' => [$key]];
        $before = $said();
        $this->setBank(['settings' => [], 'wording' => ['wrong' => 'Look it up in the *handbook*.', 'right' => 'Well kept.']]);
        $own = $this->send('GET', "/api/questions/$claim")->object('content')->objects('outcomeTexts', optional: true);
        $expected = array_filter($own, static fn (Fields $t): bool => $t->text('outcome') === 'wrong') === [] ? ['Look it up in the *handbook*.'] : $before;
        self::assertSame($expected, $said());
        self::assertSame('Well kept.', $this->send('GET', "/api/questions/$claim", schema: 'Question')->object('wording')->text('right'));

        // The practice tells after each attempt; its edition is from before.
        $this->plan(2, [['question' => 'warming eggs']], ['settings' => ['attempts' => '1']]);
        $told = function (): string {
            $sitting = $this->send('POST', '/api/blueprints/2/rehearsals', ['seed' => 4], status: 201);
            $id = $sitting->integer('id');
            $marked = $this->send('POST', "/api/sittings/$id/events", ['request' => 'r1', 'on' => $sitting->integer('events'), 'type' => 'checked', 'sheet' => 1, 'response' => ['choose' => [1]]]);
            $other = $this->send('POST', '/api/blueprints/2/rehearsals', ['seed' => 4], status: 201);
            $marked2 = $this->send('POST', '/api/sittings/' . $other->integer('id') . '/events', ['request' => 'r2', 'on' => $other->integer('events'), 'type' => 'checked', 'sheet' => 1, 'response' => ['choose' => [2]]]);

            return json_encode([$marked->raw(), $marked2->raw()], JSON_THROW_ON_ERROR);
        };
        self::assertStringContainsString('Well kept.', $told());
        $editions = self::getContainer()->get(Connection::class)->fetchFirstColumn('SELECT DISTINCT bank_wording FROM edition');
        self::assertSame(['[]'], $editions, 'what is frozen says what was said then');
    }

    public function test_the_wording_goes_out_with_the_text_and_comes_back(): void
    {
        $this->setBank(['settings' => ['points' => '3'], 'wording' => ['out of time' => 'Too late, says the queen.']]);
        $this->client->request('GET', '/api/banks/1/text');
        $text = $this->client->getInternalResponse()->getContent();
        self::assertStringContainsString("\nbank settings:\n  points: 3\n  if out of time: Too late, says the queen.\n", $text);

        $other = $this->send('POST', '/api/banks', ['name' => 'Other'], 'Banks', 201)->integer('made');
        $line = $this->send('POST', "/api/banks/$other/intake/read", ['text' => $text], 'Understood')->objects('questions')[0]->integer('fromLine');
        $this->send('POST', "/api/banks/$other/intake", ['text' => $text, 'lines' => [$line]], 'Job', 201);
        self::assertSame('Too late, says the queen.', $this->bank($other)->object('wording')->text('out of time'));
        $problems = $this->send('POST', "/api/banks/$other/intake/read", ['text' => "bank settings for rating:\n  if wrong: No.\n"])->objects('problems');
        self::assertStringContainsString('a question of kind rating is never “wrong”', $problems[0]->text('message'));
    }

    public function test_the_wording_for_one_kind_is_nearer_and_goes_out_and_comes_back(): void
    {
        $this->setHouse(['settings' => [], 'wording' => ['wrong' => 'House: no.', 'right' => 'House: yes.'], 'kindWording' => ['claim' => ['right' => 'It is so.'], 'text' => ['wrong' => 'Mind the spelling.']]]);
        $this->setBank(['settings' => [], 'wording' => ['wrong' => 'Bank: no.'], 'kindWording' => ['claim' => ['wrong' => 'It is not so.']]]);
        $said = function (string $kind): array {
            $wording = $this->send('GET', '/api/questions/' . $this->first($kind), schema: 'Question')->object('wording');

            return [$wording->text('right'), $wording->text('wrong')];
        };
        self::assertSame([['It is so.', 'It is not so.'], ['House: yes.', 'Bank: no.'], ['House: yes.', 'Bank: no.']], [$said('claim'), $said('text'), $said('one')], 'what the bank says of every question is nearer than what the house says of a kind');

        $this->client->request('GET', '/api/banks/1/text');
        self::assertStringContainsString("\nbank settings for claim:\n  if wrong: It is not so.\n", $this->client->getInternalResponse()->getContent());
        $other = $this->send('POST', '/api/banks', ['name' => 'Other'], 'Banks', 201)->integer('made');
        $text = "bank settings for claim:\n  if wrong: It is not so.\n\nfalse: A drone stings.\n";
        $understood = $this->send('POST', "/api/banks/$other/intake/read", ['text' => $text], 'Understood');
        self::assertSame(['claim', 'if wrong', 'It is not so.'], array_map($understood->objects('bankSettings')[0]->text(...), ['kind', 'setting', 'value']));
        $this->send('POST', "/api/banks/$other/intake", ['text' => $text, 'lines' => [4]], 'Job', 201);
        self::assertSame('It is not so.', $this->bank($other)->object('kindWording')->object('claim')->text('wrong'));
    }

    public function test_cleared_questions_that_say_nothing_after_an_outcome_are_counted_so_that_a_change_is_agreed_to(): void
    {
        $id = $this->send('GET', '/api/banks/1/questions?kind=claim&status=cleared')->objects('questions')[0]->integer('id');
        $cleared = fn (string $kind): Fields => $this->send('GET', '/api/banks/1/settings/differing', schema: 'Differing')->object('cleared')->object($kind);
        $before = $cleared('claim');
        self::assertGreaterThan(3, $before->integer('wrong'));
        $clearedWith = function (array $texts) use ($id): void {
            $question = $this->edited($id, ['outcomeTexts' => $texts]);
            $this->send('PUT', "/api/questions/$id/status", ['version' => $question->integer('version'), 'status' => 'cleared'], 'Question');
        };
        $clearedWith([]);
        $none = $cleared('claim');
        $clearedWith([['outcome' => 'wrong', 'text' => 'No.'], ['outcome' => 'right', 'attempt' => 1, 'text' => 'At once!']]);
        $one = $cleared('claim');
        self::assertSame([$none->integer('wrong') - 1, $none->integer('right'), $none->integer('unanswered')], array_map($one->integer(...), ['wrong', 'right', 'unanswered']), 'one that speaks of the first attempt follows on the others');
        self::assertSame(['recorded', 'unanswered'], array_values(array_intersect(['right', 'wrong', 'recorded', 'unanswered'], array_keys($cleared('rating')->raw()))), 'a rating is never right');
    }

    public function test_who_wrote_in_a_question_does_not_clear_it_where_another_person_must(): void
    {
        $id = $this->first('claim');
        $this->setBank(['settings' => [], 'clearing' => 'only another person']);
        $question = $this->edited($id, ['stem' => 'A drone has a sting.']);
        self::assertSame('only another person than who wrote in it clears it', $question->text('mayNotClear'));
        $refused = $this->send('PUT', "/api/questions/$id/status", ['version' => $question->integer('version'), 'status' => 'cleared'], status: 422);
        self::assertStringContainsString('another person clears it', $refused->text('detail'));
        $preview = $this->send('POST', '/api/banks/1/questions/change/preview', ['ids' => [$id], 'change' => ['status' => 'cleared']], 'ManyPreview');
        self::assertSame([0, 'only another person than who wrote in it clears it'], [$preview->integer('changed'), $preview->objects('stays')[0]->text('why')]);
        $again = $this->send('POST', '/api/banks/1/questions/change/preview', ['ids' => [$this->first('number')], 'change' => ['settings' => ['points' => '3']], 'clearAgain' => true], 'ManyPreview');
        self::assertSame([1, 1, 'status'], [$again->integer('changed'), $again->integer('drafts'), $again->objects('stays')[0]->text('what')], 'no way round it by many');
        $this->send('PUT', "/api/questions/$id/status", ['version' => $question->integer('version'), 'status' => 'in review'], 'Question');

        $this->logIn('penhale');
        $question = $this->send('GET', "/api/questions/$id", schema: 'Question');
        self::assertNull($question->optionalText('mayNotClear'));
        self::assertSame('cleared', $this->send('PUT', "/api/questions/$id/status", ['version' => $question->integer('version'), 'status' => 'cleared'], 'Question')->text('status'));
    }

    public function test_clearing_many_tells_how_many_have_an_open_comment(): void
    {
        $commented = array_map(static fn (Fields $q): int => $q->integer('id'), $this->send('GET', '/api/banks/1/questions?comments=open')->objects('questions'));
        self::assertCount(2, $commented);
        $preview = fn (array $change, bool $again): int => $this->send('POST', '/api/banks/1/questions/change/preview', ['ids' => [...$commented, $this->first('number')], 'change' => $change, 'clearAgain' => $again], 'ManyPreview')->integer('commented');
        self::assertSame([2, 2, 0], [$preview(['settings' => ['points' => '7']], false), $preview(['settings' => ['points' => '7']], true), $preview(['status' => 'retired'], false)]);
        $this->send('POST', '/api/banks/1/questions/change', ['ids' => $commented, 'change' => ['settings' => ['points' => '7']]], status: 202);
        self::assertSame(2, $preview(['status' => 'cleared'], false));
    }

    public function test_what_a_file_calls_cleared_is_reviewed_first_where_another_person_must_clear(): void
    {
        $this->setHouse(['settings' => [], 'clearing' => 'only another person']);
        $text = "false: A drone stings.\n  status: cleared\n";
        $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'lines' => [1]], 'Job', 201);
        self::assertSame('in review', $this->send('GET', '/api/banks/1/questions?search=A drone stings')->objects('questions')[0]->text('status'));
    }

    public function test_questions_that_say_something_else_are_counted_listed_and_brought_into_line_and_back(): void
    {
        $this->setBank(['settings' => ['points' => '10']]);
        $own = static fn (Fields $told, string $which, string $kind): int => $told->object($which)->optionalObject($kind)?->optionalInteger('points') ?? 0;
        $before = $this->send('GET', '/api/banks/1/settings/differing', schema: 'Differing');
        $claims = $this->send('GET', '/api/banks/1/questions?kind=claim&differs=points', schema: 'QuestionList');
        self::assertSame($own($before, 'differ', 'claim'), $claims->integer('total'));
        self::assertGreaterThan(10, $claims->integer('total'));
        self::assertSame(0, $own($before, 'follow', 'claim'), 'each claim of the demo says its points');

        $body = ['filter' => ['kind' => 'claim', 'differs' => 'points'], 'change' => ['settings' => ['points' => null]]];
        $preview = $this->send('POST', '/api/banks/1/questions/change/preview', $body, 'ManyPreview');
        self::assertSame('points: 5 → 10, as the bank has it', sprintf('%s: %s → %s', ...array_map($preview->objects('changes')[0]->text(...), ['what', 'from', 'to'])));
        $this->send('POST', '/api/banks/1/questions/change', $body, 'Job', 202);
        $after = $this->send('GET', '/api/banks/1/settings/differing', schema: 'Differing');
        self::assertSame([0, $claims->integer('total'), 0], [$own($after, 'differ', 'claim'), $own($after, 'follow', 'claim'), $own($after, 'cleared', 'claim')], 'each is a draft now');
        self::assertSame('draft', $this->send('GET', '/api/questions/' . $this->first('claim'))->text('status'), 'a cleared one gets a draft; nothing is dealt otherwise in silence');
        $change = $this->send('GET', '/api/banks/1/changes')->objects('changes')[0]->integer('id');
        $this->send('POST', "/api/banks/1/changes/$change/undo", []);
        self::assertEquals($before, $this->send('GET', '/api/banks/1/settings/differing'));
    }

    public function test_a_specimen_of_each_kind_is_told_as_its_candidates_are(): void
    {
        $this->setBank(['settings' => ['attempts' => '2', 'time' => '1 min', 'how' => 'Mind the bees.'], 'wording' => ['wrong' => 'Not so.', 'out of time' => '–']]);
        $specimens = $this->send('GET', '/api/banks/1/settings/differing', schema: 'Differing')->object('specimen');
        self::assertCount(12, $specimens->raw(), 'one of each kind');
        $rating = array_map(static fn (Fields $said): string => $said->text('text'), $specimens->object('rating')->objects('said'));
        self::assertSame(['Recorded.'], $rating);
        $one = $specimens->object('one');
        $said = array_column(array_map(static fn (Fields $one): array => [$one->text('outcome'), $one->text('text')], $one->objects('said')), 1, 0);
        self::assertSame(['Mind the bees.', 2, 60], [$one->text('how'), $one->integer('attempts'), $one->integer('time')]);
        self::assertSame(['Not so.', ''], [$said['wrong'], $said['out of time']], 'a dash says nothing');
        self::assertMatchesRegularExpression('/^Right: \d+ of \d+\.$/', $said['right']);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'a setting of one question alone' => [['settings' => ['unit' => 'g']], 'for a whole bank'];
        yield 'a value that does not go there' => [['settings' => ['decimals' => '9']], 'a number from 0 to 4'];
        yield 'nobody' => [['settings' => [], 'clearing' => 'nobody'], 'its author too or only another person'];
        yield 'a wording for what never comes' => [['settings' => [], 'kindWording' => ['rating' => ['wrong' => 'No.']]], 'never “wrong”'];
        yield 'too long' => [['settings' => [], 'wording' => ['wrong' => str_repeat('a', 2001)]], 'more than 2000 characters'];
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('wrong')]
    public function test_what_cannot_be_set_is_refused_for_a_bank_and_for_the_house(array $body, string $why): void
    {
        self::assertStringContainsString($why, $this->send('PUT', '/api/banks/1/settings', ['version' => $this->version('/api/banks/1/settings'), ...$body], status: 422)->text('detail'));
        $this->logIn('kestle');
        self::assertStringContainsString($why, $this->send('PUT', '/api/house-rules', ['version' => $this->version('/api/house-rules'), ...$body], status: 422)->text('detail'));
    }

    /** @param array<string, mixed> $rules */
    private function setHouse(array $rules): void
    {
        $this->logIn('kestle');
        $this->send('PUT', '/api/house-rules', ['version' => $this->version('/api/house-rules'), ...$rules], 'BankSettings');
        $this->logIn('orrell');
    }

    /** @param array<string, mixed> $set */
    private function setBank(array $set): void
    {
        $this->send('PUT', '/api/banks/1/settings', ['version' => $this->version('/api/banks/1/settings'), ...$set], 'BankSettings');
    }

    private function bank(int $id = 1): Fields
    {
        return $this->send('GET', "/api/banks/$id/settings", schema: 'BankSettings');
    }

    private function first(string $kind): int
    {
        return $this->send('GET', "/api/banks/1/questions?kind=$kind&order=made")->objects('questions')[0]->integer('id');
    }

    /** @param array<string, mixed> $content */
    private function edited(int $id, array $content): Fields
    {
        $question = $this->send('GET', "/api/questions/$id");

        return $this->send('PUT', "/api/questions/$id", ['version' => $question->integer('version'), 'name' => $question->optionalText('name') ?? '', 'objective' => $question->optionalText('objective') ?? '', 'content' => [...$question->object('content')->raw(), ...$content]], 'Question');
    }
}
