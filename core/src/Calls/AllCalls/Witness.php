<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Conference;
use Jaunty\Core\Book\Destination;
use Jaunty\Core\Book\ExtensionReach;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Leg;
use Jaunty\Core\Book\LegKind;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\PageZone;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\SharedLine;
use Jaunty\Core\Book\SignInBy;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\Event;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\FirstMatch;
use Jaunty\Core\Calls\Law\Keypad;
use Jaunty\Core\Calls\Law\NameDirectory;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Law\Place;
use Jaunty\Core\Calls\Law\State;
use Jaunty\Core\Calls\OneCall\Resolver;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Hours\HoursState;

/**
 * Makes of a path of the Explorer the test call that takes it: who answers, who is busy, which keys fall when. The
 * world of a script holds for the whole call, so a path on which somebody is in two states has none. What is given has
 * been tried: it ends where the path ends.
 */
final class Witness
{
    private const RINGS = '';

    /**
     * Whoever is in one of these states is not there for a group; the first that goes with the rest of the call is
     * taken.
     */
    private const AWAY = ['doNotDisturb', 'unreachable', 'busy', 'onACall'];

    private const KEYS = ['#', '*', '0', '9', '8', '7', '6', '5', '4', '3', '2', '1'];

    /**
     * @var array<string, list<string>> by object, the states that go with all of the path so far; RINGS where somebody
     *     rings and does not answer
     */
    private array $world = [];

    private ?string $from = null;

    private bool $isSteady = true;

    private function __construct(
        private readonly Book $book,
        private readonly CallBook $calls,
        private readonly bool $othersAway,
        private readonly string $mailbox,
    ) {
    }

    /**
     * @param  non-empty-list<array{State, Edge}>  $path
     * @param  string  $to  the number, or the extension dialled inside
     * @param  int  $at  seconds since 1970
     * @param  ?array{Outcome, list<string>}  $end  the outcome and whom it may be about, where the path does not
     *     say: of a loop, of a call handed on too often
     * @return ?array<string, mixed> a script as the tenant book writes it
     */
    public static function script(Book $book, array $path, string $to, int $at, ?array $end = null): ?array
    {
        $next = $path[count($path) - 1][1]->next;
        $end ??= [$next->outcome, [$next->target]];
        // Whoever would be rung first may have to be out of the way for another to answer; a mobile's mailbox may come
        // too late unless it is off.
        $calls = CallBook::at($book, $at);
        foreach ([[false, 'mailbox'], [false, 'off'], [true, 'mailbox'], [true, 'off']] as [$othersAway, $mailbox]) {
            $witness = new self($book, $calls, $othersAway, $mailbox);
            foreach ($path as [$state, $edge]) {
                $witness->arrange($state, $edge->choice->event);
            }
            $script = $witness->isSteady ? $witness->tried($path, $to, $at, $end) : null;
            if ($script !== null) {
                return $script;
            }
        }

        return null;
    }

    /**
     * @param  non-empty-list<array{State, Edge}>  $path
     * @param  array{?Outcome, list<string>}  $end
     * @return ?array<string, mixed>
     */
    private function tried(array $path, string $to, int $at, array $end): ?array
    {
        $world = array_filter(
            array_map(static fn (array $states): string => $states[0], $this->world),
            static fn (string $state): bool => $state !== self::RINGS,
        );
        $script = ['to' => $to, 'at' => gmdate('Y-m-d\TH:i:s\Z', $at)]
            + ($this->from === null ? [] : ['from' => $this->from])
            + ($world === [] ? [] : ['world' => $world]);
        $keys = $this->keys($path, Script::read($script, $this->book));
        // Keys that have their second come first; a greeting that takes no time hears only those that have none.
        foreach (
            $keys === null
            ? []
            : [$keys, array_map(static fn (array $key): array => ['key' => $key['key']], $keys)] as $way
        ) {
            $written = $script + ($way === [] ? [] : ['keys' => $way]);
            $trace = Trace::of($this->book, Script::read($written, $this->book));
            if ($trace->outcome === $end[0] && in_array($trace->target, $end[1], true)) {
                return $written;
            }
        }

        return null;
    }

    /**
     * When each key has to fall, found by following the path as the world has it.
     *
     * @param  non-empty-list<array{State, Edge}>  $path
     * @return ?list<array{key: string, at: int}> null where the world gives something else on the way
     */
    private function keys(array $path, Script $script): ?array
    {
        $resolver = Resolver::of(CallBook::at($this->book, $script->at), $script, new Keypad([], false));
        $keys = [];
        $now = 0;
        foreach ($path as [$state, $edge]) {
            $event = $edge->choice->event;
            $pressed = $edge->choice->needsKey ? $this->pressed($state, $event) : null;
            if ($edge->choice->needsKey && $pressed === null) {
                return null;
            }
            if ($pressed !== null) {
                foreach ($pressed as $key) {
                    $keys[] = ['key' => $key, 'at' => $now];
                }

                continue;
            }
            $resolved = $resolver->resolve($state, $now);
            if ($resolved->event->kind !== $event->kind || $resolved->event->detail !== $event->detail) {
                return null;
            }
            $now = $resolved->second;
        }

        return $keys;
    }

