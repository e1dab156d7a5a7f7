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
use Jaunty\Core\Calls\Law\LoopKind;

/** A call on which nobody does anything goes round for ever. */
final readonly class LoopInescapable implements Rule
{
    public function about(): About
    {
        return new About(
            'flow.loop-inescapable',
            Severity::Blocker,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $survey = $inspection->survey();
        $rounds = [];
        foreach ($survey->runs as $run) {
            foreach ($run->facts->loops as $end => $loop) {
                if ($loop->kind === LoopKind::Inescapable && ! $loop->isOneMenu) {
                    $rounds[$loop->objects[0]][] = [$run, $end, $loop];
                }
            }
        }
        foreach ($rounds as $found) {
            [$run, $end, $loop] = $found[0];
            $objects = array_values(array_filter(array_map(
                static fn (string $name): ?BookObject => str_starts_with($name, 'outside:')
                    ? null
                    : $inspection->book->find(Reference::parse($name)),
                $loop->objects,
            )));
            if ($objects === []) {
                continue;
            }
            $alone = array_filter(
                $found,
                static fn (array $each): bool => $each[0]->facts->passive === null
                    && in_array($each[0]->facts->passiveTarget, $loop->objects, true),
            );
            yield Found::of(
                [
                    'objects' => $inspection->names->several($objects),
                    'alone' => $alone === [] ? 'no' : 'yes',
                    'seconds' => $loop->seconds,
                ],
                ...$objects,
            )
                ->counting(count(array_unique(array_map(static fn (array $each): string => $each[0]->number, $found))))
                ->shownBy($survey->shortestCall($run, $end));
        }
    }
}
