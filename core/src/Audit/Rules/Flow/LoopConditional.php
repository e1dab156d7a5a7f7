<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Flow;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\Law\Loop;
use Jaunty\Core\Calls\Law\LoopKind;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Calls\Year\Run;

/** A call goes round for ever while somebody is busy or away. */
final readonly class LoopConditional implements Rule
{
    private const STATES = ['busy', 'onACall', 'unreachable', 'doNotDisturb', 'signedOut'];

    public function about(): About
    {
        return new About(
            'flow.loop-conditional',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $survey = $inspection->survey();
        $told = [];
        foreach ($survey->runs as $run) {
            foreach ($run->facts->loops as $end => $loop) {
                $objects = $loop->kind === LoopKind::Conditional ? $this->objects($inspection, $run, $loop) : [];
                $key = implode(
                    ' ',
                    array_map(static fn (BookObject $object): string => (string) Reference::of($object), $objects),
                );
                if ($objects === [] || isset($told[$key])) {
                    continue;
                }
                $told[$key] = true;
                [$state, $call] = $this->steady($inspection, $run, $survey->firstInstant($run));
                $call ??= $survey->shortestCall($run, $end);
                yield Found::of(
                    [
                        'objects' => $inspection->names->several($objects),
                        'n' => count($objects),
                        'state' => $state ?? 'none',
                        'call' => $call === null ? 'none' : 'some',
                        'seconds' => $loop->seconds,
                    ],
                    ...$objects,
                )->shownBy($call);
            }
        }
    }

    /** @return list<BookObject> in the order of their names, so that one loop is one finding however it is come to */
    private function objects(Inspection $inspection, Run $run, Loop $loop): array
    {
        $objects = [];
        foreach ($loop->states as $key) {
            $name = $run->explored->states[$key]->object ?? '';
            $object = $name === '' || str_starts_with($name, 'outside:')
                ? null
                : $inspection->book->find(Reference::parse($name));
            if ($object !== null) {
                $objects[$name] = $object;
            }
        }
        ksort($objects);

        return array_values($objects);
    }

    /** @return array{?string, ?array<string, mixed>} one state of everybody in which it happens, and the call */
    private function steady(Inspection $inspection, Run $run, int $at): array
    {
        foreach (self::STATES as $state) {
            $world = [];
            foreach ($inspection->book->all(User::class) as $user) {
                $world[(string) Reference::of($user)] = $state;
            }
            $call = ['to' => $run->number, 'at' => gmdate('Y-m-d\TH:i:s\Z', $at), 'world' => $world];
            if (Trace::of($inspection->book, Script::read($call, $inspection->book))->outcome === Outcome::Loop) {
                return [$state, $call];
            }
        }

        return [null, null];
    }
}
