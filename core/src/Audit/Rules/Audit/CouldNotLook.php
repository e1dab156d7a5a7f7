<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Audit;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Failure;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Words\Message;

/** Another rule fell over this book; the audit went on without it. */
final readonly class CouldNotLook implements Rule
{
    public function about(): About
    {
        return new About(
            'audit.could-not-look',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $byCause = [];
        foreach ($inspection->failures as $failure) {
            $byCause[$failure->why][] = $failure;
        }
        foreach ($byCause as $why => $failures) {
            $ids = array_map(static fn (Failure $failure): string => $failure->about->id, $failures);
            yield Found::of(
                [
                    'ids' => $inspection->names->several($ids, 12),
                    'n' => count($failures),
                    'what' => new Message("{$failures[0]->about->id}/what"),
                    'why' => $why,
                ],
                $inspection->book->tenant,
            )->at('name', implode(' ', $ids));
        }
    }
}
