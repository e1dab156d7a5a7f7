<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** A house of two floors, who sits where by the keyboard, and somebody at home who says where by letter. */
final class PlacesTest extends BrowserTestCase
{
    private const AT = '/customers/kittiwake-brewing/sites';

    public function test_who_sits_where_and_who_is_at_home(): void
    {
        $this->signIn();
        $this->go(self::AT);
        $this->see('What help services see');
        $this->drawAFloor();
        $this->seatSomebody();
        $this->measureTheLine();
        $this->askByLetter();
        $this->assertQuietConsole();
    }

    private function drawAFloor(): void
    {
        $this->type('input[aria-label="Name of another floor"]', 'Ground floor');
        $this->keys(WebDriverKeys::ENTER);
        $this->see('0 workplaces, 0 taken', '[data-testid=floors]');
        $this->givePicture('this is no picture');
        $this->see('This is no PNG, JPEG or GIF picture', '[data-testid=floors]');
        $gif = 'R0lGODlhAwACAIAAAAAAAP///yH5BAAAAAAALAAAAAADAAIAAAIChF8AOw==';
        $this->givePicture((string) base64_decode($gif, true));
        $this->element('[data-testid=plan] img');
    }

    private function givePicture(string $bytes): void
    {
        $picture = tempnam(sys_get_temp_dir(), 'plan');
        file_put_contents($picture, $bytes);
        $input = $this->browser->findElement(WebDriverBy::cssSelector('[data-testid=floors] input[type=file]'));
        $input->setFileDetector(new LocalFileDetector());
        $input->sendKeys($picture);
        unlink($picture);
    }

    private function seatSomebody(): void
    {
        $this->press('New workplace', '[data-testid=floors]');
        $this->see('1 workplace, 0 taken', '[data-testid=floors]');
        $this->keys(WebDriverKeys::SHIFT, WebDriverKeys::ARROW_RIGHT, WebDriverKeys::NULL);
        $this->press('—', '[data-testid=workplace]');
        $this->keys('1.04', WebDriverKeys::ENTER);
        $who = trim($this->element('[data-testid=help] tbody th')->getText());
        $this->choose('[data-testid=workplace] .el-select input', $who, $who);
        $this->see('1 workplace, 1 taken', '[data-testid=floors]');
        $this->see('Ground floor, 1.04', '[data-testid=help]');
        $this->assertAccessible('Sites, a plan');
    }

    private function measureTheLine(): void
    {
        $this->press('Record a measurement', '[data-testid=line]');
        $this->type('input[name=up]', '9,2 Mbit/s');
        $this->type('input[name=loss]', 'xx');
        $this->press('Keep it', '[data-testid=line]');
        $this->see('That is no number', '[data-testid=line]');
        $this->type('input[name=loss]', '0.1');
        $this->press('Keep it', '[data-testid=line]');
        $this->see('Whether it carries its calls is not known.', '[data-testid=line]');
    }

    private function askByLetter(): void
    {
        $this->go('/customers/quill-tern-insurance/sites');
        $this->see('asked', '[data-testid=elsewhere]');
        $this->press('take back', '[data-testid=elsewhere]');
        $this->see('not known', '[data-testid=elsewhere]');
        $this->press('Ask by letter', '[data-testid=elsewhere]');
        $this->type('input[name=to]', 'coralie@home.example');
        $this->press('Send the letter', '[data-testid=elsewhere]');
        $this->see('take back', '[data-testid=elsewhere]');
        $code = $this->codeSentTo('where', 'coralie@home.example');

        $this->go("/where#{$code}");
        $this->see('Hello Coralie Thorne.');
        $this->assertAccessible('Where somebody works');
        $this->type('input[name=street]', '12 Cooper Street, 2nd floor');
        $this->type('input[name=city]', 'Tern Harbor');
        $this->type('input[name=postcode]', '00055');
        $this->press('Help should come here');
        $this->see('belongs in the line for flat or floor');
        $this->type('input[name=street]', '12 Cooper Street');
        $this->type('input[name=unit]', '2nd floor');
        $this->press('Help should come here');
        $this->see('Thank you.');

        $this->go('/customers/quill-tern-insurance/sites');
        $this->see('They say: 12 Cooper Street, Tern Harbor', '[data-testid=elsewhere]');
        $this->press('Take it over', '[data-testid=elsewhere]');
        $this->see('confirmed', '[data-testid=elsewhere]');
        $this->see('2 changes', '[data-testid=pending]');
    }
}
