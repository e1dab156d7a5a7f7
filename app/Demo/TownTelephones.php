<?php

declare(strict_types=1);

namespace App\Demo;

/** Telephones and features of the demo: a practice with a shared line and paging, a hotel with floors of telephones. */
final class TownTelephones
{
    private const CODES = [
        'pickUp' => '*8', 'pickUpOf' => '*88', 'intercom' => '*5', 'speedDial' => '*0', 'signIn' => '*11',
    ];

    /** Rooms of a floor of the hotel, and how many people of the list work there. */
    private const HOTEL = [
        'ground' => ['Ground floor', 8], 'first' => ['First floor', 6], 'second' => ['Second floor', 6],
    ];

    /**
     * @param  list<Townsman>  $who  twelve: receptionists, nurses and doctors by turns
     * @return list<array{op?: string, object: string, path?: string, value: mixed}>
     */
    public static function practice(array $who): array
    {
        $front = [$who[0], $who[3], $who[6], $who[9]];

        return [
            self::codes('juniper-lane-surgery', [
                ['item' => 'lab', 'digits' => '1', 'name' => 'Merrow laboratory', 'number' => '+19025550181'],
                ['item' => 'pharmacy', 'digits' => '2', 'name' => 'Quay pharmacy', 'number' => '+19025550182'],
            ]),
            self::made('sharedLine:front', 'Front line', '400', [
                'members' => self::members($front), 'noAnswer' => 'mailbox:reception',
            ]),
            self::made('pickUpGroup:front', 'Front desk', null, ['members' => self::members($front)]),
            self::made('parkPlace:hall', 'Waiting hall', '701', ['comesBackTo' => 'sharedLine:front']),
            self::made('parkPlace:lab', 'Treatment', '702', []),
            self::made('pageZone:house', 'Whole house', '800', ['members' => self::members($who)]),
            ...self::telephones($who, static fn (int $at): array => $at === 0
                ? ['model' => 'harbour-24', 'keys' => self::receptionist($who)]
                : ['model' => 'tideway-6', 'keys' => [
                    ['item' => 'own', 'at' => 1, 'kind' => 'line'],
                    ['item' => 'hall', 'at' => 2, 'kind' => 'park', 'to' => 'parkPlace:hall'],
                    ['item' => 'lab', 'at' => 3, 'kind' => 'park', 'to' => 'parkPlace:lab'],
                ]]),
        ];
    }

    /**
     * @param  list<Townsman>  $who  twenty
     * @return list<array{op?: string, object: string, path?: string, value: mixed}>
     */
    public static function hotel(array $who): array
    {
        $floors = $places = $seat = [];
        $at = 0;
        foreach (self::HOTEL as $floor => [$name, $count]) {
            $floors[] = ['item' => $floor, 'name' => $name];
            for ($room = 1; $room <= $count; $room++, $at++) {
                $places[] = [
                    'item' => $seat[$at] = "{$floor}-{$room}", 'floor' => $floor,
                    'room' => (count($floors) - 1) . sprintf('%02d', $room),
                    'across' => 80 + ($room - 1) % 4 * 260, 'down' => $room > 4 ? 720 : 260,
                    'who' => "user:{$who[$at]->key()}",
                ];
            }
        }
        $placed = array_column($places, null, 'item');

        return [
            self::codes('puffin-cove-hotel', []),
            ['object' => 'site:office', 'path' => 'floors', 'value' => $floors],
            ['object' => 'site:office', 'path' => 'workplaces', 'value' => $places],
            ...array_merge(...array_map(static fn (int $at): array => [
                ['object' => "user:{$who[$at]->key()}", 'path' => 'emergency/floor', 'value' => array_column(
                    $floors,
                    'name',
                    'item',
                )[$placed[$seat[$at]]['floor']]],
                [
                    'object' => "user:{$who[$at]->key()}", 'path' => 'emergency/room',
                    'value' => $placed[$seat[$at]]['room'],
                ],
            ], array_keys($seat))),
            ...self::telephones($who, static fn (int $at): array => [
                'model' => $at < 2 ? 'harbour-12' : 'tideway-2', 'workplace' => $seat[$at],
                'keys' => [['item' => 'own', 'at' => 1, 'kind' => 'line']],
            ]),
            self::made('device:back-office', 'Back office, shared', null, [
                'model' => 'tideway-6', 'hardware' => self::address($who[0], 98), 'site' => 'site:office',
                'hotDesk' => true,
            ]),
            ...array_map(static fn (int $no): array => self::made("device:spare-{$no}", "Spare {$no}", null, [
                'model' => 'tideway-2', 'hardware' => self::address($who[0], 90 + $no), 'status' => 'spare',
            ]), [1, 2, 3]),
        ];
    }

