<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
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
        $this->see('open the customer', '.el-dialog[data-open=true]');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->seeNot('open the customer', '.el-dialog[data-open=true]');
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
        $this->see('Whole seconds are wanted here, not "x"', "[data-testid='row-user:ivo-dunn']");
        $this->see('rings for (desk) is not kept', '.margin');
        self::assertStringStartsWith('x', $this->cell('user:ivo-dunn', 'Rings for')->getText());
        $this->assertAccessible('A fault in a cell');
        $this->press('Leave it as it was', '.margin');
        self::assertSame('20 s', $this->cell('user:ivo-dunn', 'Rings for')->getText());

        // Fill down: two cells, one key.
        $this->edit('user:ivo-dunn', 'First name', 'Iva');
        $this->see('1 change', '[data-testid=pending]');
        $this->browser->executeScript('document.activeElement.blur()');
        $this->keys(WebDriverKeys::CONTROL . 'z' . WebDriverKeys::NULL);
        $this->see('nothing pending');

        // The week is painted without a mouse: Monday 16:00 to 16:30 more.
        $this->keys('j');
        $this->see('No telephone in this book');
        $this->keys('j');
        $this->see('The next twelve months');
        $this->browser->executeScript("document.querySelector('[data-testid=painter]').focus()");
        $this->keys(...array_fill(0, 16, WebDriverKeys::ARROW_RIGHT), ...[' ']);
        $this->see('2 changes', '[data-testid=pending]');
        $this->see('07:00–16:30', '[data-testid=painter]');
        $this->browser->executeScript('document.activeElement.blur()');
        $this->keys('t', 'main mon 16:15, ivo answers', WebDriverKeys::ENTER);
        $this->see('answers: Ivo Dunn', '[data-testid=call-answer]');
        // The same call in the book, where it is closed then.
        $this->keys(WebDriverKeys::ESCAPE, WebDriverKeys::ESCAPE);
        $this->keys('T');
        $this->see('takes a message', '[data-testid=call-answer]');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->browser->executeScript('document.activeElement.blur()');
        $this->keys('l');
        $this->see('What callers will notice', '.el-dialog[data-open=true]');
        $this->press('Drop all of them', '.el-dialog[data-open=true]');
        $this->see('nothing pending');
        $this->assertQuietConsole();
    }

    public function test_a_sheet_is_worked_in_blocks_by_the_mouse(): void
    {
        $this->signIn('sol@saltmarsh.example');
        $this->go('/customers/bellwether-credit-union/users');
        $this->see('Ines', '[role=grid]');

        // Drawn over five cells, and one text into all of them.
        $this->draw($this->cell('user:ines-marsh', 'Rings for'), $this->cell('user:dara-finch', 'Rings for'));
        self::assertSame(5, $this->marked());
        $this->keys('35', WebDriverKeys::CONTROL, WebDriverKeys::ENTER, WebDriverKeys::NULL);
        $this->see('5 changes', '[data-testid=pending]');
        self::assertSame('35 s', $this->cell('user:dara-finch', 'Rings for')->getText());

        // The handle continues what is marked: 231, 232 become 233 and 234.
        $this->edit('user:wynn-abel', 'Ext', '731');
        $this->edit('user:tamsin-quill', 'Ext', '732');
        $this->see('7 changes', '[data-testid=pending]');
        $this->draw($this->cell('user:wynn-abel', 'Ext'), $this->cell('user:tamsin-quill', 'Ext'));
        $this->draw($this->element('td .handle'), $this->cell('user:merrin-farrow', 'Ext'));
        $this->see('9 changes', '[data-testid=pending]');
        self::assertSame('734', $this->cell('user:merrin-farrow', 'Ext')->getText());

        // A click chooses and does not open; with Shift it marks up to there; a number at the side marks a line.
        $this->cell('user:colm-reeve', 'First name')->click();
        self::assertSame([], $this->browser->findElements(WebDriverBy::cssSelector('[role=grid] td input')));
        $this->browser->action()->keyDown(null, WebDriverKeys::SHIFT)
            ->click($this->cell('user:dara-finch', 'Last name'))
            ->keyUp(null, WebDriverKeys::SHIFT)
            ->perform();
        self::assertSame(4, $this->marked());
        $this->click("[data-testid='row-user:colm-reeve'] th");
        self::assertGreaterThan(5, $this->marked());

        // What cannot be kept stays in its cell, and the rest is kept.
        $this->cell('user:colm-reeve', 'Rings for')->click();
        $this->paste("25\nxx\n30");
        $this->see('1 cell could not be kept and is marked.', '[data-testid=notice]');
        $this->see('Whole seconds are wanted here', "[data-testid='row-user:dara-finch']");
        self::assertSame('30 s', $this->cell('user:wynn-abel', 'Rings for')->getText());
        $this->assertAccessible('A sheet with a block and a fault');

        // Narrowed to lines, ordered by a head's menu from the keyboard, one column less; the chosen ones stay.
        $this->keys(WebDriverKeys::CONTROL . 'f' . WebDriverKeys::NULL, 'ext: 73');
        $this->see('5 of them', 'main');
        $this->keys(WebDriverKeys::ARROW_DOWN);
        $this->keys(WebDriverKeys::HOME, WebDriverKeys::ALT . WebDriverKeys::ARROW_DOWN . WebDriverKeys::NULL);
        $this->press('Last to first', '[role=menu]');
        self::until(
            fn (): bool => str_contains($this->textOf('[role=grid] tbody tr:first-child'), '734'),
            'the sheet is not sorted',
        );
        $this->click('[data-testid=choose-columns]');
        $this->click('[data-testid=column-email]');
        $this->go('/customers/bellwether-credit-union/users');
        $this->see('Columns (', 'main');
        self::assertSame([], $this->browser->findElements(WebDriverBy::cssSelector('[role=grid] th[title=Mail]')));

        $this->click('[data-testid=look-over]');
        $this->press('Drop all of them', '.el-dialog[data-open=true]');
        $this->see('nothing pending');
        $this->assertQuietConsole();
    }

    private function draw(RemoteWebElement $from, RemoteWebElement $to): void
    {
        $this->browser->action()->clickAndHold($from)->moveToElement($to)->release()->perform();
    }

    private function marked(): int
    {
        return count($this->browser->findElements(WebDriverBy::cssSelector('[role=grid] td[aria-selected=true]')));
    }

    /** The clipboard of a browser nobody sees is empty: the page is told what would be in it. */
    private function paste(string $text): void
    {
        $this->browser->executeScript(
            'const data = new DataTransfer(); data.setData("text/plain", arguments[0]);'
            . 'document.activeElement.dispatchEvent(new ClipboardEvent("paste", '
            . '{ clipboardData: data, bubbles: true, cancelable: true }))',
            [$text],
        );
    }

    public function test_two_technicians_at_once_are_told_and_lose_nothing(): void
    {
        $this->signIn('sol@saltmarsh.example');
        $this->go('/customers/dunlin-ferry-line/users');
        $this->edit('user:rosalind-lariviere', 'Mail', 'rosalind@boats.example');
        $this->see('1 change', '[data-testid=pending]');

        $sol = $this->browser;
        $profile = $this->profile;
        $this->setUp();
        $this->signIn();
        $this->go('/customers/dunlin-ferry-line/users');
        $this->edit('user:rosalind-lariviere', 'Mail', 'rosalind@ferry.example');
        $this->edit('user:stellan-maisonneuve', 'Mail', 'stellan@ferry.example');
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
        $this->see('You want rosalind@boats.example; the book now says rosalind@ferry.example.', '[data-testid=clash]');
        self::assertSame('stellan@ferry.example', $this->cell('user:stellan-maisonneuve', 'Mail')->getText());
        $this->press('Take theirs', '[data-testid=clash]');
        $this->see('nothing pending');
        self::assertSame('rosalind@ferry.example', $this->cell('user:rosalind-lariviere', 'Mail')->getText());
    }
}
