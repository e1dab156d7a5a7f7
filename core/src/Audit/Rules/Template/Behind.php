<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Template;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;

/** The template has newer versions than the one that was applied. */
final readonly class Behind implements Rule
{
    public function about(): About
    {
        return new About(
            'template.behind',
            Severity::Note,
            'A newer version of the template is there than the one this customer was made from.',
            'What was mended in the template is not mended here.',
            'Answer again in the Intake chapter, and look over what would change.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $around = $inspection->surroundings;
        if ($around !== null && $around->versionsBehind > 0) {
            yield Found::of(
                "Made from an older version of {$around->template}",
                $around->versionsBehind === 1 ? 'There is one since.' : "There are {$around->versionsBehind} since.",
                $inspection->book->tenant,
            )->counting($around->versionsBehind);
        }
    }
}
