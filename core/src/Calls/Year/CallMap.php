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

    /**
     * @param  list<array{id: string, object: ?string, sort: string, people: int}>  $nodes  object is a reference or an
     *     outside number; null for an end such as a dead end, and where several people are one node
     * @param  list<array{from: string, to: string, labels: list<string>}>  $arrows  what has to happen
     */
    private function __construct(public array $nodes, public array $arrows)
    {
    }

    public static function of(Run $run): self
    {
        $nodes = [$run->start->object => 'number'];
        $arrows = [];
        $crowds = self::crowds($run);
        foreach ($run->explored->states as $key => $state) {
            $nodes[$state->object] ??= explode(':', $state->object, 2)[0];
            foreach ($run->explored->edges[$key] ?? [] as $edge) {
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

        return new self(
            array_map(
                static fn (string $id, string $sort): array => [
                    'id' => $id,
                    'object' => str_starts_with($id, 'end ') || str_starts_with($id, 'people ') ? null : $id,
                    'sort' => $sort, 'people' => count($crowds[substr($id, strlen('people '))] ?? []),
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
            EventKind::Full => 'queue full',
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
            EventKind::SiteOut => '',
        };
    }
}
