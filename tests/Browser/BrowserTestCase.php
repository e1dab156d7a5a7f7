<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\ElementClickInterceptedException;
use Facebook\WebDriver\Exception\ElementNotInteractableException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Exception\TimeoutException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\DriverCommand;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverDimension;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\TestCase;

/** A real browser on the served house. Everything waits for what it wants to see; nothing sleeps. */
abstract class BrowserTestCase extends TestCase
{
    private const PATIENCE_SECONDS = 15;

    protected RemoteWebDriver $browser;

    /** @var resource|null */
    private static $driver = null;

    private static int $port = 0;

    protected string $profile = '';

    public static function setUpBeforeClass(): void
    {
        $free = stream_socket_server('tcp://127.0.0.1:0');
        self::assertNotFalse($free);
        self::$port = (int) substr((string) strrchr((string) stream_socket_get_name($free, false), ':'), 1);
        fclose($free);
        $driver = proc_open(
            ['chromedriver', '--port=' . self::$port],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
        );
        self::assertNotFalse($driver);
        self::$driver = $driver;
        self::until(static fn (): bool => self::driverIsReady(), 'chromedriver does not answer');
    }

    public static function tearDownAfterClass(): void
    {
        if (self::$driver !== null) {
            proc_terminate(self::$driver);
            proc_close(self::$driver);
            self::$driver = null;
        }
    }

    protected function setUp(): void
    {
        $this->profile = sys_get_temp_dir() . '/roster-browser-' . bin2hex(random_bytes(5));
        $options = (new ChromeOptions())->setBinary('/usr/bin/chromium')->addArguments([
            '--headless=new', '--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--disable-quic',
            '--no-first-run', '--disable-background-networking',
            '--disable-component-update', '--disable-sync', '--disable-extensions', '--no-proxy-server',
            '--host-resolver-rules=MAP * ~NOTFOUND , EXCLUDE 127.0.0.1 , EXCLUDE localhost',
            '--force-device-scale-factor=1', '--font-render-hinting=none',
            '--hide-scrollbars', '--window-size=1280,800', "--user-data-dir={$this->profile}", '--lang=en-GB',
            // A microphone that beeps, and leave to listen to it.
            '--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream',
        ]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);
        $this->browser = RemoteWebDriver::create('http://127.0.0.1:' . self::$port, $capabilities, 30_000, 60_000);
        /** @var array{int, int} $frame */
        $frame = $this->browser->executeScript('return [outerWidth - innerWidth, outerHeight - innerHeight]');
        $this->browser->manage()->window()->setSize(new WebDriverDimension(1280 + $frame[0], 800 + $frame[1]));
    }

    protected function tearDown(): void
    {
        if ($this->status()->isFailure() || $this->status()->isError()) {
            $folder = getenv('HOME_DIR') . '/pictures';
            @mkdir($folder);
            $this->browser->takeScreenshot("{$folder}/" . $this->name() . '.png');
            fwrite(STDERR, "picture of where it stopped: {$folder}/{$this->name()}.png\n");
        }
        $this->browser->quit();
        exec('rm -rf ' . escapeshellarg($this->profile));
    }

    protected function go(string $path): void
    {
        $this->browser->get(getenv('ADDRESS') . $path);
    }

    protected function signIn(string $who = 'lena@saltmarsh.example', ?string $code = null): void
    {
        $this->go('/');
        $this->type('input[name=signIn]', $who);
        $this->type('input[name=password]', 'tide-table-2026');
        $this->click('[data-testid=sign-in]');
        if ($code !== null) {
            $this->type('input[name=code]', $code);
            $this->click('[data-testid=sign-in]');
        }
        $this->see('Sign out');
    }

    protected function element(string $css): RemoteWebElement
    {
        $found = null;
        self::until(function () use ($css, &$found): bool {
            foreach ($this->browser->findElements(WebDriverBy::cssSelector($css)) as $element) {
                if ($element->isDisplayed()) {
                    $found = $element;

                    return true;
                }
            }

            return false;
        }, "nothing to be seen at {$css}");
        self::assertInstanceOf(RemoteWebElement::class, $found);

        return $found;
    }

