<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Extension;
use Jaunty\Core\Book\Fields\Flag;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\Items;
use Jaunty\Core\Book\Fields\ItemsOf;
use Jaunty\Core\Book\Fields\Left;
use Jaunty\Core\Book\Fields\Part;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\SomeOf;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\Unit;
use Jaunty\Core\Book\Fields\Whole;

/** A hunt group: members, in which order and how long they ring, and what happens otherwise. */
final readonly class Group implements BookObject
{
    use Declared;
    use NamedObject;

    /** What somebody who watches calls may do in them. */
    private const RIGHTS = ['listen', 'whisper', 'join', 'takeOver'];

    /**
     * @param  list<Member>  $members  in list order
     * @param  int  $ringsEach  rings of one offer
     * @param  int  $rotations  passes
     * @param  ?int  $noAnswerSeconds  the limit, from the first offer on
     * @param  ?int  $mostAtOnce  of a simultaneous group
     * @param  int  $restAfterNoAnswer  seconds
     * @param  int  $wrapUp  seconds
     * @param  list<array{item: string, who: string, may: list<string>}>  $watchers
     */
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
        #[Flag(true)]
        public bool $enabled,
        #[Choice(GroupOrder::Simultaneous)]
        #[Said('Ring order')]
        public GroupOrder $order,
        #[Items(Member::class)]
        public array $members,
        #[Whole(1, 100, default: 3)]
        #[Said('Rings each', in: Unit::Rings)]
        public int $ringsEach,
        #[Whole(1, 1000, default: 1)]
        #[Said('Passes', 'How often the list is gone through.')]
        public int $rotations,
        #[Whole(0, 86_400)]
        #[Said('No-answer limit', 'From the first offer on.', in: Unit::Seconds, unset: 'no limit')]
        public ?int $noAnswerSeconds,
        #[Flag(true)]
        #[Said('Skips busy members')]
        public bool $skipBusy,
        #[Whole(1, 10_000)]
        #[Said(help: 'How many ring at once; unset: all.')]
        public ?int $mostAtOnce,
        #[Whole(0, 86_400, default: 0)]
        #[Said(help: 'A member who did not answer is left alone so long.', in: Unit::Seconds)]
        public int $restAfterNoAnswer,
        #[Whole(0, 86_400, default: 0)]
        #[Said(help: 'After a call, before the next.', in: Unit::Seconds)]
        public int $wrapUp,
        #[Choice(SignInBy::Member)]
        #[Said('Signed in by')]
        public SignInBy $signInBy,
        #[Choice(TierTwo::Unavailable)]
        #[Said('Second tier')]
        public TierTwo $tierTwo,
        #[Refers(Kind::Schedule)]
        #[Said('Hours')]
        public ?Reference $schedule,
        #[Flag(false)]
        #[Said(help: 'Somebody closed it from their phone.')]
        #[Left]
        public bool $closedByHand,
        #[Flag(false)]
        #[Said('May be closed by hand')]
        public bool $handClosable,
        #[Part(Queue::class, mayBeUnset: true)]
        public ?Queue $queue,
        #[Part(Otherwise::class)]
        public Otherwise $otherwise,
        #[Text]
        #[Said(help: 'Put in front of the caller\'s name.')]
        public ?string $prefix,
        #[Choice(CallingClass::National)]
        #[Said('Sends outside', 'How far its calls may be sent.')]
        public CallingClass $onwardClass,
        #[Refers(Kind::Mailbox)]
        public ?Reference $mailbox,
        #[ItemsOf(
            ['item' => new Slug(), 'who' => new Refers(Kind::User, must: true), 'may' => new SomeOf(self::RIGHTS)],
        )]
        #[Said(help: 'Who may listen in, and how.')]
        public array $watchers,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::Group;
    }

    public function extension(): ?string
    {
        return $this->extension;
    }

    /**
     * Members whose turn can come: of a weighted group, those with a share.
     *
     * @param  ?int  $tier  null for both
     * @return list<Member> in list order
     */
    public function withTurns(?int $tier = null): array
    {
        return array_values(array_filter(
            $this->members,
            fn (Member $member): bool => ($tier === null || $member->tier === $tier)
                && ($this->order !== GroupOrder::Weighted || ($member->share ?? 0) > 0),
        ));
    }
}
