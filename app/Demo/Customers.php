<?php

declare(strict_types=1);

namespace App\Demo;

use Jaunty\Core\Outbound\HomeDialling;

/**
 * The customers of Saltmarsh Voice, all invented: Port Merrow and beyond, 3 to 80 users, each with one fault to find;
 * the largest has none.
 */
final class Customers
{
    private const SOL = 'sol@saltmarsh.example';

    /** Shut for a day last summer, and nobody took it out: the same small thing at several customers. */
    private const REGATTA_DAY = ['object' => 'schedule:hours', 'path' => 'exceptions', 'value' => [
        ['item' => 'regatta-day', 'name' => 'Regatta day', 'from' => '2026-08-08'],
    ]];

    public const PORTED = '+12075550173';

    public const PORTED_ON = '2026-12-14';

    /** Whose number is on its way. */
    public static function porting(): DemoCustomer
    {
        return self::redshank();
    }

    /** @return list<DemoCustomer> in the order of their names */
    public static function all(): array
    {
        return [
            self::ardentRoad(), self::bellwether(), self::coldharbour(), self::dunlin(), self::eastPier(),
            self::fenwright(), self::gannet(), self::harrowgate(), self::inlet(), self::juniper(),
            self::kittiwake(), self::lantern(), self::merrow(), self::northquay(), self::osier(), self::puffin(),
            self::quillAndTern(), self::redshank(), self::sandpiper(),
        ];
    }

    private static function ardentRoad(): DemoCustomer
    {
        $who = Townsman::at('ardent', 14);

        return new DemoCustomer(
            'practice-out-of-hours',
            [
                'name' => 'Ardent Road Veterinary', 'region' => 'CA-NS', 'zone' => 'America/Halifax',
                'street' => '14 Ardent Road', 'city' => 'Port Merrow', 'mainNumber' => '+19025550110',
                'postcode' => 'B0X 1X0', 'emergencyNumber' => '+19025550150', 'emergencyMail' => 'desk@ardent.example',
                'hours' => 'Mon-Fri 8 to 5:30, lunch 12:30-1:30; Sat 9-1',
                'urgent' => 'If your animal needs help at once',
                'onCall' => [
                    ['name' => $who[6]->name(), 'mobile' => '902 555 0178'],
                    ['name' => $who[9]->name(), 'mobile' => '902 555 0179'],
                ],
                'users' => self::people(
                    14,
                    [...array_fill(0, 3, 'Reception'), ...array_fill(0, 7, 'Surgery'), ...array_fill(0, 4, 'Accounts')],
                    'ardent',
                ),
            ],
            [
                ['object' => 'group:reception', 'path' => 'order', 'value' => 'sequential'],
                ['object' => 'group:reception', 'path' => 'ringsEach', 'value' => 3],
                ['object' => 'group:reception', 'path' => 'noAnswerSeconds', 'value' => 30],
            ],
            new DemoFault(
                'a limit that never reaches the third member',
                'groups.limit-shorter-than-one-pass',
                "300 wed 10:00, {$who[2]->first} answers",
                'messageIn mailbox:reception',
            ),
            note: 'Reception rings top down from now on',
        );
    }

    private static function bellwether(): DemoCustomer
    {
        return new DemoCustomer(
            'one-site-office',
            [
                'name' => 'Bellwether Credit Union', 'region' => 'CA-NS', 'zone' => 'America/Halifax',
                'street' => '1 Custom House Square', 'city' => 'Port Merrow', 'mainNumber' => '+19025550120',
                'postcode' => 'B0X 1X0', 'emergencyNumber' => '+19025550151',
                'emergencyMail' => 'desk@bellwether.example',
                'hours' => 'Mon-Fri 9 to 5; Sat 10-2', 'whenClosed' => 'message',
                'users' => self::people(
                    80,
                    ['Reception', 'Lending', 'Savings', 'Branches', 'Accounts', 'Member services'],
                    'bellwether',
                ),
            ],
            [['object' => 'trunk:main', 'path' => 'deliversAs', 'value' => 'withoutPlus']],
            note: 'As its calls come',
            lookedAfterBy: self::SOL,
            isCalled: true,
        );
    }

