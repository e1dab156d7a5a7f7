<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Year;

use Jaunty\Core\Calls\AllCalls\Edge;
use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\Law\Event;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Law\State;

/** Where calls of one run can go, object by object: a drawing's nodes and arrows. */
final readonly class CallMap
{
    /** More people than this whom one place can ring are one node: a drawing of forty telephones says less. */
    private const MOST_PEOPLE = 3;

    /** As many that are alike are drawn one by one. */
    private const MOST_ALIKE = 3;

    /** Whose names matter less than how many there are. */
    private const ALIKE = ['user', 'person', 'mailbox', 'outside'];

    /**
     * @param  list<array{id: string, object: ?string, sort: string, people: int, stands: list<string>}>  $nodes  object
     *     is a reference or an outside number; null for an end such as a dead end, where several people are one node,
     *     and where one stands for several that are alike
     * @param  list<array{from: string, to: string, labels: list<string>}>  $arrows  what has to happen
     */
    private function __construct(public array $nodes, public array $arrows)
    {
    }

    public static function of(Run $run): self
    {
        return self::drawn($run, []);
    }

    /** What callers are led to: without whom they reach because they know an extension or a name. */
    public static function inShort(Run $run): self
    {
        return self::drawn($run, [EventKind::Dialled, EventKind::Named]);
    }

    /** @param list<EventKind> $without */
    private static function drawn(Run $run, array $without): self
    {
        $nodes = [$run->start->object => 'number'];
        $arrows = [];
        $crowds = self::crowds($run);
        $reached = self::reached($run, $without);
        // As they were found: a drawing is laid out by the order of its nodes.
        foreach (array_intersect_key($run->explored->states, $reached) as $key => $state) {
            $nodes[$state->object] ??= explode(':', $state->object, 2)[0];
            foreach ($reached[$key] as $edge) {
                $label = self::label($edge->choice->event);
                [$to, $sort] = self::end($edge, $state, $run->explored);
                if ($edge->next->outcome === Outcome::Answered && isset($crowds[$state->object])) {
                    [$to, $sort] = ["people {$state->object}", 'person'];
                }
                if ($to === $state->object) {
                    continue;
                }
                $nodes[$to] ??= $sort;
                $arrows["{$state->object} > {$to}"] ??= ['from' => $state->object, 'to' => $to, 'labels' => []];
                if ($label !== '') {
                    $arrows["{$state->object} > {$to}"]['labels'][$label] = true;
                }
            }
        }

        return self::folded(
            array_map(
                static fn (string $id, string $sort): array => [
                    'id' => $id,
                    'object' => str_starts_with($id, 'end ') || str_starts_with($id, 'people ') ? null : $id,
                    'sort' => $sort, 'people' => count($crowds[substr($id, strlen('people '))] ?? []), 'stands' => [],
                ],
                array_keys($nodes),
                array_values($nodes),
            ),
            array_values(array_map(
                static fn (array $arrow): array => [
                    'from' => $arrow['from'],
                    'to' => $arrow['to'],
                    'labels' => array_map(strval(...), array_keys($arrow['labels'])),
                ],
                $arrows,
            )),
        );
    }

    /**
     * @param  list<EventKind>  $without
     * @return array<string, list<Edge>> what can happen in each state that is come to without some events, by its key
     */
    private static function reached(Run $run, array $without): array
    {
        $reached = [];
        $open = [$run->start->key()];
        while (($key = array_pop($open)) !== null) {
            if (isset($reached[$key])) {
                continue;
            }
            $reached[$key] = array_values(array_filter(
                $run->explored->edges[$key] ?? [],
                static fn (Edge $edge): bool => ! in_array($edge->choice->event->kind, $without, true),
            ));
            array_push($open, ...array_filter(array_column($reached[$key], 'to'), is_string(...)));
        }

        return $reached;
    }

    /**
     * People, mailboxes and outside numbers that nobody can tell apart by where they are reached from, how, and where
     * they lead, as one node: that ten people each have a mailbox is "10 people" and "10 mailboxes".
     *
     * @param  list<array{id: string, object: ?string, sort: string, people: int, stands: list<string>}>  $nodes
     * @param  list<array{from: string, to: string, labels: list<string>}>  $arrows
     */
    private static function folded(array $nodes, array $arrows): self
    {
        $shapes = self::shapes($nodes, $arrows);
        $alike = [];
        foreach ($nodes as $node) {
            $alike[$shapes[$node['id']]][] = $node['id'];
        }
        $into = [];
        $kept = [];
        foreach ($nodes as $node) {
            $stands = $alike[$shapes[$node['id']]];
            if (count($stands) <= self::MOST_ALIKE) {
                $kept[$node['id']] = $node;

                continue;
            }
            $id = "alike {$stands[0]}";
            $into[$node['id']] = $id;
            $kept[$id] ??= ['id' => $id, 'object' => null, 'sort' => $node['sort'], 'people' => 0, 'stands' => $stands];
        }
        $drawn = [];
        foreach ($arrows as $arrow) {
            [$from, $to] = [$into[$arrow['from']] ?? $arrow['from'], $into[$arrow['to']] ?? $arrow['to']];
            $drawn["{$from} > {$to}"] ??= ['from' => $from, 'to' => $to, 'labels' => $arrow['labels']];
        }

        return new self(array_values($kept), array_values($drawn));
    }

    /**
     * A name for the place of each node in the drawing, the same for those that are alike: told apart further and
     * further by what their arrows come from and lead to, until nothing more is told apart.
     *
     * @param  list<array{id: string, object: ?string, sort: string, people: int, stands: list<string>}>  $nodes
     * @param  list<array{from: string, to: string, labels: list<string>}>  $arrows
     * @return array<string, string> by node
     */
    private static function shapes(array $nodes, array $arrows): array
    {
        $shapes = [];
        foreach ($nodes as $node) {
            $isOneOfMany = $node['object'] !== null && in_array($node['sort'], self::ALIKE, true);
            $shapes[$node['id']] = $isOneOfMany ? $node['sort'] : $node['id'];
        }
        do {
            $before = count(array_unique($shapes));
            $seen = array_map(static fn (string $shape): array => [$shape], $shapes);
            foreach ($arrows as $arrow) {
                $how = implode(', ', $arrow['labels']);
                $seen[$arrow['from']][] = "to {$shapes[$arrow['to']]} by {$how}";
                $seen[$arrow['to']][] = "from {$shapes[$arrow['from']]} by {$how}";
            }
            foreach ($seen as $id => $arrowsThere) {
                $shape = array_shift($arrowsThere);
                sort($arrowsThere);
                $shapes[$id] = hash('xxh128', $shape . "\n" . implode("\n", $arrowsThere));
            }
        } while (count(array_unique($shapes)) > $before);

        return $shapes;
    }

    /** @return array<string, array<string, true>> who may answer at a place, by place, of those with many */
    private static function crowds(Run $run): array
    {
        $people = [];
        foreach ($run->explored->states as $key => $state) {
            foreach ($run->explored->edges[$key] ?? [] as $edge) {
                if ($edge->next->outcome === Outcome::Answered) {
                    $people[$state->object][$edge->next->target] = true;
                }
            }
        }

        return array_filter($people, static fn (array $of): bool => count($of) > self::MOST_PEOPLE);
    }

    /** @return array{string, string} the node it leads to, and what that is */
    private static function end(Edge $edge, State $state, Explorer $explored): array
    {
        if ($edge->next->outcome === null) {
            $object = $explored->states[(string) $edge->to]->object ?? $state->object;

            return [$object, explode(':', $object, 2)[0]];
        }
        $outcome = $edge->next->outcome;

        return match ($outcome->sort($edge->next->target)) {
            'person', 'mailbox', 'outside' => [$edge->next->target, $outcome->sort($edge->next->target)],
            'released' => [
                $outcome === Outcome::AnnouncementAndRelease ? $state->object : "end {$outcome->value}",
                'released',
            ],
            default => ["end {$outcome->value} {$state->object}", 'lost'],
        };
    }

    private static function label(Event $event): string
    {
        return match ($event->kind) {
            EventKind::Key => "key {$event->detail}",
            EventKind::Zero => 'key 0',
            EventKind::ExitKey => 'the key out',
            EventKind::Wrong => 'wrong keys',
            EventKind::Silence => 'no key',
            EventKind::Unanswered, EventKind::NoAnswerSet => 'no answer',
            EventKind::Busy, EventKind::AllBusy, EventKind::OnACall => 'busy',
            EventKind::Unreachable, EventKind::AllUnreachable => 'away',
            EventKind::DoNotDisturb => 'not disturbed',
            EventKind::NobodySignedIn => 'nobody signed in',
            EventKind::WaitedLongest => 'waited longest',
            EventKind::Full => 'full',
            EventKind::ComesBack => 'nobody takes it up',
            EventKind::PickedUp => 'taken up',
            EventKind::Unheard => 'nobody hears',
            EventKind::Rule => 'some callers',
            EventKind::Blocked => 'blocked callers',
            EventKind::Dialled => 'an extension',
            EventKind::Named => 'a name',
            EventKind::Refused => 'no way out',
            EventKind::OutsideMailbox => 'its own mailbox',
            EventKind::SwitchedOff => 'switched off',
            EventKind::ClosedByHand => 'closed by hand',
            // What happens of itself, or what the next place says by its name, needs no word at the arrow.
            EventKind::Always, EventKind::Announced, EventKind::Answer, EventKind::Answered,
            EventKind::Caller, EventKind::Closed, EventKind::Ended, EventKind::Endless,
            EventKind::Holiday, EventKind::Leads, EventKind::Left, EventKind::MessageIn,
            EventKind::MessageRefused, EventKind::NotDelivered, EventKind::NotInService,
            EventKind::OldCarrier, EventKind::PlatformOut, EventKind::Played, EventKind::Rings,
            EventKind::SiteOut, EventKind::Heard, EventKind::Joined, EventKind::Parked => '',
        };
    }
}
