<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Conference;
use Jaunty\Core\Book\Destination;
use Jaunty\Core\Book\ExtensionPlan;
use Jaunty\Core\Book\ExtensionReach;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Handling;
use Jaunty\Core\Book\Leg;
use Jaunty\Core\Book\Line;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\SharedLine;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\Tenant;
use Jaunty\Core\Book\User;
use Jaunty\Core\Hours\HoursState;

/** A book as calls read it, with what every schedule says for the call in hand. */
final class CallBook
{
    /**
     * An outside number as a destination of its own rings so long (seconds), and its mailbox takes over after so long.
     */
    public const OUTSIDE_SECONDS = 60;

    public const OUTSIDE_MAILBOX_AFTER = 20;

    /** What is read of the book as a whole, where an object alone would not tell. */
    public const EXTENSIONS = 'the extensions';

    public const ROUTES = 'the routes';

    public const PEOPLE = 'the people';

    public const WAYS_BACK = 'the ways back';

    /** How often `operator` may stand for `operator`. */
    private const MOST_ALIASES = 3;

    /** Conditions that a site's and the tenant's defaults, and the user's mailbox, answer too. */
    private const WITH_DEFAULTS = ['noAnswer', 'busy', 'unreachable', 'doNotDisturb'];

    /** @var array<string, BookObject> */
    private array $found = [];

    /** @var array<string, true> */
    private array $read = [];

    private ?ExtensionPlan $extensions = null;

    /** @param \Closure(Schedule, string): string $hours what a schedule says in a zone, for this call */
    public function __construct(private readonly Book $book, private readonly \Closure $hours)
    {
    }

    /** As the schedules stand at an instant, seconds since 1970. */
    public static function at(Book $book, int $at): self
    {
        return new self($book, (new ArrivalHours($book, $at))->say(...));
    }

    /** While everything is open. */
    public static function open(Book $book): self
    {
        return self::saying($book, HoursState::Open->value);
    }

    /** While every schedule says the same, such as `holiday:christmas`. */
    public static function saying(Book $book, string $state): self
    {
        return new self($book, static fn (): string => $state);
    }

    public function tenant(): Tenant
    {
        return $this->book->tenant;
    }

    public function book(): Book
    {
        return $this->book;
    }

    /** Forgets what was read. */
    public function readAnew(): void
    {
        $this->read = [];
    }

    /** @return array<string, true> objects looked at since, the tenant and what schedules say left out */
    public function read(): array
    {
        return $this->read;
    }

    /** Notes that something hangs on more than the fields that were looked at. */
    public function reads(Reference|string|null ...$parts): void
    {
        foreach ($parts as $part) {
            if ($part !== null) {
                $this->read[(string) $part] = true;
            }
        }
    }

    /**
     * @template T of BookObject
     *
     * @param  class-string<T>  $class
     * @return T
     */
    public function get(string $reference, string $class): BookObject
    {
        $this->read[$reference] = true;
        $object = $this->found["{$class} {$reference}"] ??= $this->as($class, $this->book->find(
            Reference::parse($reference),
        ) ?? throw new \LogicException("{$reference} is not in the book"));

        return $object instanceof $class ? $object : throw new \LogicException("{$reference} is no {$class}");
    }

    /** Calls meet a shared line as a group (docs/features.md). */
    private function as(string $class, BookObject $object): BookObject
    {
        return $object instanceof SharedLine && $class === Group::class ? $object->asGroup() : $object;
    }

    /** @return list<User> in list order */
    public function users(): array
    {
        return $this->book->all(User::class);
    }

    /** The menu a call stands in; null where it stands anywhere else. */
    public function menuAt(State $state): ?Menu
    {
        $object = $this->book->find(Reference::parse($state->object));
        $this->read[$state->object] = true;

        return $object instanceof Menu ? $object : null;
    }

    public function zoneOf(?Reference $site): string
    {
        return ($site === null ? null : $this->get((string) $site, Site::class)->zone) ?? $this->book->tenant->zone;
    }

    /** The zone in which whoever goes by a schedule reads it. */
    public function clockOf(Attendant|User|Group|Route $object): string
    {
        return match (true) {
            $object instanceof Route => $this->book->tenant->zone,
            $object instanceof Group => $this->zoneOf($object->site),
            default => $object->zone ?? $this->zoneOf($object->site),
        };
    }

    /** What a schedule says to whoever uses it; without one, open. */
    public function hours(?Reference $schedule, string $zone): string
    {
        return $schedule === null
            ? HoursState::Open->value
            : ($this->hours)($this->get((string) $schedule, Schedule::class), $zone);
    }

    public function handling(User $user): Handling
    {
        return match (HoursState::of($this->hours($user->schedule, $this->clockOf($user)))) {
            HoursState::Open => $user->open,
            HoursState::Closed => $user->closed ?? $user->open,
            HoursState::Holiday => $user->holiday ?? $user->closed ?? $user->open,
        };
    }

