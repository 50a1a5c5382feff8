<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Question;

use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** Reviewers and the proofreader at the lines of a question; two people at one question; pages and settings of a bank. */
final class ReviewingTest extends ApiTestCase
{
    use ClockSensitiveTrait;
    private const PAGES = ['a word before swarm day', 'before you begin', 'certificate not passed', 'certificate passed', 'why eggs matter'];

    public function test_a_comment_stands_at_its_line_is_answered_and_closed(): void
    {
        $this->logIn('penhale');
        $comment = $this->send('POST', '/api/questions/16/comments', ['where' => 'answer:2', 'text' => 'Is a lid ever round?'], 'Question', 201)->objects('comments')[0];
        self::assertSame(['answer:2', 'S. Penhale', null], [$comment->text('where'), $comment->text('by'), $comment->optionalText('closedAt')]);

        $this->logIn('orrell');
        $path = '/api/questions/16/comments/' . $comment->integer('id');
        $answered = $this->send('PUT', $path, ['text' => 'Only over drones.'], 'Question')->objects('comments')[0];
        self::assertSame(['M. Orrell', 'Only over drones.'], [$answered->objects('answers')[0]->text('by'), $answered->objects('answers')[0]->text('text')]);
        self::assertSame(
            'M. Orrell',
            $this->send('PUT', $path, ['closed' => true], 'Question')
                ->objects('comments')[0]
                ->text('closedBy'),
        );
        self::assertNull(
            $this->send('PUT', $path, ['closed' => false], 'Question')
                ->objects('comments')[0]
                ->optionalText('closedBy'),
        );

        foreach (['', '   ', str_repeat('a', 2001)] as $text) {
            self::assertSame('text', $this->send('POST', '/api/questions/16/comments', ['where' => 'stem', 'text' => $text], status: 422)->text('field'));
        }
        $this->send('PUT', '/api/questions/15/comments/' . $comment->integer('id'), ['closed' => true], status: 404);
    }

    public function test_a_note_to_self_is_seen_by_authors_only(): void
    {
        $this->logIn('orrell');
        $version = $this->version('/api/questions/16');
        self::assertSame('Ask the vet.', $this->send('PUT', '/api/questions/16/about', ['version' => $version, 'selfNote' => 'Ask the vet.'], 'Question')->text('selfNote'));
        $this->logIn('penhale');
        self::assertSame('', $this->send('GET', '/api/questions/16', schema: 'Question')->text('selfNote'));
    }

    public function test_a_note_of_the_proofreader_is_waved_off_until_it_reads_otherwise(): void
    {
        $this->logIn('orrell');
        $proof = $this->proof($this->send('GET', '/api/questions/16', schema: 'Question'), 'all or none of these');
        $waved = ['rule' => $proof->text('rule'), 'where' => $proof->text('where'), 'message' => $proof->text('message')];
        $this->send('POST', '/api/questions/16/waved', [...$waved, 'reason' => ''], status: 422);
        $this->send('POST', '/api/questions/16/waved', [...$waved, 'rule' => 'taste', 'reason' => 'No.'], status: 422);
        $question = $this->send('POST', '/api/questions/16/waved', [...$waved, 'reason' => 'The guild always has it.'], 'Question', 201);

        self::assertSame('The guild always has it.', $this->proof($question, 'all or none of these')->object('waved')->text('reason'));
        $bank = $this->send('GET', '/api/banks/1/proofreading', schema: 'Proofreading');
        self::assertNotContains(16, array_map(static fn (Fields $q): int => $q->integer('id'), $bank->objects('questions')), 'it is not asked about again');

        $choices = $question->object('content')->raw()['choices'];
        self::assertIsArray($choices);
        $choices[3] = ['id' => 4, 'text' => 'All of these', 'key' => false];
        $changed = $this->send(
            'PUT',
            '/api/questions/16',
            ['version' => $question->integer('version'), 'name' => 'fresh eggs', 'objective' => $question->text('objective'), 'content' => [...$question->object('content')->raw(), 'choices' => $choices]],
            'Question',
        );
        self::assertNull($this->proof($changed, 'all or none of these')->optionalObject('waved'), 'the line reads otherwise now');
        self::assertNull($this->proof($this->send('PUT', '/api/questions/16/waved', $waved, 'Question'), 'all or none of these')->optionalObject('waved'));
    }

