<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Sites;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Places\Readiness\Held;
use Jaunty\Core\Places\Readiness\Readiness;
use Jaunty\Core\Words\Day;

/** A site's line does not carry the calls of its people, as it was measured. */
final readonly class LineFails implements Rule
{
    public function about(): About
    {
        return new About(
            'sites.line-fails',
            Severity::Warning,
            'ITU-T G.114 for delay; jitter, loss and share are common practice',
            thresholds: [
                Threshold::LineShare, Threshold::LongestRoundTripMs, Threshold::MostJitterMs,
                Threshold::MostLossPermille,
            ],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $ringing = ($inspection->surroundings->lines ?? []) === [] ? [] : Readiness::ringingBySite($inspection->book);
        foreach ($ringing as $ref => $people) {
            $site = $inspection->find(Reference::parse($ref, 'site'), Site::class);
            $line = $site === null ? null : $inspection->surroundings?->lineOf($site);
            if ($site === null || $line === null) {
                continue;
            }
            $held = Readiness::of($line->measured(), $people, $inspection->lineLimits());
            foreach ($held->failing() as $figure) {
                yield Found::of([
                    'site' => $site->name, 'on' => new Day($line->on), 'calls' => $held->calls,
                    ...self::figures($figure),
                ], $site)->saying($figure->what)->at('address', $figure->what);
            }
        }
    }

    /**
     * In whole kbit/s, or in tenths.
     *
     * @return array{is: int, limit: int}
     */
    private static function figures(Held $held): array
    {
        return in_array($held->what, ['down', 'up'], true)
            ? ['is' => (int) $held->is, 'limit' => (int) ceil($held->limit)]
            : ['is' => (int) round(10 * (float) $held->is), 'limit' => (int) round(10 * $held->limit)];
    }
}
