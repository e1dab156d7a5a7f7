<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** One object of a customer's book. Readonly; edits make a new one (see Change\ChangeSet). */
interface BookObject
{
    /** @throws UnusableBook naming the path of the first fault */
    public static function read(Node $node): self;

    public function kind(): Kind;

    /** Slug, unique in its kind and kept on renaming; for a number its E.164 form. */
    public function key(): string;

    /** UUID, or null where the book came without ids and none was minted yet. */
    public function id(): ?string;

    /** What people call it. */
    public function label(): string;

    public function extension(): ?string;

    /**
     * The whole object in canonical form: every field present, defaults filled in, in the order of the format's page.
     * The id is left out: it is identity, not configuration.
     *
     * @return array<string, mixed>
     */
    public function toArray(): array;

    /** @return list<Link> every reference it makes to another object of the book */
    public function links(): array;
}
