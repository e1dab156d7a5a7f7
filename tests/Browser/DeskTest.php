<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverDimension;
use Facebook\WebDriver\WebDriverKeys;

/** The desk of the demo's customers: every view for everybody, by keyboard alone, by two at once, at every size. */
final class DeskTest extends BrowserTestCase
{
    private const VIEWS = [
        'intake' => 'What they said', 'sites' => 'Site', 'numbers' => 'Number', 'users' => 'Ext',
        'hours' => 'The next twelve months', 'groups' => 'How long', 'menus' => 'Attendants',
        'forwarding' => 'Fallback chains', 'outbound' => 'What can be dialled, by class', 'mailboxes' => 'Mailbox',
        'proof' => 'ways a call can end', 'push' => 'Book and live', 'history' => 'revision',
    ];

    public function test_every_view_is_for_everybody_in_both_themes(): void
    {
        $this->signIn('sol@saltmarsh.example');
        foreach (self::VIEWS as $chapter => $text) {
            $this->go("/customers/puffin-cove-hotel/{$chapter}");
            $this->see($text, 'main');
            if ($chapter === 'proof') {
                $this->element('.lane svg');
            }
            $this->assertAccessible($chapter);
        }
        // What stands beside or is folded: another group with a finding, an attendant's answers, every field.
        $this->go('/customers/puffin-cove-hotel/groups?at=group:night');
        $this->see('Night desk: nobody is signed in', '.margin');
        $this->press('why', '.margin');
        $this->browser->executeScript("document.querySelector('details.all').open = true");
        $this->see('wrap up', 'main');
        $this->assertAccessible('every field of a group');
        $this->go('/customers/puffin-cove-hotel/menus?at=attendant:main');
        $this->see('then leads to', '[data-testid=answers]');
        $this->assertAccessible('answers by state');
        $this->go('/customers/puffin-cove-hotel/menus?at=prompt:welcome');
        $this->see('Have it spoken for now', 'main');
        $this->assertAccessible('a prompt');
        $this->go('/findings');
        $this->see('Night desk: nobody is signed in', 'main');
        $this->assertAccessible('Findings');
        $this->press('Night desk: nobody is signed in', 'main table');
        $this->see('How long', 'main');
        $this->go('/rules?rule=groups.queue-longer-than-target-supports');
        $this->see('Most callers waiting in one queue', 'aside');
        $this->assertAccessible('Rules');
        $this->assertQuietConsole();
    }

    public function test_nothing_is_lost_at_the_narrowest_and_no_line_wraps_at_the_usual_widths(): void
    {
        $this->signIn('sol@saltmarsh.example');
        foreach ([[1024, 768], [1280, 800], [1920, 1080]] as [$width, $height]) {
            $this->browser->manage()->window()->setSize(new WebDriverDimension($width, $height));
            $this->go('/');
            $this->see('Bellwether Credit Union');
            $heights = $this->browser->executeScript(
                "return [...new Set([...document.querySelectorAll('tbody tr')].map((row) => "
                    . "Math.round(row.getBoundingClientRect().height / 4)))]",
            );
            self::assertCount(1, (array) $heights, "lines of different heights at {$width}");
            foreach (['groups', 'hours', 'menus', 'proof'] as $chapter) {
                $this->go("/customers/puffin-cove-hotel/{$chapter}");
                $this->see(self::VIEWS[$chapter], 'main');
                self::assertLessThanOrEqual(
                    0,
                    (int) $this->browser->executeScript(
                        'return document.documentElement.scrollWidth - document.documentElement.clientWidth',
                    ),
                    "{$chapter} runs out of the window at {$width}",
                );
            }
        }
    }

    public function test_nothing_jumps_while_a_view_comes_and_nothing_says_that_it_waits_before_one_wonders(): void
    {
        $this->signIn('sol@saltmarsh.example');
        foreach (
            [
                '/' => 'Bellwether', '/findings' => 'groups.nobody-signed-in', '/rules' => 'chains.hidden',
                '/customers/merrow-harbour-office/push' => 'What callers notice',
            ]
            + array_combine(
                array_map(
                    static fn (string $chapter): string => "/customers/puffin-cove-hotel/{$chapter}",
                    array_keys(self::VIEWS),
                ),
                self::VIEWS,
            ) as $path => $text
        ) {
            $this->go($path);
            $this->see($text, 'main');
            self::assertSame([], $this->jumps(), $path);
        }
        $waits = "const at = document.body.appendChild(document.createElement('p')); at.className = 'appears-late'; "
            . "const done = arguments[arguments.length - 1]; const seen = () => getComputedStyle(at).visibility === "
            . "'visible'; const began = performance.now();"
            . ' const look = () => seen() ? done(performance.now() - began) : requestAnimationFrame(look); look()';
        self::assertGreaterThanOrEqual(
            150,
            $this->browser->executeAsyncScript($waits),
            'what says that something is read comes late',
        );
    }

    /**
     * @return list<string> what moved without anybody's doing since the view was asked for, once the server has been
     *     quiet for a while
     */
    private function jumps(): array
    {
        $this->browser->manage()->timeouts()->setScriptTimeout(10);

        return array_map(strval(...), (array) $this->browser->executeAsyncScript(<<<'JS'
            const done = arguments[arguments.length - 1]
            const moved = []
            new PerformanceObserver((list) => moved.push(...list.getEntries()))
                .observe({ type: 'layout-shift', buffered: true })
            let count = -1
            const quiet = setInterval(() => {
                const now = performance.getEntriesByType('resource').length
                if (now === count) {
                    clearInterval(quiet)
                    const name = (source) => source.node?.className || source.node?.nodeName
                    const of = (each) => each.sources.map(name).join(', ')
                    done(moved.filter((each) => !each.hadRecentInput && each.value > 0.001)
                        .map((each) => `${each.value.toFixed(4)}: ${of(each)}`))
                }
                count = now
            }, 250)
            JS));
    }

