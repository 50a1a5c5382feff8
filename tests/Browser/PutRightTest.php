<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** What once went wrong in front of people: dialogs over a sitting, texts that fell over, numbers that changed, files that replaced. */
final class PutRightTest extends BrowserTestCase
{
    public function test_logging_in_again_over_a_sitting_loses_nothing_and_takes_its_keys_alone(): void
    {
        $page = $this->page;
        $this->begin('carrow', 'written part');
        $page->see('Questions 1 to 3');
        $page->driver->manage()->deleteAllCookies();
        $page->find('//button[@role="radio"][2]')->click();
        $page->see('Please log in again');
        $page->see('sent as soon as you have logged in');
        $password = $page->find('//*[@role="dialog"]//input[@name="password"]');
        $password->sendKeys('wrong' . Key::ENTER);
        $page->see('do not go together');
        $page->see('Questions 1 to 3');
        $page->find('//*[@role="dialog"]//button')->sendKeys('f');
        self::assertStringNotContainsString('No need to come back', $page->text(), 'no key of the screen behind works');

        $name = $page->find('//*[@role="dialog"]//input[@name="login"]');
        self::retype($name, 'wren');
        self::retype($password, 'honeycomb' . Key::ENTER);
        $page->see('This page is J. Carrow’s');
        self::retype($name, 'carrow');
        self::retype($password, 'honeycomb' . Key::ENTER);
        $page->until(static fn (): bool => !str_contains($page->text(), 'Please log in again'), 'the dialog has closed');
        $page->see('1, answered');
        $page->see(' saved ');
        usleep(3_300_000);
        self::assertStringNotContainsString('Please log in again', $page->text(), 'and it stays closed');
        $page->open('/');
        $page->see('Sat before');
    }

    public function test_texts_with_names_that_are_none_are_shown_and_the_page_stays(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $page->open('/banks/1/intake');
        $page->field('Text of the questions')->sendKeys("one: Look ![x](constructor) ![y](__proto__) ![z](%) [p](page:%E0%A4%A)\n yes: ![x](toString)\n no: [q](page:%)\n");
        $page->click('Take in 1 question');
        $page->see('Taken in');
        $page->open('/banks/1/questions?search=constructor');
        $page->find('//main//a[contains(., "Look")]')->click();
        $page->see('what scores what');
        $page->see('is not in the bank');
        $page->open('/banks/99');
        $page->see('There is no such bank');
        $page->click('To the first page');
        $page->see('Banks of questions');
        self::assertStringNotContainsString('cannot be shown', $page->text());
    }

    public function test_numbers_are_refused_where_they_were_typed_and_never_changed(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $page->open('/banks/1/blueprints/2');
        $page->see('quota board');
        foreach (['1.5', '-1'] as $typed) {
            $cell = $page->field('Colony life, several: take, of 1');
            $cell->click();
            $page->type($typed . Key::TAB);
            $page->see('a whole number from 0 to 500');
            self::assertSame($typed, $cell->getAttribute('value'));
            $cell->click();
            $page->type(Key::ESCAPE);
        }
        foreach (
            [['Pass mark, in percent or points', '150 %', 'more than 100 % cannot be reached'], ['Pass mark, in percent or points', 'abc', 'is no pass mark'], ['Minutes for the whole, or no', '99999', '24 hours']] as [$label, $typed, $told]
        ) {
            $page->find("//button[starts-with(@aria-label, \"$label\")]")->click();
            $page->type($typed . Key::ENTER);
            $page->see($told);
            $page->type(Key::ESCAPE);
        }
        self::assertStringContainsString('no time limit', $page->text());
        $page->click('Deal a form');
        $page->find('//section[@aria-label="A form"]');
        self::assertTrue($page->script('const r = document.querySelector("section[aria-label=\'A form\']").getBoundingClientRect(); return r.top >= 0 && r.top < window.innerHeight'), 'it shows where it was asked for');
    }

