<?php

declare(strict_types=1);

namespace Tests\Core\Ports;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Ports\CutOver;
use Jaunty\Core\Ports\CutOverLine;
use Jaunty\Core\Ports\PortFollowing;
use PHPUnit\Framework\TestCase;

final class PortFollowingTest extends TestCase
{
    private const COMES = '+19025550150';

    public function test_what_came_over_is_in_service_and_comes_as_the_others_do(): void
    {
        $book = self::book([
            ['key' => self::COMES, 'status' => 'portingIn', 'deliveredAs' => 'national'],
            ['key' => '+19025550151', 'trunk' => 'trunk:main'], ['key' => '+19025550152', 'trunk' => 'trunk:main'],
            ['key' => '+19025550153', 'status' => 'portingIn'],
        ]);
        $after = PortFollowing::arrived($book, [self::COMES, '+19025559999'])->applyTo($book);
        $number = self::number($after, self::COMES);

        self::assertSame(
            [NumberStatus::Active, 'trunk:main', null],
            [$number->status, (string) $number->trunk, $number->deliveredAs],
        );
        self::assertSame(NumberStatus::PortingIn, self::number($after, '+19025550153')->status);
        self::assertTrue(PortFollowing::arrived($after, [self::COMES])->isEmpty(), 'once is enough');
    }

    public function test_where_the_others_come_by_different_trunks_none_is_guessed(): void
    {
        $book = self::book([
            ['key' => self::COMES, 'status' => 'portingIn'], ['key' => '+19025550151', 'trunk' => 'trunk:main'],
            ['key' => '+19025550152'],
        ]);

        $after = PortFollowing::arrived($book, [self::COMES])->applyTo($book);
        self::assertNull(self::number($after, self::COMES)->trunk);
    }

    public function test_what_leaves_has_its_last_day_and_is_cancelled_once_it_is_gone(): void
    {
        $book = self::book([['key' => self::COMES], ['key' => '+19025550151', 'status' => 'cancelled']]);
        $both = [self::COMES, '+19025550151'];
        $leaving = PortFollowing::leaving($book, $both, '2026-12-14')->applyTo($book);
        $number = self::number($leaving, self::COMES);
        self::assertSame([NumberStatus::PortingOut, '2026-12-14'], [$number->status, $number->until]);
        self::assertSame(NumberStatus::Cancelled, self::number($leaving, '+19025550151')->status);
        self::assertTrue(PortFollowing::leaving($leaving, $both, '2026-12-14')->isEmpty());

        $gone = PortFollowing::gone($leaving, $both)->applyTo($leaving);
        self::assertSame(NumberStatus::Cancelled, self::number($gone, self::COMES)->status);
    }

    public function test_the_sheet_of_the_day_is_by_the_minute_and_by_the_book_as_it_will_be(): void
    {
        $book = self::book([['key' => self::COMES, 'status' => 'portingIn', 'destination' => 'mailbox:desk']]);
        $wish = PortWishTest::wish(['hours' => '09:00-11:30', 'isPart' => true, 'stayingMain' => '+19025550199']);
        $lines = CutOver::of($book, $wish, '2026-12-14', '+19025550160');
        $of = static fn (string $part): array => array_values(array_filter(
            $lines,
            static fn (CutOverLine $line): bool => $line->part === $part,
        ));

        self::assertSame(['2026-12-13', '2026-12-14 08:45'], array_values(array_unique(array_map(
            static fn (CutOverLine $line): string => $line->when,
            $of('before'),
        ))));
        self::assertSame('2026-12-14 09:00', $of('then')[0]->when);
        $tried = array_values(array_filter($lines, static fn (CutOverLine $line): bool => $line->call !== null))[0];
        self::assertSame('2026-12-14 11:30', $tried->when);
        self::assertStringContainsString('Desk', (string) $tried->expect);
        $said = implode(' ', array_map(static fn (CutOverLine $line): string => $line->what, $lines));
        foreach (['+1 902 555 0199', '+1 902 555 0160', 'Harbour Telephone'] as $named) {
            self::assertStringContainsString($named, $said);
        }
        self::assertStringNotContainsString('Cancel the old service', $said, 'part of it stays');
    }

    public function test_the_sheet_of_the_day_says_whom_one_meets_at_each_site_while_the_numbers_move(): void
    {
        $met = static fn (string $hours): string => implode(' ', array_map(
            static fn (CutOverLine $line): string => $line->what,
            array_slice(CutOver::of(BookFormat::fromValue([
                'format' => BookFormat::FORMAT, 'version' => BookFormat::VERSION,
                'tenant' => ['key' => 'inlet', 'name' => 'Inlet', 'zone' => 'America/Halifax'],
                'numbers' => [['key' => self::COMES, 'status' => 'portingIn', 'destination' => 'release']],
                'sites' => [['key' => 'mill', 'name' => 'Mill'], ['key' => 'quay', 'name' => 'Quay', 'contacts' => [
                    ['item' => 'ana', 'name' => 'Ana Reed', 'role' => 'manager', 'phone' => '+19025550120',
                        'hours' => 'schedule:early'],
                    ['item' => 'otto', 'name' => 'Otto Vane', 'phone' => '+19025550121', 'hours' => 'schedule:early'],
                ]]],
                'schedules' => [['key' => 'early', 'weekly' => [
                    ['item' => 'week', 'days' => ['mon'], 'from' => '07:00', 'to' => '09:30'],
                ]]],
            ]), PortWishTest::wish(['hours' => $hours]), '2026-12-14', null), 0, 4),
        ));

        self::assertStringContainsString(
            'At Quay you meet Ana Reed, manager (+1 902 555 0120) or Otto Vane (+1 902 555 0121).',
            $met('09:00-11:30'),
        );
        self::assertStringContainsString(
            'At Quay none of its contacts is there between 09:30 and 11:30: ask one to come.',
            $met('09:30-11:30'),
        );
        self::assertStringNotContainsString('Mill', $met('09:30-11:30'));
    }

    /** @param list<array<string, mixed>> $numbers */
    private static function book(array $numbers): Book
    {
        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => BookFormat::VERSION,
            'tenant' => ['key' => 'inlet', 'name' => 'Inlet', 'zone' => 'America/Halifax'], 'numbers' => $numbers,
            'trunks' => [['key' => 'main', 'name' => 'Main']], 'mailboxes' => [['key' => 'desk', 'name' => 'Desk']],
        ]);
    }

    private static function number(Book $book, string $key): Number
    {
        $found = array_column($book->all(Number::class), null, 'key')[$key] ?? null;
        self::assertNotNull($found);

        return $found;
    }
}
