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

    /** @var array<string, Next> where a choice leads from a menu entered from somewhere, whatever has been played before */
    private array $chosen = [];

    /** @param ?WaysBack $waysBack where given, menus behind a call that nothing can see any more are forgotten */
    public function __construct(private readonly CallBook $book, private readonly ?WaysBack $waysBack = null)
    {
    }

    /** The state of an inside call to an extension. */
    public function dialled(Reference $object): State
    {
        return $this->entering(Destination::object($object), true, [], '', true) ?? throw new \LogicException("{$object} takes no calls");
    }

    public function step(State $state, Event $event): Next
    {
        return match ($state->place) {
            Place::Number => $this->fromNumber($state, $event),
            Place::User => $this->fromUser($state, $event),
            Place::Outside => $this->fromOutside($state, $event),
            Place::Group => $this->fromGroup($state, $event),
            Place::Chain => $this->fromChain($state, $event),
            Place::Attendant => $this->fromAttendant($state, $event),
            Place::Menu => $this->fromMenu($state, $event),
            Place::Transfer => $this->fromTransfer($state, $event),
            Place::Mailbox => $this->fromMailbox($state, $event),
            Place::Announcement => $this->fromAnnouncement($state),
            Place::Line => Next::end(Outcome::LineRings, $state->object),
            Place::Directory => $this->fromDirectory($state, $event),
        };
    }

    private function fromNumber(State $state, Event $event): Next
    {
        $number = $this->book->get($state->object, Number::class);
        $rules = array_column($number->callerRules, null, 'item');

        return match ($event->kind) {
            'notInService' => Next::end(Outcome::NotInService, $state->object),
            'oldCarrier' => Next::end(Outcome::OldCarrier, $state->object),
            'notDelivered' => Next::end(Outcome::NotDelivered, $state->object),
            'blocked' => Next::end(Outcome::Released, $state->object),
            'platformOut' => $number->carrierDiversion === null ? Next::end(Outcome::Busy, $state->object) : $this->follow($state, $number->carrierDiversion, needsRoute: false),
            'rule' => $this->follow($state, $rules[$event->detail]->then),
            'caller' => $this->follow($state, $number->destination),
            default => Next::end(Outcome::DeadEnd, $state->object),
        };
    }

    private function fromUser(State $state, Event $event): Next
    {
        $user = $this->book->get($state->object, User::class);
        if ($event->kind === 'answered' || $event->kind === 'outsideMailbox') {
            return $this->taken($event);
        }
        if ($event->kind === 'siteOut') {
            $site = $user->site === null ? null : $this->book->get((string) $user->site, Site::class);

            return $this->follow($state, $site?->siteOut);
        }
        $condition = $event->kind === 'unanswered' ? 'noAnswer' : $event->kind;

        return $this->follow($state, $this->book->treatment($user, $condition, $state->inside));
    }

    private function fromOutside(State $state, Event $event): Next
    {
        return match ($event->kind) {
            'answered', 'outsideMailbox' => $this->taken($event),
            'busy' => Next::end(Outcome::Busy, $state->object),
            'refused' => Next::end(Outcome::Refused, $state->object),
            default => Next::end(Outcome::DeadEnd, $state->object),
        };
    }

    private function fromGroup(State $state, Event $event): Next
    {
        $group = $this->book->get($state->object, Group::class);
        $case = match ($event->kind) {
            'answered', 'outsideMailbox', 'switchedOff', 'endless' => null,
            'unanswered', 'waitedLongest' => 'noAnswer',
            'exitKey' => 'exit',
            'full' => 'queueFull',
            default => $event->kind,
        };
        if ($case === null) {
            return match ($event->kind) {
                'switchedOff' => Next::end(Outcome::DeadEnd, $state->object),
                'endless' => Next::end(Outcome::Loop, $state->object),
                default => $this->taken($event),
            };
        }
        $to = $group->otherwise->of($case) ?? $group->otherwise->of('noAnswer') ?? ($group->mailbox === null ? null : Destination::object($group->mailbox));

        return $this->follow($state, $to);
    }

    private function fromChain(State $state, Event $event): Next
    {
        $chain = $this->book->get($state->object, Chain::class);
        $to = $chain->places[$state->position]['to'] ?? null;

        return match ($event->kind) {
            'answered', 'outsideMailbox' => $this->taken($event),
            'announced', 'unanswered', 'left', 'played' => Next::state($state->nextPlace()),
            // What takes the call for good takes it as a place; a list in a list, and what `operator` stands for, is a transfer.
            'leads' => $this->follow($state, $to, isPlace: $to?->object?->kind !== Kind::Chain && $to?->word !== 'operator'),
            default => Next::end(Outcome::DeadEnd, $state->object),
        };
    }

    private function fromAttendant(State $state, Event $event): Next
    {
        foreach ($this->book->get($state->object, Attendant::class)->answers as $answer) {
            if ($event->kind === 'answer' && $answer['item'] === $event->detail) {
                return $this->follow($state, $answer['then']);
            }
        }

        return Next::end(Outcome::DeadEnd, $state->object);
    }

    private function fromMenu(State $state, Event $event): Next
    {
        $menu = $this->book->get($state->object, Menu::class);
        switch ($event->kind) {
            case 'key':
                return $this->chosen($state, $menu, $menu->keys[$event->detail]->to);
            case 'dialled':
                return $this->chosen($state, $menu, Destination::object(Reference::parse($event->detail)));
            case 'wrong':
                return $state->wrong + 1 < $menu->invalidAllowed
                    ? Next::state($state->withWrongKey())
                    : ($menu->invalid === null ? $this->silenced($state, $menu) : $this->given($state, $menu->invalid));
            default:
                return $this->replay($state, $menu);
        }
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
        return $state->play < $menu->plays ? Next::state($state->replayed($state->play + 1)) : $this->silenced($state, $menu);
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

    private function fromTransfer(State $state, Event $event): Next
    {
        if ($event->kind === 'answered' || $event->kind === 'outsideMailbox') {
            return $this->taken($event);
        }
        if ($state->returns < self::MOST_RETURNS) {
            return Next::state(State::menu($state->object, $state->inside, $state->frames, $state->returns + 1));
        }

        return $this->silenced($state, $this->book->get($state->object, Menu::class));
    }

    private function fromMailbox(State $state, Event $event): Next
    {
        return match ($event->kind) {
            'messageIn' => Next::end(Outcome::MessageIn, $state->object),
            'messageRefused' => Next::end(Outcome::MessageRefused, $state->object),
            'zero' => $this->follow($state, $this->book->get($state->object, Mailbox::class)->zero),
            default => Next::end(Outcome::DeadEnd, $state->object),
        };
    }

    private function fromAnnouncement(State $state): Next
    {
        $then = $this->book->get($state->object, Announcement::class)->then;

        return $then?->word === 'release' ? Next::end(Outcome::AnnouncementAndRelease, $state->object) : $this->follow($state, $then);
    }

    private function fromDirectory(State $state, Event $event): Next
    {
        if ($event->kind === 'named') {
            $to = Destination::object(Reference::parse($event->detail));
            $menu = $this->book->menuAt($state);

            return $menu === null ? $this->follow($state, $to) : $this->chosen(State::menu($state->object, $state->inside, array_slice($state->frames, 0, -1)), $menu, $to);
        }

        // Asked for in a menu, it goes back to that menu, which may be all that is left of what is behind.
        return $this->book->menuAt($state) === null
            ? $this->back($state) ?? Next::end(Outcome::DeadEnd, $state->object)
            : Next::state(State::menu($state->object, $state->inside, array_slice($state->frames, 0, -1)), true);
    }

    private function taken(Event $event): Next
    {
        return Next::end($event->kind === 'answered' ? Outcome::Answered : Outcome::OutsideMailbox, $event->detail);
    }

    /** Follows a destination from where the call is. Unset: a dead end there. */
    private function follow(State $state, ?Destination $to, bool $needsRoute = true, bool $isPlace = false): Next
    {
        $to = $this->book->meant($to);
        if ($to?->word === 'release' || $to?->word === 'busy') {
            return Next::end($to->word === 'release' ? Outcome::Released : Outcome::Busy, $state->object);
        }
        $next = $to === null ? null : $this->entering($to, $state->inside, $state->behind(), $state->object, $needsRoute);

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
            Kind::Group => State::at(Place::Group, $object, $inside, $frames),
            Kind::Chain => State::at(Place::Chain, $object, $inside, $frames, $this->book->get($object, Chain::class)->announcement === null ? 0 : -1),
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
