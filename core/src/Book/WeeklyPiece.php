<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Begins;
use Jaunty\Core\Book\Fields\Clock;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\SomeOf;
use Jaunty\Core\Book\Fields\Texts;

/** One piece of weekly hours: the same hours on some days, or one span from a day and time to another. */
#[Begins(['days' => ['mon'], 'from' => '08:00', 'to' => '17:00'])]
final readonly class WeeklyPiece implements BookItem
{
    /**
     * @param  list<int>  $days  0 is Monday; empty for a span
     * @param  int  $from  minutes since midnight
     * @param  int  $to  minutes since midnight; not later than from: ends on the next day
     * @param  ?array{int, int}  $span  minutes since Monday 00:00, both ends
     */
    private function __construct(
        public string $item,
        public array $days,
        public int $from,
        public int $to,
        public ?array $span,
    ) {
    }

    public static function read(Node $node): self
    {
        if (! $node->isNullOrMissing('span')) {
            $node->allow('item', 'days', 'from', 'to', 'span');
            self::refuseBoth($node);
            $ends = $node->texts('span');
            if (count($ends) !== 2) {
                throw UnusableBook::malformed(
                    $node->at('span'),
                    'two ends (["mon 08:00", "fri 17:00"])',
                    implode(', ', $ends),
                );
            }

            return new self($node->slug('item'), [], 0, 0, [
                self::moment($node, $ends[0]),
                self::moment($node, $ends[1]),
            ]);
        }
        $node->allow('item', 'days', 'from', 'to', 'span');
        $days = [];
        foreach ($node->texts('days') as $day) {
            $at = array_search($day, ClockTime::DAYS, true);
            $days[] = $at === false ? throw UnusableBook::notOneOf($node->at('days'), $day, ClockTime::DAYS) : $at;
        }

        // The days of a piece have no order: two pieces that name the same days are the same.
        sort($days);

        return new self(
            $node->slug('item'),
            array_values(array_unique($days)),
            ClockTime::read($node, 'from', false),
            ClockTime::read($node, 'to', true),
            null,
        );
    }

    /** @return array<string, mixed> of a span, days and times are unset; of days, the span is */
    public function toArray(): array
    {
        return [
            'item' => $this->item,
            'days' => $this->span === null
                ? array_map(static fn (int $day): string => ClockTime::DAYS[$day], $this->days)
                : null,
            'from' => $this->span === null ? ClockTime::text($this->from) : null,
            'to' => $this->span === null ? ClockTime::text($this->to) : null,
            'span' => $this->span === null ? null : array_map(self::momentText(...), $this->span),
        ];
    }

    private static function momentText(int $moment): string
    {
        $isMidnight = $moment % 1440 === 0 && $moment > 0;

        return ClockTime::DAYS[intdiv($isMidnight ? $moment - 1 : $moment, 1440) % 7]
            . ' '
            . ($isMidnight ? '24:00' : ClockTime::text($moment % 1440));
    }

    private static function refuseBoth(Node $node): void
    {
        foreach (['days', 'from', 'to'] as $field) {
            if (! $node->isNullOrMissing($field)) {
                throw UnusableBook::malformed($node->at('span'), "set where {$field} is set too", $field);
            }
        }
    }

    private static function moment(Node $node, string $text): int
    {
        if (preg_match('/^(mon|tue|wed|thu|fri|sat|sun) (([01]\d|2[0-3]):[0-5]\d|24:00)$/D', $text, $found) !== 1) {
            throw UnusableBook::malformed($node->at('span'), 'a day and a time ("mon 08:00")', $text);
        }

        return (int) array_search($found[1], ClockTime::DAYS, true) * 1440 + ClockTime::minutes($found[2]);
    }

    public function item(): string
    {
        return $this->item;
    }

    public function links(string $path): array
    {
        return [];
    }

    public static function fields(): array
    {
        return [
            'item' => new Slug(),
            'days' => new SomeOf(ClockTime::DAYS, mayBeUnset: true),
            'from' => new Clock(mayBeUnset: true),
            'to' => new Clock(isEnd: true, mayBeUnset: true),
            'span' => new Texts(mayBeUnset: true),
        ];
    }
}
