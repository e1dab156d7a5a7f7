<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Flag;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\Items;
use Jaunty\Core\Book\Fields\RefersToMany;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\TimeZone;

/**
 * Opening hours: a week, dated exceptions, named periods and holiday calendars. What it says at an instant is Hours' to
 * tell.
 */
final readonly class Schedule implements BookObject
{
    use Declared;
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
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Text(like: 'key')]
        public string $name,
        #[TimeZone]
        #[Said('Read at', 'Unset: wherever whoever uses it is.', unset: 'local time')]
        public ?string $fixedZone,
        #[Flag(false)]
        #[Said('Shifts past midnight')]
        public bool $finishShift,
        #[Items(WeeklyPiece::class)]
        public array $weekly,
        #[Items(ScheduleException::class)]
        public array $exceptions,
        #[Items(NamedPeriod::class)]
        public array $periods,
        #[RefersToMany(Kind::Calendar)]
        public array $calendars,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::Schedule;
    }
}