    public function test_what_is_kept_at_a_line_goes_with_it_and_not_with_its_place(): void
    {
        $this->logIn('orrell');
        $question = $this->send('GET', '/api/questions/16', schema: 'Question');
        $proof = $this->proof($question, 'all or none of these');
        self::assertSame('answer:4', $proof->text('where'));
        $this->send('POST', '/api/questions/16/waved', ['rule' => $proof->text('rule'), 'where' => $proof->text('where'), 'message' => $proof->text('message'), 'reason' => 'The guild always has it.'], 'Question', 201);
        $question = $this->send('POST', '/api/questions/16/comments', ['where' => 'answer:2', 'text' => 'Is a lid ever round?'], 'Question', 201);
        $content = $question->object('content')->raw();
        $choices = $content['choices'];
        self::assertIsArray($choices);
        $edit = fn (Fields $question, array $list): Fields => $this->send(
            'PUT',
            '/api/questions/16',
            ['version' => $question->integer('version'), 'name' => 'fresh eggs', 'objective' => $question->text('objective'), 'content' => [...$content, 'choices' => $list]],
            'Question',
        );
        $moved = $edit($question, [$choices[3], $choices[0], ['id' => 9, 'text' => 'A new one in between', 'key' => false], $choices[1], $choices[2]]);

        self::assertSame('The guild always has it.', $this->proof($moved, 'all or none of these')->object('waved')->text('reason'), 'it is answer 1 now');
        self::assertSame('answer:2', $moved->objects('comments')[0]->text('where'), 'and this one answer 4');
        self::assertNotContains(16, array_map(static fn (Fields $q): int => $q->integer('id'), $this->send('GET', '/api/banks/1/proofreading?rule=all%20or%20none%20of%20these')->objects('questions')));
    }

    public function test_who_else_has_a_question_open_is_told_until_they_have_gone(): void
    {
        $clock = self::mockTime(new \DateTimeImmutable('2026-05-01 10:00:00'));
        self::assertInstanceOf(MockClock::class, $clock);
        $here = fn (): array => $this->send('POST', '/api/questions/16/here')->texts('others');
        $this->logIn('penhale');
        self::assertSame([], $here());
        $this->logIn('orrell');
        self::assertSame(['S. Penhale'], $here());
        $clock->sleep(30);
        self::assertSame(['S. Penhale'], $here());
        $clock->sleep(30);
        self::assertSame([], $here());
    }

    public function test_pages_are_written_renamed_refused_and_taken_out(): void
    {
        $this->logIn('orrell');
        self::assertSame(self::PAGES, array_map(static fn (Fields $p): string => $p->text('name'), $this->send('GET', '/api/banks/1/pages')->objects('pages')));
        $page = $this->send('POST', '/api/banks/1/pages', ['name' => 'a new one', 'heading' => 'New', 'reads' => 'Text.'], 'Page', 201);
        $path = '/api/pages/' . $page->integer('id');
        $saved = $this->send('PUT', $path, ['version' => 1, 'name' => 'another', 'heading' => '', 'reads' => 'Longer text.'], 'Page');

        self::assertSame(['another', null, 'Longer text.', 2], [$saved->text('name'), $saved->optionalText('heading'), $saved->text('reads'), $saved->integer('version')]);
        self::assertSame(
            'another',
            $this->send('PUT', $path, ['version' => 1, 'name' => 'stale'], status: 409)
                ->object('current')
                ->text('name'),
        );
        foreach (['', 'why eggs matter', str_repeat('n', 81)] as $name) {
            self::assertSame('name', $this->send('PUT', $path, ['version' => 2, 'name' => $name], status: 422)->text('field'));
        }
        $this->client->request('GET', '/api/banks/1/text');
        self::assertStringContainsString("page: another\n  reads: Longer text.", $this->client->getInternalResponse()->getContent());
        $this->send('DELETE', $path . '?version=1', status: 409);
        $this->send('DELETE', $path . '?version=2');
        self::assertCount(count(self::PAGES), $this->send('GET', '/api/banks/1/pages')->objects('pages'));
    }

