<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Hours\PlaceClocks;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A change of anything's zone that moves hours is found; one that moves none is left alone. */
final class ZoneLawTest extends TestCase
{
    private const ZONES = [
        'America/Halifax', 'America/Glace_Bay', 'America/Moncton', 'America/Toronto', 'America/St_Johns',
        'America/Chicago', 'Europe/London', 'Asia/Kolkata', 'Pacific/Auckland', 'UTC', 'Atlantic/Bermuda',
    ];

    public function test_the_book_it_begins_with_is_sound(): void
    {
        self::assertSame([], $this->told($this->book([])));
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function changes(): iterable
    {
        foreach (
            ['tenant', 'site', 'attendant', 'user', 'fixed', 'site of the attendant', 'site of the group'] as $what
        ) {
            foreach (self::ZONES as $zone) {
                yield "{$what} to {$zone}" => [[$what => $zone], $zone];
            }
        }
    }

    /** @param array<string, string> $change */
    #[DataProvider('changes')]
    public function test_it_is_found_where_it_moves_hours(array $change, string $zone): void
    {
        $told = $this->told($this->book($change));

        self::assertSame(
            PlaceClocks::isSame('America/Halifax', $zone, Samples::NOW),
            $told === [],
            implode('; ', $told),
        );
    }

    /** @return list<string> */
    private function told(Book $book): array
    {
        return array_values(array_map(static fn (Finding $finding): string => $finding->title(), array_filter(
            Auditor::of($book, Samples::NOW),
            static fn (Finding $finding): bool => str_starts_with($finding->about->id, 'hours.zone'),
        )));
    }

    /** @param array<string, string> $zones */
    private function book(array $zones): Book
    {
        $answer = static fn (string $when, string $to): array => ['item' => $when, 'when' => $when, 'then' => $to];
        $other = $zones['site of the attendant'] ?? $zones['site of the group'] ?? null;
        $address = ['street' => '4 Quay End', 'city' => 'Port Merrow', 'subdivision' => 'NS', 'country' => 'CA'];

        return Samples::book([
            'tenant' => ['zone' => $zones['tenant'] ?? 'America/Halifax', 'subdivision' => 'CA-NS'],
            'sites' => [
                ['key' => 'quay', 'zone' => $zones['site'] ?? null, 'address' => $address],
                ...($other === null ? [] : [['key' => 'away', 'zone' => $other]]),
            ],
            'numbers' => [['key' => Samples::NUMBER, 'destination' => 'attendant:main', 'site' => 'site:quay']],
            'attendants' => [[
                'key' => 'main', 'site' => isset($zones['site of the attendant']) ? 'site:away' : 'site:quay',
                'zone' => $zones['attendant'] ?? null, 'schedule' => 'schedule:week',
                'answers' => [$answer('open', 'group:desk'), $answer('closed', 'mailbox:desk')],
            ]],
            'groups' => [[
                'key' => 'desk', 'site' => isset($zones['site of the group']) ? 'site:away' : 'site:quay',
                'schedule' => 'schedule:week', 'members' => [['item' => 'a', 'who' => 'user:a']],
                'mailbox' => 'mailbox:desk',
            ]],
            'users' => [[
                'key' => 'a', 'site' => 'site:quay', 'zone' => $zones['user'] ?? null, 'schedule' => 'schedule:week',
                'mailbox' => 'mailbox:desk', 'legs' => [['item' => 'desk']],
            ]],
            'mailboxes' => [['key' => 'desk', 'notify' => ['desk@inlet.example']]],
            'schedules' => [['key' => 'week', 'fixedZone' => $zones['fixed'] ?? null, 'weekly' => [
                ['item' => 'days', 'days' => ['mon', 'tue', 'wed', 'thu', 'fri'], 'from' => '08:00', 'to' => '17:00'],
            ]]],
        ]);
    }
}