    private static function coldharbour(): DemoCustomer
    {
        $who = Townsman::at('coldharbour', 8);

        return new DemoCustomer(
            'one-site-office',
            [
                'name' => 'Coldharbour Boatyard', 'region' => 'CA-NS', 'zone' => 'America/Halifax',
                'street' => '3 Slip Lane', 'city' => 'Quay End', 'mainNumber' => '+19025550111',
                'postcode' => 'B0X 1X0',
                'emergencyNumber' => '+19025550152', 'emergencyMail' => 'desk@coldharbour.example',
                'hours' => 'Mon-Fri 7 to 4', 'whenClosed' => 'message',
                'users' => self::people(8, ['Reception', 'Yard', 'Yard'], 'coldharbour'),
            ],
            [
                self::REGATTA_DAY,
                ['object' => 'group:reception', 'path' => 'members', 'value' => [
                    ['item' => $who[0]->key(), 'who' => "user:{$who[0]->key()}"],
                    ['item' => $who[3]->key(), 'who' => "user:{$who[3]->key()}"],
                    ['item' => 'yard-mobile', 'who' => 'outside:+19025550181'],
                ]],
            ],
            new DemoFault(
                'a mobile, switched off, in a group that rings all at once',
                'groups.outside-mailbox-steals',
                'main tue 14:30, +1 902 555 0181 switched off',
                'outsideMailbox outside:+19025550181',
            ),
            note: 'The foreman wants his mobile to ring as well',
            lookedAfterBy: self::SOL,
        );
    }

    private static function dunlin(): DemoCustomer
    {
        $who = Townsman::at('dunlin', 14);

        return new DemoCustomer(
            'one-site-office',
            [
                'name' => 'Dunlin Ferry Line', 'region' => 'CA-NS', 'zone' => 'America/Halifax',
                'street' => '9 Ferry Stage', 'city' => 'Port Merrow', 'mainNumber' => '+19025550113',
                'postcode' => 'B0X 1X0', 'emergencyNumber' => '+19025550153', 'emergencyMail' => 'desk@dunlin.example',
                'hours' => 'every day 6:00 to 22:00', 'whenClosed' => 'message',
                'users' => self::people(14, ['Reception', 'Purser', 'Freight'], 'dunlin'),
            ],
            [
                ['object' => 'schedule:hours', 'path' => 'weekly', 'value' => [[
                    'item' => 'night-boat', 'days' => ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'],
                    'from' => '18:00',
                    'to' => '06:00',
                ]]],
                ...self::inTurn('pursers', 'Pursers in turn', $who[1], $who[4], $who[7]),
            ],
            new DemoFault(
                'a holiday inside an overnight ferry shift',
                'hours.overnight-into-closed-date',
                'main 25 dec 02:00',
                'messageIn mailbox:reception',
            ),
            byHand: [['op' => 'create', 'object' => 'group:regatta', 'value' => [
                'name' => 'Regatta week', 'extension' => '394', 'order' => 'simultaneous', 'noAnswerSeconds' => 25,
                'mailbox' => 'mailbox:reception', 'members' => [
                    ['item' => $who[0]->key(), 'who' => "user:{$who[0]->key()}"],
                    ['item' => $who[3]->key(), 'who' => "user:{$who[3]->key()}"],
                ],
            ]]],
            note: 'Only the night boat takes calls in winter',
            lookedAfterBy: self::SOL,
        );
    }

    private static function eastPier(): DemoCustomer
    {
        $who = Townsman::at('eastpier', 9);

        return new DemoCustomer(
            'one-site-office',
            [
                'name' => 'East Pier Museum', 'region' => 'GB-ENG', 'zone' => 'Europe/London',
                'street' => '2 East Pier',
                'city' => 'Saltwick', 'mainNumber' => '+442079460002', 'postcode' => 'ZZ99 3VZ',
                'emergencyNumber' => '+442079460003', 'emergencyMail' => 'desk@east.example',
                'hours' => 'Tue-Sun 10 to 5', 'whenClosed' => 'message',
                'users' => self::people(9, ['Reception', 'Collections'], 'eastpier'),
            ],
            [
                ['object' => "user:{$who[4]->key()}", 'path' => 'extension', 'value' => '9990'],
            ],
            new DemoFault(
                'extension 9990 in the United Kingdom',
                'extensions.clashes-with-emergency',
                '9990 from 201',
                "messageIn mailbox:{$who[4]->key()}",
            ),
            note: 'The director wants an extension one remembers',
        );
    }

