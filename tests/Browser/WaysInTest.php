<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys as Key;

/** What people have in their documents and spreadsheets becomes questions of the bank. */
final class WaysInTest extends BrowserTestCase
{
    private const FILES = __DIR__ . '/../../demo/intake/';
    private const OBJECTIVES = ['Queens', 'Drones', 'Guards', 'Wax', 'Honey', 'Swarms'];

    protected function setUp(): void
    {
        parent::setUp();
        $this->page->logIn('orrell', 'honeycomb');
        $this->page->open('/banks/1/intake');
        $this->page->see('Bring questions in');
    }

    public function test_a_paper_pasted_from_a_word_processor_becomes_cleared_questions(): void
    {
        $page = $this->page;
        $html = '<h2>Queens</h2><p><b>1. Which bee lays?</b> (3 points)</p><ol type="a"><li>a drone</li><li><b>the queen</b></li></ol><p>2. A drone can sting.</p><p>Answer: F</p><p>3. Who feeds the larvae?</p>';
        $page->script(
            'const data = new DataTransfer(); data.setData("text/html", arguments[0]); data.setData("text/plain", "1. Which bee lays?"); document.querySelector(".cm-content").dispatchEvent(new ClipboardEvent("paste", {clipboardData: data, bubbles: true, cancelable: true}));',
            $html,
        );
        $page->see('Read as a typed paper');
        $page->see('2 of 3 questions understood');
        $page->see('key B: marked');
        $page->see('key missing');
        // Put right on the spot: it is read again while it is typed.
        $page->find('//div[contains(@class, "cm-line")][contains(., "Who feeds")]')->click();
        $page->type(Key::END . "\nAnswer: nurse bees / nurses");
        $page->see('Take in 3 questions');
        $page->click('Tags of all: none, change');
        $page->type('pasted' . Key::ENTER);
        $page->open('/banks/1');
        $page->open('/banks/1/intake');
        $page->see('Take in 3 questions');
        self::assertStringContainsString('pasted', $page->text(), 'leaving and coming back keeps everything');
        $page->click('Take in 3 questions');
        $page->see('Taken in');
        $page->open('/banks/1/questions?tag=pasted');
        $page->see('3 questions');
        self::assertStringContainsString('Which bee lays?', $page->text());
        $page->click('all 3');
        $page->see('change 3 questions');
        $page->click('Change also: and also …, change');
        $page->click('they are made');
        $page->click('they are made: as it is, change');
        $page->click('cleared');
        $page->find('//button[starts-with(normalize-space(.), "Change ") and contains(., "question")]')->click();
        $page->see('questions changed');
        $page->open('/banks/1/questions?tag=pasted&status=cleared');
        $page->see('3 questions');
    }

    public function test_a_table_with_headings_of_its_own_is_mapped_kept_and_taken_in(): void
    {
        $page = $this->page;
        $this->choose('summer-quiz.csv');
        $page->see('Say which column holds what');
        foreach (
            ['Our question' => 'the stem', 'First reply' => 'choice A', 'Second reply' => 'choice B', 'Third reply' => 'choice C', 'What is right' => 'the key', 'Worth' => 'points', 'About' => 'the objective'] as $column => $holds
        ) {
            $page->click("Column $column: nothing, change");
            $page->find("//*[@role='menuitemradio'][normalize-space(.)='$holds']")->click();
            $page->see("“{$column}” is $holds");
        }
        $page->see('Take in 5 questions');
        $this->looksRight();
        $page->click('Keep these columns under a name: a name, change');
        $page->type('Summer quiz' . Key::ENTER);
        $page->see('Kept as Summer quiz');
        $page->click('Take in 5 questions');
        $page->see('Taken in');
        $this->choose('summer-quiz.csv');
        $page->click('Take the columns of “Summer quiz”');
        $page->see('one with this stem');
        $page->open('/banks/1/questions?search=smell sits');
        $page->see('The sense of smell');

        self::assertStringContainsString('Senses', $page->text());
    }

