<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

use Jaunty\Core\Words\Day;

/** An instant where the customer is: their day, and how a sentence says days and instants. */
final readonly class CustomerDay
{
    private const DAY_SECONDS = 86_400;

    /** @param int $now seconds since 1970 */
    public function __construct(private ZoneClock $clock, public int $now)
    {
    }

    /** A date of a book as a sentence says it: `Fri 25 Dec 2026`. */
    public function said(string $date): string
    {
        return (new \DateTimeImmutable("{$date}T12:00:00Z"))->format('D j M Y');
    }

    /** The date there, as days since 1970. */
    public function number(): int
    {
        return $this->clock->day($this->now);
    }

    /** The same, as a book writes dates. */
    public function date(): string
    {
        return gmdate('Y-m-d', self::DAY_SECONDS * $this->number());
    }

    /** When that day began, in seconds since 1970: of what is looked at over a year, the first instant. */
    public function began(): int
    {
        return $this->clock->midnight($this->number());
    }

    /** An instant by their clock. */
    public function moment(int $instant): Day
    {
        $local = 60 * $this->clock->localMinutes($instant);

        return new Day(gmdate('Y-m-d', $local), gmdate('H:i', $local));
    }
}
