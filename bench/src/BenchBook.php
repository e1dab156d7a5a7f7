<?php

declare(strict_types=1);

namespace Jaunty\Bench;

/** A customer of any size, the same every time: the committed bench book is the one of 60 users. */
final class BenchBook
{
    private const WEEK = ['mon', 'tue', 'wed', 'thu', 'fri'];

    /**
     * @param  int  $users  numbers, groups and menus grow with them; schedules only to fifteen
     * @return array<string, mixed> a tenant book
     */
    public static function of(int $users): array
    {
        $units = max(1, intdiv($users, 6));
        $schedules = min(15, $units + 5);
        $ofUnit = static fn (callable $make): array => array_map($make, range(0, $units - 1));

        return [
            'format' => 'jaunty-roster/tenant-book',
            'version' => 1,
            'tenant' => [
                'key' => 'bench', 'name' => 'Northquay Seed & Feed', 'zone' => 'America/Halifax',
                'operator' => 'user:u0', 'extensionLength' => 5, 'mainNumber' => 'number:+19025550000',
            ],
            'sites' => [
                ['key' => 'quay', 'name' => 'Quay'],
                ['key' => 'mill', 'name' => 'Mill', 'zone' => 'America/St_Johns'],
            ],
            'numbers' => $ofUnit(static fn (int $i): array => [
                'key' => sprintf('+1902%07d', 5_550_000 + $i),
                'label' => "Unit {$i}",
                'destination' => "attendant:a{$i}",
            ]),
            'users' => array_map(static fn (int $i): array => self::user($i, $schedules), range(0, $users - 1)),
            'groups' => $ofUnit(static fn (int $i): array => self::group($i, $schedules)),
            'chains' => $ofUnit(static fn (int $i): array => ['key' => "c{$i}", 'places' => [
                ['item' => 'first', 'to' => 'user:u' . $i * 6, 'rings' => 3],
                ['item' => 'second', 'to' => "group:g{$i}", 'rings' => 4], ['item' => 'last', 'to' => "mailbox:m{$i}"],
            ]]),
            'attendants' => $ofUnit(static fn (int $i): array => [
                'key' => "a{$i}",
                'schedule' => 'schedule:s' . $i % $schedules,
                'site' => $i % 2 === 0 ? 'site:quay' : 'site:mill',
                'answers' => [
                    ['item' => 'open', 'when' => 'open', 'then' => "menu:n{$i}"],
                    [
                        'item' => 'closed', 'when' => 'closed', 'greeting' => 'prompt:closed',
                        'then' => $i % 3 === 0 ? "chain:c{$i}" : "mailbox:m{$i}",
                    ],
                    [
                        'item' => 'holiday', 'when' => 'holiday', 'greeting' => 'prompt:closed',
                        'then' => "mailbox:m{$i}",
                    ],
                ],
            ]),
            'menus' => $ofUnit(static fn (int $i): array => [
                'key' => "n{$i}",
                'prompt' => 'prompt:day',
                'plays' => 2,
                'silence' => "group:g{$i}",
                'keys' => [
                    '1' => ['to' => "group:g{$i}"], '2' => ['to' => 'user:u' . $i * 6 + 1],
                    '3' => ['to' => "chain:c{$i}"], '9' => ['to' => 'again'], '*' => ['to' => 'operator'],
                ],
            ]),
            'schedules' => array_map(self::schedule(...), range(0, $schedules - 1)),
            'calendars' => [['key' => 'holidays', 'holidays' => [
                ['item' => 'new-year', 'rule' => ['fixed' => '01-01'], 'whenWeekend' => 'substitute'],
                ['item' => 'good-friday', 'rule' => ['easter' => -2]],
                ['item' => 'civic', 'rule' => ['nth' => 1, 'weekday' => 'mon', 'month' => 8]],
                ['item' => 'christmas', 'rule' => ['fixed' => '12-25'], 'whenWeekend' => 'both'],
            ]]],
            'mailboxes' => [
                ...$ofUnit(static fn (int $i): array => ['key' => "m{$i}", 'zero' => 'operator']),
                ...array_map(
                    static fn (int $i): array => ['key' => "mu{$i}", 'owner' => "user:u{$i}"],
                    range(0, $users - 1),
                ),
            ],
            'prompts' => [
                ['key' => 'day', 'audio' => ['seconds' => 9]],
                ['key' => 'closed', 'audio' => ['seconds' => 7]],
            ],
            'trunks' => [['key' => 'harbour', 'outsideCallersOut' => true]],
            'routes' => [
                [
                    'key' => 'national', 'digits' => '(1xxxxxxxxxx)', 'class' => 'national',
                    'trunks' => ['trunk:harbour'],
                ],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function user(int $i, int $schedules): array
    {
        $legs = [['item' => 'desk', 'kind' => 'desk', 'seconds' => 20]];
        if ($i % 5 === 0) {
            $legs[] = [
                'item' => 'mobile', 'kind' => 'outside', 'number' => sprintf('+1506%07d', 5_550_000 + $i),
                'seconds' => 25, 'mailboxAfter' => 18,
            ];
        }

        return [
            'key' => "u{$i}", 'extension' => sprintf('%05d', 20_000 + $i),
            'name' => ['first' => "First{$i}", 'last' => "Last{$i}"], 'mailbox' => "mailbox:mu{$i}",
            'site' => $i % 2 === 0 ? 'site:quay' : 'site:mill', 'legs' => $legs,
        ] + (
            $i % 10 === 0
            ? ['schedule' => 'schedule:s' . intdiv($i, 10) % $schedules, 'handling' => [
                'closed' => ['always' => "mailbox:mu{$i}"],
            ]]
            : []
        );
    }

    /** @return array<string, mixed> */
    private static function group(int $i, int $schedules): array
    {
        return [
            'key' => "g{$i}", 'extension' => sprintf('%05d', 30_000 + $i),
            'order' => ['sequential', 'simultaneous', 'roundRobin'][$i % 3], 'noAnswerSeconds' => 40, 'ringsEach' => 2,
            'members' => array_map(
                static fn (int $n): array => ['item' => "u{$n}", 'who' => 'user:u' . $i * 6 + $n],
                range(0, 5),
            ),
            'otherwise' => ['noAnswer' => "mailbox:m{$i}", 'closed' => "mailbox:m{$i}"],
        ]
            + ($i % 4 === 1 ? ['schedule' => 'schedule:s' . ($i + 3) % $schedules] : [])
            + ($i % 5 === 2 ? ['queue' => ['most' => 10, 'longestWait' => 180, 'exitKey' => '0']] : []);
    }

    /** @return array<string, mixed> */
    private static function schedule(int $i): array
    {
        return [
            'key' => "s{$i}", 'calendars' => ['calendar:holidays'],
            'weekly' => [
                ['item' => 'morning', 'days' => self::WEEK, 'from' => sprintf('%02d:00', 7 + $i % 3), 'to' => '12:00'],
                [
                    'item' => 'afternoon', 'days' => self::WEEK, 'from' => '13:00',
                    'to' => sprintf('%02d:30', 16 + $i % 4),
                ],
                ...(
                    $i % 4 === 0 ? [['item' => 'saturday', 'days' => ['sat'], 'from' => '09:00', 'to' => '13:00']] : []
                ),
            ],
            'exceptions' => [['item' => 'stock-taking', 'from' => sprintf('2027-0%d-10', 1 + $i % 8)]],
            'periods' => $i % 5 === 0
                ? [['item' => 'summer', 'from' => '2027-07-01', 'to' => '2027-08-31', 'weekly' => [
                    ['item' => 'short', 'days' => self::WEEK, 'from' => '08:00', 'to' => '14:00'],
                ]]]
                : [],
        ];
    }
}
