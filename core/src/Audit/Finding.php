<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Change\FieldPath;
use Jaunty\Core\Words\Language;
use Jaunty\Core\Words\Message;

/** One place where a rule fails, and which rule it is. */
final readonly class Finding
{
    /**
     * @param  non-empty-list<BookObject>  $objects  the one it is about first
     * @param  string  $item  the nested item it is about; empty for the whole object
     * @param  ?string  $path  the field to look at first
     * @param  int  $count  how many places share it
     * @param  ?array<string, mixed>  $call  the shortest test call that shows it, as the tenant book writes a script
     */
    private function __construct(
        public About $about,
        private Message $says,
        private Message $follows,
        public array $objects,
        public string $item,
        public ?string $path,
        public int $count,
        public ?array $call,
        public ?Fix $fix,
    ) {
    }

    public static function of(About $about, Found $found): self
    {
        $saying = $found->saying === '' ? '' : ".{$found->saying}";

        return new self(
            $about,
            new Message("{$about->id}/title{$saying}", $found->with),
            new Message("{$about->id}/detail{$saying}", $found->with),
            $found->objects,
            $found->item,
            $found->path,
            $found->count,
            $found->call,
            $found->fix,
        );
    }

    /** A sentence that names the objects, without a full stop. */
    public function title(?Language $in = null): string
    {
        return ($in ?? Language::english())->say($this->says);
    }

    /** What follows from it, in sentences. */
    public function detail(?Language $in = null): string
    {
        return ($in ?? Language::english())->sentence($this->follows);
    }

    public function severity(): Severity
    {
        return $this->about->severity;
    }

    /** Names the finding whatever its words, and whatever its objects are called or in which order they lie. */
    public function fingerprint(): string
    {
        $ids = array_map(
            static fn (BookObject $object): string => $object->id() ?? (string) Reference::of($object),
            $this->objects,
        );
        sort($ids);

        return substr(hash('sha256', implode("\n", [$this->about->id, ...$ids, $this->item])), 0, 32);
    }

    /** What it says apart from names: a waived finding whose state is another is a new one. */
    public function state(): string
    {
        $looked = $this->path === null ? null : FieldPath::get($this->objects[0]->toArray(), $this->path);

        return substr(
            hash('sha256', json_encode([$this->severity()->value, $this->count, $looked], JSON_THROW_ON_ERROR)),
            0,
            32,
        );
    }

    /** Heaviest first, then by rule and object, so that two runs list them alike. */
    public static function compare(self $one, self $other): int
    {
        return [$other->severity()->weight(), $one->about->id, $one->objects[0]->label(), $one->item] <=> [
            $one->severity()->weight(), $other->about->id, $other->objects[0]->label(), $other->item,
        ];
    }
}
