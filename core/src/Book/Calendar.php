<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** A calendar of holidays. */
final readonly class Calendar implements BookObject
{
    use NamedObject;

    /**
     * @param  ?string  $region  ISO 3166, with subdivision where it has one
     * @param  ?string  $knownUntil  the last date it was made for
     * @param  list<Holiday>  $holidays
     */
    private function __construct(public string $key, public ?string $id, public string $name, public ?string $region, public ?string $knownUntil, public array $holidays)
    {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'name', 'region', 'knownUntil', 'holidays');

        return new self(
            $node->slug('key'),
            $node->id(),
            $node->text('name', $node->text('key')),
            $node->textOrNull('region'),
            $node->date('knownUntil'),
            $node->items('holidays', Holiday::read(...)),
        );
    }

    /** The last date it knows of: as it says, else that of its last holiday; null where its rules go on, or it has none. */
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

    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'name' => $this->name,
            'region' => $this->region,
            'knownUntil' => $this->knownUntil,
            'holidays' => array_map(static fn (Holiday $holiday): array => $holiday->toArray(), $this->holidays),
        ];
    }

    public function links(): array
    {
        return [];
    }
}
