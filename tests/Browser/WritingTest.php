<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;
use Zetema\Tests\Speed;

/** Questions written on their screen: by keyboard, by pasting, by two people at once. */
final class WritingTest extends BrowserTestCase
{
    private const NEXT = Key::CONTROL . Key::ENTER . Key::CONTROL;
    private const BACK = Key::SHIFT . Key::TAB . Key::SHIFT;

    protected function setUp(): void
    {
        parent::setUp();
        $this->page->logIn('orrell', 'honeycomb');
    }

    /** @return iterable<string, array{string, list<string>, string}> kind, what is typed one after the other, the text format it makes */
    private static function kinds(): iterable
    {
        $next = self::NEXT;
        yield 'one' => ['one', ['Which comes first?' . $next . 'The smoker' . Key::ENTER . 'The lid' . Key::ENTER . 'A frame'], "one: Which comes first?\n  yes: The smoker\n  no: The lid\n  no: A frame\n"];
        yield 'several' => ['multiple response', ['Which are tools?' . $next . 'Smoker' . Key::ENTER . 'Brush' . Key::TAB . Key::SPACE . self::BACK . Key::ENTER . 'Honey'], "several: Which are tools?\n  yes: Smoker\n  yes: Brush\n  no: Honey\n"];
        yield 'claim' => ['true or', ['A drone can sting.' . str_repeat(Key::TAB, 2) . Key::ENTER, '3' . Key::ENTER], "true: A drone can sting.\n  points: 3\n"];
        yield 'text' => ['text', ['What drops onto the board?' . $next . 'varroa' . Key::ENTER . 'mite'], "text: What drops onto the board?\n  answer: varroa\n  answer: mite\n"];
        yield 'number' => ['number', ['How many per hundred?' . $next . '14 within 0.6'], "number: How many per hundred?\n  answer: 14 within 0.6\n"];
        yield 'gaps' => ['gaps', ['A colony has one queen', Key::CONTROL . Key::SHIFT . Key::ARROW_LEFT . Key::SHIFT . Key::CONTROL, Key::CONTROL . 'g' . Key::CONTROL], "gaps: A colony has one ___\n  gap 1: queen\n"];
        yield 'pairs' => ['matching', ['Who does what?' . $next . 'Nurse', Key::ENTER, 'feeds', Key::ENTER, 'Forager', Key::ENTER, 'flies'], "pairs: Who does what?\n  pair: Nurse\n    with: feeds\n  pair: Forager\n    with: flies\n"];
        yield 'groups' => ['groups', ['Where does each belong?' . $next . 'Brood box' . $next . 'Honey box' . $next . 'Larvae', Key::ENTER, 'Capped honey' . Key::TAB . Key::ENTER, Key::ARROW_DOWN, Key::ENTER], "groups: Where does each belong?\n  group: Brood box\n  item: Larvae\n  group: Honey box\n  item: Capped honey\n"];
        yield 'order' => ['order', ['Put in order.' . $next . 'Light the smoker', Key::ENTER, 'Lift the lid', Key::ENTER, 'Take a frame'], "order: Put in order.\n  item: Light the smoker\n  item: Lift the lid\n  item: Take a frame\n"];
        yield 'regions' => ['regions', ['Click the queen cell.' . $next, 'frame', Key::TAB . 'A brood frame' . self::BACK, str_repeat(self::BACK, 6) . Key::ENTER, $next . $next . 'The cell'], "regions: Click the queen cell.\n  image: frame.svg\n    size: 800 560\n    shows: A brood frame\n  area yes: ellipse 400 280 56 56\n    name: The cell\n"];
        yield 'place' => ['labels on', ['Where is it?' . $next, 'hive', Key::TAB . 'A hive' . self::BACK, self::BACK . self::BACK . Key::ENTER, $next . $next . 'top' . $next . 'Lid'], "place: Where is it?\n  image: hive.svg\n    size: 800 600\n    shows: A hive\n  spot: 400 300 60\n    name: top\n  label: Lid\n    at: 1\n"];
        yield 'rating' => ['a scale', ['How sure are you?' . $next . 'not at all' . $next . 'completely'], "rating: How sure are you?\n  scale: 1 to 5\n  ends: not at all, completely\n"];
    }

