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

/** A telephone that is there, and does what it was told before. */
final readonly class ConfigurationOld implements Rule
{
    public function about(): About
    {
        return new About('devices.configuration-old', Severity::Warning);
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Device::class) as $device) {
            $heard = $inspection->surroundings?->telephoneOf($device);
            if ($heard?->state === Presence::Registered && ! $heard->isCurrent) {
                yield Found::of(['device' => $device->name], $device)->at('keys');
            }
        }
    }
}
