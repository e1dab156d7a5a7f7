<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Extensions;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\ExtensionPlan;

/** Two holders of one extension. */
final readonly class DuplicateExtension implements Rule
{
    public function about(): About
    {
        return new About(
            'extensions.duplicate',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $plan = ExtensionPlan::of($inspection->book);
        foreach ($plan->doubles() as $extension) {
            $holders = $plan->holders[$extension];
            $free = $plan->free($extension, 1)[0] ?? null;
            yield Found::of(
                [
                    'extension' => $extension,
                    'holders' => $inspection->names->several($holders),
                    'first' => $inspection->names->said($holders[0]),
                ],
                $holders[1],
                $holders[0],
            )->at('extension', $extension)
                ->fixedBy(
                    $free === null
                    ? null
                    : Fix::set("Give {$inspection->names->of($holders[1])} {$free}", $holders[1], 'extension', $free),
                );
        }
    }
}
