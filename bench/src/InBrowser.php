<?php

declare(strict_types=1);

namespace Jaunty\Bench;

use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** What a technician waits for in a real browser: from the key that ends an edit to the margin that speaks of it. */
final class InBrowser
{
    private const TIMES = 20;

    private const PATIENCE_SECONDS = 15;

    /** Marks when Enter goes down, and when the margin next says or unsays what is looked for. */
    private const WATCH = <<<'JS'
        const [rule, wanted] = arguments
        window.__waited = undefined
        const there = () => document.querySelector(`aside [data-rule="${rule}"]`) !== null
        let began
        addEventListener('keydown', (event) => {
            if (event.key === 'Enter') began ??= performance.now()
        }, { capture: true })
        const seen = new MutationObserver(() => {
            if (began === undefined || there() !== wanted) return
            seen.disconnect()
            requestAnimationFrame(() => { window.__waited = performance.now() - began })
        })
        seen.observe(document.querySelector('aside'), { childList: true, subtree: true, characterData: true })
        JS;

    /** @param RemoteWebDriver $browser signed in */
    private function __construct(private readonly RemoteWebDriver $browser)
    {
    }

    /**
     * Milliseconds, the median of twenty, from Enter in a cell to the margin with the finding it makes or mends.
     *
     * @param  string  $page  of a desk sheet
     * @param  string  $cell  a CSS selector
     * @param  string  $rule  whose finding comes with the first value and goes with the second
     * @param  array{string, string}  $values
     */
    public static function keystrokeToMargin(
        string $address,
        string $page,
        string $cell,
        string $rule,
        array $values,
    ): float {
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
        $self = null;
        try {
            self::until(static fn (): bool => @fsockopen('127.0.0.1', $port) !== false, 'chromedriver does not answer');
            $options = (new ChromeOptions())->setBinary('/usr/bin/chromium')->addArguments([
                '--headless=new', '--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--no-proxy-server',
                '--no-first-run', '--window-size=1280,800', "--user-data-dir={$profile}",
            ]);
            $self = new self(RemoteWebDriver::create(
                "http://127.0.0.1:{$port}",
                DesiredCapabilities::chrome()->setCapability(ChromeOptions::CAPABILITY, $options),
            ));
            $self->signIn($address);
            $self->browser->get($address . $page);

            return $self->median($cell, $rule, $values);
        } finally {
            $self?->browser->quit();
            proc_terminate($driver);
            proc_close($driver);
            exec('rm -rf ' . escapeshellarg($profile));
        }
    }

    private function signIn(string $address): void
    {
        $this->browser->get($address);
        $this->find('input[name=signIn]')->sendKeys(Served::SIGN_IN['signIn']);
        $this->find('input[name=password]')->sendKeys(Served::SIGN_IN['password'] . WebDriverKeys::ENTER);
        $this->find('main.roster');
    }

    /** @param array{string, string} $values */
    private function median(string $cell, string $rule, array $values): float
    {
        $taken = [];
        for ($i = -2; $i < self::TIMES; $i++) {
            $isBad = $i % 2 !== 0;
            $this->find($cell)->click();
            $this->browser->executeScript(self::WATCH, [$rule, $isBad]);
            $this->browser->switchTo()->activeElement()->sendKeys($values[$isBad ? 0 : 1] . WebDriverKeys::ENTER);
            self::until(
                fn (): bool => $this->browser->executeScript('return window.__waited !== undefined') === true,
                "the margin never says so of {$values[$isBad ? 0 : 1]}",
            );
            $waited = $this->browser->executeScript('return window.__waited');
            if ($i >= 0) {
                $taken[] = is_int($waited) || is_float($waited)
                    ? (float) $waited
                    : throw new \RuntimeException('nothing was measured');
            }
        }
        sort($taken);

        return $taken[intdiv(self::TIMES, 2)];
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
