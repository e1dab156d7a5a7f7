<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Extensions;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Site;

/** A range of extensions that ends before it begins. */
final readonly class RangeBackwards implements Rule
{
    public function about(): About
    {
        return new About(
            'extensions.range-backwards',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $seen = [];
        foreach ($inspection->book->all(Site::class) as $site) {
            foreach ($site->extensionRanges as $range) {
                [$from, $to] = [(int) $range['from'], (int) $range['to']];
                $isBackwards = $from > $to || strlen($range['from']) !== strlen($range['to']);
                if ($isBackwards) {
                    yield Found::of(
                        ['site' => $site->name, 'from' => $range['from'], 'to' => $range['to']],
                        $site,
                    )->at("extensionRanges/{$range['item']}", $range['item'])
                        ->fixedBy(strlen($range['from']) !== strlen($range['to']) ? null : Fix::of(
                            'Turn it round',
                            Fix::setting($site, "extensionRanges/{$range['item']}/from", $range['to']),
                            Fix::setting($site, "extensionRanges/{$range['item']}/to", $range['from']),
                        ));

                    continue;
                }
                foreach ($seen as [$other, $first, $last, $length]) {
                    if ($other->key !== $site->key && $from <= $last && $first <= $to && $length === strlen(
                        $range['from'],
                    )) {
                        yield Found::of(
                            [
                                'site' => $site->name,
                                'other' => $other->name,
                                'from' => max($from, $first),
                                'to' => min($to, $last),
                            ],
                            $site,
                            $other,
                        )->saying('shared')->at("extensionRanges/{$range['item']}", $range['item']);
                    }
                }
                $seen[] = [$site, $from, $to, strlen($range['from'])];
            }
        }
    }
}
