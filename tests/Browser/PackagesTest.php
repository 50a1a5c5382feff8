<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

/** A package of the open standard comes in with its pictures; a bank moves as an archive. */
final class PackagesTest extends BrowserTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->page->logIn('orrell', 'honeycomb');
    }

    private function choose(string $label, string $file): void
    {
        // The file is put where a person's choice would put it.
        $bytes = base64_encode((string) file_get_contents($file));
        $this->page->script(
            'const bytes = Uint8Array.from(atob(arguments[1]), (c) => c.charCodeAt(0)); const data = new DataTransfer(); data.items.add(new File([bytes], arguments[2]));' .
                'const input = document.querySelector(`input[aria-label="${arguments[0]}"]`); input.files = data.files; input.dispatchEvent(new Event("change", {bubbles: true}));',
            $label,
            $bytes,
            basename($file),
        );
    }

    public function test_a_package_with_a_picture_is_taken_in_and_what_stays_behind_is_told(): void
    {
        $page = $this->page;
        $page->open('/banks/1/intake');
        $page->see('Bring questions in');
        $this->choose('A text, a typed paper, a table or a package', dirname(__DIR__, 2) . '/demo/intake/guild-evening.zip');
        $page->see('1 thing in it has no counterpart here and stays behind.');
        self::assertStringContainsString('extendedTextInteraction', $page->text());
        $this->looksRight();
        $page->click('Take in 4 questions');
        $page->see('Taken in');
        $stands = static fn (): mixed => $page->script('return [...document.querySelectorAll("a")].find((a) => a.textContent === "Guild evening").getBoundingClientRect().top');
        $page->find('//a[normalize-space(.)="Guild evening"]');
        $before = $stands();
        $page->see('nothing read yet');
        self::assertSame($before, $stands(), 'what came in stays under the pointer while the text is emptied');
        $page->click('Guild evening');
        $page->see('before-you-begin');
        $page->see('“skep-wall”, “late-forage” are not cleared yet');
        $page->open('/banks/1/questions?search=niches');
        $page->see('1 question');
        $page->find('//a[contains(@href, "/questions/")][contains(., "The old wall")]')->click();
        $page->see('What was put into them?');
        $page->until(static fn (): bool => $page->script('return [...document.images].some((i) => i.alt.startsWith("A niche") && i.naturalWidth > 0)') === true, 'the picture is shown');
    }

    public function test_a_bank_is_saved_as_an_archive_and_comes_back_as_another(): void
    {
        $page = $this->page;
        $page->open('/banks');
        $page->see('Banks of questions');
        $zip = $page->script(
            'const done = await fetch(document.querySelector("a[href$=\'/archive\']").href); const bytes = new Uint8Array(await done.arrayBuffer()); let text = ""; for (const b of bytes) text += String.fromCharCode(b); return btoa(text);',
        );
        self::assertIsString($zip);
        $file = sys_get_temp_dir() . '/zetema-archive-' . bin2hex(random_bytes(4)) . '.zip';
        file_put_contents($file, (string) base64_decode($zip, true));
        $page->find('//label[contains(., "Or one from an archive")]//input')->sendKeys('Apprentice Certificate, moved');
        $this->choose('Archive of a bank', $file);
        unlink($file);
        $page->see('Apprentice Certificate, moved');
        $page->open('/banks');
        $page->see('Apprentice Certificate, moved');
        preg_match_all('#\d+/\d+#', $page->text(), $counts);
        self::assertCount(3, $counts[0]);
        self::assertCount(2, array_unique($counts[0]), 'as many are cleared, and there, in both');
    }
}
