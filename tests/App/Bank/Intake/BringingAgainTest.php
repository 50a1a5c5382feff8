<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Intake;

use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** A bank is written out, corrected in an editor, and brought in again. */
final class BringingAgainTest extends ApiTestCase
{
    public function test_a_stem_that_is_nearly_one_of_the_bank_says_so_and_can_become_its_revision(): void
    {
        $this->logIn('orrell');
        $stem = 'Which bee in a colony develops in the shortest time from the egg to an adult bee?';
        $text = "one: $stem\n  yes: The queen\n  no: The drone\n\none: How do bees keep warm in January?\n  yes: They cluster\n  no: They sleep\n";
        [$near, $other] = $this->send('POST', '/api/banks/1/intake/read', ['text' => $text], 'Understood')->objects('questions');
        self::assertNull($other->optionalObject('known'));
        self::assertSame(['near', false], [$near->object('known')->text('by'), $near->object('known')->flag('isSame')]);
        $id = $near->object('known')->integer('id');
        self::assertSame('shortest development', $this->send('GET', "/api/questions/$id")->text('name'));
        $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'lines' => [$near->integer('fromLine')], 'again' => [$near->integer('fromLine') => 'revise']], 'Job', 201);
        $revised = $this->send('GET', "/api/questions/$id");
        self::assertSame([$stem, 'shortest development'], [$revised->object('content')->text('stem'), $revised->text('name')]);
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    public function test_a_whole_bank_brought_in_again_is_the_same(): void
    {
        $questions = $this->read($this->text());
        self::assertGreaterThan(80, count($questions));

        self::assertSame([], array_filter($questions, static fn (Fields $q): bool => !$q->object('known')->flag('isSame')), 'nothing is lost on the way out and in');
    }

    public function test_a_corrected_question_becomes_a_new_revision_and_taking_the_batch_back_undoes_it(): void
    {
        $text = str_replace('Single eggs standing upright', 'Single eggs that stand upright', $this->text(), $places);
        self::assertSame(1, $places);
        $text .= "\ntrue: A bee has two pairs of wings.\n";
        $questions = $this->read($text);
        $changed = array_values(array_filter($questions, static fn (Fields $q): bool => $q->optionalObject('known')?->flag('isSame') === false))[0];
        self::assertSame(
            [['yes: Single eggs standing upright in their cells', 'taken out'], ['yes: Single eggs that stand upright in their cells', 'added']],
            array_map(static fn (Fields $line): array => [$line->text('text'), $line->text('change')], $changed->object('known')->objects('difference')),
        );
        $id = $changed->object('known')->integer('id');
        $before = $this->send('GET', "/api/questions/$id", schema: 'Question');
        $lines = [$changed->integer('fromLine'), $questions[count($questions) - 1]->integer('fromLine')];
        self::assertStringContainsString('a new revision of it, or another one?', $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'lines' => $lines], status: 422)->text('detail'));

        $batch = $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'lines' => $lines, 'again' => [(string) $lines[0] => 'revise'], 'name' => 'bank.zet.txt'], 'Job', 201)->object('result');
        self::assertSame([1, 1], [$batch->integer('questions'), $batch->integer('revised')]);
        $after = $this->send('GET', "/api/questions/$id", schema: 'Question');
        self::assertSame(
            [$before->integer('revision') + 1, 'draft', $before->text('objective')],
            [$after->integer('revision'), $after->text('status'), $after->text('objective')],
            'what is dealt stays until it is cleared again',
        );
        self::assertSame($before->integer('clearedRevision'), $after->integer('clearedRevision'));
        self::assertSame('brought one question in again as new revision (bank.zet.txt)', $this->send('GET', '/api/banks/1/changes')->objects('changes')[0]->text('words'));

        $this->send('POST', '/api/batches/' . $batch->integer('id') . '/take-back', []);
        $back = $this->send('GET', "/api/questions/$id", schema: 'Question');
        self::assertSame([$before->integer('revision'), 'cleared'], [$back->integer('revision'), $back->text('status')]);
        self::assertSame(0, $this->send('GET', '/api/banks/1/questions?search=pairs of wings')->integer('total'));
    }

    public function test_a_revision_that_was_worked_on_since_keeps_the_batch_and_says_so(): void
    {
        $question = $this->byName('fresh eggs');
        $text = "one: Which sign?\n  name: fresh eggs\n  yes: Eggs\n  no: None\n";
        $batch = $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'lines' => [1], 'again' => ['1' => 'revise']], 'Job', 201)
            ->object('result')
            ->integer('id');
        $now = $this->send('GET', '/api/questions/' . $question);
        $this->send('PUT', "/api/questions/$question", [
            'version' => $now->integer('version'),
            'name' => 'fresh eggs',
            'objective' => $now->text('objective'),
            'content' => [...$now->object('content')->raw(), 'stem' => 'Which sign of a queen?'],
        ]);
        $refused = $this->send('POST', "/api/batches/$batch/take-back", [], status: 409);

        self::assertStringContainsString('changed since (fresh eggs)', $refused->text('detail'));
    }

    public function test_another_one_gets_a_name_of_its_own_and_one_that_says_no_objective_stays_where_it_is(): void
    {
        $text = "one: Which sign?\n  name: fresh eggs\n  yes: Eggs\n  no: None\n";
        $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'lines' => [1], 'again' => ['1' => 'another']], 'Job', 201);
        $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'lines' => [1], 'again' => ['1' => 'another']], 'Job', 201);
        $names = array_map(static fn (Fields $q): ?string => $q->optionalText('name'), $this->send('GET', '/api/banks/1/questions?search=Which sign')->objects('questions'));
        self::assertContains('fresh eggs 2', $names);
        self::assertContains('fresh eggs 3', $names);

        $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'lines' => [1], 'again' => ['1' => 'revise']], 'Job', 201);
        $revised = $this->send('GET', '/api/questions/' . $this->byName('fresh eggs'));
        self::assertSame(['Hive inspection > Reading a frame', 'Which sign?'], [$revised->text('objective'), $revised->object('content')->text('stem')]);
    }

    public function test_one_with_the_same_stem_is_shown_and_can_be_revised_without_a_name(): void
    {
        $text = "1. Which bee in a colony develops in the shortest time from egg to adult?\nA) Worker\nB) Queen\nAnswer: B\n";
        $known = $this->read($text, 'paper')[0]->object('known');
        self::assertSame(['stem', false], [$known->text('by'), $known->flag('isSame')]);
        $name = $this->send('GET', '/api/questions/' . $known->integer('id'))->optionalText('name');
        $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'as' => 'paper', 'lines' => [1], 'again' => ['1' => 'revise']], 'Job', 201);
        $revised = $this->send('GET', '/api/questions/' . $known->integer('id'));

        self::assertSame([2, $name], [count($revised->object('content')->objects('choices')), $revised->optionalText('name')]);
    }

    public function test_several_files_are_one_batch_and_go_back_together(): void
    {
        $one = "one: Which sign?\n  name: fresh eggs\n  yes: Eggs\n  no: None\n";
        $before = $this->send('GET', '/api/questions/' . $this->byName('fresh eggs'));
        $first = $this->taken($one, ['name' => 'a.txt', 'again' => ['1' => 'revise']]);
        $batch = $first->integer('id');
        $second = $this->taken("true: Filed.\n", ['name' => 'b.txt', 'batch' => $batch]);
        $third = $this->taken(str_replace('Eggs', 'Standing eggs', $one), ['name' => 'c.txt', 'batch' => $batch, 'again' => ['1' => 'revise']]);
        self::assertSame(
            [[$batch, 'a.txt', 0, 1], [$batch, 'a.txt and 1 more', 1, 1], [$batch, 'a.txt and 2 more', 1, 1]],
            array_map(static fn (Fields $b): array => [$b->integer('id'), $b->text('name'), $b->integer('questions'), $b->integer('revised')], [$first, $second, $third]),
        );

        $back = $this->send('POST', "/api/batches/$batch/take-back", [])->object('result');
        self::assertSame([1, 1, 0], [$back->integer('putBack'), $back->integer('taken'), $back->integer('kept')]);
        $after = $this->send('GET', '/api/questions/' . $this->byName('fresh eggs'));
        self::assertSame([$before->object('content')->text('stem'), 'cleared'], [$after->object('content')->text('stem'), $after->text('status')], 'revised twice, it is what it was first');
        self::assertStringContainsString('more can be taken into', $this->send('POST', '/api/banks/1/intake', ['text' => 'true: Late.', 'lines' => [1], 'batch' => $batch], status: 422)->text('detail'));
    }

    /** @param array<string, mixed> $more */
    private function taken(string $text, array $more): Fields
    {
        return $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'lines' => [1], ...$more], 'Job', 201)->object('result');
    }

    /** @return list<Fields> */
    private function read(string $text, string $as = 'text'): array
    {
        return $this->send('POST', '/api/banks/1/intake/read', ['text' => $text, 'as' => $as], 'Understood')->objects('questions');
    }

    private function text(): string
    {
        $this->client->request('GET', '/api/banks/1/text');

        return $this->client->getInternalResponse()->getContent();
    }

    private function byName(string $name): int
    {
        return $this->send('GET', '/api/banks/1/find?typed=' . rawurlencode($name))
            ->objects('found')[0]
            ->integer('id');
    }
}