    /**
     * Whom reception sees: lines, both park places, the page, and a lamp of everybody else.
     *
     * @param  list<Townsman>  $who
     * @return list<array<string, mixed>>
     */
    private static function receptionist(array $who): array
    {
        $lamps = array_map(static fn (int $at): array => [
            'item' => $who[$at]->key(), 'at' => 12 + $at, 'kind' => 'lamp', 'to' => "user:{$who[$at]->key()}",
        ], range(1, count($who) - 1));

        return [
            ['item' => 'own', 'at' => 1, 'kind' => 'line'],
            ['item' => 'front', 'at' => 2, 'kind' => 'line', 'to' => 'sharedLine:front'],
            ['item' => 'hall', 'at' => 3, 'kind' => 'park', 'to' => 'parkPlace:hall'],
            ['item' => 'lab', 'at' => 4, 'kind' => 'park', 'to' => 'parkPlace:lab'],
            ['item' => 'page', 'at' => 5, 'kind' => 'page', 'to' => 'pageZone:house', 'label' => 'Page the house'],
            ['item' => 'pick-up', 'at' => 6, 'kind' => 'pickUp'],
            [
                'item' => 'laboratory', 'at' => 7, 'kind' => 'speedDial', 'number' => '+19025550181',
                'label' => 'Laboratory',
            ],
            ...$lamps,
        ];
    }

    /**
     * One for each on their desks.
     *
     * @param  list<Townsman>  $who
     * @param  \Closure(int): array<string, mixed>  $what
     * @return list<array{op?: string, object: string, path?: string, value: mixed}>
     */
    private static function telephones(array $who, \Closure $what): array
    {
        $edits = [];
        foreach ($who as $at => $person) {
            $edits[] = self::made("device:{$person->key()}", "{$person->name()}, desk", null, [
                'hardware' => self::address($who[0], $at), 'site' => 'site:office',
                'lines' => [['item' => 'own', 'user' => "user:{$person->key()}"]],
            ] + $what($at));
            $edits[] = [
                'object' => "user:{$person->key()}", 'path' => 'legs/desk/device', 'value' => "device:{$person->key()}",
            ];
        }

        return $edits;
    }

    /** Of the half of all addresses that no maker is given (IEEE 802: locally administered). */
    private static function address(Townsman $first, int $at): string
    {
        return '02' . substr(hash('sha256', $first->key()), 0, 8) . sprintf('%02x', $at);
    }

    /**
     * @param  list<Townsman>  $who
     * @return list<array{item: string, who: string}>
     */
    private static function members(array $who): array
    {
        return array_map(
            static fn (Townsman $each): array => ['item' => $each->key(), 'who' => "user:{$each->key()}"],
            $who,
        );
    }

    /**
     * @param  list<array<string, string>>  $speedDials
     * @return array{object: string, path: string, value: mixed}
     */
    private static function codes(string $customer, array $speedDials): array
    {
        return ['object' => "tenant:{$customer}", 'path' => 'features', 'value' => [
            'codes' => self::CODES, 'speedDials' => $speedDials,
        ]];
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return array{op: string, object: string, value: mixed}
     */
    private static function made(string $object, string $name, ?string $extension, array $fields): array
    {
        return ['op' => 'create', 'object' => $object, 'value' => ['name' => $name] + $fields + (
            $extension === null ? [] : ['extension' => $extension, 'site' => 'site:office']
        )];
    }
}
