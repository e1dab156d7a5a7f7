<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

/**
 * The technician's main story: twelve people from a pasted list, proved, pushed through trouble, found changed and put
 * back.
 */
final class TechnicianTest extends BrowserTestCase
{
    private const PASTED = "Name\tExt\tMail\tMobile\tWorks in\n"
        . "Ines Marsh\t201\tines@whelk.example\t\tReception\nJoss Arden\t202\tjoss@whelk.example\t\tReception\nPetra "
        . "Lunn\t203\tpetra@whelk.example\t\tReception\n"
        . "Colm Reeve\t203\tcolm@whelk.example\t\tLoft\nDara Finch\t205\tdara@whelk.example\t\tLoft\nWynn "
        . "Abel\t206\twynn@whelk.example\t902 555 019\tLoft\n"
        . "Tamsin Quill\t207\ttamsin@whelk.example\t\tLoft\nBoyd Osei\t208\tboyd@whelk.example\t\tLoft\nMerrin "
        . "Farrow\t209\tmerrin@whelk.example\t\tRigging\n"
        . "Orla Reed\t210\torla@whelk.example\t\tRigging\nBrin Ash\t211\tbrin@whelk.example\t\tRigging\nSefton "
        . "Vane\t212\tsefton@whelk.example\t\tRigging\n";

    public function test_from_a_pasted_list_to_what_somebody_changed_on_the_switch(): void
    {
        $this->signIn();
        $this->takeOnTwelve();
        $this->mendAFinding();
        $this->callSaturday();
        $this->pushThroughTrouble();
        $this->findWhatWasChanged();
        $this->assertQuietConsole();
    }

    private function takeOnTwelve(): void
    {
        $this->click('[data-testid=take-on]');
        $this->press('Begin with this', '[data-testid=template-one-site-office]');
        $this->type('input[name=name]', 'Whelk Chandlery');
        $this->choose('input[name=region]', 'Nova', 'Nova Scotia');
        $this->choose('input[name=zone]', 'Halifax', 'America/Halifax');
        $this->choose('input[name=mainNumber]', '5550140', '+1 902 555 0140');
        $this->type('textarea[name=hours]', 'Mon-Fri 8 to 5, lunch half past twelve to one; Sat 9-1');
        $this->pasteInto('textarea[name=users]', self::PASTED);
        $this->see('12 rows · 2 need a look');
        $this->see("203 is Petra Lunn's; next free 204");
        $this->assertAccessible('Taking on, with faults');

        $this->cellOf(3, 1, '204');
        $this->cellOf(5, 3, '902 555 0191');
        $this->seeNot('need a look');
        // Before anything exists: the week, and what is wrong with it.
        $this->element('.made .strip');
        $this->see('no address for emergency calls', '[data-testid=preview-findings]');
        $this->type('input[name=street]', '7 Chandlers Row');
        $this->type('input[name=city]', 'Port Merrow');
        $this->type('input[name=postcode]', 'B0X 1X0');
        $this->see('is shown to help services, and rings nobody when they call back', '[data-testid=preview-findings]');
        $this->choose('input[name=emergencyNumber]', '5550141', '+1 902 555 0141');
        $this->see('None: nothing of it would lose or mislead a call.', '[data-testid=no-findings]');
        $this->click('[data-testid=enter]');
        $this->see(
            'By the book, right now on a call to +1 902 555 0140, Reception rings for 25 s',
            '[data-testid=right-now]',
        );
    }

    private function mendAFinding(): void
    {
        $this->press('Groups', '.chapters');
        $this->edit('group:reception', 'Ring order', 'top down');
        $this->see('Reception: the limit ends before everyone has rung', '.margin');
        $this->press('Reception: the limit ends before everyone has rung', '.margin');
        $this->see('Not everybody has rung by then.', '.ruler');
        $this->press('Set the limit to 70 s', '.margin');
        $this->see('70 s, was 25 s', '.margin');
        $this->click('[data-testid=fix]');
        $this->seeNot('the limit ends before everyone has rung', '.margin');
        $this->see('2 changes', '[data-testid=pending]');
        $this->enterChanges('reception rings top down');
    }