    private static function fenwright(): DemoCustomer
    {
        return new DemoCustomer(
            'one-line-office',
            [
                'name' => 'Fenwright Joinery', 'region' => 'CA-NB', 'zone' => 'America/Moncton',
                'mainNumber' => '+15065550100', 'messages' => 'Bram Tolland',
            ],
            [
                ['op' => 'create', 'object' => 'user:sidra-vell', 'value' => [
                    'name' => ['first' => 'Sidra', 'last' => 'Vell'], 'extension' => '202', 'site' => 'site:office',
                    'legs' => [['item' => 'desk']], 'mailbox' => 'mailbox:bram-tolland',
                ]],
                ['op' => 'create', 'object' => 'user:nance-orrin', 'value' => [
                    'name' => ['first' => 'Nance', 'last' => 'Orrin'], 'extension' => '203', 'site' => 'site:office',
                    'legs' => [['item' => 'desk']], 'mailbox' => 'mailbox:bram-tolland',
                ]],
                ['object' => 'tenant:fenwright-joinery', 'path' => 'state', 'value' => 'draft'],
            ],
            isPushed: false,
            note: 'Two more people; the street is still to come',
        );
    }

    private static function gannet(): DemoCustomer
    {
        $sites = [];
        foreach (
            [
                'Harbour Street' => ['+19025550130', '+19025550160'],
                'Mill Road' => ['+19025550131', '+19025550161'],
                'Spinnaker Court' => ['+14165550100', '+14165550102'],
            ] as $site => [$number, $callback]
        ) {
            $isLakeshore = str_starts_with($number, '+1416');
            $sites[] = [
                'name' => $site, 'number' => $number, 'hours' => 'Mon-Fri 8 to 6', 'street' => "5 {$site}",
                'city' => $isLakeshore ? 'Lakeshore' : 'Port Merrow',
                'postcode' => $isLakeshore ? 'M0X 1X0' : 'B0X 1X0', 'emergencyNumber' => $callback,
                'state' => $isLakeshore ? 'ON' : '',
            ];
        }

        return new DemoCustomer(
            'several-sites-night-cover',
            [
                'name' => 'Gannet Physiotherapy', 'region' => 'CA-NS', 'zone' => 'America/Halifax',
                'emergencyMail' => 'desk@gannet.example', 'sites' => $sites,
                'onCall' => [['name' => 'Maeve Brack', 'mobile' => '902 555 0184']],
                'users' => array_map(
                    static fn (array $user, int $place): array => ['site' => $sites[$place % 3]['name']]
                        + array_diff_key($user, ['teams' => true]),
                    self::people(30, ['Reception'], 'gannet'),
                    range(0, 29),
                ),
            ],
            [
                ['object' => 'site:spinnaker-court', 'path' => 'zone', 'value' => 'America/Toronto'],
                ['object' => 'attendant:spinnaker-court', 'path' => 'schedule', 'value' => 'schedule:harbour-street'],
            ],
            new DemoFault(
                'one schedule shared by sites in two time zones',
                'hours.zone-differs-from-site',
                '+1 416 555 0100 wed 18:30',
                'messageIn mailbox:spinnaker-court',
            ),
            note: 'One set of hours for all of them',
            lookedAfterBy: self::SOL,
        );
    }

    private static function harrowgate(): DemoCustomer
    {
        $who = Townsman::at('harrowgate', 16);

        return new DemoCustomer(
            'one-site-office',
            [
                'name' => 'Harrowgate Timber', 'region' => 'CA-ON', 'zone' => 'America/Toronto',
                'street' => '40 Sawmill Road', 'city' => 'Marl', 'mainNumber' => '+14165550110',
                'postcode' => 'M0X 1X0',
                'emergencyNumber' => '+14165550101', 'emergencyMail' => 'desk@harrowgate.example',
                'hours' => 'Mon-Fri 8 to 5', 'whenClosed' => 'message',
                'users' => self::people(16, ['Reception', 'Yard', 'Orders'], 'harrowgate'),
            ],
            [
                ['object' => 'schedule:hours', 'path' => 'weekly', 'value' => [
                    ['item' => 'week', 'span' => ['mon 08:00', 'fri 17:00']],
                ]],
                ...self::inTurn('orders', 'Orders in turn', $who[2], $who[5], $who[8]),
            ],
            new DemoFault(
                'a week entered as one block of five days',
                'hours.continuous-block',
                "main wed 03:00, {$who[0]->first} answers",
                "answered user:{$who[0]->key()}",
            ),
            byHand: [
                [
                    'object' => "user:{$who[2]->key()}", 'path' => 'handling/open/always',
                    'value' => 'outside:+14165550188',
                ],
            ],
            note: 'Hours as the owner said them on the telephone',
        );
    }

