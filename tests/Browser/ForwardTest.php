<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

/** An assessment that is gone through forward: a question a screen, read again and once more, a clock of its own, a hint that waits. */
final class ForwardTest extends BrowserTestCase
{
    public function test_forward_through_an_assessment(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $page->open('/banks/1/blueprints/' . $this->made());
        $page->see('hold only forward, a question a page');
        $page->click('How candidates move: in any order, change');
        $page->click('forward only');
        $page->click('What is on a page: a section a page, change');
        $page->click('a question a page');
        $page->until(static fn (): bool => !str_contains($page->text(), 'hold only forward'), 'the rules are taken');
        $page->see(' saved');
        $page->click('Rehearse');
        $page->see('How is a smoker lit?');
        self::assertStringNotContainsString('Come back to this', $page->text());

        $page->find('//button[@role="radio"][contains(., "From above")]')->click();
        $page->click('Check');
        $page->see('Wrong.');
        $page->click('Go on');
        $page->see('Lighting a smoker');
        $page->click('Go on');
        $page->see('How is a smoker lit?');
        $page->find('//button[@role="radio"][contains(., "From below") and @aria-checked="false"]')->click();
        $page->click('Check');
        $page->see('Right: 10 of 10.');
        $page->click('Go on');

        $page->see('left for this question');
        $page->see('a hint in');
        $page->see('costs 1 point');
        $page->click('Hint');
        $page->see('Think of where there is room.');
        $page->see('left for this question');
        $page->see('Time ran out.');
        $page->click('Go on');
        $page->see('That was the last question.');
        $page->click('Hand in the paper');
        $page->see('10 of 20 points');
        $page->see('out of time');
    }

    public function test_a_blueprint_written_as_text_is_told_at_its_places_then_rehearsed(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $page->open('/banks/1/blueprints/2');
        $page->click('write it as text');
        $document = [
            'v' => 2,
            'title' => 'A day at the hives',
            'pass' => ['percent' => '50'],
            'rules' => ['feedback' => 'after each attempt'],
            'sections' => [
                ['id' => 'morning', 'title' => 'The morning', 'time' => '2 min', 'steps' => [['id' => 'p1', 'page' => 'why eggs matter'], ['id' => 'q1', 'question' => 'fresh eggs']]],
                ['id' => 'evening', 'title' => 'The evening', 'steps' => [['id' => 'd1', 'draw' => ['take' => 1, 'pool' => ['kinds' => ['claim']]]]]],
            ],
            'closing' => ['passed' => 'a word before swarm day'],
            'review' => ['passed' => [['rung' => 'total']]],
        ];
        $text = json_encode($document, JSON_THROW_ON_ERROR);
        $this->write(str_replace('fresh eggs', 'fresh egg', $text));
        $page->see('there is no question “fresh egg”');
        $this->write($text);
        $page->until(static fn (): bool => !str_contains($page->text(), 'there is no question'), 'it can be sat');
        $page->click('back to the running order');
        $page->see('why eggs matter');
        $page->click('Rehearse');
        $page->see('left for this section');
        // The clock is wound on to where the section ends, and a step back undoes nothing but what was done.
        $page->click('Go on');
        $page->click('what is here');
        $page->see('Right');
        $page->click('to the end of this section');
        $page->see('Question 2 · page 3 of 3 · The evening');
        $page->click('a step back');
        $page->see('left for this section');
        $page->find('//button[@role="radio"][contains(., "Single eggs")]')->click();
        $page->click('Check');
        $page->see('Right');
        $page->click('Go on');
        $page->see('Question 2 · page 3 of 3 · The evening');
        $page->click('Hand in the paper');
        $page->see('whatever is still to come counts as unanswered');
        $page->click('Hand in the paper');
        $page->see('Take your time');
        self::assertStringNotContainsString('The evening', $page->text());
    }

    private function write(string $text): void
    {
        $this->page->field('The whole blueprint as text');
        $this->page->script(
            'const t = document.querySelector("textarea"); Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, "value").set.call(t, arguments[0]); t.dispatchEvent(new Event("input", { bubbles: true }));',
            $text,
        );
        $this->page->click('Save the whole');
    }

    /** @return int the blueprint of two fixed questions */
    private function made(): int
    {
        $this->page->see('The bank by objective');
        $this->page->script(
            <<<'JS'
            (async () => {
              const ask = async (method, path, body) => {
                const answer = await fetch('/api' + path, { method, headers: { 'Content-Type': 'application/json', 'X-Zetema': '1' }, body: body && JSON.stringify(body) });
                return answer.json();
              };
              await ask('POST', '/banks/1/pages', { name: 'care', heading: 'Lighting a smoker', reads: 'Begin with *dry* straw.' });
              const steps = [];
              for (const [stem, settings, hints] of [
                ['How is a smoker lit?', { refresher: 'care', points: '10' }, []],
                ['Which frame is lifted first?', { time: '12 s', points: '10' }, [{ text: 'Think of where there is room.', after: 2, costs: '1' }]],
              ]) {
                const choices = ['From below', 'From above'].map((text, i) => ({ id: i + 1, text, key: i === 0 }));
                const { id } = await ask('POST', '/banks/1/questions', { objective: 'Hive inspection', content: { kind: 'one', stem, choices, settings, hints } });
                for (const status of ['in review', 'cleared']) {
                  const { version } = await ask('GET', '/questions/' + id);
                  await ask('PUT', `/questions/${id}/status`, { status, version });
                }
                steps.push({ id: 'q' + steps.length, question: 'q' + id });
              }
              const made = await ask('POST', '/banks/1/blueprints', { title: 'A morning at the hives' });
              await ask('PUT', `/blueprints/${made.id}/document`, { version: made.version, document: { ...made.document, rules: { ...made.document.rules, feedback: 'after each attempt' }, sections: [{ id: 'all', steps }] } });
              window.made = made.id;
            })();
            JS
            ,
        );
        $id = null;
        $this->page->until(function () use (&$id): bool {
            $id = $this->page->script('return window.made ?? null');

            return $id !== null;
        }, 'the assessment is made');

        return is_int($id) ? $id : 0;
    }

    public function test_a_rehearsal_begins_at_a_checkpoint_with_fifteen_points(): void
    {
        $page = $this->page;
        $page->logIn('orrell', 'honeycomb');
        $page->open('/banks/2/blueprints/4');
        $page->find('//button[contains(., "checkpoint: at least 13 points")]')->click();
        $page->see('13 to 16 route 1');
        $page->click('rehearse from here …');
        $page->field('Points so far')->sendKeys(WebDriverKeys::BACKSPACE . '15');
        $page->find('//button[.="Rehearse"][not(contains(@class, "main"))]')->click();
        $page->see('To read · A calm arrival');
        self::assertStringContainsString('step 4 → 5, by its route 1', $page->text());
        $this->looksRight();
        $page->click('all that is to come');
        $page->see('That was the last question.');
        $page->click('Hand in the paper');
        $page->see('of 40 points');
    }
}
