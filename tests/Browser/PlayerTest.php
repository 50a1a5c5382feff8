<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

/** Every screen that a candidate comes to fits a desk and the narrowest phone, and axe finds nothing in either scheme. */
final class PlayerTest extends BrowserTestCase
{
    /** What stands now: colours in the dark at a desk, all rules at 320 pixels in the light, and that it is not too wide at either. */
    private function holds(string $screen): void
    {
        foreach ([[1280, 800, true], [320, 640, false]] as [$width, $height, $dark]) {
            $this->page->size($width, $height, $dark);
            self::assertSame([[], 0], [$this->violations(colours: $dark), $this->tooWide($width)], "$screen, " . ($dark ? 'dark' : 'light') . " at $width");
        }
        $this->page->size(1280, 800);
    }

    private function choose(string $answer): void
    {
        $this->page->find("//button[@role=\"radio\"][contains(., \"$answer\")]")->click();
    }

    public function test_attempts_hints_feedback_a_refresher_and_the_review(): void
    {
        $page = $this->page;
        $page->logIn('carrow', 'honeycomb');
        $page->see('Your assessments');
        $this->holds('the list');
        $page->find('//div[contains(@class, "row")][.//*[contains(text(), "Spring practice")]]//a')->click();
        $page->see('It can be left and gone on with.');
        $this->holds('the opening');
        $page->click('Begin');
        $page->see('attempt 1 of 2');
        $this->holds('a question');
        $this->choose('Capped cells');
        $page->click('Check');
        $page->see('One attempt left.');
        $this->holds('wrong, with feedback');
        $page->click('Once more');
        $this->choose('None of these');
        $page->click('Check');
        $page->see('Single eggs standing upright');
        $this->holds('wrong for good');
        $page->click('Go on');
        $page->see('Read this, then try once more');
        $this->holds('the refresher');
        $page->click('Go on');
        $page->see('attempt 1 of 2');
        $this->choose('Single eggs');
        $page->click('Check');
        $page->see('Right: 10 of 10.');
        $this->holds('right');
        $page->click('Hand in the paper');
        $page->see('whatever is still to come counts as unanswered');
        $this->holds('before handing in');
        $page->click('Hand in the paper');
        $page->see('Your paper');
        $this->holds('the review');
    }

    public function test_pages_a_clock_of_each_question_and_all_on_one_screen(): void
    {
        $page = $this->page;
        $page->logIn('aldous', 'honeycomb');
        $this->sit('What sort of keeper');
        $page->see('To read');
        $this->holds('a page');
        $page->click('Go on');
        $page->see('Question 1');
        $this->holds('a scale');
        $page->find('//button[@role="radio"]')->click();
        $page->open('/');
        $this->sit('Spot test');
        $page->see('left for this question');
        $this->holds('a clock, and time running out');
        $page->see('Time ran out.');
        $page->open('/');
        $this->sit('written part');
        $page->see('Questions 1 to 3');
        $this->holds('three on one screen');
    }
}