    private function callSaturday(): void
    {
        $this->keys('t', 'main sat 10:00, petra answers', WebDriverKeys::ENTER);
        $this->see('answers: Petra Lunn', '[data-testid=call-answer]');
        $this->see('Joss Arden', '[data-testid=trace]');
        $this->assertAccessible('A trace');
        $this->click('[data-testid=keep-promise]');
        $this->keys(WebDriverKeys::ESCAPE, WebDriverKeys::ESCAPE, WebDriverKeys::ESCAPE);
        $this->press('Proof', '.chapters');
        $this->see('kept', '[data-testid=promises]');
        $this->enterChanges('what we promised');
    }

    private function pushThroughTrouble(): void
    {
        $this->bin('switch faults errors=20');
        $this->press('Push', '.chapters');
        $this->click('[data-testid=push]');
        self::until(
            fn (): bool => preg_match('/[1-9]\d* of \d+/', $this->textOf('main')) === 1,
            'the push does not begin',
        );
        exec('pkill -9 -f queue:work');
        self::until(
            fn (): bool => str_contains($this->textOf('[data-testid=last-push]'), 'done; read back and the same'),
            'the push does not end: ' . $this->textOf('main'),
            90,
        );
        $this->bin('switch faults none');
        $this->see('the same', '[data-testid=compared]');
    }

    private function findWhatWasChanged(): void
    {
        preg_match_all(
            '/^(bands\/\S+)\n((?: {4}.*\n)+)/m',
            $this->bin('switch show whelk-chandlery') . "\n",
            $records,
            PREG_SET_ORDER,
        );
        $band = array_values(
            array_filter($records, static fn (array $record): bool => str_contains($record[2], '"Reception"')),
        )[0] ?? null;
        self::assertNotNull($band);
        self::assertSame(1, preg_match('/^ {4}else +(\{.*\})$/m', $band[2], $else));
        $overflow = ['unheard' => ['dial' => '19025550177']] + (array) json_decode($else[1], true);
        $this->bin("switch set whelk-chandlery {$band[1]} give_up 200");
        $this->bin(
            "switch set whelk-chandlery {$band[1]} else " . escapeshellarg(json_encode($overflow, JSON_THROW_ON_ERROR)),
        );

        $this->click('[data-testid=read-again]');
        $this->see('2 places changed there', '[data-testid=compared]');
        $this->see('70 s', '[data-testid=differences]');
        $this->see('20 s', '[data-testid=differences]');
        $this->see('+1 902 555 0177', '[data-testid=differences]');
        $this->see('Sat', '[data-testid=callers-notice]');
        $this->click('[data-testid=callers-notice] .text-button');
        $this->element('[data-testid=trace]');
        $this->keys(WebDriverKeys::ESCAPE, WebDriverKeys::ESCAPE);
        $this->press('Put all 2 back');
        self::until(
            fn (): bool => str_contains(
                $this->textOf('[data-testid=last-push]'),
                'Putting back · done; read back and the same',
            ),
            'it is not put back',
            40,
        );
        $this->see('the same', '[data-testid=compared]');
    }

    private function enterChanges(string $why): void
    {
        $this->click('[data-testid=look-over]');
        $this->type('input[name=note]', $why);
        $this->click('[data-testid=enter-changes]');
        $this->see('Entered as revision', '[data-testid=notice]');
    }

    private function cellOf(int $row, int $column, string $text): void
    {
        $this->type("[data-cell='{$row}-{$column}']", $text);
        $this->keys(WebDriverKeys::TAB);
    }

    private function pasteInto(string $css, string $text): void
    {
        $this->element($css);
        $this->browser->executeScript(<<<'JS'
            const data = new DataTransfer()
            data.setData('text/plain', arguments[1])
            const pasted = new ClipboardEvent('paste', {clipboardData: data, bubbles: true, cancelable: true})
            document.querySelector(arguments[0]).dispatchEvent(pasted)
            JS, [$css, $text]);
    }
}
