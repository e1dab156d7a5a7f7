<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

use Jaunty\Core\Book\Announcement;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Destination;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\ParkPlace;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\TransferWay;
use Jaunty\Core\Book\User;

/**
 * The one place where it is decided where a call goes: a state and an event give the next state or the end. Test calls,
 * outcome maps, promises, rules and trials all step here; when and whether something happens is the world's (OneCall).
 */
final class Machine
{
    private const MOST_RETURNS = 3;

    /**
     * @var array<string, Next> where a choice leads from a menu entered from somewhere, whatever has been played before
     */
    private array $chosen = [];

    /** @param ?WaysBack $waysBack where given, menus behind a call that nothing can see any more are forgotten */
    public function __construct(private readonly CallBook $book, private readonly ?WaysBack $waysBack = null)
    {
    }

    /**
     * The state of an inside call to an extension.
     *
     * @param  ?string  $by  the user who dials it, `user:key`; null for nobody in particular
     */
    public function dialled(Reference $object, ?string $by = null): State
    {
        return match ($object->kind) {
            Kind::ParkPlace => State::park((string) $object, $by ?? ''),
            Kind::PageZone => State::at(Place::Page, (string) $object, true, []),
            default => $this->entering(Destination::object($object), true, [], '', true)
                ?? throw new \LogicException("{$object} takes no calls"),
        };
    }

    public function step(State $state, Event $event): Next
    {
        if ($event->kind->takes()) {
            return Next::end(
                $event->kind === EventKind::Answered ? Outcome::Answered : Outcome::OutsideMailbox,
                $event->detail,
            );
        }
        if ($state->place === Place::Transfer) {
            return $this->cameBack($state);
        }

        // Without a default: what a new kind of event does has to be decided here.
        return match ($event->kind) {
            EventKind::Answered, EventKind::OutsideMailbox => throw new \LogicException('taken above'),
            EventKind::NotInService => Next::end(Outcome::NotInService, $state->object),
            EventKind::OldCarrier => Next::end(Outcome::OldCarrier, $state->object),
            EventKind::NotDelivered => Next::end(Outcome::NotDelivered, $state->object),
            EventKind::Blocked => Next::end(Outcome::Released, $state->object),
            EventKind::PlatformOut => $this->diverted($state),
            EventKind::Rule => $this->follow($state, $this->callerRule($state, $event->detail)),
            EventKind::Caller => $this->follow($state, $this->book->get($state->object, Number::class)->destination),
            EventKind::Always, EventKind::DoNotDisturb,
            EventKind::OnACall => $this->treated($state, $event->kind->value),
            EventKind::SiteOut => $this->siteOut($state),
            EventKind::Unreachable => $state->place === Place::User
                ? $this->treated($state, 'unreachable')
                : self::deadEnd($state),
            EventKind::Busy => match ($state->place) {
                Place::User => $this->treated($state, 'busy'),
                Place::Outside => Next::end(Outcome::Busy, $state->object),
                default => self::deadEnd($state),
            },
            EventKind::Unanswered => match ($state->place) {
                Place::User => $this->treated($state, 'noAnswer'),
                Place::Group => $this->otherwise($state, 'noAnswer'),
                Place::Chain => Next::state($state->nextPlace()),
                default => self::deadEnd($state),
            },
            EventKind::Refused => Next::end(Outcome::Refused, $state->object),
            EventKind::Closed, EventKind::Holiday, EventKind::ClosedByHand, EventKind::NobodySignedIn,
            EventKind::AllUnreachable,
            EventKind::AllBusy => $this->otherwise($state, $event->kind->value),
            EventKind::WaitedLongest => $this->otherwise($state, 'noAnswer'),
            EventKind::ExitKey => $this->otherwise($state, 'exit'),
            EventKind::Full => $state->place === Place::Conference
                ? Next::end(Outcome::Busy, $state->object)
                : $this->otherwise($state, 'queueFull'),
            EventKind::Joined => Next::end(Outcome::InConference, $state->object),
            EventKind::PickedUp => Next::end(Outcome::PickedUp, $state->object),
            EventKind::Parked => Next::end(Outcome::Parked, $state->object),
            EventKind::ComesBack => $this->comesBack($state),
            EventKind::Heard => Next::end(Outcome::Paged, $state->object),
            EventKind::Endless => Next::end(Outcome::Loop, $state->object),
            EventKind::SwitchedOff, EventKind::NoAnswerSet, EventKind::Ended,
            EventKind::Unheard => self::deadEnd($state),
            EventKind::Announced, EventKind::Left => Next::state($state->nextPlace()),
            EventKind::Played => $state->place === Place::Chain
                ? Next::state($state->nextPlace())
                : $this->announced($state),
            EventKind::Leads => $this->ledFromPlace($state),
            EventKind::Answer => $this->follow($state, $this->answer($state, $event->detail)),
            EventKind::Key => $this->pressed($state, $event->detail),
            EventKind::Dialled => $this->chosen(
                $state,
                $this->book->get($state->object, Menu::class),
                Destination::object(Reference::parse($event->detail)),
            ),
            EventKind::Wrong => $this->wrong($state),
            EventKind::Silence => $state->place === Place::Directory
                ? $this->leftDirectory($state)
                : $this->replay($state, $this->book->get($state->object, Menu::class)),
            EventKind::MessageIn => Next::end(Outcome::MessageIn, $state->object),
            EventKind::MessageRefused => Next::end(Outcome::MessageRefused, $state->object),
            EventKind::Zero => $this->follow($state, $this->book->get($state->object, Mailbox::class)->zero),
            EventKind::Rings => Next::end(Outcome::LineRings, $state->object),
            EventKind::Named => $this->named($state, $event->detail),
        };
    }

