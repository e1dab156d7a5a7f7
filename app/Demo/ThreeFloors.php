<?php

declare(strict_types=1);

namespace App\Demo;

/** An office of three floors: who sits where, who has the keys, and who works at home. */
final class ThreeFloors
{
    private const FLOORS = ['ground' => 'Ground floor', 'second' => 'Second floor', 'third' => 'Third floor'];

    /** Of the people in their order: floor, room, and where the pin stands in thousandths of the plan. */
    private const SEATS = [
        0 => ['ground', '101', 90, 240], 1 => ['ground', '102', 420, 230], 2 => ['ground', '103', 720, 250],
        3 => ['ground', '105', 480, 760], 5 => ['second', '201', 80, 220], 6 => ['second', '202', 330, 250],
        7 => ['second', '203', 560, 220], 8 => ['second', '205', 200, 740], 9 => ['second', '205', 380, 830],
        11 => ['third', '301', 180, 250], 13 => ['third', '303', 130, 760], 14 => ['third', '305', 780, 780],
    ];

    /** Of whom it is known, and of whom it is not. */
    private const AT_HOME = [10 => '7 Gull Lane, Tern Harbor, MA, 00055, US', 12 => null];

    /**
     * @param  list<Townsman>  $who  fifteen
     * @return list<array{op?: string, object: string, path: string, value: mixed}>
     */
    public static function of(array $who): array
    {
        $places = $edits = [];
        foreach (self::SEATS as $at => [$floor, $room, $across, $down]) {
            $places[] = [
                'item' => "seat-{$at}", 'floor' => $floor, 'room' => $room, 'across' => $across, 'down' => $down,
                'who' => "user:{$who[$at]->key()}",
            ];
            $edits[] = self::set($who[$at], 'emergency/floor', self::FLOORS[$floor]);
            $edits[] = self::set($who[$at], 'emergency/room', $room);
        }
        $places[] = ['item' => 'seat-free', 'floor' => 'third', 'room' => '302', 'across' => 640, 'down' => 260];
        foreach (self::AT_HOME as $at => $address) {
            $edits[] = self::set($who[$at], 'legs', [['item' => 'app', 'kind' => 'mobileApp']]);
            $edits[] = self::set($who[$at], 'emergency/address', $address);
        }

        return [
            ['object' => 'site:office', 'path' => 'floors', 'value' => array_map(
                static fn (string $item, string $name): array => ['item' => $item, 'name' => $name],
                array_keys(self::FLOORS),
                self::FLOORS,
            )],
            ['object' => 'site:office', 'path' => 'workplaces', 'value' => $places],
            ['object' => 'site:office', 'path' => 'contacts', 'value' => [
                ['item' => 'manager', 'name' => $who[0]->name(), 'role' => 'office manager', 'phone' => '+16175550186',
                    'hours' => 'schedule:hours'],
                ['item' => 'keys', 'name' => 'Dov Kessering', 'role' => 'keys and alarm', 'phone' => '+16175550187'],
            ]],
            ...$edits,
        ];
    }

    /** @return array{object: string, path: string, value: mixed} */
    private static function set(Townsman $who, string $path, mixed $value): array
    {
        return ['object' => "user:{$who->key()}", 'path' => $path, 'value' => $value];
    }
}