    private static function inlet(): DemoCustomer
    {
        $who = Townsman::at('inlet', 7);

        return new DemoCustomer(
            'one-site-office',
            [
                'name' => 'Inlet Property Care', 'region' => 'CA-NS', 'zone' => 'America/Halifax',
                'street' => '21 Inlet View', 'city' => 'Quay End', 'mainNumber' => '+19025550114',
                'postcode' => 'B0X 1X0',
                'emergencyNumber' => '+19025550154', 'emergencyMail' => 'desk@inlet.example',
                'hours' => 'Mon-Fri 8:30 to 5', 'whenClosed' => 'message',
                'users' => self::people(7, ['Reception', 'Repairs'], 'inlet'),
            ],
            [
                self::REGATTA_DAY,
                ['op' => 'create', 'object' => 'number:+19025550117', 'value' => [
                    'label' => 'Repairs, direct', 'destination' => "user:{$who[1]->key()}", 'trunk' => 'trunk:main',
                    'site' => 'site:office',
                ]],
                ['object' => 'trunk:main', 'path' => 'outsideCallersOut', 'value' => false],
                [
                    'object' => "user:{$who[1]->key()}", 'path' => 'handling/open/noAnswer',
                    'value' => 'outside:+19025550185',
                ],
            ],
            new DemoFault(
                'a trunk that bars outside callers under a forward to a mobile',
                'users.forward-refused-by-trunk',
                '902 555 0117 wed 10:00',
                'refused outside:+19025550185',
            ),
            note: 'Repairs go on to the van',
            lookedAfterBy: self::SOL,
        );
    }

    private static function juniper(): DemoCustomer
    {
        $who = Townsman::at('juniper', 12);

        return new DemoCustomer(
            'practice-out-of-hours',
            [
                'name' => 'Juniper Lane Surgery', 'region' => 'CA-NS', 'zone' => 'America/Halifax',
                'street' => '6 Juniper Lane', 'city' => 'Port Merrow', 'mainNumber' => '+19025550115',
                'postcode' => 'B0X 1X0', 'emergencyNumber' => '+19025550155', 'emergencyMail' => 'desk@juniper.example',
                'hours' => 'Mon-Fri 8:30 to 6', 'urgent' => 'If you need a doctor tonight',
                'onCall' => [['name' => 'Lowri Kell', 'mobile' => '902 555 0186']],
                'users' => self::people(12, ['Reception', 'Nurses', 'Doctors'], 'juniper'),
            ],
            [
                [
                    'object' => 'prompt:day-menu',
                    'path' => 'script',
                    'value' => 'For nurses, press 1. For doctors, press 2. For our opening '
                        . 'hours, press 4. For reception, '
                        . 'press 0 or hold.',
                ],
                ...TownTelephones::practice($who),
            ],
            new DemoFault(
                'a key that is announced and not set',
                'menus.script-announces-unset-key',
                'main wed 10:00 press 4',
                'messageIn mailbox:reception',
            ),
            byHand: [
                ['object' => "user:{$who[8]->key()}", 'path' => 'mailbox', 'value' => null],
                ['op' => 'delete', 'object' => "mailbox:{$who[8]->key()}"],
            ],
            note: 'The practice manager wants the hours to be told',
        );
    }

    private static function kittiwake(): DemoCustomer
    {
        return new DemoCustomer(
            'practice-out-of-hours',
            [
                'name' => 'Kittiwake Brewing', 'region' => 'US', 'zone' => 'America/New_York',
                'street' => '77 Wharf Avenue', 'city' => 'Tern Harbor', 'state' => 'ME', 'mainNumber' => '+12075550100',
                'postcode' => '00055', 'emergencyNumber' => '+12075550102', 'emergencyMail' => 'desk@kittiwake.example',
                'hours' => 'Mon-Sat 9 to 6', 'onCall' => [['name' => 'Corin Sorrel', 'mobile' => '207 555 0171']],
                'users' => self::people(10, ['Reception', 'Brewery', 'Taproom'], 'kittiwake'),
            ],
            [
                self::REGATTA_DAY,
                ['object' => 'menu:day', 'path' => 'invalid', 'value' => 'attendant:main'],
            ],
            new DemoFault(
                'wrong keys that lead round for ever',
                'menus.wrong-keys-go-round',
                'main wed 10:00 press 9 9 9 9 9 9',
                'messageIn mailbox:reception',
            ),
            note: 'Wrong keys begin again',
        );
    }

