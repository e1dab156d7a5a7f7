<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Devices;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Device;
use Jaunty\Core\Book\DeviceKey;
use Jaunty\Core\Book\DeviceStatus;
use Jaunty\Core\Book\Kind;

/** A telephone in use that is nobody's, or one on the shelf that is somebody's. */
final readonly class NobodysTelephone implements Rule
{
    public function about(): About
    {
        return new About('devices.nobodys-telephone', Severity::Note);
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Device::class) as $device) {
            $shared = array_filter(
                $device->keys,
                static fn (DeviceKey $key): bool => $key->to?->kind === Kind::SharedLine,
            );
            if (
                $device->status === DeviceStatus::InUse && $device->lines === [] && ! $device->hotDesk && $shared === []
            ) {
                yield Found::of(['device' => $device->name], $device)->at('lines');
            } elseif ($device->status !== DeviceStatus::InUse && $device->lines !== []) {
                yield Found::of([
                    'device' => $device->name, 'user' => $inspection->names->of((string) $device->lines[0]['user']),
                ], $device)->saying($device->status->value)->at('status');
            }
        }
    }
}
