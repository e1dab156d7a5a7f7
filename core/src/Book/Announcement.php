<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\LeadsTo;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;

/** Plays a prompt, then lets go or leads on. */
final readonly class Announcement implements BookObject
{
    use Declared;
    use NamedObject;

    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Text(like: 'key')]
        public string $name,
        #[Refers(Kind::Prompt)]
        public ?Reference $prompt,
        #[LeadsTo(default: 'release')]
        public ?Destination $then,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::Announcement;
    }
}
