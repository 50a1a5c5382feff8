<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

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
        yield 'one' => ['one', ['Which comes first?' . $next . 'The smoker' . Key::ENTER . 'The lid' . Key::ENTER . 'A frame'], "one: Which comes first?\n  shuffle: yes\n  yes: The smoker\n  no: The lid\n  no: A frame\n"];
        yield 'several' => ['multiple response', ['Which are tools?' . $next . 'Smoker' . Key::ENTER . 'Brush' . Key::TAB . Key::SPACE . self::BACK . Key::ENTER . 'Honey'], "several: Which are tools?\n  shuffle: yes\n  yes: Smoker\n  yes: Brush\n  no: Honey\n"];
        yield 'claim' => ['true or', ['A drone can sting.' . str_repeat(Key::TAB, 2) . Key::ENTER, '3' . Key::ENTER], "true: A drone can sting.\n  points: 3\n"];
        yield 'text' => ['text', ['What drops onto the board?' . $next . 'varroa' . Key::ENTER . 'mite'], "text: What drops onto the board?\n  answer: varroa\n  answer: mite\n"];
        yield 'number' => ['number', ['How many per hundred?' . $next . '14 within 0.6'], "number: How many per hundred?\n  answer: 14 within 0.6\n"];
        yield 'gaps' => ['gaps', ['A colony has one queen', Key::CONTROL . Key::SHIFT . Key::ARROW_LEFT . Key::SHIFT . Key::CONTROL, Key::CONTROL . 'g' . Key::CONTROL], "gaps: A colony has one ___\n  marking: parts\n  gap 1: queen\n"];
        yield 'pairs' => ['matching', ['Who does what?' . $next . 'Nurse', Key::ENTER, 'feeds', Key::ENTER, 'Forager', Key::ENTER, 'flies'], "pairs: Who does what?\n  marking: parts\n  pair: Nurse\n    with: feeds\n  pair: Forager\n    with: flies\n"];
        yield 'groups' => ['groups', ['Where does each belong?' . $next . 'Brood box' . $next . 'Honey box' . $next . 'Larvae', Key::ENTER, 'Capped honey' . Key::TAB . Key::ENTER, Key::ARROW_DOWN, Key::ENTER], "groups: Where does each belong?\n  marking: parts\n  group: Brood box\n  item: Larvae\n  group: Honey box\n  item: Capped honey\n"];
        yield 'order' => ['order', ['Put in order.' . $next . 'Light the smoker', Key::ENTER, 'Lift the lid', Key::ENTER, 'Take a frame'], "order: Put in order.\n  marking: parts by neighbour\n  item: Light the smoker\n  item: Lift the lid\n  item: Take a frame\n"];
        yield 'regions' => ['regions', ['Click the queen cell.' . $next, 'frame', Key::TAB . 'A brood frame' . self::BACK, str_repeat(self::BACK, 6) . Key::ENTER, $next . $next . 'The cell'], "regions: Click the queen cell.\n  image: frame.svg\n    size: 800 560\n    shows: A brood frame\n  area yes: ellipse 400 280 56 56\n    name: The cell\n"];
        yield 'place' => ['labels on', ['Where is it?' . $next, 'hive', Key::TAB . 'A hive' . self::BACK, self::BACK . self::BACK . Key::ENTER, $next . $next . 'top' . $next . 'Lid'], "place: Where is it?\n  marking: parts\n  image: hive.svg\n    size: 800 600\n    shows: A hive\n  spot: 400 300 60\n    name: top\n  label: Lid\n    at: 1\n"];
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
            foreach ($typed as $keys) {
                $page->type($keys);
                usleep(60_000);
            }
            $id = substr((string) strrchr((string) parse_url($page->driver->getCurrentURL(), PHP_URL_PATH), '/'), 1);
            $read = fn (): mixed => $page->script("return fetch('/api/questions/$id/text').then(r => r.text())");
            try {
                $page->until(fn (): bool => $read() === $text, 'the text format of what was typed', 6);
            } catch (\RuntimeException) {
                // told better by what was read instead
            }
            self::assertSame($text, $read(), $name);
        }
    }
}
