<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** What an author does all year: objectives put in order, many questions changed at once, another bank begun. */
final class OrganisingTest extends BrowserTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->page->logIn('orrell', 'honeycomb');
        $this->page->see('by objective and kind');
    }

    public function test_claims_get_five_points_and_the_rest_ten_seen_in_three_questions_and_undone(): void
    {
        $page = $this->page;
        $page->open('/banks/1/questions');
        $page->click('all 92');
        $page->see('change 92 questions');
        $page->click('points become: as it is, change');
        $page->type('10' . Key::ENTER);
        $page->click('Change also: and also …, change');
        $page->click('points of every one kind become');
        $page->click('Kind: which kind, change');
        $page->click('claim');
        $page->click('points of every: as it is, change');
        $page->type('4' . Key::ENTER);
        $page->see('points: 5 → 4 21');
        $page->see('points stays: weighed: its points stand at its answers 1');
        $page->find('//button[starts-with(normalize-space(.), "Change ") and contains(., "questions")]')->click();
        $page->see('questions changed');
        foreach ([['?kind=claim', 'A drone has no sting.', 'points: 4'], ['?search=fresh eggs', 'Which sign shows', 'points: 10'], ['?kind=number', 'How many', 'points: 10']] as [$filter, $question, $points]) {
            $page->open('/banks/1/questions' . $filter);
            $page->see($question);
            self::assertStringContainsString(
                substr($points, 8),
                $page->find('//div[contains(@class, "line")][1]//span[contains(@class, "fig")] | //div[contains(@class, "line")][1]//b[contains(@class, "fig")]')->getText(),
            );
        }
        $page->open('/banks/1/history');
        $page->see('points: 10, claim points: 4');
        $page->click('undo');
        $page->see('undone by M. Orrell');
        $page->open('/banks/1/questions?kind=claim');
        $page->see('A drone has no sting.');

        self::assertSame('5', $page->find('//div[contains(@class, "line")][1]//b[contains(@class, "fig")]')->getText());
        self::assertStringContainsString('cleared', $page->text());
    }

    public function test_a_filter_kept_under_a_name_serves_two_draws(): void
    {
        $page = $this->page;
        $page->open('/banks/1/questions?kind=claim');
        $page->click('keep this filter as a pool');
        $page->type('True or not' . Key::ENTER);
        $page->see('holds all that fits this filter; 20 questions can be drawn: 1 is retired');
        $page->open('/banks/1/blueprints/2');
        $page->click('put in a step');
        foreach ([4, 5] as $step) {
            $page->type('1 of pool true');
            $page->see('take 1 of the pool “True or not” draw');
            $page->type(Key::ENTER);
            $page->see("$step take 1 of the pool “True or not”");
        }
        $page->type(Key::ESCAPE);
        $page->find('(//button[contains(., "take 1 of the pool “True or not”")][@aria-expanded])[2]')->click();
        $page->click('How many are taken: 1, change');
        $page->type('3' . Key::ENTER);
        $page->see('5 take 3 of the pool “True or not” of 20');
        $page->see('11 questions, 85 points in every form');
        $page->click('Deal a form');
        $page->see('seed 1 · 85 points');
        $page->click('Find or do Ctrl K');
        $page->type('true or');
        $page->see('pool True or not');
        $page->see('can be drawn');
        $page->type(Key::ENTER);
        $page->see('it is drawn from by “Spring practice”.');

        self::assertStringNotContainsString('take the pool apart', $page->text(), 'what is drawn from stays');
    }

    public function test_a_comment_goes_to_the_author_and_its_answer_back_to_the_reviewer(): void
    {
        $page = $this->page;
        $as = static function (string $login) use ($page): void {
            $page->logOut();
            $page->logIn($login, 'honeycomb');
            $page->see('by objective and kind');
        };
        $as('penhale');
        $page->see('1 wait for you');
        $page->open('/banks/1/questions/16');
        $page->see('what it says');
        self::assertSame([], $page->script('return [...document.querySelectorAll(".p textarea")].filter((box) => box.value === "").map((box) => box.ariaLabel)'), 'no empty lines that are meant for authors');
        $page->click('Comment on answer 2');
        $page->type('Is a lid ever round?' . Key::ENTER);
        $page->see('S. Penhale, ');
        $as('orrell');
        $page->click('3 came back to you with a comment');
        $page->see('3 questions');
        $page->click('Which sign shows that a queen laid here within the last three days? fresh eggs');
        $page->see('Is a lid ever round?');
        $page->click('answer');
        $page->type('Only over drones.' . Key::ENTER);
        $page->see('M. Orrell: Only over drones.');
        $as('penhale');
        $page->click('2 wait for you');
        $page->see('2 questions');
        $page->click('Which sign shows that a queen laid here within the last three days? fresh eggs');
        $page->see('M. Orrell: Only over drones.');
        $page->click('close');
        $page->see('1 closed comment');
        $page->click('Board');
        $page->see('1 wait for you');

        self::assertStringNotContainsString('2 wait for you', $page->text());
    }

    public function test_a_stretch_is_chosen_by_keys_alone(): void
    {
        $page = $this->page;
        $page->open('/banks/1/questions?kind=number');
        $page->see('7 questions');
        $page->script('document.querySelector("[data-row=\"0\"]").focus()');
        $page->type(' ');
        $page->see('change 1 question');
        $page->type(Key::SHIFT . Key::ARROW_DOWN . Key::ARROW_DOWN . Key::NULL);
        $page->see('change 3 questions');
        $page->type(Key::END);
        $page->type(' ');
        $page->see('change 4 questions');
        $page->click('none');

        self::assertStringNotContainsString('change 4 questions', $page->text());
    }

    public function test_an_objective_is_moved_with_all_below_it_by_keys_and_taken_back(): void
    {
        $page = $this->page;
        $order = static fn (): string => is_string($names = $page->script('return [...document.querySelectorAll("tbody th a")].map((a) => a.textContent.trim()).join(" ")')) ? $names : '';
        $page->see('2 one + 1 claim');
        $before = $order();
        $page->field('Hive inspection: change, move, merge, take out')->sendKeys(Key::ALT . Key::ARROW_UP . Key::NULL);
        $page->see('moved the objective “Hive inspection”');
        $page->until(static fn (): bool => str_starts_with($order(), 'Hive inspection Reading a frame Order of work Colony life'), 'the objective with all below it before the other');
        self::assertSame('Hive inspection: change, move, merge, take out', $page->script('return document.activeElement.ariaLabel'), 'the focus goes with it');
        $page->field('Colony life: change, move, merge, take out')->sendKeys(Key::F2);
        $page->find('//label[starts-with(normalize-space(.), "code")]//input')->sendKeys('A.1' . Key::ENTER);
        $page->see('described the objective “Colony life”');
        $page->see('A.1');
        $page->until(static fn (): bool => $page->script('return document.activeElement?.dataset.of !== undefined') === true, 'the focus back at the objective');
        $page->type(Key::CONTROL . 'z' . Key::NULL);
        $page->see('moved the objective “Hive inspection” undo');
        $page->click('undo');
        $page->until(static fn (): bool => $order() === $before, 'the order from before');

        self::assertStringNotContainsString('A.1', $page->text());
    }

    public function test_anything_is_found_or_done_by_a_few_letters(): void
    {
        $page = $this->page;
        $page->script('window.dispatchEvent(new KeyboardEvent("keydown", {key: "k", ctrlKey: true, cancelable: true}))');
        $page->see('See the history of the bank');
        $page->type('two lids');
        $page->see('question two lids');
        $page->type(Key::ENTER);
        $page->see('two lids · claim');
        $page->see('Will an apprentice know what “make” means here?');
        $page->click('Find or do Ctrl K');
        $page->type('undo' . Key::ENTER);
        $page->see('What was done to the bank');
        $page->click('Board');
        $page->click('2 with open comments');
        $page->see('2 questions');

        self::assertStringContainsString('Combs from a colony that died', $page->text());
    }

    public function test_a_new_bank_goes_from_nothing_to_a_board_of_six_cells(): void
    {
        $page = $this->page;
        $page->click('Apprentice Certificate');
        $page->see('Banks of questions');
        $page->find('//input')->sendKeys('Journeyman');
        $page->click('Make this bank');
        $page->see('This bank is empty');
        $page->click('Add an objective');
        foreach (['Wax', 'Candles', 'Mead'] as $name) {
            $page->find('//tbody//input')->sendKeys($name . Key::ENTER);
            $page->see("added the objective “{$name}”");
        }
        foreach (['Wax', 'Candles', 'Mead'] as $name) {
            foreach (['one', 'claim'] as $kind) {
                $page->click("$name, $kind: none; write one");
                $page->see('What sort of question?');
                $page->type(Key::ENTER);
                $page->see('draft, revision 1');
                $page->click('Board');
                $page->see('cleared / all');
                $page->see($name);
                $page->find("//a[@aria-label='$name, $kind: 0 of 1 cleared']");
            }
        }
        $page->open('/');
        $page->see('Banks of questions');

        self::assertStringContainsString('Journeyman 0/6', $page->text());
    }
}
