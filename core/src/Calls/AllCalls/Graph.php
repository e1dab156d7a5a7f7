<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\ExtensionPlan;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\Choice;
use Jaunty\Core\Calls\Law\Machine;
use Jaunty\Core\Calls\Law\Next;
use Jaunty\Core\Calls\Law\NumberRules;
use Jaunty\Core\Calls\Law\Sayings;
use Jaunty\Core\Calls\Law\State;
use Jaunty\Core\Calls\Law\WayOut;
use Jaunty\Core\Calls\Law\WaysBack;

/**
 * The edges of a book's calls, made once for each state and each answer of the schedules that were asked for it. One
 * graph serves every number and every period; beside the graph of another book it takes over what holds in both.
 */
final class Graph
{
    /**
     * How many ways on may be made (each is kept, so this bounds memory) and gone along (this bounds time), whatever
     * the book is like, and for each object of it: books of 6,000 users take a third of that.
     */
    private const WAYS_MADE = [80_000, 50];

    private const WAYS_GONE = [400_000, 400];

    /** @var Remembered<Crossing> */
    private Remembered $known;

    public readonly Unlike $unlike;

    private Sayings $sayings;

    private CallBook $callBook;

    private Machine $machine;

    private Choices $choices;

    /** @var array<string, Choice> */
    private array $kinds = [];

    /** @var array<string, Next> */
    private array $nexts = [];

    private int $mayMake;

    private int $mayGo;

    /**
     * @param  int  $at  instant at which numbers' dates are read where nothing is said of them
     * @param  ?self  $kin  of a book much like this one, and of the same instant
     * @param  int  $parts  into how many what may be followed is divided, where more is kept of each way than the way
     *     itself
     */
    public function __construct(private readonly Book $book, int $at, private ?self $kin = null, int $parts = 1)
    {
        $this->known = new Remembered();
        $objects = count($book->objects());
        $this->mayMake = intdiv(self::WAYS_MADE[0] + self::WAYS_MADE[1] * $objects, $parts);
        $this->mayGo = self::WAYS_GONE[0] + self::WAYS_GONE[1] * $objects;
        $this->unlike = Unlike::between($kin->book ?? $book, $book);
        // What the kin itself took over it has; a line of ancestors would never end.
        if ($kin !== null) {
            $kin->kin = null;
        }
        $this->sayings = new Sayings($at);
        $this->callBook = new CallBook($book, $this->sayings->ofSchedule(...));
        $this->machine = new Machine($this->callBook, WaysBack::of($book));
        $this->choices = new Choices(
            $this->callBook,
            new WayOut($this->callBook),
            new NumberRules($this->callBook, $at, $this->sayings->ofNumber(...)),
        );
    }

    /** @param array<string, string> $valuation */
    public function say(array $valuation): void
    {
        $this->sayings->says = $valuation;
    }

    public function edges(State $state): Crossing
    {
        $key = $state->key();
        $known = $this->known->find($key, $this->sayings->says);
        if ($known !== null) {
            $this->mayGo -= count($known[1]->edges);

            return $known[1];
        }
        $crossing = $this->kin?->lend($key, $this->sayings->says, $this->unlike) ?? $this->cross($state);

        return $this->known->keep($key, $crossing->asked, $crossing)[1];
    }

    /** Whether as much was followed as may be: what was not is unknown. */
    public function isSpent(): bool
    {
        return $this->mayMake <= 0 || $this->mayGo <= 0;
    }

    public function transferLimit(): int
    {
        return $this->book->tenant->transferLimit;
    }

    private function cross(State $state): Crossing
    {
        $this->sayings->asked = [];
        $this->callBook->readAnew();
        $edges = [];
        foreach ($this->choices->of($state) as $choice) {
            $next = $this->kept($this->machine->step($state, $choice->event));
            $edges[] = new Edge($this->kinds[$choice->sign()] ??= $choice, $next, $next->state?->key());
        }
        $this->mayMake -= count($edges);
        $this->mayGo -= count($edges);

        return new Crossing($this->sayings->asked, $this->callBook->read(), $edges);
    }

    /** One object for what is the same: most ways of a large book lead to where others lead too. */
    private function kept(Next $next): Next
    {
        $to = $next->state === null
            ? "{$next->outcome?->value} {$next->target}"
            : ($next->isTransfer ? '> ' : '- ') . ($next->state->afterWrong ? 'again ' : '') . $next->state->key();

        return $this->nexts[$to] ??= $next;
    }

    /** @param array<string, string> $valuation */
    private function lend(string $key, array $valuation, Unlike $unlike): ?Crossing
    {
        $crossing = $this->known->find($key, $valuation)[1] ?? null;

        return $crossing === null || $unlike->touches($crossing->read) ? null : $crossing;
    }

    /** @return list<State> calls to every number */
    public function numbers(): array
    {
        return array_map(
            static fn ($number): State => State::number($number->key()),
            $this->book->ofKind(Kind::Number),
        );
    }

    /** @return list<State> every number, and every extension dialled from inside */
    public function starts(): array
    {
        return array_values($this->named(static fn (string $number): string => $number));
    }

    /**
     * @param  callable(string): string  $name  of a number
     * @return array<string, State> every number, and every extension dialled from inside, by name
     */
    public function named(callable $name): array
    {
        $starts = [];
        foreach ($this->numbers() as $state) {
            $starts[$name($state->object)] = $state;
        }
        $this->callBook->reads(CallBook::EXTENSIONS);
        foreach (ExtensionPlan::of($this->book)->holders as $extension => $holders) {
            $starts["extension:{$extension}"] = $this->machine->dialled(Reference::of($holders[0]));
        }

        return $starts;
    }

    /**
     * @return array<string, array{Schedule, string, list<string>}> every schedule in every zone it is read in, with the
     *     states that answers name
     */
    public function slots(): array
    {
        $slots = [];
        $named = [];
        foreach (
            [
                ...$this->book->all(Attendant::class), ...$this->book->all(Group::class),
                ...$this->book->all(User::class), ...$this->book->all(Route::class),
            ] as $object
        ) {
            if ($object->schedule === null) {
                continue;
            }
            $zone = $this->callBook->clockOf($object);
            $schedule = $this->callBook->get((string) $object->schedule, Schedule::class);
            $slot = Sayings::slot($schedule, $zone);
            $named[$slot] = [...$named[$slot] ?? [], ...(
                $object instanceof Attendant ? array_column($object->answers, 'when') : []
            )];
            $slots[$slot] = [$schedule, $schedule->fixedZone ?? $zone, array_values(array_unique($named[$slot]))];
        }
        ksort($slots);

        return $slots;
    }

    /**
     * Numbers that begin or end some day: their dates cut time as schedules do.
     *
     * @return array<string, array{Number, string}> with the zone their days are of, by slot
     */
    public function dated(): array
    {
        $dated = [];
        foreach ($this->book->all(Number::class) as $number) {
            if ($number->from !== null || $number->until !== null) {
                $dated[Sayings::dates($number)] = [$number, $this->callBook->zoneOf($number->site)];
            }
        }

        return $dated;
    }
}
