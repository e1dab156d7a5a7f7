<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

/**
 * The same small thing at several customers: found by night, looked at, mended at once, and what counts as too much
 * set.
 */
final class FindingsTest extends BrowserTestCase
{
    public function test_findings_of_many_customers_are_seen_to_and_mended_at_once(): void
    {
        $this->signIn();
        $this->press('Findings');
        $this->see('Audited by night', '.audit');
        $this->keys('/', 'regatta', WebDriverKeys::ESCAPE);
        self::assertSame('', $this->browser->executeScript(
            "return document.querySelector('input[type=search]').value",
        ));
        $this->browser->executeScript('document.activeElement.blur()');

        $this->press('mend 4 …');
        $this->see('Opening hours: exceptions: Regatta day', '[data-testid=mend-inlet-property-care]');
        $this->see('1 change', '[data-testid=mend-puffin-cove-hotel]');
        $this->assertAccessible('Mending at many');
        $this->click('[data-testid=mend-puffin-cove-hotel] .el-checkbox');
        $this->type('input[name=note]', 'Regatta day is long over');
        $this->press('Enter at 3 customers', '.el-dialog[data-open=true]');
        $this->see('3 customers mended.', '.el-dialog[data-open=true]');
        $this->see('entered as revision 3', '[data-testid=mend-inlet-property-care]');
        $this->press('Done', '.el-dialog[data-open=true]');

        $this->keys('/', 'regatta day');
        $this->see('1 finding at 1 customer');
        $this->see('Puffin Cove Hotel', 'aside');
        $this->see('revision 2', 'aside');
        $this->choose('input#sees-to', 'sol', 'Sol Ormerod');
        $this->see('SO', 'tbody');

        $this->press('Audit every customer now');
        $this->see('customers audited', '.audit');
        self::until(
            fn (): bool => str_contains($this->textOf('.audit'), 'Audited just now, 19 customers.'),
            'the audit does not end',
            patience: 90,
        );

        $this->go('/customers/inlet-property-care/history');
        $this->see('Regatta day is long over', '[data-testid=revision-3]');
        $this->assertQuietConsole();
    }

    public function test_what_counts_as_too_much_is_set_for_one_customer(): void
    {
        $this->signIn();
        $this->go('/rules?rule=flow.long-wait');
        $this->see('Longest wait for a person, a choice or a mailbox', 'aside');
        $this->choose('input#whose', 'cold', 'Coldharbour Boatyard');
        $this->type('.threshold input', '5');
        $this->keys(WebDriverKeys::ENTER);
        $this->see('Longest wait for a person, a choice or a mailbox: 10 to 600 s.', '.threshold');
        $this->type('.threshold input', '20');
        $this->keys(WebDriverKeys::ENTER);
        $this->see('as for every customer: 60', '.threshold');
        $this->go('/customers/coldharbour-boatyard/numbers');
        $this->see('callers wait for', '.margin');

        $this->go('/rules?rule=flow.long-wait');
        $this->choose('input#whose', 'cold', 'Coldharbour Boatyard');
        $this->press('as for every customer: 60', '.threshold');
        $this->seeNot('as for every customer', '.threshold');
        $this->assertQuietConsole();
    }
}