    private static function lantern(): DemoCustomer
    {
        $who = Townsman::at('lantern', 8);

        return new DemoCustomer(
            'one-site-office',
            [
                'name' => 'Lantern Street Law', 'region' => 'US', 'zone' => 'America/New_York',
                'street' => '12 Lantern Street', 'city' => 'Marl', 'state' => 'MA', 'mainNumber' => '+16175550100',
                'postcode' => '00055', 'emergencyNumber' => '+16175550101', 'emergencyMail' => 'desk@lantern.example',
                'hours' => 'Mon-Fri 9 to 5:30', 'whenClosed' => 'message',
                'users' => self::people(8, ['Reception', 'Partners'], 'lantern'),
            ],
            [
                ['op' => 'create', 'object' => 'chain:partners', 'value' => ['name' => 'Partners in turn', 'places' => [
                    ['item' => $who[3]->key(), 'to' => "user:{$who[3]->key()}"],
                    ['item' => $who[5]->key(), 'to' => "user:{$who[5]->key()}"],
                    ['item' => 'mailbox', 'to' => 'mailbox:reception'],
                ]]],
                ['object' => "user:{$who[1]->key()}", 'path' => 'handling/open/noAnswer', 'value' => 'chain:partners'],
                [
                    'object' => "user:{$who[1]->key()}", 'path' => 'handling/open/always',
                    'value' => "mailbox:{$who[1]->key()}",
                ],
            ],
            new DemoFault(
                'a fallback chain hidden by a forwarding of all calls',
                'chains.hidden',
                '202 from 201 wed 10:00',
                "messageIn mailbox:{$who[1]->key()}",
            ),
            note: 'The partners cover for each other',
        );
    }

    private static function merrow(): DemoCustomer
    {
        $who = Townsman::at('merrow', 16);
        $byHand = [['object' => 'attendant:main', 'path' => 'answers/closed/greeting', 'value' => 'prompt:welcome']];
        foreach (array_slice($who, 0, 6) as $person) {
            $mail = str_replace('-', '.', $person->key()) . '@harbour.example';
            $byHand[] = ['object' => "user:{$person->key()}", 'path' => 'email', 'value' => $mail];
            $byHand[] = [
                'object' => "user:{$person->key()}", 'path' => 'display', 'value' => "{$person->name()} (office)",
            ];
        }

        return new DemoCustomer(
            'one-site-office',
            [
                'name' => 'Merrow Harbour Office', 'region' => 'CA-NS', 'zone' => 'America/Halifax',
                'street' => '1 Harbour Office', 'city' => 'Port Merrow', 'mainNumber' => '+19025550116',
                'postcode' => 'B0X 1X0', 'emergencyNumber' => '+19025550156', 'emergencyMail' => 'desk@merrow.example',
                'hours' => 'Mon-Fri 8 to 8; Sat 8-4', 'whenClosed' => 'message',
                'users' => self::people(16, ['Reception', 'Berths', 'Pilots'], 'merrow'),
            ],
            fault: new DemoFault(
                'drift of a dozen fields that callers do not notice, beside one swapped closed '
                . 'greeting that every caller does',
                'drift.caller-impact',
                'main sun 10:00',
                'messageIn mailbox:reception',
            ),
            byHand: $byHand,
            lookedAfterBy: self::SOL,
        );
    }

