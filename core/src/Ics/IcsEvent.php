<?php

declare(strict_types=1);

namespace Jaunty\Core\Ics;

use Jaunty\Core\Hours\LocalDate;

/** An event of an iCalendar file as far as hours need it, in local time. */
final readonly class IcsEvent
{
    /**
     * @param  int  $starts  minutes on the wall since 1970
     * @param  int  $lasts  minutes
     * @param  bool  $isAllDay  of whole dates; both are multiples of a day then
     * @param  ?string  $rule  RRULE (RFC 5545 section 3.3.10)
     * @param  list<int>  $moreDays  dates on which it takes place too, days since 1970
     * @param  list<string>  $categories
     */
    public function __construct(
        public string $uid,
        public string $name,
        public int $starts,
        public int $lasts,
        public bool $isAllDay,
        public ?string $rule = null,
        public array $moreDays = [],
        public array $categories = [],
    ) {
    }

    public function firstDay(): int
    {
        return intdiv($this->starts, LocalDate::MINUTES);
    }

    /** The last date of one that lasts whole dates. */
    public function lastDay(): int
    {
        return intdiv($this->starts + $this->lasts - 1, LocalDate::MINUTES);
    }

    /** Minutes since midnight. */
    public function from(): int
    {
        return $this->starts % LocalDate::MINUTES;
    }

    /** Minutes since midnight, as hours are written: an end at midnight is 24:00. */
    public function to(): int
    {
        $to = ($this->starts + $this->lasts) % LocalDate::MINUTES;

        return $to === 0 ? LocalDate::MINUTES : $to;
    }

    /** @return array<string, string> parts of the rule by name */
    public function ruleParts(): array
    {
        $parts = [];
        foreach ($this->rule === null ? [] : explode(';', strtoupper($this->rule)) as $part) {
            [$name, $value] = [...explode('=', $part, 2), ''];
            $parts[$name] = $value;
        }
        ksort($parts);

        return $parts;
    }

    /** Whether another says the same, however it is written. */
    public function isLike(self $other): bool
    {
        return [
            $this->name, $this->starts, $this->lasts, $this->isAllDay, $this->ruleParts(), $this->moreDays,
            $this->categories,
        ]
            === [
                $other->name, $other->starts, $other->lasts, $other->isAllDay, $other->ruleParts(), $other->moreDays,
                $other->categories,
            ];
    }
}
