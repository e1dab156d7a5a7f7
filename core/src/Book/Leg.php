<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Flag;
use Jaunty\Core\Book\Fields\Matching;
use Jaunty\Core\Book\Fields\Own;
use Jaunty\Core\Book\Fields\Phone;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Unit;
use Jaunty\Core\Book\Fields\Whole;

/** One device or outside number that rings for a user. */
final readonly class Leg implements BookItem
{
    use DeclaredPart;

    /**
     * @param  ?string  $number  E.164, of an outside leg
     * @param  ?string  $hardware  hardware address of a desk phone that is in no list of telephones yet
     * @param  ?Reference  $device  the telephone that it is
     * @param  int  $seconds  how long it rings
     * @param  bool  $forGroups  whether it also rings for hunt groups
     * @param  bool  $confirm  whether whoever answers must press a key
     * @param  int  $mailboxAfter  seconds until an outside number's own mailbox answers
     */
    private function __construct(
        #[Slug]
        public string $item,
        #[Choice(LegKind::Desk, name: 'kind')]
        public LegKind $legKind,
        #[Phone]
        public ?string $number,
        #[Matching('/^[0-9a-f]{12}$/D', 'a hardware address (twelve hex digits in small letters)')]
        #[Said('Hardware address', 'Twelve hex digits.')]
        public ?string $hardware,
        #[Refers(Kind::Device)]
        #[Said('Telephone')]
        public ?Reference $device,
        #[Whole(1, 3600, default: 20)]
        #[Said('Rings for', in: Unit::Seconds)]
        public int $seconds,
        #[Own(
            [self::class, 'readForGroups'],
            ['type' => 'boolean', 'description' => 'unset: true, but for an outside leg'],
        )]
        #[Said('Rings for groups', 'Unset: yes, but for an outside phone.')]
        public bool $forGroups,
        #[Flag(false)]
        #[Said('Asks for a key', 'Whoever answers presses a key before the call is theirs.')]
        public bool $confirm,
        #[Whole(0, 3600, default: 20)]
        #[Said('Own mailbox after', 'When the phone\'s own mailbox takes the call.', in: Unit::Seconds)]
        public int $mailboxAfter,
    ) {
    }

    public function item(): string
    {
        return $this->item;
    }

    /** @internal unset, an outside leg does not ring for groups and any other does */
    public static function readForGroups(Node $node, string $field): bool
    {
        return $node->flag($field, $node->choice('kind', LegKind::class, LegKind::Desk) !== LegKind::Outside);
    }
}
