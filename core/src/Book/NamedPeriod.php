<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Day;
use Jaunty\Core\Book\Fields\Items;
use Jaunty\Core\Book\Fields\Own;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;

/** A time of the year with hours of its own that answers can name: by dates, or recurring. */
final readonly class NamedPeriod implements BookItem
{
    use DeclaredPart {
        read as private declared;
    }

    /**
     * @param  ?string  $to  the last date; unset where it recurs
     * @param  ?string  $rrule  RFC 5545 section 3.3.10, beginning at from
     * @param  list<WeeklyPiece>  $weekly
     */
    private function __construct(
        #[Slug]
        public string $item,
        #[Text(like: 'item')]
        public string $name,
        #[Day(must: true)]
        public string $from,
        #[Own([self::class, 'readTo'], ['$ref' => '#/$defs/date'], mayBeUnset: true)]
        #[Said(help: 'Last day; unset where it recurs.')]
        public ?string $to,
        #[Text]
        #[Said('Recurs', 'RFC 5545, without RRULE: in front.')]
        public ?string $rrule,
        #[Items(WeeklyPiece::class)]
        public array $weekly,
    ) {
    }

    public static function read(Node $node): self
    {
        $read = self::declared($node);
        if ($read->rrule !== null) {
            if (! $node->isNullOrMissing('to')) {
                throw UnusableBook::malformed($node->at('rrule'), 'set where `to` is set too', $read->rrule);
            }
            RecurrenceRule::parse($read->rrule, $node->at('rrule'));
        }
        if ($read->to !== null && $read->to < $read->from) {
            throw UnusableBook::malformed($node->at('to'), "a date from {$read->from} on", $read->to);
        }

        return $read;
    }

    public function item(): string
    {
        return $this->item;
    }

    /** @internal the last date: that of one that does not recur is its first, unless it says another */
    public static function readTo(Node $node, string $field): ?string
    {
        return $node->isNullOrMissing('rrule') ? $node->date($field) ?? $node->date('from') : null;
    }
}
