<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** Whole journeys in Chromium on the real server. */
final class JourneyTest extends BrowserTestCase
{
    private const FILE = "objective: Hive inspection > Smoke\n\nevery question:\n  status: cleared\n\none: Which fuel gives cool smoke?\n  points: 10\n  yes: Dry hessian\n  no: Petrol\n  no: Wet leaves\n\ntrue: Smoke makes bees fill up on honey.\n  points: 5\n\none: Broken one\n  poinst: 3\n  yes: a\n  no: b\n";

    public function test_from_a_text_file_to_a_reviewed_sitting(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $page->see('The bank by objective and kind');

        // Intake of a file: problems at their line, put right in place, taken in.
        $file = (string) tempnam(sys_get_temp_dir(), 'smoke') . '.zet.txt';
        file_put_contents($file, self::FILE);
        $page->click('Intake');
        $page->see('Bring questions in');
        $page->driver->findElement(WebDriverBy::xpath('//input[@type="file"]'))->sendKeys($file);
        $page->see('did you mean `points:`?');
        unlink($file);
        $page->see('Take in 2 questions');
        $page->driver->executeScript(
            'const line = [...document.querySelectorAll(".cm-line")].find((l) => l.textContent.includes("poinst")); const text = line.firstChild; const at = text.data.indexOf("poinst"); document.querySelector(".cm-content").focus(); getSelection().setBaseAndExtent(text, at, text, at + 6);',
        );
        $page->type('points');
        $page->see('Take in 3 questions');
        $page->click('Take in 3 questions');
        $page->see('Taken in:');

        // Board, then a balanced draw typed on the quota board of a new blueprint.
        $page->click('See the board');
        $page->see('Smoke');
        $page->click('Blueprints');
        $page->field('Title of a new blueprint')->sendKeys('Smoke test');
        $page->click('Begin a blueprint');
        $page->see('This form is still empty');
        $page->field('Smoke, one: take, of 2')->sendKeys('3' . WebDriverKeys::ENTER);
        $page->see('Step 1 asks for 3 questions; only 2 fit.');
        $page->field('Smoke, one: take, of 2')->sendKeys(WebDriverKeys::BACKSPACE . '2' . WebDriverKeys::ENTER);
        $page->see('every candidate sees the same');
        $page->field('Smoke, claim: take, of 1')->sendKeys('1' . WebDriverKeys::ENTER);
        $page->see('3 questions, 18 points, 30 min in every form');
        $page->see('saved');
        $page->click('Deal a form');
        $page->see('seed 1 · 18 points');

        // Rehearse: the working stands in the margin, nothing is left behind.
        $page->click('Rehearse');
        $page->see('Questions 1 to 3');
        $page->find('//button[@role="radio"][1]')->click();
        $page->see('as it stands:');
        $page->see('whole paper so far');
        $page->click('Look over and hand in');
        $page->see('2 questions are unanswered.');
        $page->find('//button[contains(@class, "main")]')->click();
        $page->see('Rehearsal, leaves no result');
        $page->click('Back to the blueprint');

        // Freeze, then sit it as a candidate.
        $page->click('Freeze edition 1 …');
        $page->click('Freeze it');
        $page->see('Edition 1 is frozen');
        $page->logOut();
        $page->logIn('aldous', 'honeycomb');
        $this->sit('Smoke test');
        $page->see('Questions 1 to 3');
        foreach (['Dry hessian', 'a', 'true'] as $right) {
            $page->find("//button[@role=\"radio\"][normalize-space(.)=\"$right\"]")->click();
        }
        $page->see('to question 1, answered 2, answered 3, answered');
        $page->click('Look over and hand in');
        $page->see('Every question is answered.');
        $page->click('Hand in the paper');
        $page->see('Passed');
        $page->see('18 of 18 points, 100 %');
        $page->see('Dry hessian right');

        self::assertStringContainsString('Hive inspection', $page->text());

        // Its author reads what came of it.
        $page->open('/');
        $page->logOut();
        $page->logIn('orrell', 'honeycomb');
        $page->click('Blueprints');
        $page->click('Smoke test');
        $page->click('results');
        $page->see('1 ended; 1 passed, 100 %');
        $page->click('T. Aldous');
        $page->see('18 of 18 points, 100 %');
        $page->see('Dry hessian right');
        $page->click('replay it, screen by screen');
        $page->see('event 1 of');
        $page->click('on');
        $page->see('event 2 of');
        self::assertSame(1, $page->script('return document.querySelectorAll("[role=radio][aria-checked=true]:disabled").length'), 'what was chosen stands there');
        $this->looksRight();
        $page->click('Back to the paper');
        $page->click('All results of edition 1');
        $page->click('What staff can do for T. Aldous');
        $page->see('One more than the rules give everybody.');
        $this->looksRight();
        $page->find('//label[contains(., "because")]//input')->sendKeys('Once more, for practice.');
        $page->click('Allow another sitting');
        $page->see('allowed T. Aldous another sitting');
        $this->looksRight();
    }

    public function test_a_lost_network_and_a_killed_server_lose_nothing(): void
    {
        $page = $this->page;
        $page->logIn('wren', 'honeycomb');
        $this->sit('written part');
        $page->see('Questions 1 to 3');
        $page->find('//button[@role="radio"][1]')->click();
        $page->see('1, answered');

        $page->goOffline(true);
        $page->find('//button[@role="radio"][2]')->click();
        $page->see('Not saved yet: no connection.');
        $page->goOffline(false);
        $page->until(fn (): bool => str_contains($page->text(), ' saved ') && !str_contains($page->text(), 'Not saved'), 'what waited is sent again');

        self::server()->kill();
        self::server()->start();
        $page->driver->navigate()->refresh();
        $page->see('Questions 1 to 3');
        self::assertSame('true', $page->find('//button[@role="radio"][2]')->getAttribute('aria-checked'));
    }

    public function test_an_expired_session_loses_nothing_that_was_typed(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $page->click('Questions');
        $page->see('questions');
        $page->find('//a[contains(normalize-space(.), "Where do virgin queens mate?")]')->click();
        $page->see('revision 1 · saved');
        $page->driver->manage()->deleteAllCookies();
        $page->field('Stem')->sendKeys(' Say where.');
        $page->see('Please log in again');
        $page->driver->findElement(WebDriverBy::name('password'))->sendKeys('honeycomb' . WebDriverKeys::ENTER);
        $page->see('draft, revision 2 · saved');
        $page->driver->navigate()->refresh();
        $page->see('where queens mate');

        self::assertSame('Where do virgin queens mate? Say where.', $page->field('Stem')->getText());
    }
}
