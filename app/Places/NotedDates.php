<?php

declare(strict_types=1);

namespace App\Places;

use App\Models\AddressCheck;
use App\Models\EmergencyTest;
use App\Time\Clock;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Places\TestBasis;

/**
 * What a book file of an older version says of addresses and test calls: days, which are kept as no more than that. One
 * still to come is none.
 */
final readonly class NotedDates
{
    public function __construct(private Clock $clock)
    {
    }

    /**
     * In the new customer's scope.
     *
     * @param  string  $file  as it came
     * @param  Book  $book  as it was read of it, with ids
     */
    public function keep(string $tenantId, string $file, Book $book): void
    {
        $written = json_decode($file, true);
        $sites = is_array($written) && is_array($written['sites'] ?? null) ? $written['sites'] : [];
        foreach ($sites as $each) {
            $plan = is_array($each) && is_array($each['emergency'] ?? null) ? $each['emergency'] : [];
            $key = is_array($each) ? $each['key'] ?? null : null;
            $site = array_values(array_filter(
                $book->all(Site::class),
                static fn (Site $site): bool => $site->key === $key,
            ))[0] ?? null;
            $checked = $this->past($plan['checkedOn'] ?? null);
            $tested = $this->past($plan['testedOn'] ?? null);
            if ($site !== null && $checked !== null) {
                AddressCheck::query()->insert([
                    'tenant_id' => $tenantId, 'site_id' => $site->id, 'verdict' => 'noted', 'made_at' => $checked,
                    'address' => json_encode(
                        (object) TestBasis::addressOf($site),
                        JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
                    ),
                ]);
            }
            if ($site !== null && $tested !== null) {
                EmergencyTest::query()->insert([
                    'tenant_id' => $tenantId, 'site_id' => $site->id, 'tested_at' => $tested, 'passed' => true,
                    'made_at' => $this->clock->now(),
                ]);
            }
        }
    }

    private function past(mixed $day): ?\DateTimeImmutable
    {
        $utc = new \DateTimeZone('UTC');
        $read = is_string($day) ? \DateTimeImmutable::createFromFormat('!Y-m-d', $day, $utc) : false;

        return $read !== false && $read->format('Y-m-d') === $day && $read <= $this->clock->now() ? $read : null;
    }
}