    public function test_freezing_asks_first_and_a_double_click_freezes_once(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $page->open('/banks/1/blueprints/2');
        $page->click('Freeze edition 2 …');
        $page->see('3 candidates will be able to begin it');
        $page->click('Freeze it');
        $page->see('Nothing has changed since edition 1');
        $page->find('//button[starts-with(@aria-label, "Minutes for the whole")]')->click();
        $page->type('20' . Key::ENTER);
        $page->see('20 minutes');
        $page->see('· saved');
        $page->click('Freeze edition 2 …');
        $page->script('const b = [...document.querySelectorAll("button")].find(x => x.textContent === "Freeze it"); b.click(); b.click();');
        $page->see('Edition 2 is frozen');
        $page->see('Freeze edition 3 …');
        $page->click('Edition 2');
        $page->see('nobody has begun it');
        $page->click('Withdraw it');
        $page->see('edition 1 in use');
        $page->see('withdrawn · nobody has begun it');
        self::assertSame(2, $page->script('return fetch("/api/blueprints/2").then(r => r.json()).then(b => b.editions.length)'), 'one of them the withdrawn one');
    }

    public function test_lines_pasted_into_a_filled_answer_leave_it_and_one_press_makes_answers(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $page->open('/banks/1/questions/new');
        $page->find('//button[contains(., "multiple choice")]')->click();
        $page->see('what it says');
        $page->field('Answer 1')->sendKeys('The first stays');
        $lines = implode("\n", array_map(static fn (int $i): string => "answer number $i", range(1, 200)));
        $page->script(
            'const f = document.querySelector("[aria-label=\'Answer 1\']"); f.focus(); const d = new DataTransfer(); d.setData("text/plain", arguments[0]); f.dispatchEvent(new ClipboardEvent("paste", {clipboardData: d, bubbles: true, cancelable: true}));',
            $lines,
        );
        $page->see('201 lines were pasted');
        $page->click('Make 201 answers of them');
        $page->until(static fn (): bool => $page->script('return document.querySelectorAll("textarea[aria-label^=\'Answer \']").length') >= 201, '201 answers');
        self::assertSame(['The first stays', 'answer number 1', 'answer number 200'], $page->script('return [1, 2, 201].map(n => document.querySelector(`[aria-label="Answer ${n}"]`).value)'));
        $page->click('undo');
        $page->click('undo');
        $page->until(static fn (): bool => !str_contains($page->text(), 'lines were pasted'), 'after undo the offer has gone');
    }

    /** What stands in the text of the intake. */
    private function lines(): mixed
    {
        return $this->page->script('return [...document.querySelectorAll(".cm-line")].map((line) => line.textContent).join("\\n")');
    }

    public function test_a_chosen_file_asks_where_it_goes_and_can_be_chosen_again(): void
    {
        $page = $this->page;
        $file = sys_get_temp_dir() . '/zetema-chosen.zet.txt';
        file_put_contents($file, "true: From the file.\n");
        $page->logIn('orrell', 'honeycomb');
        $page->open('/banks/1/intake');
        $text = $page->field('Text of the questions');
        $text->sendKeys('true: Typed by hand.');
        $choose = static fn () => $page->driver->findElement(\Facebook\WebDriver\WebDriverBy::cssSelector('input[type=file]'))->sendKeys($file);
        $choose();
        $page->see('There is text here already');
        self::assertSame('true: Typed by hand.', $this->lines());
        $page->click('leave the file');
        $choose();
        $page->see('There is text here already');
        $page->click('Put zetema-chosen.zet.txt below it');
        self::assertSame("true: Typed by hand.\n\ntrue: From the file.\n", $this->lines());
        $text->sendKeys(str_repeat("\n-- a line", 60));
        self::assertSame(0, $page->script('const t = document.querySelector(".cm-scroller"); t.scrollTop = 500; return t.scrollTop', $text), 'its lines stay level with their numbers');
        unlink($file);
    }

