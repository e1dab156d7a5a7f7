<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\ItemsOf;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;

/** People who may take up each other's ringing calls. */
final readonly class PickUpGroup implements BookObject
{
    use Declared;
    use NamedObject;

    /** @param list<array{item: string, who: Reference}> $members in list order */
    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Text(like: 'key')]
        public string $name,
        #[ItemsOf(['item' => new Slug(), 'who' => new Refers(Kind::User, must: true)])]
        public array $members,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::PickUpGroup;
    }
}
