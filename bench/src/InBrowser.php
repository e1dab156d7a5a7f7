<?php

declare(strict_types=1);

namespace Jaunty\Bench;

use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** What a technician waits for in a real browser: medians, in milliseconds. */
final class InBrowser
{
    private const TIMES = 20;

    /** Pages are opened, and books of thousands edited, less often. */
    private const FEWER_TIMES = 9;

    private const PATIENCE_SECONDS = 15;

    /** Marks when Enter goes down, and when something is next to be seen, or no longer. */
    private const WATCH = <<<'JS'
        const [selector, wanted] = arguments
        window.__waited = undefined
        const there = () => document.querySelector(selector) !== null
        let began
        addEventListener('keydown', (event) => {
            if (event.key === 'Enter') began ??= performance.now()
        }, { capture: true })
        const seen = new MutationObserver(() => {
            if (began === undefined || there() !== wanted) return
            seen.disconnect()
            requestAnimationFrame(() => { window.__waited = performance.now() - began })
        })
        seen.observe(document.body, { childList: true, subtree: true, characterData: true, attributes: true })
        JS;

    /** Goes to a page of the application as a link does, and marks when something on it is to be seen. */
    private const OPEN = <<<'JS'
        const [page, selector] = arguments
        window.__waited = undefined
        const began = performance.now()
        const seen = new MutationObserver(() => {
            if (document.querySelector(selector) === null) return
            seen.disconnect()
            requestAnimationFrame(() => setTimeout(() => { window.__waited = performance.now() - began }))
        })
        seen.observe(document.body, { childList: true, subtree: true })
        document.querySelector('#roster').__vue_app__.config.globalProperties.$router.push(page)
        JS;

    /** How much the page has asked for and been answered. */
    private const ASKED = "return performance.getEntriesByType('resource').length";

