<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Audit\Thresholds;

/** A rule with how often it fires, and the thresholds it goes by. */
final class RuleResource
{
    /**
     * @param  array<string, int>  $fired
     * @return array<string, mixed>
     */
    public static function of(About $about, array $fired): array
    {
        return [
            'id' => $about->id, 'name' => $about->name(), 'severity' => $about->severity->value,
            'what' => $about->what(), 'why' => $about->why(),
            'remedy' => $about->remedy(), 'source' => $about->source,
            'countries' => $about->countries, 'thresholds' => array_column($about->thresholds, 'value'),
            'findings' => $fired['findings'] ?? 0, 'waived' => $fired['waived'] ?? 0,
            'customers' => $fired['customers'] ?? 0,
        ];
    }

    /**
     * @param  array<string, int>  $own  of one customer
     * @return list<array<string, mixed>>
     */
    public static function thresholds(Thresholds $all, array $own): array
    {
        return array_map(static fn (Threshold $each): array => [
            'name' => $each->value, 'what' => $each->what(), 'unit' => $each->unit(), 'reason' => $each->reason(),
            'least' => $each->range()[0], 'most' => $each->range()[1],
            'standard' => $each->standard(), 'forAll' => $all->of($each), 'own' => $own[$each->value] ?? null,
        ], Threshold::cases());
    }
}
