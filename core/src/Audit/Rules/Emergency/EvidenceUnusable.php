<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
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
            'The address, the people to be told or a test of a site cannot be as they are entered.',
            'A field that is filled in passes for one that is right, until help is sent there.',
            'Enter what is so, or leave it empty.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Site::class) as $site) {
            foreach (Evidence::doubts($site, $inspection->date()) as $path => $why) {
                yield Finding::of($this->about(), "{$site->name}: {$why}", 'It would be relied on when somebody there calls for help.', $site)->at($path, $path);
            }
        }
    }

    public function samples(): Samples
    {
        $site = static fn (string $mail, string $tested): array => [
            'key' => 'quay', 'name' => 'Quay End', 'address' => ['street' => '4 Quay End', 'city' => 'Port Merrow', 'subdivision' => 'NS', 'postcode' => 'B0X 1X0', 'country' => 'CA'],
            'emergency' => ['notify' => [$mail], 'testedOn' => $tested],
        ];

        return Samples::of(['sites' => [$site('desk@quay.example', '2026-12-02')]], ['sites' => [$site('xx', '2031-01-01')]]);
    }
}
