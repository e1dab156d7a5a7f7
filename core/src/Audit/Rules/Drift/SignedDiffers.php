<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Drift;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Change\Operation;

/** The book is no longer what the customer put their name to. */
final readonly class SignedDiffers implements Rule
{
    public function about(): About
    {
        return new About(
            'drift.signed-differs',
            Severity::Note,
            'The book differs from what the customer signed.',
            'What callers get was agreed; whoever changed it should know whether the customer does.',
            'Tell the customer, or have the new book signed.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $signed = $inspection->surroundings?->signed;
        $changes = $signed === null ? [] : Diff::between($signed, $inspection->book)->operations;
        if ($changes !== []) {
            $names = array_values(array_unique(
                array_map(
                    static fn (Operation $operation): string => $inspection->names->of($operation->object),
                    $changes,
                ),
            ));
            yield Found::of(
                count($changes) === 1
                    ? '1 field is otherwise than the customer signed'
                    : count($changes) . ' fields are otherwise than the customer signed',
                "In {$inspection->names->listed($names)}.",
                $inspection->book->tenant,
            )->counting(count($changes));
        }
    }
}
