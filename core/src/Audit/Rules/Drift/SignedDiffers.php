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
                ['n' => count($changes), 'names' => $inspection->names->several($names)],
                $inspection->book->tenant,
            )->counting(count($changes));
        }
    }
}
