<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Flag;
use Jaunty\Core\Book\Fields\LeadsTo;
use Jaunty\Core\Book\Fields\Left;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Unit;
use Jaunty\Core\Book\Fields\Whole;

/** A member of a hunt group: a user, or an outside number. */
final readonly class Member implements BookItem
{
    use DeclaredPart {
        read as private declared;
    }

    /**
     * @param  Destination  $who  a user or an outside number
     * @param  ?int  $share  in percent, of a weighted group; unset: does not exist there
     * @param  bool  $signedIn  the starting value; holds where only an administrator signs in, and for outside members
     * @param  bool  $confirm  whether an outside member must press a key to take the call
     */
    private function __construct(
        #[Slug]
        public string $item,
        #[LeadsTo(must: true, only: [Kind::User])]
        public Destination $who,
        #[Whole(1, 2, default: 1)]
        #[Said(help: 'The second is asked after the first.')]
        public int $tier,
        #[Whole(0, 100)]
        #[Said(help: 'Of calls, where they are given out by share.', in: Unit::Percent)]
        public ?int $share,
        #[Flag(true)]
        #[Left]
        public bool $signedIn,
        #[Flag(false)]
        #[Said('Asks for a key')]
        public bool $confirm,
    ) {
    }

    public static function read(Node $node): self
    {
        $read = self::declared($node);
        if ($read->who->outside === null && $read->who->object?->kind !== Kind::User) {
            throw UnusableBook::malformed($node->at('who'), 'a user or an outside number', (string) $read->who);
        }

        return $read;
    }

    public function item(): string
    {
        return $this->item;
    }
}