    /** @return list<Leg> of the user's present state, in ring order */
    public function legs(User $user): array
    {
        $items = $this->handling($user)->legs;
        if ($items === null) {
            return $user->legs;
        }
        $byItem = array_column($user->legs, null, 'item');

        return array_values(array_filter(array_map(static fn (string $item): ?Leg => $byItem[$item] ?? null, $items)));
    }

    /** Where a condition sends a call: the user's own, else the site's, the tenant's, the user's mailbox. */
    public function treatment(User $user, string $condition, bool $inside): ?Destination
    {
        $own = $this->handling($user)->treatments[$condition] ?? null;
        $to = $inside ? $own?->inside : $own?->outside;
        if ($to !== null || ! in_array($condition, self::WITH_DEFAULTS, true)) {
            return $to;
        }
        $site = $user->site === null ? null : $this->get((string) $user->site, Site::class)->defaults->of($condition);
        $tenant = $this->book->tenant->defaults->of($condition);

        return ($inside ? $site?->inside : $site?->outside)
            ?? ($inside ? $tenant?->inside : $tenant?->outside)
            ?? ($user->mailbox === null ? null : Destination::object($user->mailbox));
    }

    /** What a destination stands for: `operator` for what the tenant names, as if that were named there. */
    public function meant(?Destination $to): ?Destination
    {
        for ($alias = 0; $to?->word === 'operator'; $alias++) {
            $to = $alias < self::MOST_ALIASES ? $this->book->tenant->operator : null;
        }

        return $to;
    }

    /** The answer of an attendant for the state of its schedule; null for none. */
    public function answer(Attendant $attendant): ?string
    {
        $state = $this->hours($attendant->schedule, $this->clockOf($attendant));
        $byWhen = [];
        foreach ($attendant->answers as $answer) {
            $byWhen[$answer['when']] ??= $answer['item'];
        }
        $plain = HoursState::of($state);

        return $byWhen[$state]
            ?? $byWhen[$plain->value]
            ?? ($plain === HoursState::Holiday ? $byWhen[HoursState::Closed->value] ?? null : null);
    }

    public function seconds(?Reference $prompt): int
    {
        return $prompt === null ? 0 : $this->get((string) $prompt, Prompt::class)->seconds();
    }

    /**
     * Seconds a place of a chain is offered.
     *
     * @param  array{item: string, to: ?Destination, rings: ?int}  $place
     */
    public function placeSeconds(array $place): int
    {
        return ($place['rings'] ?? $this->book->tenant->chainRings) * $this->book->tenant->secondsPerRing;
    }

    /** Seconds a screened transfer rings before it comes back. */
    public function transferSeconds(): int
    {
        return $this->book->tenant->transferRings * $this->book->tenant->secondsPerRing;
    }

    /** The class with which an object sends calls out. */
    public function classOf(string $sender): CallingClass
    {
        $this->read[$sender] = true;
        $object = $this->book->find(Reference::parse($sender));

        return match (true) {
            $object instanceof User => $object->callingClass,
            $object instanceof Group, $object instanceof Chain, $object instanceof Menu,
            $object instanceof Attendant => $object->onwardClass,
            $object instanceof Mailbox
                && $object->owner !== null => $this->get((string) $object->owner, User::class)->callingClass,
            default => CallingClass::National,
        };
    }

    /** Whom a caller of a menu reaches by an extension; null for nobody. */
    public function dialled(Menu $menu, string $extension): ?string
    {
        foreach ($this->extensions()[$extension] ?? [] as $holder) {
            if ($menu->dialExtensions['scope'] === ExtensionReach::All || (
                $menu->site !== null && $this->siteOf($holder) === (string) $menu->site
            )) {
                return (string) Reference::of($holder);
            }
        }

        return null;
    }

    /** @return array<array-key, list<BookObject>> what takes calls, by extension */
    public function extensions(): array
    {
        $this->read[self::EXTENSIONS] = true;
        $this->extensions ??= ExtensionPlan::of($this->book)->ofCalls();

        return $this->extensions->holders;
    }

    /**
     * @return list<array{string, string, ?string}> who can be dialled, and at which site: extension, reference, site
     */
    public static function plan(Book $book): array
    {
        $self = self::open($book);
        $plan = [];
        foreach (ExtensionPlan::of($book)->ofCalls()->holders as $extension => $holders) {
            foreach ($holders as $holder) {
                $plan[] = [(string) $extension, (string) Reference::of($holder), $self->siteOf($holder)];
            }
        }

        return $plan;
    }

    public function siteOf(BookObject $object): ?string
    {
        $site = match (true) {
            $object instanceof User, $object instanceof Group, $object instanceof Attendant, $object instanceof Line,
            $object instanceof Menu, $object instanceof SharedLine, $object instanceof Conference => $object->site,
            $object instanceof Mailbox => $object->owner === null
                ? null
                : $this->get((string) $object->owner, User::class)->site,
            default => null,
        };

        return $site === null ? null : (string) $site;
    }
}
