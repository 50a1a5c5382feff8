<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank;

use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** Changes of what a bank sets, and of what the house sets for all, stand in their histories and can be undone. */
final class SettingsHistoryTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    public function test_what_a_bank_sets_goes_back_by_its_history(): void
    {
        $before = $this->settings();
        $own = $before->object('settings')->raw();
        $this->set([...$own, 'points' => '4']);
        $this->set([...$own, 'points' => '4', 'attempts' => '3']);
        [$change] = $this->changes();
        self::assertSame(
            ['settings', 'M. Orrell', 'changed what counts: “points”, “attempts”'],
            [$change->text('kind'), $change->text('by'), $change->text('words')],
            'settings save themselves: what one person changes in a while is one step',
        );

        $undone = $this->undo($change);
        self::assertSame('M. Orrell', $undone->text('undoneBy'));
        self::assertSame($before->object('settings')->raw(), $this->settings()->object('settings')->raw());
        self::assertSame('This is undone already.', $this->undo($change, 409)->text('detail'));
        $this->set([...$own, 'points' => '5']);
        self::assertSame('changed what counts: “points”', $this->changes()[0]->text('words'), 'what was undone does not go on');
    }

    public function test_a_step_goes_back_only_where_nobody_changed_the_settings_after_it(): void
    {
        $this->set(['points' => '4']);
        [$mine] = $this->changes();
        $this->logIn('kestle');
        $this->set(['points' => '6']);
        self::assertSame(['A. Kestle', 'M. Orrell'], array_map(static fn (Fields $c): string => $c->text('by'), array_slice($this->changes(), 0, 2)), 'of two people, two steps');
        $this->logIn('orrell');

        self::assertStringContainsString('changed again since', $this->undo($mine, 409)->text('detail'));
        self::assertSame('6', $this->settings()->object('settings')->text('points'));
    }

    public function test_a_save_that_changes_nothing_is_no_step(): void
    {
        $before = count($this->changes());
        $this->set($this->settings()->object('settings')->raw());
        $this->logIn('kestle');
        $this->house([]);

        self::assertCount($before, $this->changes());
        self::assertSame([], $this->send('GET', '/api/house-rules/changes')->objects('changes'));
    }

    public function test_what_the_house_sets_goes_back_in_all_banks(): void
    {
        $this->logIn('kestle');
        $this->house(['attempts' => '3']);
        $changes = $this->send('GET', '/api/house-rules/changes', schema: 'HouseChanges')->objects('changes');
        self::assertSame(['changed what counts: “attempts”'], array_map(static fn (Fields $c): string => $c->text('words'), $changes));
        self::assertSame('3', $this->settings()->object('house')->object('settings')->text('attempts'));

        $id = $changes[0]->integer('id');
        [$undone] = $this->send('POST', "/api/house-rules/changes/$id/undo", schema: 'HouseChanges')->objects('changes');
        self::assertSame($changes[0]->text('by'), $undone->text('undoneBy'));
        self::assertSame([], $this->send('GET', '/api/house-rules')->object('settings')->raw());
        self::assertSame('1', $this->settings()->object('house')->object('settings')->text('attempts'), 'every bank has its copy back');
        $this->house(['attempts' => '2']);
        $this->send('POST', "/api/house-rules/changes/$id/undo", status: 409);
    }

    /** @param array<array-key, mixed> $settings */
    private function set(array $settings): void
    {
        $now = $this->settings();
        $this->send('PUT', '/api/banks/1/settings', ['version' => $now->integer('version'), 'settings' => $settings], 'BankSettings');
    }

    /** @param array<array-key, mixed> $settings */
    private function house(array $settings): void
    {
        $this->send('PUT', '/api/house-rules', ['version' => $this->send('GET', '/api/house-rules')->integer('version'), 'settings' => $settings], 'BankSettings');
    }

    private function settings(): Fields
    {
        return $this->send('GET', '/api/banks/1/settings', schema: 'BankSettings');
    }

    /** @return list<Fields> */
    private function changes(): array
    {
        return $this->send('GET', '/api/banks/1/changes?kind=settings')->objects('changes');
    }

    private function undo(Fields $change, int $status = 200): Fields
    {
        return $this->send('POST', '/api/banks/1/changes/' . $change->integer('id') . '/undo', schema: $status === 200 ? 'BankChange' : null, status: $status);
    }
}
