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
            'Objects of the book are not on the switch.',
            'Whoever is led there is not served; the book says that they are.',
            'Push, or take out of the book what was rightly removed.',
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
                $inspection->names->listed($names)
                    . (count($names) === 1 ? ' is not on the switch' : ' are not on the switch'),
                'Somebody took ' . (count($names) === 1 ? 'it' : 'them') . ' away there.',
                $inspection->book->tenant,
            )->counting(count($missing));
        }
    }
}
