<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\ItemsOf;
use Jaunty\Core\Book\Fields\LeadsTo;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\Unit;
use Jaunty\Core\Book\Fields\Whole;

/** A fallback chain: places tried in order, each for its rings. */
final readonly class Chain implements BookObject
{
    use Declared;
    use NamedObject;

    /** @param list<array{item: string, to: ?Destination, rings: ?int}> $places rings unset: the tenant's chainRings */
    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Text(like: 'key')]
        public string $name,
        #[Refers(Kind::Announcement)]
        #[Said('Says first')]
        public ?Reference $announcement,
        #[Choice(CallingClass::National)]
        #[Said('Sends outside')]
        public CallingClass $onwardClass,
        #[ItemsOf(['item' => new Slug(), 'to' => new LeadsTo(), 'rings' => new Whole(1, 1000)])]
        #[Said(help: 'Tried one after the other; rings unset: the customer\'s.', units: ['rings' => Unit::Rings])]
        public array $places,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::Chain;
    }
}
