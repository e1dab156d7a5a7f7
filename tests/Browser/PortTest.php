<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** A new customer's own main number comes in, from the first word to the day after; then their address is proved. */
final class PortTest extends BrowserTestCase
{
    private const NUMBER = '902 555 0190';

    private const AT = '/customers/guillemot-rigging';

    public function test_a_main_number_comes_in_from_the_first_word_to_the_day_after(): void
    {
        $this->atTheCarrier('/on-file', [
            'msisdn' => '19025550190', 'subscriber' => 'Guillemot Rigging', 'postal' => 'B0X 1X0', 'account' => 'HT-9',
        ]);
        $this->signIn();
        $this->takeOn();
        $this->writeItDown();
        $this->sendIt();
        $this->mendIt();
        $this->theDay();
        $this->proveTheAddress();
        $this->assertQuietConsole();
    }

    private function takeOn(): void
    {
        $this->go('/taking-on');
        $this->press('Begin with this', '[data-testid=template-one-line-office]');
        $this->type('input[name=name]', 'Guillemot Rigging');
        $this->choose('input[name=region]', 'Nova', 'Nova Scotia');
        $this->choose('input[name=zone]', 'Halifax', 'America/Halifax');
        $this->choose('input[name=mainNumber]', self::NUMBER, 'porting in');
        $this->type('input[name=messages]', 'Ines Marsh');
        $this->see('9 objects');
        $this->click('[data-testid=enter]');
        $this->see('porting in');
    }

    private function writeItDown(): void
    {
        $this->press('Numbers', '.chapters');
        $this->press('Begin the port of 1 number');
        $this->type('.ports input[placeholder^="24 Dec"]', '14 Dec 2026');
        $this->press('Write it down');
        $this->see('things missing; each stands at its place');
        $this->see('It does not say where the numbers are now.');
        $this->assertAccessible('Port, incomplete');
        foreach ([
            'street' => '14 Ardent Road', 'city' => 'Port Merrow', 'postcode' => 'B0X 9X9',
            'losingCarrier' => 'Harbour Telephone', 'account' => 'HT-9', 'signatory' => 'Ines Marsh',
            'hours' => '09:00-12:00',
        ] as $field => $said) {
            $this->type("input[name={$field}]", $said);
        }
        $this->press('Keep');
        $this->see('Kept.');
        $this->see('2 things missing');
    }

    private function sendIt(): void
    {
        $page = tempnam(sys_get_temp_dir(), 'page');
        rename($page, "{$page}.pdf");
        file_put_contents("{$page}.pdf", '%PDF-1.4 signed');
        $this->file('authority')->sendKeys("{$page}.pdf");
        $this->see(basename("{$page}.pdf"), '[data-testid=authority]');
        $this->type('[data-testid=bill] input[placeholder^="20 Nov"]', '20 Nov');
        $this->keys(WebDriverKeys::TAB);
        $this->see('Take a file', '[data-testid=bill]');
        $this->file('bill')->sendKeys("{$page}.pdf");
        $this->see('Fri 20 Nov 2026', '[data-testid=bill]');
        unlink("{$page}.pdf");
        $this->click('[data-testid=send]');
        $this->see('Sent to the carrier.');
    }

    private function mendIt(): void
    {
        $this->atTheCarrier('/clock', ['day' => '2026-12-02']);
        $this->press('Ask the carrier how far it is');
        $this->see('The losing carrier turned it down');
        $this->assertAccessible('Port, turned down');
        self::assertSame('true', $this->element('input[name=postcode]')->getAttribute('aria-invalid'));
        $this->type('input[name=postcode]', 'B0X 1X0');
        $this->press('Keep');
        $this->see('Kept.');
        $this->click('[data-testid=send]');
        $this->see('Sent to the carrier.');
        $this->atTheCarrier('/clock', ['day' => '2026-12-03']);
        $this->press('Ask the carrier how far it is');
        $this->see('has its day');
    }

    private function theDay(): void
    {
        $this->see('Mon 14 Dec 2026 08:45', '[data-testid=cut-over]');
        $this->see('By the book:', '[data-testid=cut-over]');
        $this->go('/ports');
        $this->see('Guillemot Rigging');
        $this->assertAccessible('Ports');
        $this->press('+1 902 555 0190');
        $this->atTheCarrier('/clock', ['day' => '2026-12-14', 'time' => '12:00']);
        $this->press('Ask the carrier how far it is');
        $this->see('done, Mon 14 Dec 2026');
        // The day after the book has followed, by a revision of its own.
        $this->go(self::AT . '/numbers');
        self::until(
            fn (): bool => $this->cell('number:+19025550190', 'Status')->getText() === 'in service',
            'the book does not follow',
        );
        $this->see('in full (A)', '[data-testid=number-pane]');
        $this->press('History', '.chapters');
        $this->see('The carrier says that they came over', '[data-testid=revision-2]');
    }

    private function proveTheAddress(): void
    {
        $this->press('Sites', '.chapters');
        foreach ([
            'Street' => '14 ardent rd, 3rd floor', 'Town' => 'port merrow', 'State or province' => 'NS',
            'Postcode' => 'b0x1x0', 'Country' => 'CA',
        ] as $part => $said) {
            $this->click("button[aria-label^=\"{$part} of\"]");
            $this->keys($said, WebDriverKeys::ENTER);
            $this->see($said, '[data-testid=address]');
        }
        $this->press('Ask the carrier about the address');
        $this->press('Write it as the carrier does');
        $this->see('14 Ardent Road', '[data-testid=address]');
        $this->press('Ask the carrier about the address');
        $this->seeNot('The address was changed since.');
        $this->keys('l');
        $this->type('input[name=note]', 'where they are');
        $this->click('[data-testid=enter-changes]');
        $this->see('Entered as revision 3.', '[data-testid=notice]');
        $this->press('Record a test call');
        $this->type('input[name=numberShown]', self::NUMBER);
        $this->type('input[name=addressRead]', '14 Ardent Road, Port Merrow');
        $this->press('All was right: passed');
        $this->see('Passed');
        $this->assertAccessible('Sites, proved');
    }

    /** A field that takes a file, which nobody sees. */
    private function file(string $of): RemoteWebElement
    {
        $input = $this->browser->findElement(WebDriverBy::cssSelector("[data-testid={$of}] input[type=file]"));
        $input->setFileDetector(new LocalFileDetector());

        return $input;
    }

    /** @param array<string, string> $body */
    private function atTheCarrier(string $path, array $body): void
    {
        $token = trim((string) file_get_contents(getenv('HOME_DIR') . '/secrets/standin'));
        $curl = curl_init('http://127.0.0.1:' . getenv('CARRIER_PORT') . $path);
        curl_setopt_array($curl, [
            CURLOPT_POST => true, CURLOPT_RETURNTRANSFER => true, CURLOPT_PROXY => '',
            CURLOPT_HTTPHEADER => ["Authorization: Bearer {$token}", 'Content-Type: application/json'],
            CURLOPT_POSTFIELDS => json_encode($body, JSON_THROW_ON_ERROR),
        ]);
        curl_exec($curl);
        self::assertSame(200, curl_getinfo($curl, CURLINFO_RESPONSE_CODE), $path);
    }
}
