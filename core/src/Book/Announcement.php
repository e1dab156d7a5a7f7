<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Plays a prompt, then lets go or leads on. */
final readonly class Announcement implements BookObject
{
    use NamedObject;

    private function __construct(
        public string $key,
        public ?string $id,
        public string $name,
        public ?Reference $prompt,
        public ?Destination $then,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'name', 'prompt', 'then');

        return new self(
            key: $node->slug('key'),
            id: $node->id(),
            name: $node->text('name', $node->text('key')),
            prompt: $node->reference('prompt', Kind::Prompt),
            // A missing `then` is its default; one set to null leads on in a chain, and nowhere else.
            then: $node->has('then') ? $node->destination('then') : Destination::parse('release', 'then'),
        );
    }

    public function kind(): Kind
    {
        return Kind::Announcement;
    }

    public function toArray(): array
    {
        return ['key' => $this->key, 'name' => $this->name, 'prompt' => Links::text($this->prompt), 'then' => Links::text($this->then)];
    }

    public function links(): array
    {
        return [...Links::reference('prompt', $this->prompt), ...Links::destination('then', $this->then)];
    }
}
