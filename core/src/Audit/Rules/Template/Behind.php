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
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $around = $inspection->surroundings;
        if ($around !== null && $around->versionsBehind > 0) {
            yield Found::of(
                ['template' => (string) $around->template, 'versionsBehind' => $around->versionsBehind],
                $inspection->book->tenant,
            )->counting($around->versionsBehind);
        }
    }
}
