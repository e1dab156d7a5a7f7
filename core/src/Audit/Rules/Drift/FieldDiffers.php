<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Drift;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Words\Listing;

/** Book and switch say different things. */
final readonly class FieldDiffers implements Rule
{
    public function about(): About
    {
        return new About(
            'drift.field-differs',
            Severity::Warning,
            looksAtLive: true,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $operations = $inspection->drift()->operations;
        if ($operations === []) {
            return;
        }
        $labels = array_values(array_unique(array_map(
            static fn (Operation $operation): string => $inspection->names->of(
                ($inspection->book->find($operation->object) ?? $inspection->live?->find($operation->object))
                ?? (string) $operation->object,
            ),
            $operations,
        )));
        yield Found::of(
            [
                'n' => count($operations),
                'labels' => Listing::firstOf($labels, 3),

            ],
            $inspection->book->tenant,
        )->counting(count($operations));
    }
}
