<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Book\Announcement;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Conference;
use Jaunty\Core\Book\Destination;
use Jaunty\Core\Book\ExtensionReach;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Leg;
use Jaunty\Core\Book\LegKind;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\PageZone;
use Jaunty\Core\Book\ParkPlace;
use Jaunty\Core\Book\RingStyle;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\Choice;
use Jaunty\Core\Calls\Law\Event;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\NameDirectory;
use Jaunty\Core\Calls\Law\NumberRules;
use Jaunty\Core\Calls\Law\Place;
use Jaunty\Core\Calls\Law\RingLeg;
use Jaunty\Core\Calls\Law\RingLegs;
use Jaunty\Core\Calls\Law\State;
use Jaunty\Core\Calls\Law\WayOut;
use Jaunty\Core\Calls\OneCall\Resolver;

/**
 * Every event a free world may give in a state: whoever may be busy, away or signed out can be, and any key can be
 * pressed. What Resolver gives in any one world is among these, within their seconds (held by a law in the tests).
 */
final readonly class Choices
{
    private RingLegs $legs;

    private GroupChoices $groups;

    public function __construct(private CallBook $book, WayOut $wayOut, private NumberRules $numbers)
    {
        $this->legs = new RingLegs($book, $wayOut);
        $this->groups = new GroupChoices($book, $this->legs);
    }

    /** @return list<Choice> */
    public function of(State $state): array
    {
        return match ($state->place) {
            Place::Number => $this->numbers->choices($this->book->get($state->object, Number::class)),
            Place::User => $this->user($state),
            Place::Outside => $this->outside($state),
            Place::Group => $this->groups->own($this->book->get($state->object, Group::class), $state->inside),
            Place::Chain => $this->chain($state),
            Place::Attendant => $this->attendant($state),
            Place::Menu => $this->menu($state),
            Place::Transfer => $this->transfer($state),
            Place::Mailbox => $this->mailbox($state),
            Place::Announcement => [Choice::passive(Event::of(EventKind::Played), $this->book->seconds(
                $this->book->get($state->object, Announcement::class)->prompt,
            ))],
            Place::Line => $this->line($state),
            Place::Directory => $this->directory($state),
            Place::Conference => $this->conference($state),
            Place::Park => $this->park($state),
            Place::Page => $this->page($state),
        };
    }

    /** @return list<Choice> */
    private function user(State $state): array
    {
        $user = $this->book->get($state->object, User::class);
        $has = fn (string $condition): bool => $this->book->treatment($user, $condition, $state->inside) !== null;
        if ($has('always')) {
            return [Choice::passive(Event::of(EventKind::Always))];
        }
        $legs = $this->book->legs($user);
        if ($user->status !== UserStatus::Active || $legs === []) {
            return [Choice::passive(Event::of(EventKind::Unreachable)), ...(
                $user->status === UserStatus::Active ? [Choice::world(Event::of(EventKind::DoNotDisturb))] : []
            )];
        }
        $hasOutside = array_filter(
            $legs,
            static fn (Leg $leg): bool => $leg->legKind === LegKind::Outside && $leg->number !== null,
        ) !== [];
        $choices = [Choice::world(Event::of(EventKind::DoNotDisturb))];
        if ($has('onACall')) {
            $choices[] = Choice::world(Event::of(EventKind::OnACall));
        }
        // Whoever has no line free is on a call; with a treatment for that, only outside legs can still be found busy.
        if ($hasOutside || ! $has('onACall')) {
            $choices[] = Choice::world(Event::of(EventKind::Busy));
        }
        if (! $hasOutside) {
            $choices[] = Choice::world(Event::of(EventKind::Unreachable));
        }

        return [...$choices, ...$this->rings(
            $this->legs->of($user, $legs, $state->inside),
            $this->book->handling($user)->ring === RingStyle::InOrder,
        )];
    }

    /**
     * What can come of legs that ring.
     *
     * @param  list<RingLeg>  $legs  at their best: `answers` if they can ring at all
     * @return list<Choice>
     */
    private function rings(array $legs, bool $inOrder): array
    {
        $ringing = array_values(array_filter($legs, static fn (RingLeg $leg): bool => ! $leg->dropsOut()));
        $choices = [];
        $before = 0;
        foreach ($ringing as $leg) {
            $choices[] = Choice::world(
                Event::of(EventKind::Answered, $leg->object),
                0,
                $before + max(0, $leg->seconds - 1),
            );
            if (str_starts_with($leg->object, 'outside:') && ! $leg->confirm) {
                $choices[] = Choice::world(Event::of(EventKind::OutsideMailbox, $leg->object), 0, $before + (
                    $leg->mailboxAfter < $leg->seconds ? $leg->mailboxAfter : 0
                ));
            }
            $before += $inOrder ? $leg->seconds : 0;
        }
        if ($ringing !== []) {
            $seconds = array_map(static fn (RingLeg $leg): int => $leg->seconds, $ringing);
            $choices[] = Choice::passive(
                Event::of(EventKind::Unanswered),
                min($seconds),
                $inOrder ? array_sum($seconds) : max($seconds),
            );
        } else {
            $choices[] = Choice::passive(Event::of(
                $legs === []
                    || array_filter($legs, static fn (RingLeg $leg): bool => $leg->does !== 'unreachable') === []
                ? EventKind::Unreachable
                : EventKind::Busy,
            ));
        }

        return $choices;
    }

    /** @return list<Choice> */
    private function outside(State $state): array
    {
        if (
            $state->needsRoute
            && ! $this->legs->canLeave(substr($state->object, strlen('outside:')), $state->sender, $state->inside)
        ) {
            return [Choice::passive(Event::of(EventKind::Refused))];
        }

        return [
            Choice::world(Event::of(EventKind::Answered, $state->object), 0, CallBook::OUTSIDE_SECONDS - 1),
            Choice::world(Event::of(EventKind::OutsideMailbox, $state->object), 0, CallBook::OUTSIDE_MAILBOX_AFTER),
            Choice::world(Event::of(EventKind::Busy)),
            Choice::passive(Event::of(EventKind::Unanswered), CallBook::OUTSIDE_SECONDS),
        ];
    }

    /** @return list<Choice> */
    private function chain(State $state): array
    {
        $chain = $this->book->get($state->object, Chain::class);
        if ($state->position === -1) {
            $announcement = $chain->announcement === null
                ? null
                : $this->book->get((string) $chain->announcement, Announcement::class);

            return [Choice::passive(Event::of(EventKind::Announced), $this->book->seconds($announcement?->prompt))];
        }
        $place = $chain->places[$state->position] ?? null;
        $to = $this->book->meant($place['to'] ?? null);
        if ($place === null || $to?->word === 'again' || $to?->word === 'back') {
            return [Choice::passive(Event::of(EventKind::Ended))];
        }

        return $to === null
            ? [Choice::passive(Event::of(EventKind::Left))]
            : $this->place($state, $to, $this->book->placeSeconds($place));
    }

    /** @return list<Choice> */
    private function place(State $state, Destination $to, int $seconds): array
    {
        if ($to->outside !== null) {
            return $this->placeRings([$this->legs->outside($to->outside, $state->object, $state->inside, $seconds)]);
        }
        switch ($to->object?->kind) {
            case Kind::User:
                $user = $this->book->get((string) $to, User::class);

                return $this->placeRings($this->legs->of($user, $this->legs->devices($user), $state->inside, $seconds));
            case Kind::Group:
            case Kind::SharedLine:
                return $this->groups->place($this->book->get((string) $to, Group::class), $state->inside, $seconds);
            case Kind::Announcement:
                $announcement = $this->book->get((string) $to, Announcement::class);
                if ($announcement->then === null) {
                    return [Choice::passive(Event::of(EventKind::Played), $this->book->seconds($announcement->prompt))];
                }
        }

        return [Choice::passive(Event::of(EventKind::Leads))];
    }

    /**
     * @param  list<RingLeg>  $legs
     * @return list<Choice>
     */
    private function placeRings(array $legs): array
    {
        if (array_filter($legs, static fn (RingLeg $leg): bool => ! $leg->dropsOut()) === []) {
            return [Choice::passive(Event::of(EventKind::Left))];
        }

        return [Choice::world(Event::of(EventKind::Left)), ...$this->rings($legs, false)];
    }

    /** @return list<Choice> */
    private function attendant(State $state): array
    {
        $attendant = $this->book->get($state->object, Attendant::class);
        $item = $attendant->enabled ? $this->book->answer($attendant) : null;
        foreach ($attendant->answers as $answer) {
            if ($answer['item'] === $item) {
                return [
                    Choice::passive(Event::of(EventKind::Answer, $item), $this->book->seconds($answer['greeting'])),
                ];
            }
        }

        return [Choice::passive(Event::of($attendant->enabled ? EventKind::NoAnswerSet : EventKind::SwitchedOff))];
    }

    /** @return list<Choice> */
    private function menu(State $state): array
    {
        $menu = $this->book->get($state->object, Menu::class);
        // A state after a wrong key and one after silence are the same state; the invalid prompt may or may not play
        // first.
        $play = $this->book->seconds($menu->prompt) + $menu->wait;
        $longest = $play + ($state->wrong > 0 ? $this->book->seconds($menu->invalidPrompt) : 0);
        $choices = [];
        $dialling = $menu->dialExtensions['scope'] === ExtensionReach::Off
            ? 0
            : (
                $menu->dialExtensions['most'] ?? $this->book->tenant()->extensionLength
            ) * $menu->dialExtensions['interdigit'];
        foreach ($longest === 0 ? [] : array_keys($menu->keys) as $key) {
            $choices[] = Choice::key(Event::of(EventKind::Key, (string) $key), 0, $longest + $dialling);
        }
        if ($longest > 0 && (count($menu->keys) < 12 || $dialling > 0)) {
            $choices[] = Choice::key(Event::of(EventKind::Wrong), 0, $longest + $dialling);
        }
        foreach ($dialling === 0 ? [] : array_keys($this->book->extensions()) as $extension) {
            $who = $this->book->dialled($menu, (string) $extension);
            if ($who !== null) {
                $choices[] = Choice::key(Event::of(EventKind::Dialled, $who), 0, $longest + $dialling);
            }
        }
        $choices[] = Choice::passive(Event::of(EventKind::Silence), $play, $longest);

        return $choices;
    }

    /** @return list<Choice> */
    private function transfer(State $state): array
    {
        $user = $this->book->get($state->callee, User::class);
        $devices = $this->legs->devices($user);
        $seconds = $this->book->transferSeconds();

        return $devices === []
            ? [Choice::passive(Event::of(EventKind::Unreachable))]
            : [
                Choice::world(Event::of(EventKind::Busy)),
                Choice::world(Event::of(EventKind::Unreachable)),
                ...$this->rings($this->legs->of($user, $devices, $state->inside, $seconds), false),
            ];
    }

    /** @return list<Choice> keys that mean nobody end a try early, a list that is read makes it longer */
    private function directory(State $state): array
    {
        $longest = NameDirectory::TRIES * 2 * NameDirectory::TRY_SECONDS;
        $directory = NameDirectory::of($this->book, $this->book->menuAt($state));
        $named = array_filter(
            $directory->listed(),
            static fn (string $user): bool => $directory->keysTo($user) !== null,
        );

        return [
            ...array_map(
                static fn (string $user): Choice => Choice::key(Event::of(EventKind::Named, $user), 0, $longest - 1),
                array_values($named),
            ),
            Choice::passive(Event::of(EventKind::Silence), 0, $longest),
        ];
    }

    /** @return list<Choice> */
    private function line(State $state): array
    {
        $this->book->reads($state->object);

        return [Choice::passive(Event::of(EventKind::Rings))];
    }

    /** @return list<Choice> */
    private function conference(State $state): array
    {
        return $this->book->get($state->object, Conference::class)->enabled
            ? [Choice::world(Event::of(EventKind::Full)), Choice::passive(Event::of(EventKind::Joined))]
            : [Choice::passive(Event::of(EventKind::SwitchedOff))];
    }

    /** @return list<Choice> */
    private function park(State $state): array
    {
        $place = $this->book->get($state->object, ParkPlace::class);

        return [Choice::world(Event::of(EventKind::PickedUp)), $place->comesBackTo === null && $state->sender === ''
            ? Choice::passive(Event::of(EventKind::Parked))
            : Choice::passive(Event::of(EventKind::ComesBack), $place->comesBackAfter)];
    }

    /** @return list<Choice> */
    private function page(State $state): array
    {
        foreach ($this->book->get($state->object, PageZone::class)->members as $member) {
            $user = $this->book->get((string) $member['who'], User::class);
            if ($user->status === UserStatus::Active && $user->speakers() !== []) {
                return [Choice::world(Event::of(EventKind::Unheard)), Choice::passive(Event::of(EventKind::Heard))];
            }
        }

        return [Choice::passive(Event::of(EventKind::Unheard))];
    }

    /** @return list<Choice> */
    private function mailbox(State $state): array
    {
        $mailbox = $this->book->get($state->object, Mailbox::class);
        if (! $mailbox->enabled) {
            return [Choice::passive(Event::of(EventKind::SwitchedOff))];
        }
        $this->book->reads($mailbox->greeting);
        $zero = $mailbox->zero === null
            ? []
            : [Choice::key(Event::of(EventKind::Zero), 0, $this->book->seconds($mailbox->greeting))];

        return [...$zero, Choice::passive(
            Event::of($mailbox->full ? EventKind::MessageRefused : EventKind::MessageIn),
        )];
    }
}