    public function test_the_keyboard_alone_is_enough(): void
    {
        $this->signIn('sol@saltmarsh.example');
        $this->see('customers');
        $this->keys('?');
        $this->see('open the customer', 'dialog[open]');
        $this->keys(WebDriverKeys::ESCAPE);
        self::until(fn (): bool => $this->textOf('dialog[open]') === '', 'the list of keys does not close');
        $this->keys('/', 'coldharbour', WebDriverKeys::ENTER);
        $this->see('Coldharbour Boatyard', 'h1');
        $this->see('Right now', '[data-testid=right-now]');
        $this->keys(WebDriverKeys::CONTROL . 'k' . WebDriverKeys::NULL);
        self::until(
            fn (): bool => $this->browser->executeScript(
                "return document.activeElement.getAttribute('role')",
            ) === 'combobox',
            'the command box does not take what is typed',
        );
        $this->keys('201', WebDriverKeys::ENTER);
        $this->see('Rings for');

        $this->browser->executeScript("document.querySelector('td[tabindex=\"0\"]').focus()");
        $this->keys(
            WebDriverKeys::ARROW_RIGHT,
            WebDriverKeys::ARROW_RIGHT,
            WebDriverKeys::ARROW_RIGHT,
            'x',
            WebDriverKeys::ENTER,
        );
        $this->see('Whole seconds are wanted here, not "x"', "[data-testid='row-user:ines-marsh']");
        $this->see('rings for (desk) is not kept', '.margin');
        self::assertStringStartsWith('x', $this->cell('user:ines-marsh', 'Rings for')->getText());
        $this->assertAccessible('A fault in a cell');
        $this->press('Leave it as it was', '.margin');
        self::assertSame('20 s', $this->cell('user:ines-marsh', 'Rings for')->getText());

        // Fill down: two cells, one key.
        $this->edit('user:ines-marsh', 'First name', 'Inez');
        $this->see('1 change', '[data-testid=pending]');
        $this->browser->executeScript('document.activeElement.blur()');
        $this->keys(WebDriverKeys::CONTROL . 'z' . WebDriverKeys::NULL);
        $this->see('nothing pending');

        // The week is painted without a mouse: Monday 16:00 to 16:30 more.
        $this->keys('j');
        $this->see('The next twelve months');
        $this->browser->executeScript("document.querySelector('[data-testid=painter]').focus()");
        $this->keys(...array_fill(0, 16, WebDriverKeys::ARROW_RIGHT), ...[' ']);
        $this->see('2 changes', '[data-testid=pending]');
        $this->see('07:00–16:30', '[data-testid=painter]');
        $this->browser->executeScript('document.activeElement.blur()');
        $this->keys('t', 'main mon 16:15, ines answers', WebDriverKeys::ENTER);
        $this->see('answers: Ines Marsh', '[data-testid=call-answer]');
        // The same call in the book, where it is closed then.
        $this->keys(WebDriverKeys::ESCAPE, WebDriverKeys::ESCAPE);
        $this->keys('T');
        $this->see('takes a message', '[data-testid=call-answer]');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->browser->executeScript('document.activeElement.blur()');
        $this->keys('l');
        $this->see('What callers will notice', 'dialog[open]');
        $this->press('Drop all of them', 'dialog[open]');
        $this->see('nothing pending');
        $this->assertQuietConsole();
    }

    public function test_two_technicians_at_once_are_told_and_lose_nothing(): void
    {
        $this->signIn('sol@saltmarsh.example');
        $this->go('/customers/dunlin-ferry-line/users');
        $this->edit('user:joss-arden', 'Mail', 'joss@boats.example');
        $this->see('1 change', '[data-testid=pending]');

        $sol = $this->browser;
        $profile = $this->profile;
        $this->setUp();
        $this->signIn();
        $this->go('/customers/dunlin-ferry-line/users');
        $this->edit('user:joss-arden', 'Mail', 'joss@ferry.example');
        $this->edit('user:petra-lunn', 'Mail', 'petra@ferry.example');
        $this->see('2 changes', '[data-testid=pending]');
        $this->click('[data-testid=look-over]');
        $this->click('[data-testid=enter-changes]');
        $this->see('Entered as revision', '[data-testid=notice]');
        $this->browser->quit();
        exec('rm -rf ' . escapeshellarg($this->profile));
        [$this->browser, $this->profile] = [$sol, $profile];

        // A dead page comes back with the draft, and with what the other entered.
        $this->browser->navigate()->refresh();
        $this->see('was changed by somebody else meanwhile', '[data-testid=clash]');
        $this->see('You want joss@boats.example; the book now says joss@ferry.example.', '[data-testid=clash]');
        self::assertSame('petra@ferry.example', $this->cell('user:petra-lunn', 'Mail')->getText());
        $this->press('Take theirs', '[data-testid=clash]');
        $this->see('nothing pending');
        self::assertSame('joss@ferry.example', $this->cell('user:joss-arden', 'Mail')->getText());
    }
}
