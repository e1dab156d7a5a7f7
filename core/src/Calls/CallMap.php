<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

/** Where calls of one run can go, object by object: a drawing's nodes and arrows. */
final readonly class CallMap
{
    /**
     * @param  list<array{id: string, object: ?string, sort: string}>  $nodes  object is a reference or an outside number; null for an end such as a dead end
     * @param  list<array{from: string, to: string, labels: list<string>}>  $arrows  what has to happen
     */
    private function __construct(public array $nodes, public array $arrows)
    {
    }

    public static function of(Run $run): self
    {
        $nodes = [$run->start->object => 'number'];
        $arrows = [];
        foreach ($run->explored->states as $key => $state) {
            $nodes[$state->object] ??= explode(':', $state->object, 2)[0];
            foreach ($run->explored->edges[$key] ?? [] as $edge) {
                $label = self::label($edge->choice->event);
                [$to, $sort] = self::end($edge, $state, $run->explored);
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
            array_map(static fn (string $id, string $sort): array => ['id' => $id, 'object' => str_starts_with($id, 'end ') ? null : $id, 'sort' => $sort], array_keys($nodes), array_values($nodes)),
            array_values(array_map(static fn (array $arrow): array => ['from' => $arrow['from'], 'to' => $arrow['to'], 'labels' => array_map(strval(...), array_keys($arrow['labels']))], $arrows)),
        );
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
