<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Chains;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Kind;

/** A chain through which callers wait longer than most do. */
final readonly class TooLong implements Rule
{
    public function about(): About
    {
        return new About(
            'chains.too-long',
            Severity::Warning,
            thresholds: [Threshold::LongestWaitSeconds],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $callBook = $inspection->callBook();
        foreach ($inspection->book->all(Chain::class) as $chain) {
            $rings = array_filter(
                $chain->places,
                static fn (array $place): bool => in_array(
                    $place['to']?->object?->kind,
                    [Kind::User, Kind::Group],
                    true,
                )
                    || $place['to']?->outside !== null,
            );
            $seconds = array_sum(array_map($callBook->placeSeconds(...), $rings));
            if ($seconds > $inspection->threshold(Threshold::LongestWaitSeconds)) {
                yield Found::of(
                    [
                        'chain' => $chain->name,
                        'seconds' => $seconds,
                        'threshold' => $inspection->threshold(Threshold::LongestWaitSeconds),
                    ],
                    $chain,
                )->at('places');
            }
        }
    }
}
