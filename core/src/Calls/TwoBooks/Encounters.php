<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\TwoBooks;

use Jaunty\Core\Book\Announcement;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\Member;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\SharedLine;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\AllCalls\Crossing;
use Jaunty\Core\Calls\AllCalls\Edge;
use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\AllCalls\Graph;
use Jaunty\Core\Calls\AllCalls\Remembered;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\Event;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\Next;
use Jaunty\Core\Calls\Law\OfferPlan;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Law\Place;
use Jaunty\Core\Calls\Law\State;

/** The encounters of one book's calls, in names that another book's share. */
final class Encounters
{
    /** Two books, and what is met in each kept beside them. */
    private const PARTS = 3;

    /** @var Remembered<Encounter> */
    private Remembered $known;

    public readonly Graph $graph;

    private ?CallBook $calls = null;

    private function __construct(
        private readonly Book $book,
        private readonly CommonNames $names,
        Graph $graph,
        private readonly ?Explorer $within,
    ) {
        $this->known = new Remembered();
        $this->graph = $graph;
    }

    /** @param ?Graph $kin of the book beside it */
    public static function of(Book $book, CommonNames $names, int $at, ?Graph $kin = null): self
    {
        return new self($book, $names, new Graph($book, $at, $kin, self::PARTS), null);
    }

    /** The same for calls that come only so far as was explored: what lies beyond the tenant's transfers ends them. */
    public function within(Explorer $explored): self
    {
        return new self($this->book, $this->names, $this->graph, $explored);
    }

    public function isLimited(): bool
    {
        return $this->within !== null;
    }

    public function transferLimit(): int
    {
        return $this->book->tenant->transferLimit;
    }

    /** @return list<string> who answers anywhere there, by the names both books share */
    public function answering(Explorer $explored): array
    {
        $people = [];
        foreach ($explored->edges as $edges) {
            foreach ($edges as $edge) {
                if ($edge->choice->event->kind === EventKind::Answered) {
                    $people[$this->names->name($edge->choice->event->detail)] = true;
                }
            }
        }

        return array_keys($people);
    }

    /**
     * @param  array<string, string>  $valuation
     * @return array{array<string, string>, Encounter} what schedules were asked and said, and what is met
     */
    public function from(State $state, array $valuation): array
    {
        $known = $this->known->find($state->key(), $valuation);
        if ($known !== null) {
            return $known;
        }
        $this->graph->say($valuation);
        $asked = [];
        $heard = [];
        $passed = [];
        $seconds = 0;
        $at = $state;
        do {
            $passed[$at->key()] = true;
            $crossing = $this->graph->edges($at);
            $edges = $this->within->edges[$at->key()] ?? $crossing->edges;
            $asked += $crossing->asked;
            $heard = [...$heard, ...$this->heard($at, $edges)];
            $way = Crossing::onlyWay($edges);
            if ($way === null) {
                return $this->known->keep(
                    $state->key(),
                    $asked,
                    $this->choice($at, $edges, $heard, $seconds, count($passed)),
                );
            }
            $seconds = $seconds === null || $way->choice->most === null ? null : $seconds + $way->choice->most;
            $next = $way->next;
            if ($next->state !== null && isset($passed[$next->state->key()])) {
                return $this->known->keep($state->key(), $asked, new Encounter(
                    Outcome::Loop->value,
                    $this->names->name($at->object),
                    $heard,
                    [],
                    [],
                    '',
                    null,
                    [],
                    count($passed),
                ));
            }
            $at = $next->state;
        } while ($at !== null);

        return $this->known->keep($state->key(), $asked, $this->end($next, $heard, $seconds, count($passed)));
    }

    /** @param list<string> $heard */
    public function end(Next $next, array $heard = [], ?int $seconds = 0, int $places = 0): Encounter
    {
        return new Encounter(
            $next->outcome->value ?? '',
            $this->names->name($next->target),
            $heard,
            [],
            [],
            '',
            $seconds,
            [],
            $places,
        );
    }

    /**
     * @param  list<Edge>  $edges
     * @return array<string, Edge> by what happens, the passive first
     */
    public function events(State $state, array $edges): array
    {
        $object = $this->objectOf($state);
        $events = [];
        foreach ($edges as $edge) {
            $events[$this->label($edge->choice->event, $object)] = $edge;
        }
        uasort(
            $events,
            static fn (Edge $one, Edge $other): int => $other->choice->isPassive <=> $one->choice->isPassive,
        );

        return $events;
    }

    /**
     * @param  list<Edge>  $edges
     * @return list<string> who may answer, in ring order
     */
    public function people(array $edges): array
    {
        $people = [];
        foreach ($edges as $edge) {
            if ($edge->choice->event->kind === EventKind::Answered) {
                $people[] = $this->names->name($edge->choice->event->detail);
            }
        }

        return $people;
    }

