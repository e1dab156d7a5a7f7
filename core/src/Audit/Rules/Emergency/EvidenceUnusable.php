<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Evidence;
use Jaunty\Core\Book\Site;

/** What a site says for the day somebody calls for help, and that cannot be so. */
final readonly class EvidenceUnusable implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.evidence-unusable',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Site::class) as $site) {
            foreach (Evidence::doubts($site) as $path => $why) {
                yield Found::of(
                    ['site' => $site->name, 'why' => $why],
                    $site,
                )->at($path, $path);
            }
        }
    }
}
