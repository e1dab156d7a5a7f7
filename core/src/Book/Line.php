<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** A line without a person: fax, alarm, lift, door, card machine. */
final readonly class Line implements BookObject
{
    use NamedObject;

    private function __construct(
        public string $key,
        public ?string $id,
        public ?string $extension,
        public string $name,
        public LinePurpose $purpose,
        public ?Reference $site,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'extension', 'name', 'purpose', 'site');

        return new self(
            key: $node->slug('key'),
            id: $node->id(),
            extension: $node->extension(),
            name: $node->text('name', $node->text('key')),
            purpose: $node->choice('purpose', LinePurpose::class, LinePurpose::Fax),
            site: $node->reference('site', Kind::Site),
        );
    }

    public function kind(): Kind
    {
        return Kind::Line;
    }

    public function extension(): ?string
    {
        return $this->extension;
    }

    public function toArray(): array
    {
        return ['key' => $this->key, 'extension' => $this->extension, 'name' => $this->name, 'purpose' => $this->purpose->value, 'site' => Links::text($this->site)];
    }

    public function links(): array
    {
        return Links::reference('site', $this->site);
    }
}
