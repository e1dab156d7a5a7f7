<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Words\Day;
use Jaunty\Core\Words\Listing;
use Jaunty\Core\Words\Message;

/** What a rule says of one place where it fails; whose rule it is, the auditor adds. */
final readonly class Found
{
    /**
     * @param  array<string, string|int|Message|Listing|Day>  $with  what its sentences name
     * @param  string  $saying  which of the rule's sentences; empty for the usual ones
     * @param  non-empty-list<BookObject>  $objects  the one it is about first
     * @param  string  $item  the nested item it is about; empty for the whole object
     * @param  ?string  $path  the field to look at first
     * @param  int  $count  how many places share it
     * @param  ?array<string, mixed>  $call  the shortest test call that shows it, as the tenant book writes a script
     */
    private function __construct(
        public array $with,
        public string $saying,
        public array $objects,
        public string $item,
        public ?string $path,
        public int $count,
        public ?array $call,
        public ?Fix $fix,
    ) {
    }

    /** @param array<string, string|int|Message|Listing|Day> $with what its sentences name, by their arguments */
    public static function of(array $with, BookObject $object, BookObject ...$others): self
    {
        return new self($with, '', [$object, ...array_values($others)], '', null, 1, null, null);
    }

    /** Of a rule that has more to say than one thing, which: its messages are `title.$which` and `detail.$which`. */
    public function saying(string $which): self
    {
        return new self(
            $this->with,
            $which,
            $this->objects,
            $this->item,
            $this->path,
            $this->count,
            $this->call,
            $this->fix,
        );
    }

    public function at(string $path, string $item = ''): self
    {
        return new self(
            $this->with,
            $this->saying,
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
            $this->with,
            $this->saying,
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
            $this->with,
            $this->saying,
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
            $this->with,
            $this->saying,
            $this->objects,
            $this->item,
            $this->path,
            $this->count,
            $this->call,
            $fix,
        );
    }
}
