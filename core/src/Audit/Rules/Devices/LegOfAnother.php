<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Devices;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Device;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;

/** Somebody's telephone is on the list as another's. */
final readonly class LegOfAnother implements Rule
{
    public function about(): About
    {
        return new About('devices.leg-of-another', Severity::Error);
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(User::class) as $user) {
            foreach ($user->legs as $leg) {
                $device = $inspection->find($leg->device, Device::class);
                $whose = $device === null
                    ? []
                    : array_map(static fn (array $line): string => (string) $line['user'], $device->lines);
                if ($device !== null && ! in_array((string) Reference::of($user), $whose, true)) {
                    yield Found::of(['user' => $user->label(), 'device' => $device->name], $user, $device)
                        ->at("legs/{$leg->item}/device", $leg->item);
                }
            }
        }
    }
}
