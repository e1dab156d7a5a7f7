<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Year;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\AllCalls\Graph;
use Jaunty\Core\Calls\Law\NumberRules;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\ScheduleClock;
use Jaunty\Core\Hours\Timeline;
use Jaunty\Core\Hours\ZoneClock;

/**
 * What cuts the time of books into periods: schedules and numbers' dates over one horizon, each of equal content
 * compiled once.
 */
final class Timelines
{
    /** @var array<string, Timeline> by content and zone */
    private array $known = [];

    /** @param int $seconds length of the horizon */
    public function __construct(private readonly int $from, private readonly int $seconds)
    {
    }

    /** @return array<string, Timeline> by slot */
    public function of(Book $book, Graph $graph): array
    {
        $timelines = [];
        foreach ($graph->slots() as $slot => [$schedule, $zone, $named]) {
            $content = serialize(
                [$zone, $named, array_diff_key($schedule->toArray(), ['key' => '', 'name' => '']), array_map(
                    static fn (Reference $calendar): ?array => $book->find($calendar)?->toArray(),
                    $schedule->calendars,
                )],
            );
            $timelines[$slot] = $this->known[$content] ??= ScheduleClock::of($schedule, $book, $zone, $named)->timeline(
                $this->from,
                $this->seconds,
            );
        }
        foreach ($graph->dated() as $slot => [$number, $zone]) {
            $content = "{$number->from} {$number->until} {$zone}";
            $timelines[$slot] = $this->known[$content] ??= $this->life($number, $zone);
        }

        return $timelines;
    }

    /**
     * Time cut by some of them.
     *
     * @param  array<string, Timeline>  $timelines  by slot
     */
    public function overlaid(array $timelines): Periods
    {
        return Periods::overlay($timelines, $this->from, $this->from + $this->seconds);
    }

    /** What a number's dates say over time. */
    private function life(Number $number, string $zone): Timeline
    {
        $until = $this->from + $this->seconds;
        $begins = $number->from === null ? null : ZoneClock::of($zone)->midnight(LocalDate::parse($number->from));
        $ends = $number->until === null ? null : ZoneClock::of($zone)->midnight(LocalDate::parse($number->until) + 1);
        $instants = [$this->from, ...array_filter(
            [$begins, $ends],
            fn (?int $instant): bool => $instant !== null && $instant > $this->from && $instant < $until,
        )];
        sort($instants);

        return new Timeline(
            $instants,
            array_map(static fn (int $instant): string => NumberRules::standing($number, $zone, $instant), $instants),
            $until,
        );
    }
}
