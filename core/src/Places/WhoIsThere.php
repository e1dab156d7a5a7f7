<?php

declare(strict_types=1);

namespace Jaunty\Core\Places;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\SiteContact;
use Jaunty\Core\Hours\HoursState;
use Jaunty\Core\Hours\ScheduleClock;
use Jaunty\Core\Hours\Timeline;

/** Contacts of a site by their hours: who can be met there. */
final readonly class WhoIsThere
{
    /** Whoever comes only once a fortnight is found. */
    private const SECONDS = 15 * 86_400;

    private string $zone;

    public function __construct(private Book $book, private Site $site)
    {
        $this->zone = $site->zone ?? $book->tenant->zone;
    }

    /**
     * @param  int  $until  an instant after `from`
     * @return list<SiteContact> who are there at some time between, in the order of the book
     */
    public function between(int $from, int $until): array
    {
        return array_values(array_filter(
            $this->site->contacts,
            function (SiteContact $contact) use ($from, $until): bool {
                $line = $this->line($contact, $from, $until - $from);

                return $line === null || $line->secondsIn(HoursState::Open) > 0;
            },
        ));
    }

    /**
     * @return ?int the instant somebody is there next, or the one asked about; null where nobody comes within a
     *     fortnight
     */
    public function next(SiteContact $contact, int $now): ?int
    {
        $line = $this->line($contact, $now, self::SECONDS);
        if ($line === null) {
            return $now;
        }
        foreach ($line->states as $place => $state) {
            if ($state === HoursState::Open->value) {
                return $line->from[$place];
            }
        }

        return null;
    }

    /** Null of whoever is there at any hour. */
    private function line(SiteContact $contact, int $from, int $seconds): ?Timeline
    {
        $schedule = $contact->hours === null ? null : $this->book->find($contact->hours);

        return $schedule instanceof Schedule
            ? ScheduleClock::of($schedule, $this->book, $this->zone, [])->timeline($from, $seconds)
            : null;
    }
}
