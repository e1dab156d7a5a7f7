<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Devices;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Device;

/** Two things on one key of a telephone. */
final readonly class KeyTwice implements Rule
{
    public function about(): About
    {
        return new About('devices.key-twice', Severity::Error);
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Device::class) as $device) {
            $taken = [];
            foreach ($device->keys as $key) {
                if (isset($taken[$key->at])) {
                    yield Found::of(['device' => $device->name, 'key' => $key->at], $device)
                        ->at("keys/{$key->item}/at", $key->item);
                }
                $taken[$key->at] = true;
            }
        }
    }
}