    public function test_on_a_phone_the_clock_stays_in_sight_and_empty_margins_take_no_room(): void
    {
        $page = $this->page;
        $this->begin('aldous', 'written part');
        $page->size(390, 500);
        $page->see('left of 25 minutes');
        $page->script('window.scrollTo(0, 400)');
        usleep(200_000);

        self::assertTrue($page->script('const r = document.querySelector("[role=timer]").getBoundingClientRect(); return r.top >= 0 && r.bottom <= 200'));
        self::assertSame([], $page->script('return [...document.querySelectorAll(".m")].filter(m => m.innerText.trim() === "" && m.getBoundingClientRect().height > 0).map(m => m.outerHTML)'));
    }

    public function test_an_objective_is_offered_and_a_new_one_is_asked_about_once(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $page->open('/banks/1/questions/17');
        $page->see('what scores what');
        $page->find('//button[starts-with(@aria-label, "Objective:")]')->click();
        $page->until(
            static fn (): bool => in_array('Hive inspection > Reading a frame', (array) $page->script('return [...document.querySelectorAll("datalist option")].map(o => o.value)'), true),
            'the objectives there are',
        );
        $page->type(Key::CONTROL . 'a' . Key::NULL . 'Hive inspection > Reading a fram' . Key::ENTER);
        $page->see('is no objective of this bank yet');
        $page->click('leave “Hive inspection > Reading a frame”');
        $page->find('//button[starts-with(@aria-label, "Objective:")]')->click();
        $page->type(Key::CONTROL . 'a' . Key::NULL . 'hive inspection>order of work' . Key::ENTER);
        $page->see('Hive inspection > Order of work');
        $page->see('draft, revision 2 · saved');
        self::assertStringNotContainsString('no objective of this bank', $page->text());
    }

    public function test_lists_are_typed_as_lists_and_a_refused_setting_is_told_beside_it(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $page->open('/banks/1/questions/new');
        $page->find('//button[contains(., "short text")]')->click();
        $page->see('what it says');
        $page->field('Stem')->sendKeys('Which mite?');
        $page->field('Accepted answer 1')->sendKeys('varroa');
        foreach (
            [
                ['What is ignored', 'case, accents', 'ignores case, accents'],
                ['Attempts', '2', '2 attempts'],
                ['What a later attempt costs', '1, 50 %', 'a later one costs 1, 50 %'],
                ['Time', '1:30', '(where one moves forward)'],
            ] as [$label, $typed, $shown]
        ) {
            $page->find("//button[starts-with(@aria-label, \"$label:\")]")->click();
            $page->type($typed . Key::ENTER);
            $page->see($shown);
        }
        $page->until(static fn (): bool => !str_contains($page->text(), 'not whole yet'), 'it is whole');
        $page->find('//button[starts-with(@aria-label, "Attempts:")]')->click();
        $page->type('many' . Key::ENTER);
        $page->see('attempts: “many” does not go here');
        self::assertStringContainsString('set here: ignore', $page->text());
    }

    public function test_a_double_click_closes_a_polygon_without_further_corners(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $page->open('/banks/1/questions/70');
        $page->see('pixels, origin top left');
        $page->click('draw a polygon');
        $board = $page->find('//*[local-name()="svg" and contains(@class, "board")]');
        $before = $page->script('return document.querySelectorAll(".shape").length');
        self::assertIsInt($before);
        $to = fn (int $x, int $y) => $page->driver->action()->moveToElement($board, $x, $y);
        $to(-100, -80)
            ->click()
            ->perform();
        $to(100, -80)
            ->click()
            ->perform();
        $to(0, 60)->doubleClick()->perform();
        $page->until(static fn (): bool => $page->script('return document.querySelectorAll(".shape").length') === $before + 1, 'one area more');

        self::assertSame(
            3,
            $page->script('return [...document.querySelectorAll(".shape polygon")].at(-1).points.length'),
            (string) json_encode($page->script('return [...document.querySelectorAll(".shape polygon")].map(p => p.getAttribute("points"))')),
        );
    }

    private function begin(string $who, string $what): void
    {
        $this->page->logIn($who, 'honeycomb');
        $this->sit($what);
    }

    private static function retype(\Facebook\WebDriver\WebDriverElement $field, string $text): void
    {
        $field->sendKeys(Key::CONTROL . 'a' . Key::NULL);
        $field->sendKeys($text);
    }
}
