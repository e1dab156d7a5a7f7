<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Features;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Features;

/** Two features with one code: the second cannot be dialled. */
final readonly class CodesAlike implements Rule
{
    public function about(): About
    {
        return new About('features.codes-alike', Severity::Error);
    }

    public function check(Inspection $inspection): iterable
    {
        $tenant = $inspection->book->tenant;
        $seen = [];
        foreach ($tenant->features->codes as $name => $code) {
            if ($code === null) {
                continue;
            }
            if (isset($seen[$code])) {
                yield Found::of([
                    'code' => $code, 'first' => Features::CODES[$seen[$code]], 'second' => Features::CODES[$name],
                ], $tenant)->at("features/codes/{$name}", $name);
            }
            $seen[$code] ??= $name;
        }
        $dialled = [];
        foreach ($tenant->features->speedDials as $dial) {
            $first = $dialled[$dial['digits']] ?? null;
            if ($first !== null) {
                yield Found::of(
                    ['code' => $dial['digits'], 'first' => $first, 'second' => $dial['name']],
                    $tenant,
                )->at("features/speedDials/{$dial['item']}/digits", $dial['item']);
            }
            $dialled[$dial['digits']] ??= $dial['name'];
        }
    }
}
