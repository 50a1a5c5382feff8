<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

/** What holds of every screen, and of the small things done on them. */
final class ScreensTest extends BrowserTestCase
{
    private const SCREENS = [
        '/banks' => 'Banks of questions',
        '/banks/1' => 'what it takes',
        '/banks/1/history' => 'What was done to the bank',
        '/banks/1/alike' => 'ask',
        '/banks/1/questions' => '92 questions',
        '/banks/1/questions/16' => 'what it says',
        '/banks/1/questions/new' => 'What sort',
        '/banks/1/questions/64' => 'what it says',
        '/banks/1/questions/67' => 'what it says',
        '/banks/1/questions/70' => 'what it says',
        '/banks/1/questions/75' => 'what it says',
        '/banks/1/questions/76' => 'what it says',
        '/as-seen/64' => 'Check',
        '/as-seen/67' => 'Check',
        '/as-seen/70' => 'Check',
        '/as-seen/75' => 'Check',
        '/banks/1/pages' => 'Pages for reading',
        '/banks/1/pages/1' => 'Take this page out',
        '/banks/1/proofreading' => 'questions read',
        '/banks/1/settings' => 'What counts',
        '/house-rules' => 'What counts in all banks',
        '/banks/1/intake' => 'Bring questions in',
        '/banks/1/blueprints' => 'Spring practice',
        '/banks/1/blueprints/1' => 'quota board',
        '/banks/1/blueprints/1/editions/1' => 'frozen by',
        '/banks/1/blueprints/1/editions/1/results' => 'the middle one',
        '/papers/1' => 'All results of edition 1',
        '/blueprints/1/opening' => 'Before it begins',
        '/groups' => 'Groups of candidates',
    ];

    public function test_screens_are_accessible_in_both_schemes_and_fit_a_phone(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $found = $wide = [];
        foreach (self::SCREENS as $path => $text) {
            $page->open($path);
            $page->see($text);
            $found["$path, light"] = $this->violations();
            $page->size(1280, 800, true);
            $found["$path, dark"] = $this->violations(colours: true);
            // A phone's width; and half of 1280, which is what 200 % zoom leaves of it.
            foreach ([390, 640] as $width) {
                $page->size($width, 800);
                $page->see($text);
                $wide["$path, $width"] = $this->tooWide($width);
            }
            $page->size(1280, 800);
            $wide[$path] = $this->tooWide(1280);
        }
        self::assertSame([], array_filter($found, static fn (array $all): bool => $all !== []));
        self::assertSame([], array_filter($wide, static fn (int $pixels): bool => $pixels > 0), 'pixels too wide');
    }

    public function test_pictures_pairs_and_orders_on_one_page_can_be_answered_by_anybody_on_anything(): void
    {
        $page = $this->page;
        $page->logIn('carrow', 'honeycomb');
        $page->see('Your assessments');
        $this->looksRight();
        $page->find('//div[contains(@class, "row")][.//*[contains(text(), "written part")]]//a')->click();
        $page->see('The clock starts with “Begin”.');
        $this->looksRight();
        $page->click('Not yet');
        $this->sit('Hands on');
        $page->see('Questions 1 to 7');
        $this->looksRight();
        $page->size(320, 640);
        self::assertSame([[], 0], [$this->violations(), $this->tooWide(320)]);
    }

    public function test_an_administrator_finds_whose_log_in_waits_and_can_read_it_in_both_schemes(): void
    {
        $page = $this->page;
        $page->open('/');
        $page->see('Log in');
        $page->script(
            'return (async () => { for (let i = 0; i < 6; i++) await fetch("/api/log-in", {method: "POST", headers: {"X-Zetema": "1", "Content-Type": "application/json"}, body: JSON.stringify({login: "aldous", password: "x"})}); })()',
        );
        $page->logIn('kestle', 'honeycomb');
        $page->click('People');
        $page->see('aldous');
        foreach ([false, true] as $dark) {
            $page->size(1280, 800, $dark);
            self::assertSame([], $this->violations());
        }
        $page->click('Let aldous go on');
        $page->see('Nobody has to wait now.');
    }

    public function test_a_practice_with_a_hint_and_a_second_attempt_by_keyboard(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $page->open('/banks/1/blueprints/2');
        $page->click('Rehearse');
        $page->see('attempt 1 of 2');
        $key = 'Single eggs standing upright in their cells';
        $wrong = $page->find('//button[@role="radio"][normalize-space(.)!="' . $key . '"]');
        $wrong->click();
        $page->see('as it stands: wrong');
        $page->find('//button[.="Check"]')->sendKeys(WebDriverKeys::ENTER);
        $page->see('One attempt left.');
        $page->click('Once more');
        $page->click('Hint');
        $page->see('Think of how an egg is placed');
        $page->find('//button[@role="radio"][normalize-space(.)="' . $key . '"]')->click();
        $page->click('Check');
        $page->see('Right: 4 of 10.');

        self::assertStringNotContainsString('Once more', $page->text(), 'a right response closes the question');
    }

    public function test_settings_are_typed_over_in_their_sentence_and_the_margin_follows(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $page->open('/banks/1/questions/2');
        $page->see('queen or worker');
        $page->click('Points: 10, change');
        $page->driver
            ->switchTo()
            ->activeElement()
            ->sendKeys('8' . WebDriverKeys::ENTER);
        $page->see('key · earns 8');
        $page->click('Attempts: 1, change');
        $page->driver
            ->switchTo()
            ->activeElement()
            ->sendKeys('2' . WebDriverKeys::ENTER);
        $page->click('What a later attempt costs: 0, change');
        $page->driver
            ->switchTo()
            ->activeElement()
            ->sendKeys('50 %' . WebDriverKeys::ENTER);
        $page->see('earns 8, then 4');

        self::assertStringContainsString('draft, revision 2', $page->text());
    }

    public function test_what_cannot_stand_is_said_beside_it_and_stays_on_the_page(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $page->open('/banks/1/questions/3');
        $page->see('five days old');
        $page->click('Points: 10, change');
        $page->driver
            ->switchTo()
            ->activeElement()
            ->sendKeys('lots' . WebDriverKeys::ENTER);
        $page->see('“lots” is no decimal number');
        // What counted stands again, the reason beside it.
        $page->click('Points: 10, change');
        $page->driver
            ->switchTo()
            ->activeElement()
            ->sendKeys('7' . WebDriverKeys::ENTER);
        $page->see('earns 7');

        self::assertStringNotContainsString('not whole', $page->text());
    }

    public function test_a_second_window_is_told_and_may_choose(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $page->open('/banks/1/questions/4');
        $page->see('where queens mate');
        $page->driver->executeScript(
            'return fetch("/api/questions/4").then(r => r.json()).then(q => fetch("/api/questions/4", {method: "PUT", headers: {"X-Zetema": "1", "Content-Type": "application/json"}, body: JSON.stringify({version: q.version, name: q.name, objective: q.objective, content: {...q.content, stem: "From elsewhere?"}})}))',
        );
        $page->field('Stem')->sendKeys(' Mine.');
        $page->see('saved in another window');
        $page->click('Take the newer one');
        $page->until(fn (): bool => $page->field('Stem')->getText() === 'From elsewhere?', 'the newer text');
        $page->field('Stem')->sendKeys(' And mine.');
        $page->see('· saved');

        self::assertSame('From elsewhere? And mine.', $page->field('Stem')->getText());
    }
}