    private static function northquay(): DemoCustomer
    {
        $who = Townsman::at('northquay', 10);

        return new DemoCustomer(
            'one-site-office',
            [
                'name' => 'Northquay Seed & Feed', 'region' => 'CA-NB', 'zone' => 'America/Moncton',
                'street' => '88 Elevator Road', 'city' => 'Northquay', 'mainNumber' => '+15065550110',
                'postcode' => 'E0X 1X0', 'emergencyNumber' => '+15065550102',
                'emergencyMail' => 'desk@northquay.example',
                'hours' => 'Mon-Fri 7:30 to 5:30; Sat 8-12', 'whenClosed' => 'message',
                'users' => self::people(10, ['Reception', 'Mill'], 'northquay'),
            ],
            [
                ['object' => 'number:+15065550110', 'path' => 'from', 'value' => '2026-11-20'],
                ['op' => 'create', 'object' => 'number:+15065550111', 'value' => [
                    'label' => 'Lent until the port', 'destination' => 'attendant:main', 'status' => 'temporary',
                    'replaces' => 'number:+15065550110', 'trunk' => 'trunk:main', 'site' => 'site:office',
                ]],
            ],
            new DemoFault(
                'a completed port whose lent number is still published',
                'numbers.temporary-left-over',
                "506 555 0111 wed 10:00, {$who[0]->first} answers",
                "answered user:{$who[0]->key()}",
            ),
            note: 'The main number was ported on the 20th',
        );
    }

    private static function osier(): DemoCustomer
    {
        $who = Townsman::at('osier', 4);

        return new DemoCustomer(
            'one-site-office',
            [
                'name' => 'Osier Basketworks', 'region' => 'GB-SCT', 'zone' => 'Europe/London',
                'street' => '4 Withy Close',
                'city' => 'Saltwick', 'mainNumber' => '+441314960000', 'postcode' => 'ZZ99 3VZ',
                'emergencyNumber' => '+441314960001', 'emergencyMail' => 'desk@osier.example',
                'hours' => 'Mon-Fri 9 to 5', 'whenClosed' => 'message',
                'users' => self::people(4, ['Reception', 'Workshop'], 'osier'),
            ],
            [
                ['object' => 'calendar:holidays', 'path' => 'holidays', 'value' => [
                    ['item' => 'new-year', 'name' => 'New Year', 'date' => '2025-01-01'],
                    ['item' => 'good-friday', 'name' => 'Good Friday', 'date' => '2025-04-18'],
                    ['item' => 'christmas', 'name' => 'Christmas Day', 'date' => '2025-12-25'],
                ]],
                ['object' => 'calendar:holidays', 'path' => 'knownUntil', 'value' => null],
            ],
            new DemoFault(
                'holidays that are all past',
                'hours.all-holidays-past',
                "main 25 dec 11:00, {$who[0]->first} answers",
                "answered user:{$who[0]->key()}",
            ),
            note: 'Holidays as the owner keeps them',
            lookedAfterBy: self::SOL,
        );
    }

    private static function puffin(): DemoCustomer
    {
        $who = Townsman::at('puffin', 20);

        return new DemoCustomer(
            'one-site-office',
            [
                'name' => 'Puffin Cove Hotel', 'region' => 'CA-NS', 'zone' => 'America/Halifax',
                'street' => '1 Cove Road',
                'city' => 'Puffin Cove', 'mainNumber' => '+17825550100', 'postcode' => 'B0X 1X0',
                'emergencyNumber' => '+17825550101', 'emergencyMail' => 'desk@puffin.example',
                'hours' => 'every day 7:00 to 22:00', 'whenClosed' => 'message',
                'users' => self::people(20, ['Reception', 'Housekeeping', 'Kitchen', 'Reception'], 'puffin'),
            ],
            [
                self::REGATTA_DAY,
                ['op' => 'create', 'object' => 'group:night', 'value' => [
                    'name' => 'Night desk',
                    'extension' => '392',
                    'site' => 'site:office',
                    'order' => 'roundRobin',
                    'signInBy' => 'administrator',
                    'noAnswerSeconds' => 40,
                    'mailbox' => 'mailbox:reception',
                    'members' => [
                        ['item' => $who[5]->key(), 'who' => "user:{$who[5]->key()}", 'signedIn' => false],
                        ['item' => $who[6]->key(), 'who' => "user:{$who[6]->key()}", 'signedIn' => false],
                    ],
                ]],
                ['object' => 'attendant:main', 'path' => 'answers/closed/then', 'value' => 'group:night'],
                ...self::twoMenus(),
                ...TownTelephones::hotel($who),
            ],
            new DemoFault(
                'a night group in which nobody is signed in',
                'groups.nobody-signed-in',
                "main wed 23:30, {$who[5]->first} answers",
                'messageIn mailbox:reception',
            ),
            note: 'The night desk answers after ten',
            lookedAfterBy: self::SOL,
            isCalled: true,
        );
    }

