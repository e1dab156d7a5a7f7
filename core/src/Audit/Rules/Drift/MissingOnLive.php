<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Drift;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Change\OperationKind;

/** The switch does not have what the book has. */
final readonly class MissingOnLive implements Rule
{
    public function about(): About
    {
        return new About(
            'drift.missing-on-live',
            Severity::Error,
            looksAtLive: true,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $missing = array_values(array_filter(
            $inspection->drift()->operations,
            static fn (Operation $operation): bool => $operation->kind === OperationKind::Delete,
        ));
        if ($missing !== []) {
            $names = array_map(
                static fn (Operation $operation): string => $inspection->names->of($operation->object),
                $missing,
            );
            yield Found::of(
                ['names' => $inspection->names->several($names), 'n' => count($names)],
                $inspection->book->tenant,
            )->counting(count($missing));
        }
    }
}
