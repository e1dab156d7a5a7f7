<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Evolution\Evolution;

/** An object of a book as it is kept, read once somebody asks for it: most edits ask for few of thousands. */
final class Unread
{
    private ?BookObject $object = null;

    /**
     * @param  string  $body  JSON, as a book writes the object
     * @param  int  $version  of the format it was written in
     */
    public function __construct(
        public readonly Kind $kind,
        public readonly string $key,
        private readonly string $id,
        private readonly string $body,
        private readonly int $version,
    ) {
    }

    /** @throws UnusableBook naming the path of the first fault */
    public function object(): BookObject
    {
        return $this->object ??= $this->read();
    }

    private function read(): BookObject
    {
        /** @var array<string, mixed> $fields */
        $fields = json_decode($this->body, true, flags: JSON_THROW_ON_ERROR);

        return $this->kind->read(Node::of(
            ['id' => $this->id] + Evolution::toNow()->object($this->version, $this->kind, $fields),
            "{$this->kind->value}:{$this->key}",
        ));
    }
}