    protected function click(string $css): void
    {
        self::until(function () use ($css): bool {
            $element = $this->element($css);
            if (! $element->isEnabled()) {
                return false;
            }
            $element->click();

            return true;
        }, "{$css} cannot be clicked");
    }

    /** A button or link by what it says (a mark or count behind it left out), inside $within. */
    protected function press(string $text, string $within = 'body'): void
    {
        self::until(function () use ($text, $within): bool {
            foreach (
                $this->browser->findElements(WebDriverBy::cssSelector("{$within} button, {$within} a")) as $element
            ) {
                if (
                    $element->isDisplayed()
                    && $element->isEnabled()
                    && preg_split('/[\n,]/', trim($element->getText()))[0] === $text
                ) {
                    $element->click();

                    return true;
                }
            }

            return false;
        }, "no button or link \"{$text}\" in {$within}");
    }

    protected function type(string $css, string $text): void
    {
        self::until(function () use ($css, $text): bool {
            $element = $this->element($css);
            $element->click();
            $element->sendKeys([WebDriverKeys::CONTROL, 'a']);
            $element->sendKeys($text);

            return true;
        }, "nothing can be typed at {$css}");
    }

    /** Keys pressed on the keyboard, wherever the focus is: a modifier is held until NULL. */
    protected function keys(string ...$keys): void
    {
        $actions = [];
        $held = [];
        foreach (mb_str_split(implode('', $keys)) as $key) {
            if ($key === WebDriverKeys::NULL) {
                array_push($actions, ...array_map(
                    static fn (string $modifier): array => ['type' => 'keyUp', 'value' => $modifier],
                    array_reverse($held),
                ));
                $held = [];
            } elseif (in_array($key, [WebDriverKeys::CONTROL, WebDriverKeys::SHIFT, WebDriverKeys::ALT], true)) {
                $actions[] = ['type' => 'keyDown', 'value' => $key];
                $held[] = $key;
            } else {
                array_push($actions, ['type' => 'keyDown', 'value' => $key], ['type' => 'keyUp', 'value' => $key]);
            }
        }
        // Not the keyboard of the library: that types into an element it chose before, and takes the focus from where a
        // key put it.
        $this->browser->execute(DriverCommand::ACTIONS, [
            'actions' => [['type' => 'key', 'id' => 'keyboard', 'actions' => $actions]],
        ]);
    }

    protected function choose(string $css, string $typed, string $option): void
    {
        $input = $this->element($css);
        $input->click();
        $input->sendKeys($typed);
        self::until(function () use ($input, $option): bool {
            $list = $input->getAttribute('aria-controls');
            foreach ($this->browser->findElements(WebDriverBy::cssSelector("#{$list} [role=option]")) as $element) {
                if ($element->isDisplayed() && str_contains($element->getText(), $option)) {
                    $element->click();

                    return true;
                }
            }

            return false;
        }, "no option {$option}");
    }

    protected function see(string $text, string $within = 'body'): void
    {
        self::until(
            fn (): bool => str_contains($this->textOf($within), $text),
            "\"{$text}\" is not to be seen in {$within}",
        );
        self::assertStringContainsString($text, $this->textOf($within));
    }

    protected function seeNot(string $text, string $within = 'body'): void
    {
        self::until(
            fn (): bool => ! str_contains($this->textOf($within), $text),
            "\"{$text}\" is still to be seen in {$within}",
        );
    }

    protected function textOf(string $css): string
    {
        $text = '';
        self::until(function () use ($css, &$text): bool {
            $text = implode("\n", array_map(
                static fn ($element): string => $element->getText(),
                $this->browser->findElements(WebDriverBy::cssSelector($css)),
            ));

            return true;
        }, "{$css} is drawn anew again and again");

        return $text;
    }

    /** The cell of a sheet by its row's object and its column's head. */
    protected function cell(string $object, string $column): RemoteWebElement
    {
        $row = $this->element("[data-testid='row-{$object}']");
        $heads = array_map(
            static fn ($head): string => (string) $head->getAttribute('title'),
            $this->browser->findElements(WebDriverBy::cssSelector('table[role=grid] thead th[data-column]')),
        );
        $at = array_search($column, $heads, true);
        self::assertIsInt($at, "no column {$column}");
        $cell = $row->findElements(WebDriverBy::cssSelector('td'))[$at];
        self::assertInstanceOf(RemoteWebElement::class, $cell);

        return $cell;
    }

