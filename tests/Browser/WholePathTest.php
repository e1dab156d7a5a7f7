<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Security\Totp;

/** One technician's day: from signing in with a second factor to putting back what somebody changed on the switch. */
final class WholePathTest extends BrowserTestCase
{
    public function test_from_template_to_a_compared_push_and_back_from_drift(): void
    {
        $this->signIn();
        foreach (['Ardent Road Veterinary', 'Coldharbour Boatyard', 'Redshank Couriers'] as $customer) {
            $this->see($customer);
        }
        $this->assertAccessible('Roster');

        $this->switchOnTheSecondFactor();
        $this->takeOn();
        $this->editLookOverEnterUndo();
        $this->push();
        $this->drift();
        $this->assertQuietConsole();
    }

    private function switchOnTheSecondFactor(): void
    {
        $this->press('Lena Kestrel');
        $this->see('It is off');
        $this->assertAccessible('Second factor');
        $this->type('input[name=password]', 'tide-table-2026');
        $this->press('Set it up');
        $secret = $this->element('[data-testid=totp-secret]')->getText();
        $this->type('input[name=code]', Totp::code($secret, intdiv(time(), Totp::STEP_SECONDS)));
        $this->press('Switch it on');
        $this->see('recovery codes are shown once');

        $this->go('/');
        $this->press('Sign out');
        $this->signIn(code: Totp::code($secret, intdiv(time(), Totp::STEP_SECONDS) + 1));
    }

    private function takeOn(): void
    {
        $this->click('[data-testid=take-on]');
        $this->press('Begin with this', '[data-testid=template-one-line-office]');
        $this->type('input[name=name]', 'Thornback Sailmakers');
        $this->choose('input[name=zone]', 'Halifax', 'America/Halifax');
        $this->choose('input[name=mainNumber]', '5550119', '+1 902 555 0119');
        $this->see('1 answer to go: who takes the message');
        $this->see('answers are kept');
        // Kept on the server: the phone rings, the page is closed and opened again.
        $this->browser->navigate()->refresh();
        $this->see('1 answer to go: who takes the message');
        $this->type('input[name=messages]', 'Ines Marsh');
        $this->see('7 objects');
        $this->see('+1 902 555 0119 leads to Ines Marsh', '[data-testid=will-be-made]');
        $this->assertAccessible('Taking on');
        $this->click('[data-testid=enter]');

        $this->see(
            'By the book, right now on a call to +1 902 555 0119, Ines Marsh rings for 20 s',
            '[data-testid=right-now]',
        );
        $this->see('Nothing of it is on the switch yet.');
        $this->see('Tue 14:05 there');
        $this->assertAccessible('Desk');
    }

    private function editLookOverEnterUndo(): void
    {
        $this->press('Users', '.chapters');
        $this->edit('user:ines-marsh', 'Rings for', '33');
        $this->see('The switch keeps whole rings: 33 s became 35 s.', '[data-testid=notice]');
        $this->see('1 change', '[data-testid=pending]');
        $this->browser->navigate()->refresh();
        $this->see('1 change', '[data-testid=pending]');
        $this->keys('l');
        $this->see('20 s', '.el-dialog[data-open=true] table');
        $this->see('35 s', '.el-dialog[data-open=true] table');
        $this->type('input[name=note]', 'a longer ring for the loft');
        $this->assertAccessible('Look over');
        $this->click('[data-testid=enter-changes]');

        $this->see('Entered as revision 2.', '[data-testid=notice]');
        self::assertSame('35 s', $this->cell('user:ines-marsh', 'Rings for')->getText());
        $this->press('Undo', '[data-testid=notice]');
        $this->see('Revision 2 is undone, by revision 3.', '[data-testid=notice]');
        self::until(
            fn (): bool => $this->cell('user:ines-marsh', 'Rings for')->getText() === '20 s',
            'the ring time is not what it was',
        );
        $this->press('History', '.chapters');
        $this->see('a longer ring for the loft', '[data-testid=revision-2]');
        $this->see('undone by 3', '[data-testid=revision-2]');
        $this->assertAccessible('History');
    }

    private function push(): void
    {
        $this->press('Push', '.chapters');
        $this->see('this customer has not been read from the switch yet', '[data-testid=compared]');
        $this->see('Thornback Sailmakers', '[data-testid=run-sheet]');
        $this->assertAccessible('Push');
        $this->click('[data-testid=push]');
        // Progress is the server's: a reload in the middle shows it again, or the end if that was quicker.
        $this->browser->navigate()->refresh();
        $this->see('done; read back and the same', '[data-testid=last-push]');
        $this->see('the same', '[data-testid=compared]');
        $this->see('says the same', '[data-testid=against-switch]');
    }

    private function drift(): void
    {
        // The record is named by what it says of itself.
        $box = escapeshellarg("boxes/Ines Marsh's mailbox");
        $this->bin("switch set thornback-sailmakers {$box} caption " . escapeshellarg('Front desk box'));
        $this->click('[data-testid=read-again]');
        $this->see('1 place changed there', '[data-testid=compared]');
        $this->see("Ines Marsh's mailbox", '[data-testid=differences]');
        $this->see('Front desk box', '[data-testid=differences]');
        $this->see('admin by hand', '[data-testid=differences]');
        $this->assertAccessible('Drift');

        $this->press('Mailboxes', '.chapters');
        $this->see('name was changed on the switch', '[data-testid=drift]');
        $this->press('Put back', '[data-testid=drift]');
        $this->seeNot('name was changed on the switch', '.margin');
        $this->press('Push', '.chapters');
        $this->see('Putting back · done; read back and the same', '[data-testid=last-push]');
        self::assertStringContainsString("Ines Marsh's mailbox", $this->bin('switch show thornback-sailmakers'));
        $this->keys('r');
        $this->see('in service', '.roster');
        $this->seeNot('field', "[data-testid='line-thornback-sailmakers']");
    }
}
