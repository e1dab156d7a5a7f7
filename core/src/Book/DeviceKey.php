<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Matching;
use Jaunty\Core\Book\Fields\Phone;
use Jaunty\Core\Book\Fields\PointsAt;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\Whole;

/** What one key of a telephone does, and whom its lamp is about. */
final readonly class DeviceKey implements BookItem
{
    use DeclaredPart;

    /** What a key can be about. */
    public const ABOUT = [
        Kind::User, Kind::Group, Kind::SharedLine, Kind::ParkPlace, Kind::PickUpGroup, Kind::PageZone, Kind::Conference,
    ];

    /**
     * @param  int  $at  from 1, in the order the telephone counts its keys
     * @param  ?Reference  $to  whom it is about; null for what is about nobody of the book
     * @param  ?string  $number  E.164, of a speed dial
     * @param  ?string  $digits  of a code
     */
    private function __construct(
        #[Slug]
        public string $item,
        #[Whole(1, 500, default: 1)]
        #[Said('Key', 'As the telephone counts them.')]
        public int $at,
        #[Choice(KeyKind::Lamp, name: 'kind')]
        public KeyKind $keyKind,
        #[PointsAt(self::ABOUT)]
        #[Said('About')]
        public ?Reference $to,
        #[Phone]
        #[Said(help: 'Of a speed dial that is about nobody here.')]
        public ?string $number,
        #[Matching('/^[0-9*#]{1,15}$/D', 'keys of a telephone (0 to 9, * and #)')]
        #[Said('Dials', 'Of a code.')]
        public ?string $digits,
        #[Text]
        #[Said(help: 'Beside the key; unset: the name of whom it is about.')]
        public ?string $label,
    ) {
    }

    public function item(): string
    {
        return $this->item;
    }
}