    /** Presses a key again and again, each until what it changed is laid out; the median goes to __waited. */
    private const PRESS = <<<'JS'
        const [name, times] = arguments
        window.__waited = undefined
        const taken = []
        const step = () => {
            const began = performance.now()
            document.activeElement.dispatchEvent(
                new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true }),
            )
            // Drawing anew is a microtask, and the caret's cell takes the focus in the next.
            setTimeout(() => {
                document.body.getBoundingClientRect()
                taken.push(performance.now() - began)
                if (taken.length < times) requestAnimationFrame(() => setTimeout(step))
                else window.__waited = taken.sort((a, b) => a - b)[Math.floor(times / 2)]
            })
        }
        step()
        JS;

    /**
     * @param  RemoteWebDriver  $browser  signed in
     * @param  resource  $driver
     */
    private function __construct(
        private readonly RemoteWebDriver $browser,
        private readonly string $address,
        private $driver,
        private readonly string $profile,
    ) {
    }

    public static function at(string $address): self
    {
        $port = random_int(20_000, 30_000);
        $driver = proc_open(
            ['chromedriver', "--port={$port}"],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
        );
        if ($driver === false) {
            throw new \RuntimeException('chromedriver does not start');
        }
        $profile = sys_get_temp_dir() . "/roster-bench-{$port}";
        self::until(static fn (): bool => @fsockopen('127.0.0.1', $port) !== false, 'chromedriver does not answer');
        $options = (new ChromeOptions())->setBinary('/usr/bin/chromium')->addArguments([
            '--headless=new', '--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--no-proxy-server',
            '--no-first-run', '--window-size=1280,800', "--user-data-dir={$profile}",
        ]);
        $self = new self(RemoteWebDriver::create(
            "http://127.0.0.1:{$port}",
            DesiredCapabilities::chrome()->setCapability(ChromeOptions::CAPABILITY, $options),
        ), $address, $driver, $profile);
        $self->signIn();

        return $self;
    }

    public function close(): void
    {
        $this->browser->quit();
        proc_terminate($this->driver);
        proc_close($this->driver);
        exec('rm -rf ' . escapeshellarg($this->profile));
    }

    /**
     * From Enter in a cell to the margin with the finding it makes or mends.
     *
     * @param  string  $page  of a desk sheet
     * @param  string  $cell  a CSS selector
     * @param  string  $rule  whose finding comes with the first value and goes with the second
     * @param  array{string, string}  $values
     */
    public function keystrokeToMargin(string $page, string $cell, string $rule, array $values): float
    {
        $this->browser->get($this->address . $page);
        $taken = [];
        for ($i = -2; $i < self::TIMES; $i++) {
            $isBad = $i % 2 !== 0;
            $this->find($cell)->click();
            $this->browser->executeScript(self::WATCH, ["aside [data-rule='{$rule}']", $isBad]);
            $this->browser->switchTo()->activeElement()->sendKeys($values[$isBad ? 0 : 1] . WebDriverKeys::ENTER);
            $taken[] = $this->waited("the margin never says so of {$values[$isBad ? 0 : 1]}");
        }

        return self::median(array_slice($taken, 2));
    }

    /** From the click that leads to a sheet to its first line, all of the customer's other pages being closed. */
    public function opened(string $page): float
    {
        $taken = [];
        for ($i = -1; $i < self::FEWER_TIMES; $i++) {
            $this->browser->get("{$this->address}/");
            $this->find('main.roster tbody tr');
            $this->atRest();
            $this->browser->executeScript(self::OPEN, [$page, '[role=grid] tbody td[data-column]']);
            $taken[] = $this->waited("{$page} never opens");
            // The server works on for a page that was left.
            $this->atRest();
        }

        return self::median(array_slice($taken, 1));
    }

    /** What the page still asks for is not what is measured after it. */
    private function atRest(): void
    {
        do {
            $before = $this->browser->executeScript(self::ASKED);
            usleep(2_500_000);
        } while ($this->browser->executeScript(self::ASKED) !== $before);
    }

    /** From Enter in a cell to its being pending. */
    public function kept(string $page, string $cell): float
    {
        $this->browser->get($this->address . $page);
        $taken = [];
        for ($i = -1; $i < self::FEWER_TIMES; $i++) {
            $this->find($cell)->click();
            $this->browser->executeScript(
                self::WATCH,
                ["{$cell}.pending:not(.sending)[title='Kept for bench {$i}']", true],
            );
            $this->browser->switchTo()->activeElement()->sendKeys("Kept for bench {$i}" . WebDriverKeys::ENTER);
            $taken[] = $this->waited("{$cell} is never kept");
        }

        return self::median(array_slice($taken, 1));
    }

    /** What an arrow key takes in a sheet. */
    public function arrow(string $page, string $cell): float
    {
        $this->browser->get($this->address . $page);
        $this->find($cell)->click();
        // Whatever the page still has to do is not the arrow's.
        sleep(3);
        $this->browser->executeScript(self::PRESS, ['ArrowDown', 100]);

        return $this->waited('the arrows never end');
    }

    private function signIn(): void
    {
        $this->browser->get($this->address);
        $this->find('input[name=signIn]')->sendKeys(Served::SIGN_IN['signIn']);
        $this->find('input[name=password]')->sendKeys(Served::SIGN_IN['password'] . WebDriverKeys::ENTER);
        $this->find('main.roster');
    }

    private function waited(string $complaint): float
    {
        self::until(
            fn (): bool => $this->browser->executeScript('return window.__waited !== undefined') === true,
            $complaint,
        );
        $waited = $this->browser->executeScript('return window.__waited');

        return is_int($waited) || is_float($waited)
            ? (float) $waited
            : throw new \RuntimeException('nothing was measured');
    }

    /** @param list<float> $taken */
    private static function median(array $taken): float
    {
        sort($taken);

        return $taken[intdiv(count($taken), 2)] ?? NAN;
    }

    private function find(string $css): \Facebook\WebDriver\Remote\RemoteWebElement
    {
        self::until(
            fn (): bool => (
                $this->browser->findElements(WebDriverBy::cssSelector($css))[0] ?? null
            )?->isDisplayed() === true,
            "nothing at {$css}",
        );

        return $this->browser->findElement(WebDriverBy::cssSelector($css));
    }

    /** @param callable(): bool $condition */
    private static function until(callable $condition, string $or): void
    {
        for ($end = microtime(true) + self::PATIENCE_SECONDS; ! $condition(); usleep(10_000)) {
            if (microtime(true) > $end) {
                throw new \RuntimeException($or);
            }
        }
    }
}
