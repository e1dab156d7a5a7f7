<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Extension;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\LeadsTo;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\Unit;
use Jaunty\Core\Book\Fields\Whole;

/** Holds one call until anybody inside takes it up again (docs/features.md). */
final readonly class ParkPlace implements BookObject
{
    use Declared;
    use NamedObject;

    /** @param int $comesBackAfter seconds that nobody takes it up */
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
        #[Whole(10, 3600, default: 60)]
        #[Said(help: 'A call that nobody takes up goes on after so long.', in: Unit::Seconds)]
        public int $comesBackAfter,
        #[LeadsTo]
        #[Said('Comes back to', unset: 'whoever parked it')]
        public ?Destination $comesBackTo,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::ParkPlace;
    }

    public function extension(): ?string
    {
        return $this->extension;
    }
}
