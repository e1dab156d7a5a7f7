<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Devices;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Device;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;

/** A key that watches somebody who has left. */
final readonly class KeyOfLeaver implements Rule
{
    public function about(): About
    {
        return new About('devices.key-of-leaver', Severity::Warning);
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Device::class) as $device) {
            foreach ($device->keys as $key) {
                $user = $inspection->find($key->to, User::class);
                if ($user !== null && $user->status === UserStatus::Leaver) {
                    yield Found::of(
                        ['device' => $device->name, 'key' => $key->at, 'user' => $user->label()],
                        $device,
                        $user,
                    )->at("keys/{$key->item}/to", $key->item)
                        ->fixedBy(Fix::of("Clear key {$key->at}", Fix::leavingOut($device, 'keys', $key->item)));
                }
            }
        }
    }
}
