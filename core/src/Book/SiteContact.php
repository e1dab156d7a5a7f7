<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Phone;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;

/** Somebody who can open the door of a site, or see what is wrong there. */
final readonly class SiteContact implements BookItem
{
    use DeclaredPart;

    private function __construct(
        #[Slug]
        public string $item,
        #[Text(like: 'item')]
        public string $name,
        #[Text]
        #[Said(help: 'Such as manager, or keys and alarm.')]
        public ?string $role,
        #[Phone(must: true)]
        #[Said('Number')]
        public string $phone,
        #[Refers(Kind::Schedule)]
        #[Said('There in', 'Unset: at any hour.')]
        public ?Reference $hours,
    ) {
    }

    public function item(): string
    {
        return $this->item;
    }
}
