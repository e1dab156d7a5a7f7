<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Field;

/** What stands inside an object of a book and has a class of its own. */
interface BookPart
{
    /** @throws UnusableBook naming the path of the first fault */
    public static function read(Node $node): self;

    /** @return array<string, mixed> every field, in canonical form */
    public function toArray(): array;

    /**
     * @param  string  $path  of the part in its object
     * @return list<Link>
     */
    public function links(string $path): array;

    /** @return array<string, Field> as they stand in the book, by name */
    public static function fields(): array;
}
