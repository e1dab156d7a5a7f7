<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\Whole;

/** A place to work at on the plan of a floor. */
final readonly class Workplace implements BookItem
{
    use DeclaredPart;

    /**
     * @param  string  $floor  of the site's floors, by its item
     * @param  int  $across  from the left of the plan, in thousandths of its width
     * @param  int  $down  from its top, in thousandths of its height
     * @param  ?Reference  $who  sits there; null where it is free
     */
    private function __construct(
        #[Slug]
        public string $item,
        #[Text(like: 'item')]
        #[Said(help: 'Of the floors of the site, by its item.')]
        public string $floor,
        #[Text]
        public ?string $room,
        #[Whole(0, 1000, default: 500)]
        #[Said(help: 'From the left of the plan, in thousandths of its width.')]
        public int $across,
        #[Whole(0, 1000, default: 500)]
        #[Said(help: 'From the top of the plan, in thousandths of its height.')]
        public int $down,
        #[Refers(Kind::User)]
        #[Said('Sits there')]
        public ?Reference $who,
    ) {
    }

    public function item(): string
    {
        return $this->item;
    }
}
