<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;
use Zetema\Core\Question\Kinds\KindId;

/** A sitting without a mouse, and one whose time is short. */
final class KeyboardTest extends BrowserTestCase
{
    /** What the focus is moved to for a question of each kind, and what is pressed there. */
    private const PRESSED = [
        'one' => ['[role=radio]', Key::SPACE],
        'claim' => ['[role=radio]', '2'],
        'several' => ['[role=checkbox]', Key::SPACE],
        'rating' => ['[role=radio]', Key::SPACE],
        'number' => ['input.field', '14'],
        'text' => ['input.field', 'propolis'],
        'gaps' => ['.gap', '4'],
        'pairs' => ['select.field', Key::ARROW_DOWN],
        'groups' => ['select.field', Key::ARROW_DOWN],
        'place' => ['select.field', Key::ARROW_DOWN],
        'order' => ['button[aria-label$="down"]', Key::ENTER],
        'regions' => ['svg.board', Key::ARROW_RIGHT . Key::ARROW_UP . Key::ENTER],
    ];

    public function test_a_question_of_every_kind_is_sat_by_keyboard_alone(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $steps = [];
        foreach (KindId::cases() as $kind) {
            $question = $this->ask('GET', "/banks/1/questions?kind=$kind->value&status=cleared")->objects('questions')[0];
            $steps[] = ['id' => $kind->value, 'question' => $question->optionalText('name') ?? 'q' . $question->integer('id'), 'settings' => $kind === KindId::One ? [] : ['graded' => 'no']];
        }
        $id = $this->blueprint('One of every kind', $steps, ['moving' => 'forward only', 'feedback' => 'at the end', 'screen' => 'question']);
        $page->open("/banks/1/blueprints/$id");
        $page->see('Rehearse');
        $this->moveTo('//button[.="Rehearse"]');
        $page->type(Key::ENTER);
        $page->see('answer for me');
        foreach (KindId::cases() as $i => $kind) {
            [$what, $keys] = self::PRESSED[$kind->value];
            $page->see('Question ' . ($i + 1) . ' ');
            $this->moveTo($what);
            $page->type($keys);
            $page->until(static fn (): bool => $page->script('return document.body.innerText.match(/(^|\n)saved(\n|$)/) !== null') === true, 'it is saved');
            $this->moveTo('button.main');
            self::assertSame('Go on', $page->script('return document.activeElement.innerText'));
            $page->type(Key::ENTER);
        }
        $page->see('That was the last question.');
        $this->moveTo('button.main');
        $page->type(Key::ENTER);
        $page->see('Rehearsal, leaves no result');

        $path = $page->script('return location.pathname');
        self::assertIsString($path);
        $review = $this->ask('GET', $path);
        $blank = array_filter($review->objects('questions'), static fn ($question): bool => $question->raw()['given'] === null);
        self::assertSame([12, []], [count($review->objects('questions')), array_map(static fn ($question): string => $question->text('kind'), array_values($blank))], 'something was given to each');
        self::assertSame([], $this->violations(), 'and the review shows them all');
    }

    public function test_a_question_runs_out_of_time_on_its_second_try_with_its_feedback_open(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $id = $this->blueprint(
            'Short of time',
            [['id' => 'q', 'question' => 'fresh eggs', 'settings' => ['time' => '9 s', 'attempts' => '2', 'late' => 'wrong']], ['id' => 'p', 'page' => 'why eggs matter']],
            ['feedback' => 'after each attempt'],
        );
        $page->open("/banks/1/blueprints/$id");
        $page->click('Rehearse');
        $page->see('left for this question');
        $page->find('//button[@role="radio"][contains(., "Capped cells")]')->click();
        $page->click('Check');
        $page->see('One attempt left.');
        $page->click('Once more');
        $page->see('Check');
        $page->see('Time ran out: −1 of 10.');
        $page->see('attempt 1: Wrong: −1 of 10.');
        self::assertStringNotContainsString('Once more', $page->text(), 'only going on is left');
        self::assertSame(0, $page->script('return document.querySelectorAll("[role=radio]:not(:disabled)").length'));
        $page->click('Go on');
        $page->see('So eggs are the proof');
        $page->click('Go on');
        $page->see('That was the last question.');
        $page->click('Hand in the paper');
        $page->see('out of time, −1 of 10');
    }

    /** Presses Tab until the focus is on something. @param string $what a selector, or the place of it in the page */
    private function moveTo(string $what): void
    {
        $is = str_starts_with($what, '/') ? 'return document.activeElement === document.evaluate(arguments[0], document, null, 9, null).singleNodeValue' : 'return document.activeElement.matches(arguments[0])';
        for ($i = 0; $i < 200; ++$i) {
            $this->page->type(Key::TAB);
            if ($this->page->script($is, $what) === true) {
                return;
            }
        }
        self::fail("the focus never comes to $what");
    }
}
