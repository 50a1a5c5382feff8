<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** What is done about questions rather than in them: proofreading, revisions, patterns, pages, settings of the bank. */
final class LookingAfterTest extends BrowserTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->page->logIn('orrell', 'honeycomb');
    }

    public function test_a_bank_is_proofread_and_one_goes_on_from_note_to_note(): void
    {
        $page = $this->page;
        $page->click('Proofread the bank');
        $page->see('90 questions read');
        $page->click('all or none of these 1');
        // Until it is narrowed the list of all stands there, with this question in it, too.
        $page->until(static fn (): bool => $page->script('return document.querySelectorAll(\'a.act[href*="/questions/"]\').length') === 1, 'one question');
        $page->see('“none of these” is hard to defend.');
        $page->click('Which sign shows that a queen laid here within the last three days?');
        $page->see('1 of 1 with notes');
        $page->click('why');
        $page->see('Who knows two answers to be right');
        $page->click('wave off');
        $page->type('The guild always has it.');
        $page->find('//form//button[normalize-space(.)="wave off"]')->click();
        $page->see('Proofreader waved off: “none of these” is hard to defend. “The guild always has it.” M. Orrell');
        $page->click('bring back');
        $page->see('Proofreader: “none of these” is hard to defend.');
        $page->click('1 with notes');
        $page->see('90 questions read');

        self::assertStringContainsString('all or none of these 1', $page->text());
    }

    public function test_an_older_revision_is_compared_and_brought_back(): void
    {
        $page = $this->page;
        $page->open('/banks/1/questions/2');
        $page->see('revision 1 · saved');
        $page->field('Answer 1')->click();
        $page->type(Key::END . ' and drink');
        $page->see('draft, revision 2 · saved');
        $page->click('what changed');
        $page->see('taken out yes: The food the larva is given');
        $page->see('added yes: The food the larva is given and drink');
        $page->click('what it was');
        $page->click('Make revision 1 the newest again');
        $page->see('draft, revision 3 · saved');
        $page->see('Revision 1 is the newest again, saved as revision 3. Its status is draft;');

        self::assertSame('The food the larva is given', $page->field('Answer 1')->getAttribute('value'));
    }

    public function test_a_pattern_gives_new_questions_their_hints_and_feedback_and_a_draft_is_thrown_away(): void
    {
        $page = $this->page;
        $page->open('/banks/1/questions/new');
        $page->see('from a house pattern');
        $page->click('fresh eggs');
        $page->see('draft, revision 1');
        self::assertSame('Think of how an egg is placed on day one.', $page->field('Hint 1')->getAttribute('value'));
        $page->click('Tags, parted by commas: none, change');
        $page->type('frame, eggs' . Key::ENTER);
        $page->find('//button[contains(@aria-label, "frame, eggs")]');
        $page->click('Difficulty: not said, change');
        $page->click('hard');
        $page->field('Note to self')->sendKeys('Ask about larvae too.');
        $page->see('saved');
        usleep(1_200_000);
        $page->driver->navigate()->refresh();
        $page->see('tags frame, eggs · difficulty hard');
        self::assertSame('Ask about larvae too.', $page->field('Note to self')->getAttribute('value'));

        $page->click('throw this draft away');
        $page->see('The history of the bank keeps it.');
        $page->click('Throw it away');
        $page->see('92 questions');
        $page->open('/banks/1/history');
        $page->click('What: the bank as a whole, change');
        $page->click('the wastebasket');
        $page->see('M. Orrell threw away the question');
        $page->click('restore');
        $page->see('It stands in Hive inspection > Reading a frame again');
        $page->open('/banks/1/questions');
        $page->see('93 questions');
        $page->open('/banks/1/questions/new');
        $page->see('What sort of question?');
        $page->type('3 claim' . Key::ENTER);
        $page->see('no stem yet');
        $page->until(fn (): bool => substr_count($page->text(), 'no stem yet') === 3, 'three empty claims');

        self::assertSame(3, substr_count($page->text(), 'no stem yet'));
    }

    public function test_a_page_is_written_and_shown_whole_as_feedback_with_its_picture_and_formula(): void
    {
        $page = $this->page;
        $page->open('/banks/1/pages');
        $page->see('Pages for reading');
        $page->click('Write a page');
        $page->see('Pages · page 6');
        $page->click('Name, for authors: page 6, change');
        $page->type('look again' . Key::ENTER);
        $page->field('Heading')->sendKeys('Look at the floor of the cells');
        $page->field('What the page reads')->sendKeys('Eggs are small: $\frac{3}{2}$ mm. ![A brood frame](frame.svg)');
        $page->see('saved');
        usleep(1_000_000);

        $page->open('/banks/1/questions/20');
        $page->see('revision 1 · saved');
        $page->field('Says when wrong')->click();
        $page->click('A page of the bank in the text: a page, change');
        $page->click('look again');
        $page->until(fn (): bool => str_contains((string) $page->field('Says when wrong')->getAttribute('value'), '(page:look%20again)'), 'the page is named in the text');
        $page->see('draft, revision 2 · saved');
        $page->open('/as-seen/20');
        $page->see('Check');
        $wrong = $page->script('return fetch("/api/questions/20/as-seen?seed=1").then(r => r.json()).then(s => s.question.answers.choices.findIndex(c => !s.key.some(k => k.text === c)))');
        self::assertIsInt($wrong);
        $page->find('(//button[@role="radio" or @role="checkbox"])[' . ($wrong + 1) . ']')->click();
        $page->click('Check');
        $page->see('Look at the floor of the cells');
        $page->until(fn (): bool => $page->script('return document.querySelector(".read-page img")?.naturalWidth > 0 && document.querySelector(".read-page .katex") !== null') === true, 'picture and formula of the page');

        self::assertStringContainsString('Eggs are small', $page->text());
    }

    public function test_what_the_bank_sets_is_seen_in_a_questions_margin_and_can_be_set_back(): void
    {
        $page = $this->page;
        $page->open('/banks/1/settings');
        $page->see('What counts where a question says nothing itself');
        $page->click('A blank one costs: 0, change');
        $page->type('1' . Key::ENTER);
        $page->see('cleared questions say nothing themselves and will follow');
        $page->click('Change it');
        $page->see('set by the bank');
        $page->open('/banks/1/questions/3');
        $page->see('blank costs from the bank');
        $page->see('blank costs 1');
        $page->click('What blank costs: 1, change');
        $page->type('2' . Key::ENTER);
        $page->see('blank costs ↶');
        $page->click('Set blank costs back to 1 (bank)');
        $page->see('blank costs from the bank');
        $page->open('/banks/1/settings');
        $page->click('Set blank costs back');
        $page->click('Change it');
        $page->until(fn (): bool => str_contains($page->text(), 'A blank one costs 0 points. house'), 'it is set back');
        $page->see('saved; worths were worked out anew');

        self::assertStringContainsString('house', $page->text());
    }

    public function test_hostile_texts_are_shown_as_texts_and_nothing_runs(): void
    {
        $page = $this->page;
        $hostile =
            '<img src=x onerror="window.hacked=1"> <script>window.hacked=1</script> [a](javascript:window.hacked=1) ![b](javascript:x) $\href{javascript:window.hacked=1}{c}$ <iframe src="javascript:1"></iframe> [d](page:<b>x</b>) <svg onload="window.hacked=1">';
        $choices = [['id' => 1, 'text' => $hostile, 'key' => true, 'says' => $hostile], ['id' => 2, 'text' => 'plain', 'key' => false], ['id' => 3, 'text' => 'plainer', 'key' => false]];
        $body = json_encode(
            ['name' => mb_substr($hostile, 0, 60), 'objective' => mb_substr($hostile, 0, 44), 'content' => ['v' => 1, 'kind' => 'one', 'stem' => $hostile, 'choices' => $choices, 'tags' => [$hostile]]],
            JSON_THROW_ON_ERROR,
        );
        $id = $page->script('return fetch("/api/banks/1/questions", {method: "POST", headers: {"X-Zetema": "1", "Content-Type": "application/json"}, body: arguments[0]}).then(r => r.json()).then(q => q.id)', $body);
        self::assertIsInt($id);
        foreach (
            ["/banks/1/questions/$id" => 'what scores what', "/as-seen/$id?key=shown" => 'Check', '/banks/1/questions' => 'every objective', '/banks/1/proofreading' => 'questions read', '/banks/1' => 'what it takes'] as $path => $text
        ) {
            $page->open($path);
            $page->see($text);
            usleep(500_000);

            self::assertSame(
                '[null,0]',
                $page->script('return JSON.stringify([window.hacked ?? null, document.querySelectorAll("[onerror], [onload], .rich script, .rich iframe, main iframe, a[href^=javascript]").length])'),
                $path,
            );
        }
    }
}