    /**
     * Who stands in for somebody that does not answer, one after the other, and then the mailbox of reception.
     *
     * @return list<array{op?: string, object: string, path?: string, value: mixed}>
     */
    private static function inTurn(string $key, string $name, Townsman $for, Townsman ...$others): array
    {
        $places = array_map(
            static fn (Townsman $each): array => ['item' => $each->key(), 'to' => "user:{$each->key()}"],
            array_values($others),
        );

        return [
            ['op' => 'create', 'object' => "chain:{$key}", 'value' => [
                'name' => $name, 'places' => [...$places, ['item' => 'mailbox', 'to' => 'mailbox:reception']],
            ]],
            ['object' => "user:{$for->key()}", 'path' => 'handling/open/noAnswer', 'value' => "chain:{$key}"],
        ];
    }

    /**
     * A menu of the house, and one of the restaurant behind it.
     *
     * @return list<array{op?: string, object: string, path?: string, value: mixed}>
     */
    private static function twoMenus(): array
    {
        $prompt = static fn (string $key, string $name, string $script): array => [
            'op' => 'create', 'object' => "prompt:{$key}", 'value' => [
                'name' => $name, 'script' => $script, 'language' => 'en',
            ],
        ];
        $menu = static fn (string $key, string $name, array $keys): array => [
            'op' => 'create', 'object' => "menu:{$key}", 'value' => [
                'name' => $name, 'prompt' => "prompt:{$key}", 'invalidPrompt' => 'prompt:wrong-key', 'keys' => $keys,
                'site' => 'site:office', 'silence' => 'group:reception', 'plays' => 2, 'wait' => 4,
            ],
        ];

        return [
            $prompt('wrong-key', 'That was no choice', 'That was no choice.'),
            $prompt(
                'house',
                'Choices of the house',
                'For the restaurant, press 1. For housekeeping, press 2. For reception, press 0 or hold.',
            ),
            $prompt(
                'restaurant',
                'Choices of the restaurant',
                'To speak to the kitchen, press 1. To go back, press star. For reception, press 0 or hold.',
            ),
            $menu('restaurant', 'Restaurant', [
                ['item' => '1', 'to' => 'group:kitchen', 'label' => 'Kitchen'],
                ['item' => '0', 'to' => 'group:reception', 'label' => 'Reception'], ['item' => '*', 'to' => 'back'],
            ]),
            $menu('house', 'House menu', [
                ['item' => '1', 'to' => 'menu:restaurant', 'label' => 'Restaurant'],
                ['item' => '2', 'to' => 'group:housekeeping', 'label' => 'Housekeeping'],
                ['item' => '0', 'to' => 'group:reception', 'label' => 'Reception'],
            ]),
            ['object' => 'attendant:main', 'path' => 'answers/open/then', 'value' => 'menu:house'],
        ];
    }

    private static function quillAndTern(): DemoCustomer
    {
        $who = Townsman::at('quillandtern', 15);
        $people = self::people(15, ['Claims', 'Sales', 'Reception'], 'quillandtern');
        $people[4]['teams'] = 'Claims, Sales';

        return new DemoCustomer(
            'one-site-office',
            [
                'name' => 'Quill & Tern Insurance', 'region' => 'US', 'zone' => 'America/New_York',
                'street' => '300 Beacon Row', 'city' => 'Tern Harbor', 'state' => 'MA', 'mainNumber' => '+16175550110',
                'postcode' => '00055', 'emergencyNumber' => '+16175550102', 'emergencyMail' => 'desk@quill.example',
                'hours' => 'Mon-Fri 8:30 to 5', 'whenClosed' => 'message', 'users' => $people,
            ],
            [
                ['object' => "user:{$who[4]->key()}", 'path' => 'status', 'value' => 'leaver'],
                [
                    'object' => "mailbox:{$who[4]->key()}", 'path' => 'notify',
                    'value' => ["{$who[1]->key()}@quillandtern.example"],
                ],
                ...self::inTurn('adjusters', 'Adjusters in turn', $who[6], $who[0], $who[3]),
                ...ThreeFloors::of($who),
            ],
            new DemoFault(
                'a leaver who is still in two groups',
                'users.leaver-still-routed',
                "205 from 201 wed 10:00, {$who[4]->first} answers",
                "messageIn mailbox:{$who[4]->key()}",
            ),
            note: "{$who[4]->name()} has left",
            besides: ['users.own-address-unknown'],
        );
    }

