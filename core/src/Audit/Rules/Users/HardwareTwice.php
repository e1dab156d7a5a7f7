<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Device;
use Jaunty\Core\Book\User;

/** One device at two people. */
final readonly class HardwareTwice implements Rule
{
    public function about(): About
    {
        return new About(
            'users.hardware-twice',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $seen = [];
        foreach ($inspection->book->all(Device::class) as $device) {
            $first = $device->hardware === null ? null : $seen[$device->hardware] ?? null;
            if ($first !== null) {
                yield Found::of(
                    [
                        'first' => $first->label(), 'user' => $device->label(),
                        'hardware' => implode(':', str_split((string) $device->hardware, 2)),
                    ],
                    $device,
                    $first,
                )->at('hardware');
            }
            $seen[$device->hardware ?? ''] ??= $device;
        }
        unset($seen['']);
        foreach ($inspection->book->all(User::class) as $user) {
            foreach ($user->legs as $leg) {
                if ($leg->hardware === null) {
                    continue;
                }
                $first = $seen[$leg->hardware] ?? null;
                if ($first !== null) {
                    yield Found::of(
                        [
                            'first' => $first->label(),
                            'user' => $user->label(),
                            'hardware' => implode(':', str_split($leg->hardware, 2)),
                        ],
                        $user,
                        $first,
                    )->at("legs/{$leg->item}/hardware", $leg->item);
                }
                $seen[$leg->hardware] ??= $user;
            }
        }
    }
}
