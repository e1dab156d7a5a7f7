<?php

declare(strict_types=1);

namespace Tests\Core\Ports;

use Jaunty\Core\Ics\IcsEvent;
use Jaunty\Core\Ports\PortEvents;
use PHPUnit\Framework\TestCase;

final class PortEventsTest extends TestCase
{
    public function test_hours_are_those_of_the_customer_and_a_port_without_any_takes_the_day(): void
    {
        // Halifax is four hours behind UTC in December, and three in July.
        self::assertSame([['2026-12-14T13:00', 150, false]], self::seen('2026-12-14', '09:00-11:30'));
        self::assertSame([['2026-07-14T12:00', 150, false]], self::seen('2026-07-14', '09:00-11:30'));
        self::assertSame([['2026-12-14T00:00', 1440, true]], self::seen('2026-12-14', ''));
    }

    public function test_the_last_day_of_an_answer_is_a_day_of_its_own(): void
    {
        self::assertSame(
            [['2026-12-10T00:00', 1440, true], ['2026-12-14T13:00', 150, false]],
            self::seen('2026-12-14', '09:00-11:30', '2026-12-10'),
        );
        $uids = array_map(
            static fn (IcsEvent $event): string => $event->uid,
            PortEvents::of('p1', 'Inlet', '2026-12-14', '', 'America/Halifax', '2026-12-10'),
        );
        self::assertSame(['answer-p1@jaunty-roster', 'port-p1@jaunty-roster'], $uids);
    }

    /** @return list<array{string, int, bool}> */
    private static function seen(string $day, string $hours, ?string $answerBy = null): array
    {
        return array_map(
            static fn (IcsEvent $event): array => [
                gmdate('Y-m-d\TH:i', $event->starts * 60), $event->lasts, $event->isAllDay,
            ],
            PortEvents::of('p1', 'Inlet', $day, $hours, 'America/Halifax', $answerBy),
        );
    }
}
