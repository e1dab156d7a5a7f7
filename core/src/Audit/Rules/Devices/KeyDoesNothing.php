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
use Jaunty\Core\Book\KeyKind;
use Jaunty\Core\Book\Kind;

/** A key that lacks what its kind needs, or is about something of another kind. */
final readonly class KeyDoesNothing implements Rule
{
    public function about(): About
    {
        return new About('devices.key-does-nothing', Severity::Warning);
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Device::class) as $device) {
            foreach ($device->keys as $key) {
                if (! self::works($key)) {
                    yield Found::of(['device' => $device->name, 'key' => $key->at], $device)
                        ->saying($key->keyKind->value)
                        ->at("keys/{$key->item}/to", $key->item);
                }
            }
        }
    }

    private static function works(DeviceKey $key): bool
    {
        return match ($key->keyKind) {
            KeyKind::Line => $key->to === null || in_array($key->to->kind, [Kind::User, Kind::SharedLine], true),
            KeyKind::Lamp => in_array($key->to?->kind, [Kind::User, Kind::Group, Kind::SharedLine], true),
            KeyKind::SpeedDial => $key->to !== null || $key->number !== null,
            KeyKind::Park => $key->to?->kind === Kind::ParkPlace,
            KeyKind::PickUp => $key->to === null || in_array($key->to->kind, [Kind::PickUpGroup, Kind::User], true),
            KeyKind::Page => $key->to?->kind === Kind::PageZone,
            KeyKind::Code => $key->digits !== null,
            KeyKind::Blank => true,
        };
    }
}