    public function test_a_question_of_every_kind_is_written_by_keyboard_alone(): void
    {
        $page = $this->page;
        foreach (self::kinds() as $name => [$kind, $typed, $text]) {
            $page->open('/banks/1/questions/new');
            $page->see('What sort of question?');
            $page->type($kind . Key::ENTER);
            $page->until(fn (): bool => $page->script('return document.activeElement.getAttribute("aria-label")') === 'Stem', 'the stem has the focus');
            if (in_array($name, ['regions', 'place'], true)) {
                $page->see('or one of the bank');
            }
            foreach ($typed as $keys) {
                $page->type($keys);
                usleep(60_000);
            }
            $id = (int) substr((string) strrchr((string) parse_url($page->driver->getCurrentURL(), PHP_URL_PATH), '/'), 1);
            $read = fn (): string => $this->textOf($id);
            try {
                $page->until(fn (): bool => $read() === $text, 'the text format of what was typed');
            } catch (\RuntimeException) {
                // told better by what was read instead
            }
            self::assertSame($text, $read(), $name);
        }
    }

    public function test_typing_in_a_question_of_thirty_answers_takes_less_than_50_ms_a_key(): void
    {
        $page = $this->page;
        $choices = array_map(static fn (int $n): array => ['id' => $n, 'text' => "Answer number $n", 'key' => $n === 1, 'says' => "About *answer* $n."], range(1, 30));
        $id = $this->made(['kind' => 'one', 'stem' => 'Which of these thirty is it?', 'choices' => $choices]);
        $page->open("/banks/1/questions/$id");
        $page->see('revision 1 · saved');
        $page->script('const box = document.createElement("textarea"); box.setAttribute("aria-label", "Bare"); document.body.prepend(box)');
        $floor = $this->typical('Bare');
        $page->script('document.querySelector("[aria-label=Bare]").remove()');
        $typical = $this->typical('Answer 15');
        $page->see('saved');

        self::assertLessThan(max(50 * Speed::slowness(), 5 * $floor), $typical, 'milliseconds of the processor; a bare box takes ' . $floor);
        self::assertStringContainsString('longer one than it was', (string) $page->field('Answer 15')->getAttribute('value'));
    }

    /** Types at the end of a field. Gives the milliseconds of the processor that the page takes for a key, all that follows from it included. */
    private function typical(string $field): float
    {
        $page = $this->page;
        $letters = mb_str_split(' which is a longer one than it was');
        $page->field($field)->click();
        $before = $page->processorTime();
        foreach ($letters as $letter) {
            $page->type($letter);
        }

        return ($page->processorTime() - $before) / count($letters);
    }

    public function test_what_a_word_processor_gives_comes_out_clean_and_a_list_becomes_answers(): void
    {
        $page = $this->page;
        $id = $this->made(['kind' => 'one', 'stem' => '', 'choices' => [['id' => 1, 'text' => '', 'key' => true]]]);
        $page->open("/banks/1/questions/$id");
        $page->see('revision 1 · saved');
        $this->paste('Stem', '<html><style>p{color:red}</style><p class="Mso" style="font-size:11pt">What <b style="font-weight:bold">calms</b> bees?<o:p></o:p></p></html>', 'What calms bees?');
        $page->until(fn (): bool => $page->field('Stem')->getAttribute('value') === 'What **calms** bees?', 'structure kept, styles dropped');
        $this->paste('Answer 1', '<ol><li><span style="color:#111">Smoke</span></li><li>Water</li><li><i>Light</i></li></ol>', "Smoke\nWater\nLight");
        $page->see('3 lines were pasted.');
        $page->click('Make 3 answers of them');
        $page->see('saved');

        self::assertSame(['Smoke', 'Water', '*Light*'], array_map(fn (int $n): ?string => $page->field("Answer $n")->getAttribute('value'), [1, 2, 3]));
        $page->type(Key::CONTROL . 'z' . Key::CONTROL);
        $page->until(fn (): bool => str_contains((string) $page->field('Answer 1')->getAttribute('value'), 'Water'), 'undo takes the rows back');
        $page->type(Key::CONTROL . 'y' . Key::CONTROL);
        $page->until(fn (): bool => $page->field('Answer 2')->getAttribute('value') === 'Water', 'and redo brings them again');

        $this->paste('Stem', '', str_repeat('A very long story. ', 1100));
        $page->see('characters; a page before the question would be easier to read');
        $page->see('Proofreader: The stem has');
    }

