<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;

/** A real server for each test, with a database of its own, so that none sees what another left behind; and a browser that each finds as if it were new. */
abstract class BrowserTestCase extends TestCase
{
    protected Chromium $page;
    private static ?Server $server = null;
    private static ?Chromium $browser = null;

    public static function tearDownAfterClass(): void
    {
        self::$browser = null;
        self::$server = null;
    }

    protected function setUp(): void
    {
        self::$browser?->forget();
        self::$server = null;
        self::$server = new Server();
        $this->page = self::$browser ??= new Chromium();
        $this->page->visits(self::$server->address);
    }

    protected function tearDown(): void
    {
        unset($this->page);
    }

    /** A page that did not come about is told with what the server wrote, so that one that is gone says why. */
    protected function onNotSuccessfulTest(\Throwable $t): never
    {
        fwrite(STDERR, "\n" . static::class . '::' . $this->name() . ', the server: ' . (self::$server?->told() ?? 'none') . "\n");
        throw $t;
    }

    protected function tooWide(int $width): int
    {
        $needed = $this->page->script('return document.documentElement.scrollWidth');

        return is_int($needed) ? max(0, $needed - $width) : 9999;
    }

    /**
     * Asks the API as whoever is logged in.
     *
     * @param array<array-key, mixed>|null $body
     */
    protected function ask(string $method, string $path, ?array $body = null): Fields
    {
        $answer = $this->page->driver->executeAsyncScript(
            'const [method, path, body, done] = arguments; fetch("/api" + path, { method, headers: { "Content-Type": "application/json", "X-Zetema": "1" }, body: body ?? undefined }).then((answer) => answer.text()).then(done)',
            [$method, $path, $body === null ? null : json_encode($body, JSON_THROW_ON_ERROR)],
        );

        return Fields::ofJson(is_string($answer) ? $answer : '');
    }

    /**
     * A blueprint of the first bank with these steps in one section.
     *
     * @param list<array<string, mixed>> $steps
     * @param array<string, mixed> $rules
     */
    protected function blueprint(string $title, array $steps, array $rules): int
    {
        $made = $this->ask('POST', '/banks/1/blueprints', ['title' => $title]);
        $this->ask('PUT', '/blueprints/' . $made->integer('id') . '/document', [
            'version' => $made->integer('version'),
            'document' => ['v' => 2, 'title' => $title, 'rules' => $rules, 'sections' => [['id' => 'all', 'steps' => $steps]], 'review' => ['passed' => [['rung' => 'marked paper with key and feedback']]]],
        ]);

        return $made->integer('id');
    }

    /** Reads what an assessment is, as a candidate, and begins it. */
    protected function sit(string $title): void
    {
        $this->page->find("//div[contains(@class, \"row\")][.//*[contains(text(), \"$title\")]]//a")->click();
        $this->page->click('Begin');
    }

    /**
     * @param bool $colours whether only these are looked at: the same page was looked at whole in the other scheme
     *
     * @return list<string> what axe finds, of WCAG 2.2 A and AA
     */
    protected function violations(bool $colours = false): array
    {
        usleep(200_000);
        $this->page->driver->manage()->timeouts()->setScriptTimeout(300);
        $this->page->driver->executeScript((string) file_get_contents(dirname(__DIR__, 2) . '/node_modules/axe-core/axe.min.js'));
        $rules = $colours ? '["color-contrast", "link-in-text-block"]' : '["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"]';
        $found = $this->page->driver->executeAsyncScript(
            'const done = arguments[0]; axe.run(document, {runOnly: ' . $rules . '}).then(r => done(r.violations.map(v => v.id + ": " + v.nodes.slice(0, 4).map(n => n.html.slice(0, 120)).join(" | "))))',
        );

        return is_array($found) ? array_values(array_filter($found, is_string(...))) : ['axe gave no answer'];
    }

    /** What stands on the page now fits a phone and both schemes, and axe finds nothing. */
    protected function looksRight(): void
    {
        foreach ([[1280, 800, false], [1280, 800, true], [390, 844, false]] as [$width, $height, $dark]) {
            $this->page->size($width, $height, $dark);
            self::assertSame([[], 0], [$this->violations(colours: $dark), $this->tooWide($width)], ($dark ? 'dark' : 'light') . " at $width");
        }
        $this->page->size(1280, 800);
    }

    protected static function server(): Server
    {
        return self::$server ?? throw new \LogicException('the server runs during these tests');
    }
}
