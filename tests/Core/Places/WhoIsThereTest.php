<?php

declare(strict_types=1);

namespace Tests\Core\Places;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\SiteContact;
use Jaunty\Core\Places\WhoIsThere;
use PHPUnit\Framework\TestCase;

final class WhoIsThereTest extends TestCase
{
    /** The site's clock is an hour and a half ahead of the customer's. */
    public function test_whoever_has_no_hours_is_always_there_and_the_others_by_the_clock_of_the_site(): void
    {
        $quay = self::there();

        self::assertSame(['Otto'], self::names($quay, '2026-12-02T11:00:00Z', '2026-12-02T11:29:00Z'));
        self::assertSame(['Ana', 'Otto'], self::names($quay, '2026-12-02T11:00:00Z', '2026-12-02T11:31:00Z'));
        self::assertSame(['Ana', 'Otto'], self::names($quay, '2026-12-02T19:29:00Z', '2026-12-02T22:00:00Z'));
        self::assertSame(['Otto'], self::names($quay, '2026-12-02T19:30:00Z', '2026-12-02T22:00:00Z'));
        self::assertSame(['Otto'], self::names($quay, '2026-12-25T03:30:00Z', '2026-12-26T03:30:00Z'), 'a holiday');
    }

    public function test_it_is_said_when_somebody_comes_next(): void
    {
        [$ana, $otto, $never] = self::site()->contacts;
        $quay = self::there();
        $at = static fn (string $time): int => (int) strtotime($time);

        self::assertSame($at('2026-12-02T12:00:00Z'), $quay->next($otto, $at('2026-12-02T12:00:00Z')));
        self::assertSame($at('2026-12-02T12:00:00Z'), $quay->next($ana, $at('2026-12-02T12:00:00Z')));
        self::assertSame($at('2026-12-03T11:30:00Z'), $quay->next($ana, $at('2026-12-02T19:30:00Z')));
        self::assertNull($quay->next($never, $at('2026-12-02T12:00:00Z')));
    }

    /** @return list<string> */
    private static function names(WhoIsThere $there, string $from, string $until): array
    {
        return array_map(
            static fn (SiteContact $contact): string => $contact->name,
            $there->between((int) strtotime($from), (int) strtotime($until)),
        );
    }

    private static function there(): WhoIsThere
    {
        return new WhoIsThere(self::book(), self::site());
    }

    private static function site(): Site
    {
        return self::book()->all(Site::class)[0];
    }

    private static function book(): Book
    {
        $weekdays = ['mon', 'tue', 'wed', 'thu', 'fri'];

        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => BookFormat::VERSION,
            'tenant' => ['key' => 'inlet', 'name' => 'Inlet', 'zone' => 'America/Toronto'],
            'sites' => [['key' => 'quay', 'zone' => 'America/St_Johns', 'contacts' => [
                ['item' => 'ana', 'name' => 'Ana', 'phone' => '+19025550120', 'hours' => 'schedule:office'],
                ['item' => 'otto', 'name' => 'Otto', 'phone' => '+19025550199'],
                ['item' => 'nobody', 'name' => 'Nobody', 'phone' => '+19025550198', 'hours' => 'schedule:never'],
            ]]],
            'schedules' => [
                ['key' => 'office', 'calendars' => ['calendar:off'], 'weekly' => [
                    ['item' => 'week', 'days' => $weekdays, 'from' => '08:00', 'to' => '16:00'],
                ]],
                ['key' => 'never'],
            ],
            'calendars' => [['key' => 'off', 'holidays' => [
                ['item' => 'christmas', 'name' => 'Christmas', 'rule' => ['fixed' => '12-25']],
            ]]],
        ]);
    }
}