    private function objectOf(State $state): ?BookObject
    {
        $object = $state->place === Place::Outside ? null : $this->book->find(Reference::parse($state->object));

        return $object instanceof SharedLine ? $object->asGroup() : $object;
    }

    /**
     * @param  list<Edge>  $edges
     * @param  list<string>  $heard
     */
    private function choice(State $state, array $edges, array $heard, ?int $seconds, int $places): Encounter
    {
        $object = $this->objectOf($state);

        return new Encounter(
            match (true) {
                $object instanceof Group && $object->queue !== null => 'queue',
                in_array(
                    $state->place,
                    [Place::User, Place::Outside, Place::Group, Place::Chain, Place::Transfer],
                    true,
                ) => 'rings',
                default => $state->place->value,
            },
            '',
            $heard,
            $people = $this->people($edges),
            $this->rungOnACall($state, $object, $people, $edges),
            match (true) {
                $object instanceof Group => self::manner($object),
                default => '',
            },
            $seconds,
            $this->events($state, $edges),
            $places,
        );
    }

    /** Rings mean nothing while one offer lasts until the limit. */
    private static function manner(Group $group): string
    {
        $order = $group->order->inWords();

        return OfferPlan::own($group, 1)->oneOffer === null
            ? "{$order}, {$group->ringsEach} " . ($group->ringsEach === 1 ? 'ring' : 'rings')
            : $order;
    }

    /**
     * Whom a second line rings while they are on a call, unless that is to lead elsewhere.
     *
     * @param  list<string>  $people  who may answer, by their common names
     * @param  list<Edge>  $edges
     * @return list<string> by those names
     */
    private function rungOnACall(State $state, ?BookObject $object, array $people, array $edges): array
    {
        if (
            $people === [] || array_filter(
                $edges,
                static fn (Edge $edge): bool => $edge->choice->event->kind === EventKind::OnACall,
            ) !== []
        ) {
            return [];
        }
        $this->calls ??= CallBook::open($this->book);
        $to = $object instanceof Chain
            ? $this->calls->meant($object->places[$state->position]['to'] ?? null)?->object
            : null;
        $object = $to === null ? $object : $this->book->find($to);
        $users = match (true) {
            $state->place === Place::Transfer => [Reference::parse($state->callee)],
            $object instanceof Group => $object->skipBusy || $object->queue !== null
                ? []
                : array_map(static fn (Member $member): ?Reference => $member->who->object, $object->members),
            $object instanceof User => [Reference::of($object)],
            default => [],
        };
        $rung = [];
        foreach (array_filter($users) as $reference) {
            $user = $this->book->find($reference);
            $name = $this->names->name((string) $reference);
            if ($user instanceof User && $user->callWaiting && in_array($name, $people, true)) {
                $rung[] = $name;
            }
        }

        return $rung;
    }

    /** What happens, told in words both books share. */
    private function label(Event $event, ?object $object): string
    {
        $detail = match (true) {
            $event->kind === EventKind::ExitKey && $object instanceof Group => (string) $object->queue?->exitKey,
            $event->kind === EventKind::Blocked => implode(
                ' ',
                array_map(static fn ($blocked): string => $blocked->callers, $this->book->tenant->blocked),
            ),
            $event->kind === EventKind::Rule && $object instanceof Number => $this->callers($object, $event->detail),
            str_contains($event->detail, ':') => $this->names->name($event->detail),
            default => $event->detail,
        };

        return $event->kind->inWords($detail);
    }

    private function callers(Number $number, string $item): string
    {
        foreach ($number->callerRules as $rule) {
            if ($rule->item === $item) {
                return $rule->callers;
            }
        }

        return $item;
    }

    /**
     * @param  list<Edge>  $edges
     * @return list<string>
     */
    private function heard(State $state, array $edges): array
    {
        $object = $this->objectOf($state);
        $prompts = match (true) {
            $state->place === Place::Transfer, $state->place === Place::Directory => [],
            $object instanceof Attendant => array_column(
                array_filter($object->answers, static fn (array $answer): bool => $answer['item'] === (
                    $edges[0]->choice->event->detail ?? null
                )),
                'greeting',
            ),
            $object instanceof Menu => [$object->prompt, $state->wrong > 0 ? $object->invalidPrompt : null],
            $object instanceof Mailbox => [$object->greeting],
            $object instanceof Announcement => [$object->prompt],
            $object instanceof Chain => $state->position === -1 && $object->announcement !== null
                ? [$this->prompt($object->announcement)]
                : [],
            $object instanceof Group && $object->queue !== null => [
                $object->queue->greeting,
                $object->queue->comfort,
                $object->queue->music,
            ],
            default => [],
        };

        return array_map(
            fn (Reference $prompt): string => $this->names->name((string) $prompt),
            array_values(array_filter($prompts)),
        );
    }

    private function prompt(Reference $announcement): ?Reference
    {
        $object = $this->book->find($announcement);

        return $object instanceof Announcement ? $object->prompt : null;
    }
}
