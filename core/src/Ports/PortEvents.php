<?php

declare(strict_types=1);

namespace Jaunty\Core\Ports;

use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\ZoneClock;
use Jaunty\Core\Ics\IcsEvent;

/** A port as events of a calendar, in UTC: when its numbers move, and until when somebody has to answer. */
final readonly class PortEvents
{
    private const CATEGORY = 'port';

    /**
     * @param  string  $id  of the port
     * @param  string  $title  what moves, whose, from or to whom
     * @param  string  $day  a date
     * @param  string  $hours  as `09:00-12:00`, in the zone; empty: the whole day
     * @param  string  $zone  the customer's
     * @param  ?string  $answerBy  a date, where another carrier waits for an answer
     * @return list<IcsEvent>
     */
    public static function of(
        string $id,
        string $title,
        string $day,
        string $hours,
        string $zone,
        ?string $answerBy,
    ): array {
        $events = [];
        if ($answerBy !== null) {
            $events[] = self::wholeDay("answer-{$id}", "Answer by today: {$title}", $answerBy);
        }
        if (preg_match('/^(\d\d):(\d\d)-(\d\d):(\d\d)$/D', $hours, $parts) !== 1) {
            return [...$events, self::wholeDay("port-{$id}", $title, $day)];
        }
        $midnight = LocalDate::parse($day) * LocalDate::MINUTES;
        $clock = ZoneClock::of($zone);
        $from = $clock->instantOf($midnight + (int) $parts[1] * 60 + (int) $parts[2]);
        $until = $clock->instantOf($midnight + (int) $parts[3] * 60 + (int) $parts[4]);

        return [...$events, new IcsEvent(
            "port-{$id}@jaunty-roster",
            $title,
            intdiv($from, 60),
            max(1, intdiv($until - $from, 60)),
            false,
            null,
            [],
            [self::CATEGORY],
        )];
    }

    private static function wholeDay(string $uid, string $title, string $day): IcsEvent
    {
        return new IcsEvent(
            "{$uid}@jaunty-roster",
            $title,
            LocalDate::parse($day) * LocalDate::MINUTES,
            LocalDate::MINUTES,
            true,
            null,
            [],
            [self::CATEGORY],
        );
    }
}
