<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Hours\HolidayRegions;
use Jaunty\Core\Hours\LocalDate;

/** Fills a holiday calendar anew from the rules of its region. */
final class CalendarRenewal
{
    private const YEARS = 3;

    /** @return ?Fix null where its region is not known */
    public static function of(Calendar $calendar, int $today): ?Fix
    {
        [$year] = LocalDate::parts($today);
        $fresh = $calendar->region === null
            ? null
            : HolidayRegions::calendar($calendar->region, $calendar->key, $year, $year + self::YEARS);
        if ($fresh === null) {
            return null;
        }
        $fields = $fresh->toArray();

        return Fix::of(
            'Renew it from the rules of ' . (HolidayRegions::names()[$calendar->region] ?? $calendar->region),
            Fix::setting($calendar, 'holidays', $fields['holidays']),
            ...($calendar->knownUntil === $fields['knownUntil'] ? [] : [
                Fix::setting($calendar, 'knownUntil', $fields['knownUntil']),
            ]),
        );
    }
}
