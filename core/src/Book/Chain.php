<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** A fallback chain: places tried in order, each for its rings. */
final readonly class Chain implements BookObject
{
    use NamedObject;

    /** @param list<array{item: string, to: ?Destination, rings: ?int}> $places rings unset: the tenant's chainRings */
    private function __construct(
        public string $key,
        public ?string $id,
        public string $name,
        public ?Reference $announcement,
        public CallingClass $onwardClass,
        public array $places,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'name', 'announcement', 'onwardClass', 'places');

        return new self(
            key: $node->slug('key'),
            id: $node->id(),
            name: $node->text('name', $node->text('key')),
            announcement: $node->reference('announcement', Kind::Announcement),
            onwardClass: $node->choice('onwardClass', CallingClass::class, CallingClass::National),
            places: $node->items('places', self::readPlace(...)),
        );
    }

    public function kind(): Kind
    {
        return Kind::Chain;
    }

    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'name' => $this->name,
            'announcement' => Links::text($this->announcement),
            'onwardClass' => $this->onwardClass->value,
            'places' => array_map(static fn (array $place): array => ['item' => $place['item'], 'to' => Links::text($place['to']), 'rings' => $place['rings']], $this->places),
        ];
    }

    public function links(): array
    {
        $links = [...Links::reference('announcement', $this->announcement)];
        foreach ($this->places as $place) {
            array_push($links, ...Links::destination("places/{$place['item']}/to", $place['to']));
        }

        return $links;
    }

    /** @return array{item: string, to: ?Destination, rings: ?int} */
    private static function readPlace(Node $node): array
    {
        $node->allow('item', 'to', 'rings');

        return [
            'item' => $node->slug('item'),
            'to' => $node->destination('to'),
            'rings' => $node->isNullOrMissing('rings') ? null : $node->whole('rings', 1, 1, 1000),
        ];
    }
}
