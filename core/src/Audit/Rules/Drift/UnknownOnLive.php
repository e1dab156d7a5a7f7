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

/** The switch has what the book does not know. */
final readonly class UnknownOnLive implements Rule
{
    public function about(): About
    {
        return new About(
            'drift.unknown-on-live',
            Severity::Warning,
            looksAtLive: true,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $unknown = array_values(array_filter(
            $inspection->drift()->operations,
            static fn (Operation $operation): bool => $operation->kind === OperationKind::Create,
        ));
        if ($unknown !== []) {
            $names = array_map(
                static fn (Operation $operation): string => (
                    $object = $inspection->live?->find($operation->object)
                ) === null
                    ? (string) $operation->object
                    : $inspection->names->of($object),
                $unknown,
            );
            yield Found::of(
                ['names' => $inspection->names->several($names), 'n' => count($names)],
                $inspection->book->tenant,
            )->counting(count($unknown));
        }
    }
}
