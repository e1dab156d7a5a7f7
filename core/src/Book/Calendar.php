<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Day;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\Items;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;

/** A calendar of holidays. */
final readonly class Calendar implements BookObject
{
    use Declared;
    use NamedObject;

    /**
     * @param  ?string  $region  ISO 3166, with subdivision where it has one
     * @param  ?string  $knownUntil  the last date it was made for
     * @param  list<Holiday>  $holidays
     */
    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Text(like: 'key')]
        public string $name,
        #[Text]
        #[Said(help: 'ISO 3166, with subdivision where it has one.')]
        public ?string $region,
        #[Day]
        #[Said(help: 'Holidays after it are not entered yet.')]
        public ?string $knownUntil,
        #[Items(Holiday::class)]
        public array $holidays,
    ) {
    }

    /**
     * The last date it knows of: as it says, else that of its last holiday; null where its rules go on, or it has none.
     */
    public function lastKnown(): ?string
    {
        return $this->knownUntil ?? $this->lastDate();
    }

    /** The date of its last holiday; null where a rule goes on for ever, or there is none. */
    public function lastDate(): ?string
    {
        $dates = array_map(static fn (Holiday $holiday): string => $holiday->date ?? '', $this->holidays);

        return $dates === [] || in_array('', $dates, true) ? null : max($dates);
    }

    public function kind(): Kind
    {
        return Kind::Calendar;
    }
}