    /** A click chooses the cell; what is typed then takes the place of what it says. */
    protected function edit(string $object, string $column, string $text): void
    {
        self::until(function () use ($object, $column): bool {
            $this->cell($object, $column)->click();

            return true;
        }, "the cell {$column} of {$object} cannot be clicked");
        $this->keys($text, WebDriverKeys::ENTER);
    }

    /** WCAG 2.2 AA and best practices as far as axe can tell, in both themes. */
    protected function assertAccessible(string $screen): void
    {
        foreach (['light', 'dark'] as $theme) {
            $this->browser->executeScript(
                'document.documentElement.dataset.theme = arguments[0]; document.getAnimations().forEach((each) => '
                    . 'each.finish())',
                [$theme],
            );
            if ($this->browser->executeScript('return typeof axe') === 'undefined') {
                $this->browser->executeScript(
                    (string) file_get_contents(dirname(__DIR__, 2) . '/node_modules/axe-core/axe.min.js'),
                );
            }
            $this->browser->manage()->timeouts()->setScriptTimeout(30);
            $faults = $this->browser->executeAsyncScript(<<<'JS'
                const done = arguments[arguments.length - 1]
                axe.run(document, {runOnly: [
                    'wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice',
                ]}).then(
                    (result) => done(result.violations.map((each) => `${each.id}: ${each.nodes
                        .map((node) => node.target.join(' ') + ' ' + (node.any[0]?.message ?? '')).join('; ')}`)),
                    (error) => done([String(error)]),
                )
                JS);
            self::assertSame([], $faults, "{$screen}, {$theme}");
        }
        $this->browser->executeScript("document.documentElement.dataset.theme = 'light'");
    }

    /** Nothing went wrong in the page itself: no script error, nothing the security policy had to stop. */
    protected function assertQuietConsole(): void
    {
        $loud = [];
        foreach ($this->browser->manage()->getLog('browser') as $entry) {
            // What the server refused with reason is shown on the screen; the browser notes it too.
            if (
                is_array($entry)
                && preg_match('/Failed to load resource.*status of 4\d\d/', (string) $entry['message']) !== 1
            ) {
                $loud[] = $entry['message'];
            }
        }
        self::assertSame([], $loud);
    }

    protected function bin(string $command): string
    {
        exec('ROSTER_INSTANCE=proof ' . dirname(__DIR__, 2) . "/bin/{$command} 2>&1", $output, $code);
        self::assertSame(0, $code, implode("\n", $output));

        return implode("\n", $output);
    }

    /** @param callable(): bool $isSo */
    protected static function until(callable $isSo, string $complaint, int $patience = self::PATIENCE_SECONDS): void
    {
        $end = microtime(true) + $patience;
        do {
            try {
                if ($isSo()) {
                    return;
                }
            } catch (
                StaleElementReferenceException
                | TimeoutException
                | ElementClickInterceptedException
                | ElementNotInteractableException
            ) {
                // The page is being drawn anew; look again.
            }
            usleep(40_000);
        } while (microtime(true) < $end);
        self::fail($complaint);
    }

    private static function driverIsReady(): bool
    {
        $curl = curl_init('http://127.0.0.1:' . self::$port . '/status');
        curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT_MS => 500, CURLOPT_PROXY => '']);
        $answer = curl_exec($curl);

        return is_string($answer) && str_contains($answer, '"ready":true');
    }

    /** As the letter in the tray has it, of the page that it leads to. */
    protected function codeSentTo(string $page, string $to): string
    {
        $tray = 'http://127.0.0.1:' . getenv('POST_PORT');
        foreach ((array) json_decode((string) file_get_contents("{$tray}/mail"), true)['mail'] as $name) {
            $letter = quoted_printable_decode((string) file_get_contents("{$tray}/mail/{$name}"));
            $isTheirs = is_string($name) && str_contains($letter, $to);
            if ($isTheirs && preg_match("~/{$page}#([\w-]+)~", $letter, $found) === 1) {
                return $found[1];
            }
        }
        self::fail("no letter to {$to}");
    }
}