    private static function deadEnd(State $state): Next
    {
        return Next::end(Outcome::DeadEnd, $state->object);
    }

    private function diverted(State $state): Next
    {
        $to = $this->book->get($state->object, Number::class)->carrierDiversion;

        return $to === null ? Next::end(Outcome::Busy, $state->object) : $this->follow($state, $to, needsRoute: false);
    }

    private function callerRule(State $state, string $item): ?Destination
    {
        return array_column($this->book->get($state->object, Number::class)->callerRules, null, 'item')[$item]->then;
    }

    private function treated(State $state, string $condition): Next
    {
        return $this->follow(
            $state,
            $this->book->treatment($this->book->get($state->object, User::class), $condition, $state->inside),
        );
    }

    /** A parked call that nobody took up. */
    private function comesBack(State $state): Next
    {
        $to = $this->book->get($state->object, ParkPlace::class)->comesBackTo;

        return $this->follow($state, $to ?? Destination::object(Reference::parse($state->sender)));
    }

    private function siteOut(State $state): Next
    {
        $user = $this->book->get($state->object, User::class);
        $site = $user->site === null ? null : $this->book->get((string) $user->site, Site::class);

        return $this->follow($state, $site?->siteOut);
    }

    /** Where a group sends calls in a case: what is set for it, else as for no answer, else to the group's mailbox. */
    private function otherwise(State $state, string $case): Next
    {
        $group = $this->book->get($state->object, Group::class);

        return $this->follow($state, $group->otherwise->of($case) ?? $group->otherwise->of('noAnswer') ?? (
            $group->mailbox === null ? null : Destination::object($group->mailbox)
        ));
    }

    /**
     * What takes the call for good takes it as a place; a list in a list, and what `operator` stands for, is a
     * transfer.
     */
    private function ledFromPlace(State $state): Next
    {
        $to = $this->book->get($state->object, Chain::class)->places[$state->position]['to'] ?? null;

        return $this->follow($state, $to, isPlace: $to?->object?->kind !== Kind::Chain && $to?->word !== 'operator');
    }

    private function answer(State $state, string $item): ?Destination
    {
        return array_column($this->book->get($state->object, Attendant::class)->answers, 'then', 'item')[$item] ?? null;
    }

    private function pressed(State $state, string $key): Next
    {
        $menu = $this->book->get($state->object, Menu::class);

        return $this->chosen($state, $menu, $menu->keys[$key]->to);
    }

    private function wrong(State $state): Next
    {
        $menu = $this->book->get($state->object, Menu::class);
        if ($state->wrong + 1 < $menu->invalidAllowed) {
            return Next::state($state->withWrongKey());
        }

        return $menu->invalid === null ? $this->silenced($state, $menu) : $this->given($state, $menu->invalid);
    }

    /** What a caller chose, by a key or an extension. */
    private function chosen(State $state, Menu $menu, ?Destination $to): Next
    {
        $to = $this->book->meant($to);
        if ($to?->word === 'again') {
            return $this->replay($state, $menu);
        }
        if ($to?->word === 'back') {
            return $this->back($state) ?? $this->replay($state, $menu);
        }
        if ($to?->object?->kind === Kind::User && $menu->transfer === TransferWay::ComesBack) {
            return Next::state($state->screening((string) $to->object));
        }
        $next = $this->chosen["{$to} {$state->entrance()}"] ??= $this->follow($state, $to);
        $this->book->reads($next->state?->object, $this->waysBack === null ? null : CallBook::WAYS_BACK);

        return $next;
    }

    /** One more play, if there is one; else silence. */
    private function replay(State $state, Menu $menu): Next
    {
        return $state->play < $menu->plays
            ? Next::state($state->replayed($state->play + 1))
            : $this->silenced($state, $menu);
    }

