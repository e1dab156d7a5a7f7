<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\Tenant;
use Jaunty\Core\Hours\PlaceClocks;
use Jaunty\Core\Words\Listing;

/** A clock that nobody at the place goes by. */
final readonly class ZoneNotOfPlace implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.zone-not-of-place',
            Severity::Warning,
            'IANA time zone database, zone1970.tab',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $tenant = $inspection->book->tenant;
        $sites = $inspection->book->all(Site::class);
        foreach ($sites as $site) {
            $country = $site->address['country'] ?? $tenant->region;
            $subdivision = $site->address['subdivision']
                ?? ($country === $tenant->region ? $tenant->subdivision : null);
            yield from $this->told(
                $inspection,
                $site,
                $site->zone ?? $tenant->zone,
                $country,
                $subdivision,
                $site->zone === null ? '' : 'zone',
            );
        }
        if ($sites === []) {
            yield from $this->told($inspection, $tenant, $tenant->zone, $tenant->region, $tenant->subdivision, 'zone');
        }
    }

    /** @return iterable<Found> */
    private function told(
        Inspection $inspection,
        Site|Tenant $of,
        string $zone,
        ?string $country,
        ?string $subdivision,
        string $path,
    ): iterable {
        $clocks = $country === null ? [] : PlaceClocks::of($country, $subdivision);
        $fits = array_filter(
            $clocks,
            static fn (string $each): bool => PlaceClocks::isSame($each, $zone, $inspection->now),
        );
        if ($clocks !== [] && $fits === []) {
            yield Found::of(
                [
                    'of' => $of->label(),
                    'zone' => $zone,
                    'subdivision' => $subdivision ?? $country,
                    'clocks' => Listing::either(array_slice($clocks, 0, 3)),
                ],
                $of,
            )->at($path === '' ? 'zone' : $path)
                ->fixedBy(count($clocks) === 1 ? Fix::set("Make it {$clocks[0]}", $of, 'zone', $clocks[0]) : null);
        }
    }
}
