<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Extension;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\ItemsOf;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;

/** Telephones that speak what somebody inside says into theirs. */
final readonly class PageZone implements BookObject
{
    use Declared;
    use NamedObject;

    /** @param list<array{item: string, who: Reference}> $members in list order */
    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Extension]
        public ?string $extension,
        #[Text(like: 'key')]
        public string $name,
        #[Refers(Kind::Site)]
        public ?Reference $site,
        #[ItemsOf(['item' => new Slug(), 'who' => new Refers(Kind::User, must: true)])]
        #[Said('Heard at')]
        public array $members,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::PageZone;
    }

    public function extension(): ?string
    {
        return $this->extension;
    }
}
