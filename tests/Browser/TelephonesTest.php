<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

/** From a telephone in a box to a green mark, and the keys of a receptionist. */
final class TelephonesTest extends BrowserTestCase
{
    public function test_a_telephone_is_plugged_in_and_turns_green_by_itself(): void
    {
        $this->signIn('sol@saltmarsh.example');
        $this->go('/customers/puffin-cove-hotel/telephones');
        $this->see('20 of 21 telephones registered', '[data-testid=presence]');
        $this->see('Dara Larivière, desk', '[data-testid=presence]');
        $this->see('registered, with an old program (2.0.7)', '[data-testid=presence]');
        $this->assertAccessible('Telephones');

        // Nobody reloads anything: the cable goes in, and the mark turns.
        $this->bin('phones plug 02:c0:22:ea:b4:0a');
        $this->see('21 of 21 telephones registered', '[data-testid=presence]');
        $this->seeNot('Dara Larivière, desk', '[data-testid=presence]');
        $this->bin('phones unplug puffin-cove-hotel/Office');
        $this->see('0 of 21 telephones registered', '[data-testid=presence]');
        $this->bin('phones plug puffin-cove-hotel/Office');
        $this->see('21 of 21 telephones registered', '[data-testid=presence]');
        $this->go('/customers/puffin-cove-hotel/sites');
        $this->see('21 of 21', '[data-testid=sites]');
        $this->assertQuietConsole();
    }

    public function test_the_keys_of_a_receptionist_are_laid_out_by_keyboard_and_tried(): void
    {
        $this->signIn();
        $this->go('/customers/juniper-lane-surgery/telephones');
        $this->see('18 of 48 laid out', '[data-testid=key-plan]');
        $this->browser->executeScript("document.querySelector('[data-testid=key-plan] [data-at=\"7\"]').focus()");
        $this->keys(WebDriverKeys::ARROW_DOWN, WebDriverKeys::ENTER);
        $this->see('19 of 48 laid out', '[data-testid=key-plan]');
        $this->choose('[data-testid=key-plan] [aria-label="What the key is"]', 'code', 'code');
        $this->see('dials', '[data-testid=key-plan]');
        $this->press('—', '[data-testid=key-plan]');
        $this->keys('*8', WebDriverKeys::ENTER);
        $this->see('*8', '[data-testid=key-plan] [data-at="8"]');
        $this->assertAccessible('Keys of a telephone');
        $this->browser->executeScript("document.querySelector('[data-testid=key-plan] [data-at=\"8\"]').focus()");
        $this->keys(WebDriverKeys::ALT, WebDriverKeys::ARROW_DOWN, WebDriverKeys::NULL);
        $this->see('*8', '[data-testid=key-plan] [data-at="9"]');
        $this->keys(WebDriverKeys::DELETE);
        $this->see('18 of 48 laid out', '[data-testid=key-plan]');

        // What the key would dial, and what becomes of it.
        $this->browser->executeScript('document.activeElement.blur()');
        $this->keys('t', '*88204 from 201, 204 ringing', WebDriverKeys::ENTER);
        $this->see('call taken up', '[data-testid=call-answer]');
        $this->keys(WebDriverKeys::ESCAPE, WebDriverKeys::ESCAPE);
        $this->go('/customers/juniper-lane-surgery/outbound');
        $this->type('[data-testid=dialled]', '*8');
        $this->see('takes up what rings in Front desk', '[data-testid=dial-result]');
        $this->go('/customers/juniper-lane-surgery/features');
        $this->see('Whole house', '[data-testid=feature-pageZone]');
        $this->assertAccessible('Features');
        $this->assertQuietConsole();
    }
}
