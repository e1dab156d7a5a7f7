<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Features;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Device;
use Jaunty\Core\Book\ParkPlace;
use Jaunty\Core\Book\Reference;

/** A park place that no key of a telephone is about. */
final readonly class ParkPlaceWithoutKey implements Rule
{
    public function about(): About
    {
        return new About('features.park-place-without-key', Severity::Note);
    }

    public function check(Inspection $inspection): iterable
    {
        $keyed = [];
        $devices = $inspection->book->all(Device::class);
        foreach ($devices as $device) {
            foreach ($device->keys as $key) {
                $keyed[(string) $key->to] = true;
            }
        }
        foreach ($devices === [] ? [] : $inspection->book->all(ParkPlace::class) as $place) {
            if (! isset($keyed[(string) Reference::of($place)])) {
                yield Found::of(['place' => $place->name], $place);
            }
        }
    }
}