    /** @return ?list<string> */
    private function pressed(State $state, Event $event): ?array
    {
        $object = $this->book->find(Reference::parse($state->object));

        return match (true) {
            $event->kind === EventKind::Zero => ['0'],
            $event->kind === EventKind::ExitKey
                && $object instanceof Group
                && $object->queue?->exitKey !== null => [$object->queue->exitKey],
            $event->kind === EventKind::Key && $object instanceof Menu => $this->isFree($object, $event->detail)
                ? [$event->detail]
                : [$event->detail, '#'],
            $event->kind === EventKind::Wrong && $object instanceof Menu => $this->wrong($object),
            $event->kind === EventKind::Dialled => $this->dialled($event->detail, $object),
            $event->kind === EventKind::Named => NameDirectory::of(
                new CallBook($this->book, static fn (): string => HoursState::Open->value),
                $object instanceof Menu ? $object : null,
            )->keysTo($event->detail),
            default => null,
        };
    }

    /** @return ?list<string> */
    private function wrong(Menu $menu): ?array
    {
        foreach (self::KEYS as $key) {
            if (! isset($menu->keys[$key]) && $this->isFree($menu, $key)) {
                return [$key];
            }
        }

        return null;
    }

    /** Whether a key can begin no extension. */
    private function isFree(Menu $menu, string $key): bool
    {
        return $menu->dialExtensions['scope'] === ExtensionReach::Off || ! ctype_digit($key);
    }

    /** @return ?list<string> */
    private function dialled(string $who, ?BookObject $menu): ?array
    {
        $extension = $this->book->find(Reference::parse($who))?->extension();
        $most = $menu instanceof Menu ? $menu->dialExtensions['most'] ?? $this->book->tenant->extensionLength : 0;

        return $extension === null || strlen($extension) > $most
            ? null
            : [...str_split($extension), ...(strlen($extension) < $most ? ['#'] : [])];
    }

    private function arrange(State $state, Event $event): void
    {
        $object = $state->place === Place::Outside ? null : $this->book->find(Reference::parse($state->object));
        if ($object instanceof SharedLine && $event->kind !== EventKind::AllBusy) {
            $object = $object->asGroup();
        }
        match (true) {
            $object instanceof Number => $this->caller($object, $event),
            $object instanceof SharedLine => $this->commit($state->object, 'inUse'),
            $event->kind === EventKind::PickedUp => $this->commit($state->object, 'holds'),
            $object instanceof Conference => $this->room($state->object, $event->kind),
            $object instanceof PageZone => $this->page($object, $event->kind),
            $event->kind === EventKind::Answered => $this->taken($object, $state->position, $event->detail, 'answers'),
            $event->kind === EventKind::OutsideMailbox => $this->taken(
                $object,
                $state->position,
                $event->detail,
                $this->mailbox,
            ),
            $object instanceof Group => $this->group($object, $event->kind),
            $object instanceof Chain => $this->left($object, $state->position, $event->kind),
            $state->place === Place::Transfer => $this->person($state->callee, $event->kind, true),
            $object instanceof User
                && $event->kind === EventKind::Busy
                && $this->calls->treatment($object, 'onACall', $state->inside) !== null => $this->busyElsewhere(
                    $object,
                ),
            in_array($state->place, [Place::User, Place::Outside], true) => $this->person(
                $state->object,
                $event->kind,
                false,
            ),
            default => null,
        };
    }

    private function taken(?BookObject $object, int $position, string $who, string $state): void
    {
        $this->commit($who, $state);
        $place = $object instanceof Chain ? $this->placeAt($object, $position)?->object : null;
        $object = $place === null ? $object : $this->book->find($place);
        $object = $object instanceof SharedLine ? $object->asGroup() : $object;
        if (! $this->othersAway || ! $object instanceof Group) {
            return;
        }
        foreach ($object->withTurns() as $member) {
            if ((string) $member->who !== $who && ! $this->ringsAt($member->who->object, $who)) {
                $this->commit(
                    (string) $member->who,
                    ...$member->who->outside === null ? $this->awayFrom($object) : ['busy'],
                );
            }
        }
    }

    /** Whether a number outside is one of a user's own telephones. */
    private function ringsAt(?Reference $user, string $outside): bool
    {
        $found = $user === null ? null : $this->book->find($user);

        return $found instanceof User && in_array(
            $outside,
            array_map(static fn (Leg $leg): string => "outside:{$leg->number}", $this->calls->legs($found)),
            true,
        );
    }

    /** @return non-empty-list<string> */
    private function awayFrom(Group $group): array
    {
        return [...self::AWAY, ...$group->signInBy === SignInBy::Member ? ['signedOut'] : []];
    }

