<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Audit;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Failure;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
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
        foreach ($inspection->failures as $failure) {
            yield Finding::of(
                $this->about(),
                "Nobody could look at {$failure->about->id}",
                "{$failure->about->what} Whether that is so here is unknown. It stopped at: {$failure->why}.",
                $inspection->book->tenant,
            )->at('name', $failure->about->id);
        }
    }

    public function samples(): Samples
    {
        return Samples::failing([], new Failure(new About('trial.broken', Severity::Note, 'Something is wrong.', 'It matters.', 'Mend it.'), 'a number that nobody can read'));
    }
}
