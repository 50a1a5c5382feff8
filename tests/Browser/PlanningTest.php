<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** An assessment is planned by keyboard alone: sections, pages, a checkpoint with two routes; and a draw from questions that are picked by hand. */
final class PlanningTest extends BrowserTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->page->logIn('orrell', 'honeycomb');
    }

    private function begin(string $title): void
    {
        $this->page->open('/banks/1/blueprints');
        $this->page->field('Title of a new blueprint')->sendKeys($title . Key::ENTER);
        $this->page->see('This form is still empty');
    }

    /** Types a step and takes what stands first. */
    private function step(string $typed, string $first): void
    {
        $this->page->type($typed);
        $this->page->find('//*[@role="option" and @aria-selected="true"][contains(., "' . $first . '")]');
        $this->page->type(Key::ENTER);
    }

    private function focus(string $selector): void
    {
        $this->page->find('//*[' . $selector . ']');
        $this->page->script('document.evaluate(`//*[${arguments[0]}]`, document, null, 9, null).singleNodeValue.focus()', $selector);
    }

    /** Opens a value's menu and takes an option, all by keys. */
    private function choose(string $label, string $option): void
    {
        $this->focus("starts-with(@aria-label, \"$label: \")");
        $this->page->type(Key::ENTER);
        $this->page->find("//*[@role='menuitemradio'][normalize-space(.)='$option']");
        $highlighted = fn (): mixed => $this->page->script('return document.querySelector("[role=menuitemradio][data-highlighted]")?.textContent ?? ""');
        $this->page->type(Key::HOME);
        for ($i = 0; $i < 20 && $highlighted() !== $option; ++$i) {
            $this->page->type(Key::ARROW_DOWN);
        }
        self::assertSame($option, $highlighted());
        $this->page->type(Key::ENTER);
    }

    public function test_a_scenario_with_two_routes_is_built_from_nothing_by_keyboard(): void
    {
        $page = $this->page;
        $this->begin('A swarm in May');
        $this->focus('self::button and normalize-space(.)="Put in the first step"');
        $page->type(Key::ENTER);
        $this->step('page why eggs', 'why eggs matter');
        $this->step('fresh eggs', 'fresh eggs');
        $this->step('section The test', 'The test');
        $this->step('2 of colony life, one', 'Colony life: one');
        $this->step('section Another way', 'Another way');
        $this->step('page a word', 'a word before swarm day');
        $page->type(Key::ESCAPE);
        $this->choose('How candidates move', 'forward only');
        $this->choose('What is on a page', 'a question a page');
        $this->choose('When feedback is given', 'after each attempt');
        $page->see('saved');

        // Behind the question the way divides: with nothing earned another way.
        $this->focus('@data-of="step q1"');
        $page->type('+');
        $this->step('checkpoint', 'where the way divides');
        $this->focus('self::button and normalize-space(.)="Put in a condition"');
        $page->type(Key::ENTER);
        $this->choose('How it compares', 'less than');
        $this->choose('Where route 1 leads', 'step 5, the page a word before swarm day');
        $page->see('checkpoint: less than 1 point so far → 5; otherwise → what follows');
        $page->see('step 3 → 5: 1 question, 10 points');
        $page->see('step 3 → 4: 3 questions, 30 points');
        $this->looksRight();

        // Undone and done again by keys.
        $this->focus('@data-of="step c1"');
        $page->type(Key::DELETE);
        $page->until(static fn (): bool => !str_contains($page->text(), 'checkpoint:'), 'the checkpoint is gone');
        $page->type(Key::CONTROL . 'z' . Key::NULL);
        $page->see('checkpoint: less than 1 point so far');
        $page->see(' saved');

        $page->click('Rehearse');
        $page->click('Go on');
        $page->find('//button[@role="radio"][contains(., "Capped cells")]')->click();
        $page->click('Check');
        $page->see('Wrong');
        $page->click('Go on');
        $page->see('Another way');
        self::assertStringNotContainsString('The test', $page->text(), 'the draw was passed by');
    }

    public function test_a_draw_takes_what_is_picked_by_hand(): void
    {
        $page = $this->page;
        $this->begin('By hand');
        $page->click('Put in the first step');
        $this->step('1 of health and pests, number', 'Health and pests: number');
        $page->type(Key::ESCAPE);
        $page->find('//button[@aria-expanded][contains(., "take 1 of")]')->click();
        $page->click('pick questions by hand');
        $page->type('fresh');
        $page->click('these as well: fresh eggs');
        $page->see('these as well (1 question)');
        $page->see('of 4');
        $page->type(Key::CONTROL . 'a' . Key::NULL . 'mite');
        $page->find('(//button[starts-with(@aria-label, "without these: ")])[1]')->click();
        $page->see('without these (1 question)');
        $page->see('saved');
        $page->click('Deal a form');
        $page->see('seed 1 ·');
        $page->click('put it away');
        $page->click('let it fit again: ' . $this->takenOut());
        $page->until(static fn (): bool => !str_contains($page->text(), 'without these (1'), 'it fits again');
        $page->see('and “fresh eggs” of 4');
        self::assertStringContainsString('pick more by hand', $page->text());
    }

    public function test_a_section_is_dragged_to_the_place_of_another_with_its_steps(): void
    {
        $page = $this->page;
        $page->open('/banks/1/blueprints/1');
        $handle = $page->find('//*[@data-of="section health"]');
        $page->driver
            ->action()
            ->moveToElement($handle)
            ->clickAndHold()
            ->moveByOffset(0, -12)
            ->moveToElement($page->find('//*[@data-of="section colony"]'))
            ->release()
            ->perform();
        $page->until(
            static fn (): bool => $page->script('return [...document.querySelectorAll("[data-of]")].slice(0, 4).map(e => e.dataset.of).join()') === 'section health,step health-one,step health-claim,section colony',
            'it stands before',
        );
        self::assertStringContainsString('Health in this order', explode('The colony', $page->text())[0]);
        $page->click('undo');
        $page->see(' saved');
        $page->until(static fn (): bool => str_contains(explode('Health in', $page->text())[0], 'The colony'), 'it is back');
    }

    public function test_many_forms_are_dealt_and_stopped_half_way(): void
    {
        $page = $this->page;
        $page->open('/banks/1/blueprints/1');
        $page->click('Deal 10,000');
        $page->see('10,000 forms dealt');
        $page->click('How many forms: 10000, change');
        $page->type('100000' . Key::ENTER);
        $page->click('deal them again');
        // Held in its midst, so that it is not over before the page has shown it, however busy the machine is.
        $this->untilJob('done > 0');
        self::server()->holdWork(true);
        $page->until(static fn (): bool => preg_match('/Dealing: [1-9]/', $page->text()) === 1, 'it has begun');
        $page->click('Stop');
        $this->untilJob('stop_asked = 1');
        self::server()->holdWork(false);
        $page->see('Stopped;');
        $page->see('Worth of a form');
        preg_match('/Stopped; ([\d,]+) forms dealt/', $page->text(), $m);
        self::assertLessThan(100_000, (int) str_replace(',', '', $m[1] ?? '100,000'));
        $this->looksRight();
    }

    private function untilJob(string $is): void
    {
        $db = new \PDO('sqlite:' . self::server()->database, options: [\PDO::ATTR_TIMEOUT => 60]);
        $this->page->until(static function () use ($db, $is): bool {
            $found = $db->query("SELECT EXISTS (SELECT 1 FROM job WHERE id = (SELECT MAX(id) FROM job) AND total = 100000 AND $is)");

            return $found !== false && (bool) $found->fetchColumn();
        }, "the job: $is");
    }

    private function takenOut(): string
    {
        $label = $this->page->find('//button[starts-with(@aria-label, "let it fit again: ")]')->getAttribute('aria-label');

        return mb_substr((string) $label, mb_strlen('let it fit again: '));
    }
}
