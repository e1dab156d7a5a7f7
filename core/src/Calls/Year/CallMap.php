<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Year;

use Jaunty\Core\Calls\AllCalls\Edge;
use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\Law\Event;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Law\State;

/** Where calls of one run can go, object by object: a drawing's nodes and arrows. */
final readonly class CallMap
{
    /** More people than this whom one place can ring are one node: a drawing of forty telephones says less. */
    private const MOST_PEOPLE = 3;

    /**
     * @param  list<array{id: string, object: ?string, sort: string, people: int}>  $nodes  object is a reference or an outside number; null for an end such as a dead end, and where several people are one node
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
            array_map(static fn (string $id, string $sort): array => ['id' => $id, 'object' => str_starts_with($id, 'end ') || str_starts_with($id, 'people ') ? null : $id, 'sort' => $sort, 'people' => count($crowds[substr($id, strlen('people '))] ?? [])], array_keys($nodes), array_values($nodes)),
            array_values(array_map(static fn (array $arrow): array => ['from' => $arrow['from'], 'to' => $arrow['to'], 'labels' => array_map(strval(...), array_keys($arrow['labels']))], $arrows)),
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
            'released' => [$outcome === Outcome::AnnouncementAndRelease ? $state->object : "end {$outcome->value}", 'released'],
            default => ["end {$outcome->value} {$state->object}", 'lost'],
        };
    }

    private static function label(Event $event): string
    {
        return match ($event->kind) {
            'key' => "key {$event->detail}",
            'zero' => 'key 0',
            'exitKey' => 'the key out',
            'wrong' => 'wrong keys',
            'silence' => 'no key',
            'unanswered', 'noAnswerSet' => 'no answer',
            'busy', 'allBusy', 'onACall' => 'busy',
            'unreachable', 'allUnreachable' => 'away',
            'doNotDisturb' => 'not disturbed',
            'nobodySignedIn' => 'nobody signed in',
            'waitedLongest' => 'waited longest',
            'full' => 'queue full',
            'rule' => 'some callers',
            'blocked' => 'blocked callers',
            'dialled' => 'an extension',
            'named' => 'a name',
            'refused' => 'no way out',
            'outsideMailbox' => 'its own mailbox',
            'switchedOff' => 'switched off',
            'closedByHand' => 'closed by hand',
            default => '',
        };
    }
}
