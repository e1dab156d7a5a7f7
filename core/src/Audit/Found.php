<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\BookObject;

/** What a rule says of one place where it fails; whose rule it is, the auditor adds. */
final readonly class Found
{
    /**
     * @param  string  $title  a sentence that names the objects, without a full stop
     * @param  string  $detail  what follows from it, in sentences
     * @param  non-empty-list<BookObject>  $objects  the one it is about first
     * @param  string  $item  the nested item it is about; empty for the whole object
     * @param  ?string  $path  the field to look at first
     * @param  int  $count  how many places share it
     * @param  ?array<string, mixed>  $call  the shortest test call that shows it, as the tenant book writes a script
     */
    private function __construct(
        public string $title,
        public string $detail,
        public array $objects,
        public string $item,
        public ?string $path,
        public int $count,
        public ?array $call,
        public ?Fix $fix,
    ) {
    }

    public static function of(string $title, string $detail, BookObject $object, BookObject ...$others): self
    {
        return new self($title, $detail, [$object, ...array_values($others)], '', null, 1, null, null);
    }

    public function at(string $path, string $item = ''): self
    {
        return new self(
            $this->title,
            $this->detail,
            $this->objects,
            $item,
            $path,
            $this->count,
            $this->call,
            $this->fix,
        );
    }

    public function counting(int $count): self
    {
        return new self(
            $this->title,
            $this->detail,
            $this->objects,
            $this->item,
            $this->path,
            $count,
            $this->call,
            $this->fix,
        );
    }

    /** @param ?array<string, mixed> $call */
    public function shownBy(?array $call): self
    {
        return new self(
            $this->title,
            $this->detail,
            $this->objects,
            $this->item,
            $this->path,
            $this->count,
            $call,
            $this->fix,
        );
    }

    public function fixedBy(?Fix $fix): self
    {
        return new self(
            $this->title,
            $this->detail,
            $this->objects,
            $this->item,
            $this->path,
            $this->count,
            $this->call,
            $fix,
        );
    }
}
