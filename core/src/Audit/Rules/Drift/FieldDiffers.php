<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Drift;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Change\Operation;

/** Book and switch say different things. */
final readonly class FieldDiffers implements Rule
{
    public function about(): About
    {
        return new About(
            'drift.field-differs',
            Severity::Warning,
            'Fields on the switch differ from the book.',
            'Somebody changed the switch by hand. The next push undoes it, or the book goes on being wrong.',
            'Put back what was not meant, adopt what was.',
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
        $more = count($labels) - 3;
        yield Found::of(
            count($operations) === 1
                ? '1 field differs on the switch'
                : count($operations) . ' fields differ on the switch',
            'In ' . implode(', ', array_slice($labels, 0, 3)) . ($more > 0 ? " and {$more} more" : '') . '.',
            $inspection->book->tenant,
        )->counting(count($operations));
    }
}
