<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverElement;
use Facebook\WebDriver\WebDriverKeys;
use Symfony\Component\Process\Process;

/** Headless Chromium with its own driver on a free port; ends with this object. */
final class Chromium
{
    /** Seconds: a machine may do other things besides, so that only a failing test waits so long. */
    private const PATIENCE = 150;
    public readonly RemoteWebDriver $driver;
    private readonly Process $process;
    private readonly string $profile;
    private string $base = '';

    public function __construct(private readonly FreePort $port = new FreePort())
    {
        $port = $this->port->number;
        $this->profile = sys_get_temp_dir() . '/zetema-chromium-' . bin2hex(random_bytes(4));
        $this->process = new Process(['chromedriver', '--port=' . $port, '--log-level=SEVERE'], timeout: null);
        $this->process->disableOutput();
        $this->process->start();
        self::waitFor($port);
        $options = new ChromeOptions();
        $options->setBinary('/usr/bin/chromium');
        $options->addArguments([
            '--headless=new',
            '--no-sandbox',
            '--disable-gpu',
            '--disable-quic',
            '--no-first-run',
            '--disable-background-networking',
            '--lang=en-GB',
            '--accept-lang=en-GB',
            '--disable-component-update',
            '--disable-sync',
            '--disable-dev-shm-usage',
            '--user-data-dir=' . $this->profile,
        ]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $this->driver = RemoteWebDriver::create('http://127.0.0.1:' . $port, $capabilities, 300_000, 300_000);
        $this->driver->manage()->timeouts()->setScriptTimeout(120);
        $this->size(1280, 800);
    }

    /** As it was when it was new: no page, no cookies, nothing kept, online, and as large as a desk. */
    public function forget(): void
    {
        $this->goOffline(false);
        $this->driver->get('about:blank');
        $tools = new ChromeDevToolsDriver($this->driver);
        $tools->execute('Network.clearBrowserCookies');
        $tools->execute('Storage.clearDataForOrigin', ['origin' => $this->base, 'storageTypes' => 'all']);
        $this->size(1280, 800);
    }

    /** @param string $base where the server is whose pages are opened from now on */
    public function visits(string $base): void
    {
        $this->base = $base;
    }

    public function __destruct()
    {
        try {
            $this->driver->quit();
        } catch (\Throwable) {
            // the browser is gone already
        }
        $this->process->stop(2);
        (new Process(['rm', '-rf', $this->profile]))->run();
    }

    public static function waitFor(int $port): void
    {
        for ($end = time() + self::PATIENCE; time() < $end; usleep(50_000)) {
            $socket = @fsockopen('127.0.0.1', $port, timeout: 1);
            if ($socket !== false) {
                fclose($socket);

                return;
            }
        }
        throw new \RuntimeException('nothing listens on port ' . $port);
    }

    public function size(int $width, int $height, bool $dark = false): void
    {
        $tools = new ChromeDevToolsDriver($this->driver);
        $tools->execute('Emulation.setDeviceMetricsOverride', ['width' => $width, 'height' => $height, 'deviceScaleFactor' => 1, 'mobile' => $width < 600]);
        $tools->execute('Emulation.setEmulatedMedia', ['features' => [['name' => 'prefers-color-scheme', 'value' => $dark ? 'dark' : 'light']]]);
    }

    public function goOffline(bool $offline): void
    {
        (new ChromeDevToolsDriver($this->driver))->execute('Network.enable');
        (new ChromeDevToolsDriver($this->driver))->execute('Network.emulateNetworkConditions', ['offline' => $offline, 'latency' => 0, 'downloadThroughput' => -1, 'uploadThroughput' => -1]);
    }

    /** Milliseconds that the page's own thread has used of the processor. */
    public function processorTime(): float
    {
        $tools = new ChromeDevToolsDriver($this->driver);
        $tools->execute('Performance.enable', ['timeDomain' => 'threadTicks']);
        foreach ((array) ($tools->execute('Performance.getMetrics')['metrics'] ?? []) as $metric) {
            if (is_array($metric) && ($metric['name'] ?? '') === 'TaskDuration' && is_numeric($metric['value'] ?? null)) {
                return 1e3 * (float) $metric['value'];
            }
        }
        throw new \RuntimeException('the browser tells no processor time');
    }

    public function open(string $path): void
    {
        $this->driver->get($this->base . $path);
    }

    /** Whoever looks after the banks of the demo begins at the first of them. */
    public function logIn(string $login, string $password): void
    {
        $this->open('/');
        $this->see('Log in');
        $this->driver->findElement(WebDriverBy::name('login'))->sendKeys($login);
        $this->driver->findElement(WebDriverBy::name('password'))->sendKeys($password . WebDriverKeys::ENTER);
        $this->see('Log out');
        if (in_array($login, ['orrell', 'penhale'], true)) {
            $this->open('/banks/1');
            $this->see('what it takes');
        }
    }

    public function logOut(): void
    {
        $this->click('Log out');
        $this->see('Log in');
    }

    /** Waits until the page shows a text. */
    public function see(string $text): void
    {
        // The page looks itself, a second at a time: asking it again and again from outside costs all three processes.
        $look =
            'const [text, done] = arguments; const end = performance.now() + 1000; const look = () => { const has = document.body?.innerText.replace(/\s+/g, " ").includes(text); if (has || performance.now() > end) done(has === true); else setTimeout(look, 40); }; look()';
        $this->until(fn (): bool => $this->driver->executeAsyncScript($look, [$text]) === true, sprintf('“%s” on the page', $text));
    }

    public function text(): string
    {
        $text = $this->driver->executeScript('return document.body.innerText.replace(/\s+/g, " ")');

        return is_string($text) ? $text : '';
    }

    /** Runs a script in the page. */
    public function script(string $script, mixed ...$arguments): mixed
    {
        return $this->driver->executeScript($script, $arguments);
    }

    /** Types into whatever has the focus, keys included. */
    public function type(string $keys): void
    {
        $this->driver->getKeyboard()->sendKeys($keys);
    }

    /** Clicks a button or link by its words, or by its label. */
    public function click(string $words): void
    {
        $quoted = '"' . $words . '"';
        $xpath = "//*[self::button or self::a][normalize-space(.)=$quoted or @aria-label=$quoted] | //*[@role=\"menuitemradio\" or @role=\"menuitem\"][normalize-space(.)=$quoted or @aria-label=$quoted]";
        // What is just coming or being moved to its place, such as an entry of a menu, cannot be pressed yet: nothing was, so it is pressed again.
        $this->until(function () use ($xpath): bool {
            $found = $this->driver->findElements(WebDriverBy::xpath($xpath))[0] ?? null;
            if ($found?->isEnabled() !== true) {
                return false;
            }
            $found->click();

            return true;
        }, $xpath);
    }

    public function find(string $xpath): WebDriverElement
    {
        $found = null;
        $this->until(function () use ($xpath, &$found): bool {
            $found = $this->driver->findElements(WebDriverBy::xpath($xpath))[0] ?? null;

            return $found !== null && $found->isEnabled();
        }, $xpath);

        return $found ?? throw new \RuntimeException('not found: ' . $xpath);
    }

    /** The input or text box with a label. */
    public function field(string $label): WebDriverElement
    {
        return $this->find(sprintf('//*[@aria-label="%s"]', $label));
    }

    /** @param callable(): bool $holds */
    public function until(callable $holds, string $what): void
    {
        $end = microtime(true) + self::PATIENCE;
        do {
            try {
                if ($holds()) {
                    return;
                }
            } catch (\Facebook\WebDriver\Exception\WebDriverException) {
                // the page is changing; look again
            }
            usleep(60_000);
        } while (microtime(true) < $end);
        throw new \RuntimeException(sprintf("Waited %d s in vain for %s. The page says:\n%s", self::PATIENCE, $what, $this->text()));
    }

    public function shot(string $file): void
    {
        usleep(350_000);
        $this->driver->takeScreenshot($file);
    }
}