    public function test_pages_come_in_with_a_file_and_go_with_its_batch(): void
    {
        $this->logIn('orrell');
        $text = "true: A drone has a sting at all.\n\npage: brand new\n  reads: Text.\n\npage: why eggs matter\n  reads: Other text.";
        self::assertSame(['brand new', 'why eggs matter'], $this->send('POST', '/api/banks/1/intake/read', ['text' => $text], 'Understood')->texts('pages'));
        $batch = $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'lines' => [1]], 'Job', 201);
        $names = fn (): array => array_map(static fn (Fields $p): string => $p->text('name'), $this->send('GET', '/api/banks/1/pages')->objects('pages'));

        self::assertSame([...array_slice(self::PAGES, 0, 2), 'brand new', ...array_slice(self::PAGES, 2)], $names(), 'the one that is there stays as it is');
        $this->send('POST', '/api/batches/' . $batch->object('result')->integer('id') . '/take-back');
        self::assertSame(self::PAGES, $names());
    }

    public function test_what_the_bank_sets_counts_where_a_question_sets_nothing(): void
    {
        $this->logIn('orrell');
        $settings = $this->send('GET', '/api/banks/1/settings', schema: 'BankSettings');
        $this->send('PUT', '/api/banks/1/settings', ['version' => $settings->integer('version'), 'settings' => ['attempts' => '3', 'attempt costs' => '2', 'points' => '4']], 'BankSettings');
        // "queen or worker" has points of its own and no attempts
        $margin = $this->send('GET', '/api/questions/2', schema: 'Question')->object('margin');

        self::assertSame(['3', 'bank'], [$margin->object('settings')->object('attempts')->text('value'), $margin->object('settings')->object('attempts')->text('from')]);
        self::assertSame(['10', 'question'], [$margin->object('settings')->object('points')->text('value'), $margin->object('settings')->object('points')->text('from')]);
        self::assertSame(['10', '8', '8'], $margin->object('lines')->object('answer:1')->texts('earned'));
        $made = $this->send(
            'POST',
            '/api/banks/1/questions',
            ['content' => ['v' => 1, 'kind' => 'claim', 'stem' => 'A claim of ours.', 'choices' => [['id' => 1, 'text' => 'true', 'key' => true], ['id' => 2, 'text' => 'false', 'key' => false]]]],
            'Question',
            201,
        );
        self::assertSame('4', $made->object('margin')->text('worth'));

        $this->send('PUT', '/api/banks/1/settings', ['version' => $settings->integer('version'), 'settings' => []], status: 409);
        foreach (['marking' => 'weighed', 'unit' => 'g', 'attempts' => 'many'] as $word => $value) {
            $this->send('PUT', '/api/banks/1/settings', ['version' => $settings->integer('version') + 1, 'settings' => [$word => $value]], status: 422);
        }
    }

    public function test_a_frozen_edition_keeps_the_banks_settings_of_its_day(): void
    {
        $this->logIn('orrell');
        $this->send('PUT', '/api/banks/1/settings', ['version' => $this->send('GET', '/api/banks/1/settings')->integer('version'), 'settings' => ['wrong costs' => '3']], 'BankSettings');
        $rehearsal = $this->begin('/api/blueprints/1/rehearsals', ['seed' => 3]);
        $this->logIn('carrow');
        $sitting = $this->begin();

        self::assertSame('running', $sitting->text('phase'));
        $wrong = fn (int $id): string => (string) self::getContainer()
            ->get(\Zetema\App\Delivery\Papers::class)
            ->paper(self::getContainer()->get('doctrine')->getManager()->find(\Zetema\App\Delivery\Sitting::class, $id) ?? throw new \LogicException())
            ->first()
            ?->settings->get(\Zetema\Core\Question\Settings\Setting::WrongCosts);
        self::assertSame(['3', '0'], [$wrong($rehearsal->integer('id')), $wrong($sitting->integer('id'))]);
    }

    private function proof(Fields $question, string $rule, string $field = 'proofs'): Fields
    {
        foreach ($question->objects($field) as $proof) {
            if ($proof->text('rule') === $rule) {
                return $proof;
            }
        }
        self::fail("no note of the rule “{$rule}”");
    }
}
