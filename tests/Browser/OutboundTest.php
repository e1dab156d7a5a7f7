<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** What goes out of the house: dialled, said aloud, and who is let in. */
final class OutboundTest extends BrowserTestCase
{
    public function test_a_route_that_is_never_used_is_found_by_dialling_and_mended_with_what_changes_for_whom(): void
    {
        $this->signIn();
        $this->go('/customers/sandpiper-freight/outbound');
        $this->see('never used: National takes all of it', '[data-testid=lets-through]');
        $this->see('Boston is never used', '.margin');
        $this->keys('d', '8 (617) 555-0199');
        $this->see('goes out: National takes it, by Main trunk.', '[data-testid=dial-result]');
        $this->see('National takes it before', '[data-testid=dial-result]');
        $this->see('+1 617 555 0199', '[data-testid=dial-result]');
        $this->assertAccessible('Outbound');
        $this->keys(WebDriverKeys::ESCAPE);

        $this->edit('route:boston', 'Tried', '1');
        $this->edit('route:boston', 'Strip', '2');
        $this->see('goes out: Boston takes it, by Main trunk.', '[data-testid=dial-result]');
        $this->see('175550199 is no number that anybody has, as it is sent', '[data-testid=dial-result]');
        $this->press('Look over');
        $this->see('86170000000', '[data-testid=dialling]');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->edit('route:boston', 'Strip', '1');
        $this->seeNot('no number that anybody has', '[data-testid=dial-result]');
        $this->seeNot('never used', 'main');

        $this->press('Another route');
        $this->type('[aria-label="Name of the route"]', 'Services');
        $this->type('[aria-label="Digit map"]', '8[2-8]11');
        $this->press('Make the route');
        $this->see('4 digits, such as 8211', '[data-testid=lets-through]');
        $this->assertQuietConsole();
    }

    public function test_a_prompt_is_spoken_for_now_refused_from_a_broken_file_and_recorded(): void
    {
        $this->signIn();
        $this->go('/customers/kittiwake-brewing/menus?at=prompt:welcome');
        $this->press('Have it spoken for now');
        $this->see('stand-in voice', '[data-testid=recordings]');
        $this->see('spoken by a stand-in voice', '.prompt');
        $this->offer('bad_truncated_data.wav');
        $this->see('the file ends before', '.prompt');
        $this->offer('ok_44k_stereo_pcm16.wav');
        $this->see('PCM, 44100 Hz, 2 channels', '[data-testid=recordings]');
        $this->press('Record it here');
        $this->see('Stop, and keep it', '.prompt');
        usleep(700_000);
        $this->press('Stop');
        $this->see('recorded here', '[data-testid=recordings]');
        $this->seeNot('spoken by a stand-in voice', '.prompt');
        self::assertCount(4, $this->browser->findElements(
            WebDriverBy::cssSelector('[data-testid=recordings] tbody tr'),
        ));
        // What was recorded can be heard: the browser reads how long it is.
        $this->browser->executeScript(
            "document.querySelector('[data-testid=recordings] audio').load(); "
                . "document.querySelector('[data-testid=recordings] audio').play()",
        );
        self::until(
            fn (): bool => (float) $this->browser->executeScript(
                "return document.querySelector('[data-testid=recordings] audio').duration || 0",
            ) > 0.3,
            'it cannot be played',
        );
        $this->assertAccessible('a prompt with recordings');
    }

    public function test_somebody_is_invited_joins_by_the_letter_and_sees_one_customer(): void
    {
        $this->signIn();
        $this->press('People');
        $this->type('input[name=signIn]', 'newcomer@saltmarsh.example');
        $this->choose('input[name=customer]', 'Osier', 'Osier Basketworks');
        $this->press('Invite');
        $this->see('An invitation went to newcomer@saltmarsh.example.');
        $this->assertAccessible('People');
        $link = $this->browser->executeAsyncScript(
            "const done = arguments[0]; fetch('/api/people').then((answer) => answer.json()).then((told) => "
                . "done(told.invitations.map((each) => each.signIn).join(' ')))",
        );
        self::assertStringContainsString('newcomer@saltmarsh.example', (string) $link);

        $this->browser->manage()->deleteAllCookies();
        $this->go('/join#' . $this->codeSentTo('join', 'newcomer@saltmarsh.example'));
        $this->see('asks you to read and edit for Osier Basketworks');
        $this->assertAccessible('Joining');
        $this->type('input[name=name]', 'Nessa Wold');
        $this->type('input[name=password]', 'four words that are mine');
        $this->press('Join');
        $this->see('Second factor');
        $this->go('/');
        $this->see('Osier Basketworks');
        $this->see('1 customer');
        $this->assertQuietConsole();
    }

    private function offer(string $file): void
    {
        $this->browser->findElement(WebDriverBy::cssSelector('.prompt input[type=file]'))
            ->setFileDetector(new LocalFileDetector())
            ->sendKeys(dirname(__DIR__) . "/data/wav/{$file}");
    }
}
