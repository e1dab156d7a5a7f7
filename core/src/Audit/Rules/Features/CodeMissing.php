<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Features;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Device;
use Jaunty\Core\Book\PickUpGroup;

/** Something is set up that nobody can dial, since it has no code. */
final readonly class CodeMissing implements Rule
{
    public function about(): About
    {
        return new About('features.code-missing', Severity::Warning);
    }

    public function check(Inspection $inspection): iterable
    {
        $tenant = $inspection->book->tenant;
        $hotDesks = array_filter(
            $inspection->book->all(Device::class),
            static fn (Device $device): bool => $device->hotDesk,
        );
        $used = [
            'pickUp' => count($inspection->book->all(PickUpGroup::class)),
            'speedDial' => count($tenant->features->speedDials),
            'signIn' => count($hotDesks),
        ];
        foreach ($used as $name => $count) {
            if ($count > 0 && $tenant->features->codes[$name] === null) {
                yield Found::of(['n' => $count], $tenant)->saying($name)->at("features/codes/{$name}", $name);
            }
        }
    }
}
