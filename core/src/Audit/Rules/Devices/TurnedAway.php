<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Devices;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Device;
use Jaunty\Core\Telephones\Presence;
use Jaunty\Core\Words\Day;

/** A telephone that comes to the switch and is not let in. */
final readonly class TurnedAway implements Rule
{
    public function about(): About
    {
        return new About('devices.turned-away', Severity::Error);
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Device::class) as $device) {
            $heard = $inspection->surroundings?->telephoneOf($device);
            if ($heard?->state === Presence::Refused) {
                yield Found::of(
                    ['device' => $device->name, 'on' => new Day((string) $heard->since)],
                    $device,
                )->at('hardware');
            }
        }
    }
}