    private function silenced(State $state, Menu $menu): Next
    {
        return $this->given($state, $menu->silence);
    }

    /** Where silence or wrong keys lead: there `again`, and `back` without a menu behind, enter the menu anew. */
    private function given(State $state, ?Destination $to): Next
    {
        // The menu has not been left, so the transfers that came back still count.
        $anew = Next::state(State::menu($state->object, $state->inside, $state->frames, $state->returns));

        $to = $this->book->meant($to);

        return match ($to?->word) {
            'again' => $anew,
            'back' => $this->back($state) ?? $anew,
            default => $this->follow($state, $to),
        };
    }

    private function back(State $state): ?Next
    {
        $frames = $state->frames;
        $menu = array_pop($frames);

        return $menu === null ? null : Next::state(State::menu($menu, $state->inside, $frames), true);
    }

    /** A transfer that nobody took: the menu again, a few times. */
    private function cameBack(State $state): Next
    {
        return $state->returns < self::MOST_RETURNS
            ? Next::state(State::menu($state->object, $state->inside, $state->frames, $state->returns + 1))
            : $this->silenced($state, $this->book->get($state->object, Menu::class));
    }

    private function announced(State $state): Next
    {
        $then = $this->book->get($state->object, Announcement::class)->then;

        return $then?->word === 'release'
            ? Next::end(Outcome::AnnouncementAndRelease, $state->object)
            : $this->follow($state, $then);
    }

    private function named(State $state, string $whom): Next
    {
        $to = Destination::object(Reference::parse($whom));
        $menu = $this->book->menuAt($state);

        return $menu === null ? $this->follow($state, $to) : $this->chosen($this->before($state), $menu, $to);
    }

    /** Asked for in a menu, the directory goes back to that menu, which may be all that is left of what is behind. */
    private function leftDirectory(State $state): Next
    {
        return $this->book->menuAt($state) === null
            ? $this->back($state) ?? self::deadEnd($state)
            : Next::state($this->before($state), true);
    }

    private function before(State $state): State
    {
        return State::menu($state->object, $state->inside, array_slice($state->frames, 0, -1));
    }

    /** Follows a destination from where the call is. Unset: a dead end there. */
    private function follow(State $state, ?Destination $to, bool $needsRoute = true, bool $isPlace = false): Next
    {
        $to = $this->book->meant($to);
        if ($to?->word === 'release' || $to?->word === 'busy') {
            return Next::end($to->word === 'release' ? Outcome::Released : Outcome::Busy, $state->object);
        }
        $next = $to === null
            ? null
            : $this->entering($to, $state->inside, $state->behind(), $state->object, $needsRoute);

        return $next === null ? Next::end(Outcome::DeadEnd, $state->object) : Next::state($next, ! $isPlace);
    }

    /** @param list<string> $frames */
    private function entering(Destination $to, bool $inside, array $frames, string $sender, bool $needsRoute): ?State
    {
        if ($to->outside !== null) {
            return State::outside($to->outside, $inside, $this->seen($frames, ''), $sender, $needsRoute);
        }
        $frames = $this->seen($frames, $to->word === 'directory' ? $sender : (string) $to->object);
        if ($to->word === 'directory') {
            return State::at(Place::Directory, $sender, $inside, $frames);
        }
        if ($to->object === null) {
            return null;
        }
        $object = (string) $to->object;

        return match ($to->object->kind) {
            // Entering a user anew forgets the menus behind.
            Kind::User => State::at(Place::User, $object, $inside, []),
            Kind::Group, Kind::SharedLine => State::at(Place::Group, $object, $inside, $frames),
            Kind::Conference => State::at(Place::Conference, $object, $inside, $frames),
            Kind::Chain => State::at(
                Place::Chain,
                $object,
                $inside,
                $frames,
                $this->book->get($object, Chain::class)->announcement === null ? 0 : -1,
            ),
            Kind::Attendant => State::at(Place::Attendant, $object, $inside, $frames),
            Kind::Menu => State::menu($object, $inside, $frames),
            Kind::Mailbox => State::at(Place::Mailbox, $object, $inside, $frames),
            Kind::Announcement => State::at(Place::Announcement, $object, $inside, $frames),
            Kind::Line => State::at(Place::Line, $object, $inside, $frames),
            default => null,
        };
    }

    /**
     * @param  list<string>  $frames
     * @return list<string> those that something after an object can go back to
     */
    private function seen(array $frames, string $object): array
    {
        if ($frames === [] || $this->waysBack === null) {
            return $frames;
        }
        $this->book->reads(CallBook::WAYS_BACK);

        return $this->waysBack->areSeenFrom($object) ? $frames : [];
    }
}