    public function test_without_a_connection_nothing_is_lost_and_it_is_saved_by_itself_later(): void
    {
        $page = $this->page;
        $page->open('/banks/1/questions/16');
        $page->see('revision 1 · saved');
        $page->goOffline(true);
        $page->field('Stem')->click();
        $page->type(Key::END . ' Say why.');
        $page->see('not saved');
        $page->see('What you typed is kept here');
        $page->goOffline(false);
        $page->see('draft, revision 2 · saved');

        self::assertStringContainsString('Say why.', $this->textOf(16));
    }

    public function test_text_restored_after_somebody_else_saved_is_not_put_over_theirs_in_silence(): void
    {
        $page = $this->page;
        $page->open('/banks/1');
        $page->see('what it takes');
        // As a closed window leaves it: text on the shelf that builds on version 1, and somebody else's version 2 on the server.
        $page->script('return fetch("/api/questions/17").then(r => r.json()).then(q => {
            const mine = {name: q.name, objective: q.objective, content: q.content, version: q.version};
            localStorage.setItem("zetema:question:17", JSON.stringify({...mine, content: {...q.content, stem: q.content.stem + " Mine."}}));
            return fetch("/api/questions/17", {method: "PUT", headers: {"X-Zetema": "1", "Content-Type": "application/json"}, body: JSON.stringify({...mine, content: {...q.content, stem: "Theirs?"}})});
        }).then(r => r.status)');
        $page->open('/banks/1/questions/17');
        $page->see('restored, not saved yet');
        $page->click('Save what was restored');
        $page->see('the newer one, M. Orrell');

