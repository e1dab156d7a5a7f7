<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Features;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\SharedLine;

/** A shared line that nobody shares. */
final readonly class SharedLineOfOne implements Rule
{
    public function about(): About
    {
        return new About('features.shared-line-of-one', Severity::Warning);
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(SharedLine::class) as $line) {
            if (count($line->members) < 2) {
                yield Found::of(['line' => $line->name, 'n' => count($line->members)], $line)->at('members');
            }
        }
    }
}
