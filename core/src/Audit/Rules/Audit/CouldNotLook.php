<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Audit;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Failure;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;

/** Another rule fell over this book; the audit went on without it. */
final readonly class CouldNotLook implements Rule
{
    public function about(): About
    {
        return new About(
            'audit.could-not-look',
            Severity::Error,
            'A rule failed over this book, and what it looks for is unknown.',
            'Silence would be read as soundness.',
            'Mend what it stumbled over, if it says so; report it otherwise: it is a fault of ours.',
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
            $asked = count($failures) === 1
                ? "{$failures[0]->about->what} Whether that is so here is unknown."
                : 'Whether what they look for is so here is unknown.';
            yield Found::of(
                'Nobody could look at ' . $inspection->names->listed($ids, 12),
                "{$asked} It stopped at: {$why}.",
                $inspection->book->tenant,
            )->at('name', implode(' ', $ids));
        }
    }
}