        self::assertStringContainsString('Theirs?', $this->textOf(17));
        $page->click('Save mine over it');
        $page->until(fn (): bool => str_contains($this->textOf(17), ' Mine.'), 'mine is saved when I say so');
    }

    public function test_an_area_is_drawn_on_a_picture_with_the_mouse_and_a_response_is_tried(): void
    {
        $page = $this->page;
        $file = (string) tempnam(sys_get_temp_dir(), 'comb') . '.svg';
        file_put_contents($file, '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 300"><rect width="400" height="300" fill="#eee"/><script>alert(1)</script></svg>');
        $id = $this->made(['kind' => 'regions', 'stem' => 'Click the middle of the comb.', 'picture' => ['file' => '', 'shows' => ''], 'regions' => []]);
        $page->open("/banks/1/questions/$id");
        $page->see('No picture yet.');
        $page->driver->findElement(\Facebook\WebDriver\WebDriverBy::xpath('//input[@aria-label="Picture file"]'))->sendKeys($file);
        $page->see('400 × 300 pixels');
        unlink($file); // read by now, however slow the machine
        $page->field('What the picture shows')->sendKeys('A grey comb');
        $page->click('draw a rectangle');
        $board = $page->find('//*[local-name()="svg" and contains(@class, "board")]');
        // Moved to by its middle, it must be in sight as a whole.
        $page->script('document.querySelector("svg.board").scrollIntoView({block: "center"})');
        $page->driver->action()->moveToElement($board, -60, -40)->clickAndHold()->moveToElement($board, 60, 40)->release()->perform();
        $page->field('Name of area 1')->sendKeys('The middle');
        $page->see('key · earns 1');
        $page->click('See it as a candidate does, and try responses');
        $page->until(fn (): bool => $page->script('return document.querySelector("iframe")?.contentDocument?.querySelector("svg.board") !== null') === true, 'the question as seen');
        $page->see('saved');
        $page->open("/as-seen/$id");
        $page->see('Click into the picture.');
        $seen = $page->find('//*[local-name()="svg" and contains(@class, "board")]');
        $page->driver->action()->moveToElement($seen)->click()->perform();
        $page->see('1 click of 1');
        $page->click('Check');
        $page->see('right, 1 of 1');

        self::assertMatchesRegularExpression('/area yes: rectangle \d+ \d+ \d+ \d+/', $this->textOf($id));
    }

    public function test_a_reviewer_comments_at_a_line_and_the_author_goes_from_a_rehearsal_to_the_question_and_back(): void
    {
        $page = $this->page;
        $page->logOut();
        $page->logIn('penhale', 'honeycomb');
        $page->open('/banks/1/questions/16');
        $page->see('what it says');
        $page->click('Comment on answer 2');
        $page->type('Is a lid ever round?' . Key::ENTER);
        $page->see('S. Penhale, ');
        $page->logOut();
        $page->logIn('orrell', 'honeycomb');
        $page->open('/banks/1/blueprints/3');
        $page->see('Hands on');
        $page->click('Rehearse');
        $page->see('Questions 1 to 7');
        $page->find('//a[starts-with(normalize-space(.), "to the question")]')->click();
        $page->see('back to the rehearsal');
        $page->click('back to the rehearsal');
        $page->see('Questions 1 to 7');
        $page->open('/banks/1/questions/16');
        $page->see('Is a lid ever round?');
        $page->click('close');
        $page->see('1 closed comment');

        self::assertStringNotContainsString('Is a lid ever round?', $page->text());
    }

    public function test_any_question_can_be_weighed_part_by_part_and_set_back(): void
    {
        $page = $this->page;
        // demo questions of each kind that can be weighed, and what then stands at their first line
        foreach ([2 => 'yes 1:', 61 => 'weight', 64 => 'earns: 1', 67 => 'earns: 1', 70 => 'area yes 1:', 72 => 'earns: 1'] as $id => $line) {
            $before = $this->textOf($id);
            $page->open("/banks/1/questions/$id");
            $page->see('revision 1 · saved');
            $page->find('//button[starts-with(@aria-label, "Marking: ")]')->click();
            $page->click('weighed');
            $page->see('draft, revision 2 · saved');
            $page->until(fn (): bool => str_contains($this->textOf($id), 'marking: weighed') && str_contains($this->textOf($id), $line), "question $id weighed: " . $this->textOf($id));
            self::assertStringNotContainsString('not whole', $page->text());
            $page->click('undo');
            $page->until(fn (): bool => self::marks($this->textOf($id)) === self::marks($before), "question $id as it was");
        }
        self::assertStringContainsString('points: 10', $this->textOf(2));
    }

    public function test_a_note_gets_its_conditions_by_choosing_and_rows_are_dragged_by_their_number(): void
    {
        $page = $this->page;
        $page->open('/banks/1/questions/1');
        $page->see('revision 1 · saved');
        $page->click('Say something in certain cases');
        $page->field('Note 1')->sendKeys('Look at the walls.');
        $page->click('Condition 1 of note 1: answer 1 is not chosen, change');
        $page->click('answer 2 is chosen');
        $page->click('and …');
        $page->click('or …');
        $page->click('Condition 1 of note 1: wrong, change');
        $page->click('on the last attempt');
        $page->until(fn (): bool => str_contains($this->textOf(1), 'note when chosen 2 and wrong or on the last attempt: Look at the walls.'), 'the note in the text format');
        $page->see('note 1 when chosen: Look at the walls.');

        $first = $page->field('Answer 1')->getAttribute('value');
        $numbers = $page->driver->findElements(\Facebook\WebDriver\WebDriverBy::cssSelector('.handle'));
        $page->driver->action()->moveToElement($numbers[0])->clickAndHold()->moveByOffset(0, 12)->moveToElement($numbers[2])->release()->perform();
        $page->until(fn (): bool => $page->field('Answer 3')->getAttribute('value') === $first, 'the first answer is the third');
        $page->type(Key::ALT . Key::ARROW_UP . Key::ALT);

        self::assertSame($first, $page->field('Answer 2')->getAttribute('value'));
    }

    /** The lines of a question's text that say what it earns. */
    private static function marks(string $text): string
    {
        preg_match_all('/^ *(?:points|marking|earns|loses|yes|no|weight|area)[^:\n]*:.*$/m', $text, $m);

        return implode("\n", $m[0]);
    }

    /** @param array<string, mixed> $content */
    private function made(array $content): int
    {
        $body = json_encode(['content' => ['v' => 1, ...$content]], JSON_THROW_ON_ERROR);
        $id = $this->page->script('return fetch("/api/banks/1/questions", {method: "POST", headers: {"X-Zetema": "1", "Content-Type": "application/json"}, body: arguments[0]}).then(r => r.json()).then(q => q.id)', $body);

        return is_int($id) ? $id : throw new \RuntimeException('no question was made');
    }

    /** The question in the text format, as the server has it. */
    private function textOf(int $id): string
    {
        $text = $this->page->script("return fetch('/api/questions/$id/text').then(r => r.text())");

        return is_string($text) ? $text : '';
    }

    private function paste(string $label, string $html, string $plain): void
    {
        $this->page->field($label)->click();
        $this->page->script('const data = new DataTransfer(); if (arguments[0]) data.setData("text/html", arguments[0]); data.setData("text/plain", arguments[1]);
            document.activeElement.dispatchEvent(new ClipboardEvent("paste", {clipboardData: data, bubbles: true, cancelable: true}))', $html, $plain);
    }
}