    public function test_a_bank_goes_out_is_corrected_and_comes_in_again(): void
    {
        $page = $this->page;
        $text = $page->script('return fetch("/api/banks/1/text").then((answer) => answer.text())');
        self::assertIsString($text);
        $file = sys_get_temp_dir() . '/zetema-corrected.zet.txt';
        file_put_contents($file, str_replace(['Single eggs standing upright', 'A drone has no sting.'], ['Single eggs that stand upright', 'A drone has no sting at all.'], $text));
        $this->choose($file);
        $page->see('questions the bank has');
        $page->see('new revisions of all that differ');
        $page->click('new revisions of all that differ');
        $page->see('Take in 2 questions');
        $page->script('window.scrollTo(0, 22 * arguments[0])', substr_count($text, "\n", 0, (int) strpos($text, 'Single eggs')));
        $page->see('yes: Single eggs that stand upright in their cells');
        $page->script('window.scrollTo(0, 0)');
        $page->click('Take in 2 questions');
        $page->see('2 new revisions');
        $page->open('/banks/1/questions?search=at all');
        $page->see('A drone has no sting at all');
        $page->open('/banks/1/intake');
        $page->open('/banks/1');
        $page->see('last intake');
        $page->click('Take back this batch');
        $page->see('2 put back');
        $page->open('/banks/1/questions?search=drone sting');
        $page->see('A drone has no sting.');
        unlink($file);

        self::assertStringNotContainsString('at all', $page->text());
    }

    public function test_six_files_become_six_cells_of_the_board(): void
    {
        $page = $this->page;
        $page->open('/banks');
        $id = $page->script(
            'return fetch("/api/banks", {method: "POST", headers: {"X-Zetema": "1", "Content-Type": "application/json"}, body: JSON.stringify({name: "Six files"})}).then((r) => r.json()).then((b) => b.made)',
        );
        self::assertIsInt($id);
        foreach (self::OBJECTIVES as $objective) {
            $page->script(
                'return fetch(`/api/banks/${arguments[0]}/objectives`, {method: "POST", headers: {"X-Zetema": "1", "Content-Type": "application/json"}, body: JSON.stringify({do: "add", name: arguments[1], parent: null})}).then((answer) => answer.text())',
                $id,
                $objective,
            );
        }
        $page->open("/banks/$id/intake");
        $page->see('Bring questions in');
        $files = [];
        foreach (
            [
                'queens' => "one: Who lays?\n  yes: She\n  no: He\n",
                'drones' => "1. Who flies?\nAnswer: drones\n",
                'guards' => "Question,Answer\nGuards sting.,True\n",
                'wax' => "number: How many sides?\n  answer: 6\n",
                'honey' => "text: What is sweet?\n  answer: honey\n",
                'swarms' => "1. Where do they hang?\na) In trees *\nb) In wells\n",
            ] as $name => $text
        ) {
            $files[] = $file = sys_get_temp_dir() . "/$name" . ($name === 'guards' ? '.csv' : '.txt');
            file_put_contents($file, $text);
        }
        $page->driver->findElement(WebDriverBy::cssSelector('input[type=file]'))->sendKeys(implode("\n", $files));
        $page->see('Take in 6 questions of 6 files');
        $page->open("/banks/$id");
        $page->open("/banks/$id/intake");
        $page->see('Take in 6 questions of 6 files');
        $page->click('Settings for drones.txt');
        $page->see('the same for all files');
        $this->looksRight();
        $page->click('Take in 6 questions of 6 files');
        $page->see('Taken in: drones.txt and 5 more, 6 questions');
        $page->open("/banks/$id");
        foreach (self::OBJECTIVES as $objective) {
            $page->see($objective);
        }
        array_map(unlink(...), $files);
        self::assertStringContainsString('6 questions', $page->text());
    }

    public function test_a_file_in_another_encoding_is_agreed_to_and_taken_back(): void
    {
        $page = $this->page;
        $file = sys_get_temp_dir() . '/zetema-western.txt';
        file_put_contents($file, "1. Wer legt Eier?\nAnswer: K\xF6nigin\n");
        $this->choose($file);
        $page->see('zetema-western.txt is not UTF-8. As windows-1252 it reads “Answer: Königin”');
        $page->click('That is right');
        $page->see('Take in 1 question');
        $page->click('Take in 1 question');
        $page->see('Taken in');
        $page->click('Take back this batch');
        $page->see('1 taken back');
        unlink($file);

        self::assertStringContainsString('1 taken back', $page->text());
    }

    private function choose(string $file): void
    {
        $this->page->driver->findElement(WebDriverBy::cssSelector('input[type=file]'))->sendKeys(is_file($file) ? $file : (string) realpath(self::FILES . $file));
    }
}
