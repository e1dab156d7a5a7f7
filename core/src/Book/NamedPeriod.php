<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** A time of the year with hours of its own that answers can name: by dates, or recurring. */
final readonly class NamedPeriod
{
    /**
     * @param  ?string  $to  the last date; unset where it recurs
     * @param  ?string  $rrule  RFC 5545 section 3.3.10, beginning at from
     * @param  list<WeeklyPiece>  $weekly
     */
    private function __construct(public string $item, public string $name, public string $from, public ?string $to, public ?string $rrule, public array $weekly)
    {
    }

    public static function read(Node $node): self
    {
        $node->allow('item', 'name', 'from', 'to', 'rrule', 'weekly');
        $from = $node->date('from') ?? throw UnusableBook::missing($node->path, 'from');
        $rrule = $node->textOrNull('rrule');
        $to = $node->date('to');
        if ($rrule !== null && $to !== null) {
            throw UnusableBook::malformed($node->at('rrule'), 'set where `to` is set too', $rrule);
        }
        if ($to !== null && $to < $from) {
            throw UnusableBook::malformed($node->at('to'), "a date from {$from} on", $to);
        }
        if ($rrule !== null) {
            RecurrenceRule::parse($rrule, $node->at('rrule'));
        }

        return new self($node->slug('item'), $node->text('name', $node->text('item')), $from, $rrule === null ? $to ?? $from : null, $rrule, $node->items('weekly', WeeklyPiece::read(...)));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'item' => $this->item,
            'name' => $this->name,
            'from' => $this->from,
            'to' => $this->to,
            'rrule' => $this->rrule,
            'weekly' => array_map(static fn (WeeklyPiece $piece): array => $piece->toArray(), $this->weekly),
        ];
    }
}
