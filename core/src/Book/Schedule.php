<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Opening hours: a week, dated exceptions, named periods and holiday calendars. What it says at an instant is Hours' to tell. */
final readonly class Schedule implements BookObject
{
    use NamedObject;

    /**
     * @param  ?string  $fixedZone  local time everywhere; unset: that of whoever uses it
     * @param  bool  $finishShift  whether hours past midnight run on into a closed date
     * @param  list<WeeklyPiece>  $weekly
     * @param  list<ScheduleException>  $exceptions  the first that holds a date decides
     * @param  list<NamedPeriod>  $periods  the first that holds a date decides
     * @param  list<Reference>  $calendars  the first that owns a date decides
     */
    private function __construct(
        public string $key,
        public ?string $id,
        public string $name,
        public ?string $fixedZone,
        public bool $finishShift,
        public array $weekly,
        public array $exceptions,
        public array $periods,
        public array $calendars,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'name', 'fixedZone', 'finishShift', 'weekly', 'exceptions', 'periods', 'calendars');

        return new self(
            key: $node->slug('key'),
            id: $node->id(),
            name: $node->text('name', $node->text('key')),
            fixedZone: $node->zoneOrNull('fixedZone'),
            finishShift: $node->flag('finishShift', false),
            weekly: $node->items('weekly', WeeklyPiece::read(...)),
            exceptions: $node->items('exceptions', ScheduleException::read(...)),
            periods: $node->items('periods', NamedPeriod::read(...)),
            calendars: $node->references('calendars', Kind::Calendar),
        );
    }

    public function kind(): Kind
    {
        return Kind::Schedule;
    }

    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'name' => $this->name,
            'fixedZone' => $this->fixedZone,
            'finishShift' => $this->finishShift,
            'weekly' => array_map(static fn (WeeklyPiece $piece): array => $piece->toArray(), $this->weekly),
            'exceptions' => array_map(static fn (ScheduleException $exception): array => $exception->toArray(), $this->exceptions),
            'periods' => array_map(static fn (NamedPeriod $period): array => $period->toArray(), $this->periods),
            'calendars' => array_map(strval(...), $this->calendars),
        ];
    }

    public function links(): array
    {
        return Links::references('calendars', $this->calendars);
    }
}
