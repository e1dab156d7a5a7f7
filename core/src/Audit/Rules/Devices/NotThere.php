<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Devices;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Device;
use Jaunty\Core\Book\DeviceStatus;
use Jaunty\Core\Book\Stage;
use Jaunty\Core\Telephones\Presence;
use Jaunty\Core\Words\Listing;

/** Telephones in use that are not at the switch, of a customer whose callers ring them. */
final readonly class NotThere implements Rule
{
    private const NAMED = 5;

    public function about(): About
    {
        return new About('devices.not-there', Severity::Warning);
    }

    public function check(Inspection $inspection): iterable
    {
        $away = array_values(array_filter(
            $inspection->book->tenant->state === Stage::InService ? $inspection->book->all(Device::class) : [],
            static fn (Device $device): bool => $device->status === DeviceStatus::InUse && in_array(
                $inspection->surroundings?->telephoneOf($device)?->state,
                [Presence::Lost, Presence::Never],
                true,
            ),
        ));
        if ($away !== []) {
            yield Found::of([
                'n' => count($away), 'first' => $away[0]->name,
                'devices' => Listing::firstOf(
                    array_map(static fn (Device $device): string => $device->name, $away),
                    self::NAMED,
                ),
            ], ...$away)->counting(count($away));
        }
    }
}