    private function placeAt(Chain $chain, int $position): ?Destination
    {
        return $this->calls->meant($chain->places[$position]['to'] ?? null);
    }

    private function caller(Number $number, Event $event): void
    {
        $before = array_column($this->book->tenant->blocked, 'callers');
        if ($event->kind === EventKind::Blocked) {
            $this->callFrom(FirstMatch::of($before[0] ?? '', []));
        } elseif ($event->kind === EventKind::Rule) {
            foreach ($number->callerRules as $rule) {
                if ($rule->item === $event->detail) {
                    $this->callFrom(FirstMatch::of($rule->callers, $before));
                }
                $before[] = $rule->callers;
            }
        }
    }

    private function callFrom(FirstMatch $caller): void
    {
        $this->isSteady = $this->isSteady && $caller->example !== null;
        $this->from = $caller->example === '' ? null : $caller->example;
    }

    private function person(string $who, EventKind $kind, bool $isOffer): void
    {
        $states = match ($kind) {
            EventKind::Busy => ['busy', 'onACall'],
            EventKind::OnACall => ['onACall', 'busy'],
            EventKind::DoNotDisturb => ['doNotDisturb'],
            // Who is not to be disturbed is not there for an offer.
            EventKind::Unreachable => $isOffer ? ['unreachable', 'doNotDisturb'] : ['unreachable'],
            // Signed out of groups a telephone rings all the same, and a second line rings beside a call.
            EventKind::Unanswered => [self::RINGS, 'signedOut', 'onACall'],
            default => [],
        };
        if ($states !== []) {
            $this->commit($who, ...$states);
        }
    }

    /**
     * Whoever is on a call goes another way, so that only numbers outside can be found busy, and nothing else may ring.
     */
    private function busyElsewhere(User $user): void
    {
        $this->commit("user:{$user->key}", 'unreachable');
        foreach ($this->calls->legs($user) as $leg) {
            if ($leg->number !== null) {
                $this->commit("outside:{$leg->number}", 'busy');
            }
        }
    }

    private function group(Group $group, EventKind $kind): void
    {
        if ($kind === EventKind::ClosedByHand || $kind === EventKind::Full) {
            $this->commit("group:{$group->key}", $kind->value);
        }
        $out = $group->signInBy === SignInBy::Member ? ['signedOut', 'doNotDisturb'] : ['doNotDisturb'];
        $states = match ($kind) {
            // Others may be away meanwhile, as long as somebody is busy; that is tried.
            EventKind::AllBusy => ['busy', 'onACall', 'unreachable', ...$out],
            EventKind::AllUnreachable => ['unreachable', ...$out],
            EventKind::NobodySignedIn => $out,
            EventKind::Left => $this->awayFrom($group),
            default => null,
        };
        if ($states === null) {
            return;
        }
        foreach ($group->withTurns() as $member) {
            $user = $member->who->object === null ? null : $this->book->find($member->who->object);
            if (! $user instanceof User || ($group->signInBy === SignInBy::Administrator && ! $member->signedIn)) {
                continue;
            }
            $legs = array_filter($this->calls->legs($user), static fn (Leg $leg): bool => $leg->forGroups);
            $hasOutside = array_filter($legs, static fn (Leg $leg): bool => $leg->legKind === LegKind::Outside) !== [];
            // Nobody has to do anything for whoever no group can ring; a number outside is never out of reach.
            if ($kind === EventKind::NobodySignedIn || ($user->status === UserStatus::Active && $legs !== [])) {
                $this->commit((string) $member->who, ...array_diff($states, $hasOutside ? ['unreachable'] : []));
            }
        }
    }

    private function room(string $room, EventKind $kind): void
    {
        if ($kind === EventKind::Full) {
            $this->commit($room, 'full');
        }
    }

    private function page(PageZone $zone, EventKind $kind): void
    {
        foreach ($kind === EventKind::Unheard ? $zone->members : [] as $member) {
            $this->commit((string) $member['who'], ...self::AWAY);
        }
    }

    private function left(Chain $chain, int $position, EventKind $kind): void
    {
        $to = $this->placeAt($chain, $position);
        if ($to === null || $kind !== EventKind::Left) {
            return;
        }
        if ($to->object?->kind === Kind::SharedLine) {
            $this->commit((string) $to, 'inUse');
        }
        $group = $to->object?->kind === Kind::Group ? $this->book->find($to->object) : null;
        if ($group instanceof Group) {
            $this->group($group, EventKind::Left);
        } elseif ($to->outside !== null) {
            $this->commit("outside:{$to->outside}", 'busy');
        } elseif ($to->object?->kind === Kind::User) {
            $this->commit((string) $to, ...self::AWAY);
        }
    }

    private function commit(string $who, string ...$states): void
    {
        $both = array_values(array_intersect($this->world[$who] ?? $states, $states));
        $this->isSteady = $this->isSteady && $both !== [];
        $this->world[$who] = $both === [] ? array_values($states) : $both;
    }
}
