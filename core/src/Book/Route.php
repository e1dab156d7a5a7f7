<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Digits;
use Jaunty\Core\Book\Fields\Flag;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\RefersToMany;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Secret;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\Unit;
use Jaunty\Core\Book\Fields\Whole;

/** Which dialled digits go out by which trunks, and who may. */
final readonly class Route implements BookObject
{
    use Declared;
    use NamedObject;

    /**
     * @param  string  $digits  a digit map (RFC 3435 section 2.1.5)
     * @param  int  $strip  digits taken off the front
     * @param  list<Reference>  $blocked  users and others who may not
     * @param  list<Reference>  $trunks  in the order they are tried
     */
    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Text(like: 'key')]
        public string $name,
        #[Whole(1, 1_000_000, default: 1)]
        #[Said('Tried')]
        public int $position,
        #[Digits]
        #[Said(help: 'A digit map, RFC 3435 section 2.1.5.')]
        public string $digits,
        #[Whole(0, 30, default: 0)]
        #[Said(in: Unit::Digits)]
        public int $strip,
        #[Text('')]
        #[Said('In front')]
        public string $prepend,
        #[Choice(CallingClass::Local)]
        #[Said('May use')]
        public CallingClass $class,
        #[Flag(false)]
        public bool $emergency,
        #[Refers(Kind::Schedule)]
        #[Said('Hours')]
        public ?Reference $schedule,
        #[Choice(RoutePin::None)]
        #[Said('PIN')]
        #[Secret]
        public RoutePin $pin,
        #[RefersToMany]
        #[Said('Not for')]
        public array $blocked,
        #[RefersToMany(Kind::Trunk)]
        public array $trunks,
        #[Flag(false)]
        #[Said('Shows the extension')]
        public bool $extensionAsCallerId,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::Route;
    }
}
