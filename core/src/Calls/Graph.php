<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\User;

/**
 * The edges of a book's calls, made once for each state and each saying of the schedules that state reads. One graph serves
 * every number and every period.
 */
final class Graph
{
    /** @var array<string, list<Edge>> */
    private array $edges = [];

    /** @var array<string, string> what schedules say now, by `schedule:key zone` */
    private array $valuation = [];

    /** @var array<string, list<array{?Reference, string}>> schedules read, by object */
    private array $reads = [];

    private CallBook $callBook;

    private Machine $machine;

    private Choices $choices;

    private WayOut $wayOut;

    /** @param int $at instant at which numbers' dates are read */
    public function __construct(private readonly Book $book, int $at)
    {
        $this->callBook = new CallBook($book, fn (Schedule $schedule, string $zone): string => $this->valuation[self::slot($schedule, $zone)] ?? 'open');
        $this->machine = new Machine($this->callBook);
        $this->wayOut = new WayOut($this->callBook);
        $this->choices = new Choices($this->callBook, $this->wayOut, new NumberRules($this->callBook, $at));
    }

    /** Names a schedule in a zone, as valuations do. */
    public static function slot(Schedule $schedule, string $zone): string
    {
        return "schedule:{$schedule->key} " . ($schedule->fixedZone ?? $zone);
    }

    /** @param array<string, string> $valuation */
    public function say(array $valuation): void
    {
        $this->valuation = $valuation;
    }

    /** @return list<Edge> the choices of a state and where they lead, as the schedules stand */
    public function edges(State $state): array
    {
        $key = $state->key();
        foreach ($this->reads[$state->object] ??= $this->schedules($state) as [$schedule, $zone]) {
            $key .= ' ' . $this->callBook->hours($schedule, $zone);
        }
        if (! isset($this->edges[$key])) {
            $this->edges[$key] = [];
            foreach ($this->choices->of($state) as $choice) {
                $next = $this->machine->step($state, $choice->event);
                $this->edges[$key][] = new Edge($choice, $next, $next->state?->key());
            }
        }

        return $this->edges[$key];
    }

    /** @return list<State> every number, and every extension dialled from inside */
    public function starts(): array
    {
        $starts = array_map(static fn ($number): State => State::number($number->key()), $this->book->ofKind(Kind::Number));
        foreach ($this->callBook->extensions() as $holders) {
            $starts[] = $this->machine->dialled(Reference::of($holders[0]));
        }

        return $starts;
    }

    /** @return array<string, array{Schedule, string, list<string>}> every schedule in every zone it is read in, with the states that answers name */
    public function slots(): array
    {
        $slots = [];
        $named = [];
        foreach ([...$this->book->ofKind(Kind::Attendant), ...$this->book->ofKind(Kind::Group), ...$this->book->ofKind(Kind::User), ...$this->book->ofKind(Kind::Route)] as $object) {
            [$reference, $zone] = match (true) {
                $object instanceof Attendant, $object instanceof User => [$object->schedule, $object->zone ?? $this->callBook->zoneOf($object->site)],
                $object instanceof Group => [$object->schedule, $this->callBook->zoneOf($object->site)],
                $object instanceof Route => [$object->schedule, $this->book->tenant->zone],
                default => [null, ''],
            };
            if ($reference === null) {
                continue;
            }
            $schedule = $this->callBook->get((string) $reference, Schedule::class);
            $slot = self::slot($schedule, $zone);
            $named[$slot] = [...$named[$slot] ?? [], ...($object instanceof Attendant ? array_column($object->answers, 'when') : [])];
            $slots[$slot] = [$schedule, $schedule->fixedZone ?? $zone, array_values(array_unique($named[$slot]))];
        }
        ksort($slots);

        return $slots;
    }

    /** @return list<array{?Reference, string}> the schedules that decide what a state does */
    private function schedules(State $state): array
    {
        $kind = explode(':', $state->object, 2)[0];
        if ($state->place === Place::Outside) {
            return $this->routes();
        }
        $object = in_array($kind, ['attendant', 'group', 'user', 'chain', 'menu'], true) ? $this->book->find(Reference::parse($state->object)) : null;

        return match (true) {
            $object instanceof Attendant => [[$object->schedule, $object->zone ?? $this->callBook->zoneOf($object->site)]],
            $object instanceof User => [[$object->schedule, $object->zone ?? $this->callBook->zoneOf($object->site)], ...$this->routes()],
            // Members, places and screened users are in the states of their own schedules.
            $object !== null => $this->everySchedule(),
            default => [],
        };
    }

    /** @return list<array{?Reference, string}> */
    private function routes(): array
    {
        $schedules = [];
        foreach ($this->book->ofKind(Kind::Route) as $route) {
            if ($route instanceof Route && $route->schedule !== null) {
                $schedules[] = [$route->schedule, $this->book->tenant->zone];
            }
        }

        return $schedules;
    }

    /** @return list<array{?Reference, string}> those of groups, users and routes; attendants answer for themselves */
    private function everySchedule(): array
    {
        $schedules = $this->routes();
        foreach ([...$this->book->ofKind(Kind::Group), ...$this->book->ofKind(Kind::User)] as $object) {
            if ($object instanceof Group && $object->schedule !== null) {
                $schedules[] = [$object->schedule, $this->callBook->zoneOf($object->site)];
            } elseif ($object instanceof User && $object->schedule !== null) {
                $schedules[] = [$object->schedule, $object->zone ?? $this->callBook->zoneOf($object->site)];
            }
        }

        return array_values(array_unique($schedules, SORT_REGULAR));
    }
}
