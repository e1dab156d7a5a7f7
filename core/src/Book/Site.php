<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** A place of the customer's: address, time zone, extension range, emergency details. */
final readonly class Site implements BookObject
{
    use NamedObject;

    /**
     * @param  array<string, ?string>  $address  street, city, subdivision, postcode, country
     * @param  list<array{item: string, name: string}>  $floors
     * @param  list<array{item: string, from: string, to: string}>  $extensionRanges  both ends inclusive
     */
    private function __construct(
        public string $key,
        public ?string $id,
        public string $name,
        public ?string $zone,
        public array $address,
        public array $floors,
        public array $extensionRanges,
        public ?Destination $siteOut,
        public Defaults $defaults,
        public EmergencyPlan $emergency,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'name', 'zone', 'address', 'floors', 'extensionRanges', 'siteOut', 'defaults', 'emergency');

        return new self(
            key: $node->slug('key'),
            id: $node->id(),
            name: $node->text('name', $node->text('key')),
            zone: $node->zoneOrNull('zone'),
            address: self::readAddress($node->object('address')),
            floors: $node->items('floors', self::readFloor(...)),
            extensionRanges: $node->items('extensionRanges', self::readRange(...)),
            siteOut: $node->destination('siteOut'),
            defaults: Defaults::read($node->object('defaults')),
            emergency: EmergencyPlan::read($node->object('emergency')),
        );
    }

    public function kind(): Kind
    {
        return Kind::Site;
    }

    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'name' => $this->name,
            'zone' => $this->zone,
            'address' => $this->address,
            'floors' => $this->floors,
            'extensionRanges' => $this->extensionRanges,
            'siteOut' => $this->siteOut === null ? null : (string) $this->siteOut,
            'defaults' => $this->defaults->toArray(),
            'emergency' => $this->emergency->toArray(),
        ];
    }

    public function links(): array
    {
        return [
            ...Links::destination('siteOut', $this->siteOut),
            ...$this->defaults->links(),
            ...Links::reference('emergency/callback', $this->emergency->callback),
        ];
    }

    /** @return array<string, ?string> */
    private static function readAddress(Node $node): array
    {
        $node->allow('street', 'city', 'subdivision', 'postcode', 'country');

        return [
            'street' => $node->textOrNull('street'),
            'city' => $node->textOrNull('city'),
            'subdivision' => $node->textOrNull('subdivision'),
            'postcode' => $node->textOrNull('postcode'),
            'country' => $node->textOrNull('country'),
        ];
    }

    /** @return array{item: string, name: string} */
    private static function readFloor(Node $node): array
    {
        $node->allow('item', 'name');

        return ['item' => $node->slug('item'), 'name' => $node->text('name', $node->text('item'))];
    }

    /** @return array{item: string, from: string, to: string} */
    private static function readRange(Node $node): array
    {
        $node->allow('item', 'from', 'to');
        $digits = '/^[0-9]{1,15}$/D';

        return ['item' => $node->slug('item'), 'from' => $node->matching('from', $digits, 'an extension'), 'to' => $node->matching('to', $digits, 'an extension')];
    }
}
