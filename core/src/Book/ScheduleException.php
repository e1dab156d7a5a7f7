<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Dates that are not as the week says: hours of their own, or none, and what they are announced as outside these. */
final readonly class ScheduleException
{
    /** @param list<array{from: int, to: int}> $hours minutes since midnight */
    private function __construct(
        public string $item,
        public string $from,
        public string $to,
        public string $name,
        public array $hours,
        public AnnouncedAs $announcedAs,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('item', 'from', 'to', 'name', 'hours', 'announcedAs');
        $from = $node->date('from') ?? throw UnusableBook::missing($node->path, 'from');
        $to = $node->date('to') ?? $from;
        if ($to < $from) {
            throw UnusableBook::malformed($node->at('to'), "a date from {$from} on", $to);
        }

        return new self(
            item: $node->slug('item'),
            from: $from,
            to: $to,
            name: $node->text('name', $node->text('item')),
            hours: array_map(self::readHours(...), $node->nodes('hours')),
            announcedAs: $node->choice('announcedAs', AnnouncedAs::class, AnnouncedAs::Closed),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'item' => $this->item,
            'from' => $this->from,
            'to' => $this->to,
            'name' => $this->name,
            'hours' => array_map(static fn (array $hours): array => ['from' => ClockTime::text($hours['from']), 'to' => ClockTime::text($hours['to'])], $this->hours),
            'announcedAs' => $this->announcedAs->value,
        ];
    }

    /** @return array{from: int, to: int} */
    private static function readHours(Node $node): array
    {
        $node->allow('from', 'to');

        return ['from' => ClockTime::read($node, 'from', false), 'to' => ClockTime::read($node, 'to', true)];
    }
}
