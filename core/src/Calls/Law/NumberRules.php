<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Book\Trunk;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\ZoneClock;
use Jaunty\Core\Numbering\DigitMap;

/**
 * What a number does with a call before its destination: life cycle, delivery, switches, blocked callers and caller
 * rules.
 */
final readonly class NumberRules
{
    /** What a number's dates say of it: not yet, in use, no longer. */
    public const BEFORE = 'before';

    public const WITHIN = 'open';

    public const AFTER = 'after';

    /**
     * @param  int  $at  the call's arrival, seconds since 1970
     * @param  ?\Closure(Number, string): string  $stands  what a number's dates say in a zone; unset: as of the arrival
     */
    public function __construct(private CallBook $book, private int $at, private ?\Closure $stands = null)
    {
    }

    /** What befalls every call, whoever calls; null where it depends on the caller. */
    public function settled(Number $number, bool $isPlatformOut): ?Event
    {
        $zone = $this->book->zoneOf($number->site);
        $stands = $this->stands === null ? self::standing($number, $zone, $this->at) : ($this->stands)($number, $zone);

        return match (true) {
            in_array(
                $number->status,
                [NumberStatus::Ordered, NumberStatus::Reserved, NumberStatus::Quarantined, NumberStatus::Cancelled],
                true,
            ) => Event::of(EventKind::NotInService),
            $number->status === NumberStatus::PortingIn
                && ($number->from === null || $stands === self::BEFORE) => Event::of(EventKind::OldCarrier),
            $stands !== self::WITHIN => Event::of(EventKind::NotInService),
            $isPlatformOut => Event::of(EventKind::PlatformOut),
            ! $this->isDelivered($number) => Event::of(EventKind::NotDelivered),
            ! $number->enabled => Event::of(EventKind::SwitchedOff),
            default => null,
        };
    }

    /** What a number's dates say of it at an instant, in the zone of its site. */
    public static function standing(Number $number, string $zone, int $at): string
    {
        $date = LocalDate::text(ZoneClock::of($zone)->day($at));

        return match (true) {
            $number->from !== null && $date < $number->from => self::BEFORE,
            $number->until !== null && $date > $number->until => self::AFTER,
            default => self::WITHIN,
        };
    }

    /** @param ?string $from E.164, `withheld`, or anything else for a caller of whom nothing is known */
    public function forCaller(Number $number, ?string $from): Event
    {
        foreach ($this->book->tenant()->blocked as $blocked) {
            if (self::matches($blocked->callers, $from)) {
                return Event::of(EventKind::Blocked);
            }
        }
        foreach ($number->callerRules as $rule) {
            if ($rule->callers === 'anyone' || self::matches($rule->callers, $from)) {
                return Event::of(EventKind::Rule, $rule->item);
            }
        }

        return Event::of(EventKind::Caller);
    }

    /** @return list<Choice> one for each first-matching rule, and anyone else */
    public function choices(Number $number): array
    {
        $settled = $this->settled($number, false);
        if ($settled !== null) {
            return [Choice::passive($settled)];
        }
        $before = array_values(array_unique(array_column($this->book->tenant()->blocked, 'callers')));
        $choices = $before === [] ? [] : [Choice::world(Event::of(EventKind::Blocked))];
        foreach ($number->callerRules as $rule) {
            if (FirstMatch::of($rule->callers, $before)->isPossible) {
                if ($rule->callers === 'anyone') {
                    return [...$choices, Choice::passive(Event::of(EventKind::Rule, $rule->item))];
                }
                $choices[] = Choice::world(Event::of(EventKind::Rule, $rule->item));
            }
            $before[] = $rule->callers;
        }

        return [...$choices, Choice::passive(Event::of(EventKind::Caller))];
    }

    private function isDelivered(Number $number): bool
    {
        $trunk = $number->trunk === null ? null : $this->book->get((string) $number->trunk, Trunk::class);

        return $trunk === null
            || ($trunk->enabled && ($number->deliveredAs === null || $number->deliveredAs === $trunk->deliversAs));
    }

    /** Withheld and unknown callers match no digit map. */
    private static function matches(string $callers, ?string $from): bool
    {
        if ($callers === 'withheld') {
            return $from === 'withheld';
        }

        return $from !== null
            && str_starts_with($from, '+')
            && DigitMap::parse($callers, 'callers')->matches(substr($from, 1));
    }
}