    private static function redshank(): DemoCustomer
    {
        return new DemoCustomer('shop-with-queue', [
            'name' => 'Redshank Couriers', 'region' => 'US', 'zone' => 'America/New_York',
            'street' => '18 Depot Street', 'city' => 'Tern Harbor', 'state' => 'ME', 'mainNumber' => '+12075550110',
            'postcode' => '00055', 'emergencyNumber' => '+12075550103', 'emergencyMail' => 'desk@redshank.example',
            'hours' => 'Mon-Fri 6 to 8pm', 'longestWait' => '240', 'mostWaiting' => '8',
            'users' => array_map(
                static fn (array $user): array => array_diff_key($user, ['teams' => true]),
                self::people(14, ['Dispatch'], 'redshank'),
            ),
        ], [
            ['op' => 'create', 'object' => 'number:' . self::PORTED, 'value' => [
                'label' => 'Claims line', 'destination' => 'attendant:main', 'status' => 'portingIn',
                'from' => self::PORTED_ON, 'trunk' => 'trunk:main', 'site' => 'site:office',
            ]],
        ], new DemoFault(
            'part of an account that is to come over, turned down since nobody said what becomes of the rest',
            'ports.details-mismatch',
            self::PORTED . ' wed 10:00',
            'oldCarrier number:' . self::PORTED,
        ), note: 'The claims line comes over on the 14th', lookedAfterBy: self::SOL, isCalled: true, besides: [
            'sites.line-fails',
        ]);
    }

    private static function sandpiper(): DemoCustomer
    {
        $route = static fn (string $name, int $position, string $digits, string $class): array => [
            'name' => $name, 'position' => $position, 'digits' => $digits, 'strip' => 1, 'class' => $class,
            'trunks' => ['trunk:main'],
        ];

        return new DemoCustomer(
            'one-site-office',
            [
                'name' => 'Sandpiper Freight', 'region' => 'US', 'zone' => 'America/New_York', 'street' => '5 Causeway',
                'city' => 'Marl', 'state' => 'MA', 'mainNumber' => '+16175550111', 'postcode' => '00055',
                'emergencyNumber' => '+16175550103', 'emergencyMail' => 'desk@sandpiper.example',
                'hours' => 'Mon-Fri 7 to 7', 'whenClosed' => 'message',
                'users' => self::people(12, ['Reception', 'Depot'], 'sandpiper'),
            ],
            [
                ['object' => 'tenant:sandpiper-freight', 'path' => 'outsidePrefix', 'value' => '8'],
                [
                    'op' => 'create',
                    'object' => 'route:emergency-after-8',
                    'value' => ['emergency' => true] + $route('Emergency after 8', 1, '8911|8933', 'local'),
                ],
                ['object' => 'route:national', 'path' => 'digits', 'value' => self::nationalAfter8()],
                ['object' => 'route:national', 'path' => 'strip', 'value' => 1],
                [
                    'op' => 'create',
                    'object' => 'route:boston',
                    'value' => $route('Boston', 5, '81617xxxxxxx|8617xxxxxxx', 'national'),
                ],
                [
                    'op' => 'create',
                    'object' => 'route:abroad',
                    'value' => $route('Abroad', 6, '8011[1-9]x.T', 'international'),
                ],
            ],
            new DemoFault(
                'a route for one area code behind one that takes every other',
                'outbound.shadowed',
                '86175550199',
                'outside route:national',
                isDialled: true,
            ),
            note: 'Outside calls begin with 8, as on the old system',
        );
    }

    /** Numbers of the country as they are dialled in the US behind an 8, with the 1 and without. */
    private static function nationalAfter8(): string
    {
        $maps = explode('|', HomeDialling::of('US')->national ?? '');

        return implode(
            '|',
            array_map(static fn (string $map): string => "8{$map}|8" . substr($map, strlen('1')), $maps),
        );
    }

    /**
     * Users as somebody would paste them, in teams by turns.
     *
     * @param  list<string>  $teams
     * @return list<array<string, string>>
     */
    private static function people(int $count, array $teams, string $domain): array
    {
        return array_map(static fn (Townsman $person, int $place): array => [
            'name' => $person->name(), 'extension' => (string) (201 + $place),
            'mail' => "{$person->key()}@{$domain}.example",
            'teams' => $teams[$place % count($teams)],
        ], Townsman::at($domain, $count), range(0, $count - 1));
    }
}
