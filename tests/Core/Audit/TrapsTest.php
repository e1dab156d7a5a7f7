<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\RuleBook;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Traps of the trade, each with the whole of what is said where it is set, and silence at its edge. */
final class TrapsTest extends TestCase
{
    #[DataProvider('set')]
    public function test_a_trap_that_is_set_is_told_whole(string $rule, string ...$told): void
    {
        $found = array_values(array_filter(RuleBook::all(), static fn ($each): bool => $each->about()->id === $rule));

        self::assertSame($told, array_map(self::whole(...), (new Auditor($found))->audit(
            RuleCase::of($found[0])->bad(),
        )));
    }

    /** @return iterable<string, array<int, string>> */
    public static function set(): iterable
    {
        foreach ([
            'chains.chain-in-chain' => [
                'note | chain:day | places/then/to | then | 1 | Day goes on in Night | Its places are rung after those '
                    . 'before it. | -',
            ],
            'emergency.evidence-unusable' => [
                'error | site:quay | emergency/notify | emergency/notify | 1 | Quay End: "xx" is no mail address; '
                    . 'write one such as ines@thornback.example | It would be relied on when '
                    . 'somebody there calls for help. | -',
            ],
            'emergency.floor-unknown' => [
                'warning | user:a | emergency/floor |  | 1 | a is on "basement nonsense", and Quay End has no such '
                    . 'floor | It has Ground and First. | -',
            ],
            'emergency.same-street' => [
                'warning | site:mill | address/street |  | 1 | Quay and Mill have the same street | Help that is '
                    . 'called from either comes to the same door. | -',
            ],
            'extensions.range-backwards' => [
                'error | site:quay | extensionRanges/r | r | 1 | Quay End: no extension lies from 300 to 249 | It ends '
                    . 'before it begins. | Turn it round',
            ],
            'groups.queue-wrong-product' => [
                'error | group:desk | queue/most |  | 1 | Desk: 40 may wait in a hunt group | Beyond 20 it is a call '
                    . 'centre. | Let 20 wait',
            ],
            'groups.queue-long' => [
                'warning | group:desk | queue/most |  | 1 | Desk: 15 may wait | More than 10 wait long. | Let 10 wait',
            ],
            'groups.wrap-up-long' => [
                'warning | group:desk | wrapUp | wrapUp | 1 | Desk: nobody rings for 600 s after a call | That is more '
                    . 'than 75 s. | Make it 75 s',
            ],
            'hours.always-open-beside-hours' => [
                'warning | attendant:main | schedule |  | 1 | Main greeting is always open, '
                    . 'beside Hours | It goes by no hours. | -',
            ],
            'hours.no-holidays' => [
                'warning | schedule:week | calendars |  | 1 | Hours knows no holiday | By it go Main greeting, on '
                    . 'every day of the year. | -',
            ],
            'hours.periods-overlap' => [
                'warning | schedule:week | periods/carnival/from | carnival | 1 | Hours: Winter and Carnival claim the '
                    . 'same days | Winter holds from Sat 20 Feb 2027 to Sun 28 Feb 2027. | -',
            ],
            'hours.unused' => [
                'note | schedule:old | name |  | 1 | Nothing goes by Old | Changing it changes no call. | Take it out',
            ],
            'hours.zone-not-of-place' => [
                'warning | site:quay | zone |  | 1 | Quay End goes by America/Toronto, which is not the clock of CA-NS '
                    . '| There it is America/Halifax. | Make it America/Halifax',
            ],
            'mailboxes.address-unusable' => [
                'error | mailbox:desk | notify |  | 1 | Desk: "desk@inlet" is no mail address; write one such as '
                    . 'ines@thornback.example | Nothing sent there arrives. | -',
            ],
            'menus.directory-exposes-everybody' => [
                'note | menu:day | dialByName/scope |  | 1 | Day menu lets callers look everybody up by name | Callers '
                    . 'from outside come to it. | -',
            ],
            'menus.no-wrong-key-prompt' => [
                'note | menu:day | invalidPrompt |  | 1 | Day menu: nothing is said to whoever presses a wrong key | '
                    . 'The prompt is played again. | -',
            ],
            'menus.script-names-another' => [
                'warning | menu:day | keys/1 | 1 | 1 | Day menu: key 1 is announced for reception, and leads to '
                    . 'Accounts | Callers are told: "For reception, press 1." The key is labelled Accounts. | -',
            ],
            'menus.silence-hangs-up' => [
                'warning | menu:day | silence |  | 1 | Day menu: whoever presses nothing is cut off | Nobody is rung, '
                    . 'and no message is taken. | -',
            ],
            'names.says-nothing' => [
                'note | group:desk | name |  | 1 | "New group 1" says nothing of what it is for | It is a group. | -',
            ],
            'numbers.outside-invalid' => [
                'error | number:+19025550150 | destination | destination | 1 | +1 902 555 0150 leads calls to +1 902 '
                    . '155 0177, which nobody has | Its country has no number of this form. | -',
            ],
            'numbers.over' => [
                'error | number:+19025550150 | until |  | 1 | +1 902 555 0150 is over since Mon 30 Nov 2026 | Calls to '
                    . 'it end as not in service. | -',
            ],
            'numbers.served-though-suspended' => [
                'warning | tenant:sample | state |  | 1 | The customer is suspended, and calls still go through | They '
                    . 'are taken at +1 902 555 0150. | -',
            ],
            'outbound.international-for-everybody' => [
                'note | tenant:sample | region |  | 3 | Everybody may call abroad | All 3 users '
                    . 'have the international class. | -',
            ],
            'outbound.channels-none-for-incoming' => [
                'error | trunk:main | outboundChannels |  | 1 | Main trunk: outgoing calls may take all 6 channels | '
                    . 'None is left for callers. | Let them take 4',
            ],
            'outbound.cut-short' => [
                'warning | route:abroad | digits |  | 1 | Abroad: 01100000 is never dialled to its end | Its beginning '
                    . 'is complete already, and goes out before the rest is dialled. | -',
            ],
            'outbound.international-open' => [
                'error | route:national | digits |  | 1 | National lets calls abroad through | It is for national '
                    . 'calls, and 0112000000 fits its digits, which begin a call abroad. | Give '
                    . 'it the international class',
            ],
            'outbound.no-route-for-class' => [
                'warning | tenant:sample | region | international | 1 | Ines Marsh may call abroad, and no such call '
                    . 'goes out | One user has the class, among one route. Tried: 011441212345678 (international). | -',
            ],
            'outbound.one-trunk-only' => [
                'note | trunk:main | carrier |  | 1 | All calls hang on Main trunk | It is of Harbour Telephone, and '
                    . 'no number says where its calls go when that fails. | -',
            ],
            'prompts.not-recorded' => [
                'error | prompt:hello | audio |  | 1 | Hello was never recorded | The customer is in service, and '
                    . 'callers hear nothing: Hello. | -',
            ],
            'users.hardware-twice' => [
                'error | user:ben | legs/desk/hardware | desk | 1 | Ana Reed and Ben Reed have one device | Both have '
                    . '00:11:22:33:44:55. | -',
            ],
            'users.leaver-told' => [
                'warning | mailbox:desk | notify |  | 1 | Ana Reed has left and is still told of Front desk | Mail '
                    . 'goes to ana@inlet.example. | Tell ana@inlet.example no more',
            ],
            'users.on-a-call-hides-waiting' => [
                'note | user:a | handling/open/onACall |  | 1 | a has call waiting, and a second call goes elsewhere | '
                    . 'While they are on a call, calls go where the treatment says. | Take call waiting off',
            ],
            'users.pin-missing' => [
                'warning | mailbox:desk | pin |  | 1 | Desk has no PIN | The customer is in service. | -',
            ],
            'users.public-phone-open' => [
                'warning | user:a | callingClass |  | 1 | Lobby phone stands where anybody can call from it, and may '
                    . 'call international | It says "Lobby". | Let it call inside only',
            ],
        ] as $rule => $told) {
            yield $rule => [$rule, ...$told];
        }
    }

    /** @param array<string, mixed> $book */
    #[DataProvider('edges')]
    public function test_what_lies_just_beside_is_left_alone_or_told(string $rule, array $book, string ...$told): void
    {
        $found = array_values(array_filter(RuleBook::all(), static fn ($each): bool => $each->about()->id === $rule));

        self::assertSame($told, array_map(
            static fn (Finding $finding): string => $finding->title(),
            (new Auditor($found))->audit(new Inspection(Samples::book($book), Samples::NOW)),
        ));
    }

    /** @return iterable<string, array<int, mixed>> */
    public static function edges(): iterable
    {
        $group = static fn (array $fields): array => [
            'groups' => [$fields + [
                'key' => 'desk', 'name' => 'Desk', 'members' => [['item' => 'a', 'who' => 'user:a']],
                'mailbox' => 'mailbox:desk',
            ]],
            'users' => [['key' => 'a', 'mailbox' => 'mailbox:desk', 'legs' => [['item' => 'desk']]]],
            'mailboxes' => [['key' => 'desk', 'name' => 'Desk', 'notify' => ['desk@inlet.example']]],
        ];
        $route = static fn (string $digits, string $class = 'national', array $more = []): array => $more
            + ['trunks' => [['key' => 'main', 'name' => 'Main']], 'routes' => [
                ['key' => 'out', 'name' => 'Out', 'digits' => $digits, 'class' => $class, 'trunks' => ['trunk:main']],
            ]];
        $site = static fn (array $fields): array => ['sites' => [
            $fields
            + ['key' => 'quay', 'name' => 'Quay End', 'address' => ['street' => '4 Quay End', 'city' => 'Port Merrow']],
        ]];
        $week = static fn (array $piece): array => [
            'weekly' => [['item' => 'days', 'days' => ['mon'], 'from' => '08:00', 'to' => '17:00']],
            'periods' => [[
                'item' => 'winter', 'name' => 'Winter', 'from' => '2026-12-10', 'to' => '2026-12-20',
                'weekly' => [['item' => 'block'] + $piece],
            ]],
        ];
        $script = static fn (string $said, array $more = []): array => $more + [
            'schedules' => [['key' => 'week', 'name' => 'Hours', 'weekly' => [
                ['item' => 'days', 'days' => ['mon', 'tue', 'wed', 'thu', 'fri'], 'from' => '09:00', 'to' => '17:00'],
            ]]],
            'prompts' => [['key' => 'told', 'name' => 'Our hours', 'script' => $said]],
            'announcements' => [['key' => 'told', 'prompt' => 'prompt:told']],
            'users' => [['key' => 'a', 'schedule' => 'schedule:week']],
        ];

        yield 'ten may wait' => ['groups.queue-long', $group(['queue' => ['most' => 10, 'longestWait' => 60]])];
        yield 'the eleventh is many' => [
            'groups.queue-long',
            $group(['queue' => ['most' => 11, 'longestWait' => 60]]),
            'Desk: 11 may wait',
        ];
        yield 'twenty are no call centre' => ['groups.queue-wrong-product', $group(
            ['queue' => ['most' => 20, 'longestWait' => 60]],
        )];
        yield 'twenty-one are' => [
            'groups.queue-wrong-product',
            $group(['queue' => ['most' => 21, 'longestWait' => 60]]),
            'Desk: 21 may wait in a hunt group',
        ];
        yield 'a wrap-up as long as it may be' => ['groups.wrap-up-long', $group(['wrapUp' => 75])];
        yield 'a rest after no answer counts as well' => [
            'groups.wrap-up-long',
            $group(['restAfterNoAnswer' => 76]),
            'Desk: nobody rings for 76 s after a call',
        ];
        yield 'nine rings, all at once, for 30 s' => [
            'groups.rings-ignored',
            $group(['order' => 'simultaneous', 'ringsEach' => 9, 'noAnswerSeconds' => 30]),
            'Desk: 9 rings mean nothing while all ring at once',
        ];
        yield 'nine rings, all at once, for as long' => ['groups.rings-ignored', $group(
            ['order' => 'simultaneous', 'ringsEach' => 9, 'noAnswerSeconds' => 45],
        )];
        yield 'rings as they come' => ['groups.rings-ignored', $group(
            ['order' => 'simultaneous', 'ringsEach' => 3, 'noAnswerSeconds' => 10],
        )];
        yield 'names that say something' => ['names.says-nothing', $group(['name' => 'Groundskeepers'])];
        yield 'grp1' => ['names.says-nothing', $group(['name' => 'grp1']), '"grp1" says nothing of what it is for'];
        yield 'all channels outward, as nobody said otherwise' => [
            'outbound.channels-none-for-incoming',
            ['trunks' => [['key' => 'main', 'name' => 'Main', 'channels' => 24]], 'numbers' => [
                ['key' => Samples::NUMBER, 'trunk' => 'trunk:main'],
            ]],
            'Main: outgoing calls may take all 24 channels',
        ];
        yield 'a trunk whose channels nobody counts' => ['outbound.channels-none-for-incoming', [
            'trunks' => [['key' => 'main', 'name' => 'Main']],
            'numbers' => [['key' => Samples::NUMBER, 'trunk' => 'trunk:main']],
        ]];
        yield 'the whole world as a local call' => [
            'outbound.international-open',
            $route('011x.T', 'local'),
            'Out lets calls abroad through',
        ];
        yield 'an island dialled like the next town' => [
            'outbound.international-open',
            $route('1876xxxxxxx'),
            'Out lets calls abroad through',
        ];
        yield 'home behind the prefix for abroad' => ['outbound.international-open', $route('0111xxxxxxxxxx')];
        yield 'abroad by its class' => ['outbound.international-open', $route('011x.T', 'international')];
        yield 'a block through the nights of a period' => [
            'hours.continuous-block',
            ['schedules' => [['key' => 'week', 'name' => 'Hours'] + $week(['span' => ['mon 08:00', 'fri 17:00']])]],
            'Hours, Winter: one block of 105 h',
        ];
        yield 'a night shift of a period' => ['hours.continuous-block', [
            'schedules' => [['key' => 'week', 'name' => 'Hours'] + $week(['span' => ['mon 20:00', 'tue 06:00']])],
        ]];
        yield 'deleted after mail to nobody' => [
            'mailboxes.deletes-unsent',
            ['mailboxes' => [['key' => 'desk', 'name' => 'Desk', 'attachAudio' => true, 'deleteAfterMail' => true]]],
            'Desk deletes messages once they are mailed, and mails them to nobody',
        ];
        yield 'hours in words, behind a key, that are kept' => ['prompts.hours-differ', $script(
            'We are open Monday to Friday, nine to five.',
        )];
        yield 'hours in words, behind a key, that are not' => [
            'prompts.hours-differ',
            $script('We are open Monday to Friday, eight to five.'),
            'Our hours: callers are told hours that are kept nowhere',
        ];
        yield 'a postcode as people there write it' => ['emergency.evidence-unusable', $site(
            ['address' => ['postcode' => 'b0x1x0', 'country' => 'CA']],
        )];
        yield 'of another country' => [
            'emergency.evidence-unusable',
            $site(['address' => ['postcode' => '00055', 'country' => 'CA']]),
            'Quay End: "00055" is no postcode of CA; they look like B0X 1X0',
        ];
        yield 'a country that is none' => [
            'emergency.evidence-unusable',
            $site(['address' => ['country' => 'Narnia']]),
            'Quay End: "Narnia" is no country; write its two letters, such as CA',
        ];
        yield 'no postcode at all' => [
            'emergency.evidence-unusable',
            $site(['address' => ['postcode' => '???']]),
            'Quay End: "???" is no postcode',
        ];
        yield 'two sites, one range' => [
            'extensions.range-backwards',
            ['sites' => [
                ['key' => 'quay', 'name' => 'Quay', 'extensionRanges' => [
                    ['item' => 'r', 'from' => '200', 'to' => '249'],
                ]],
                ['key' => 'mill', 'name' => 'Mill', 'extensionRanges' => [
                    ['item' => 'r', 'from' => '240', 'to' => '299'],
                ]],
            ]],
            'Mill and Quay share extensions',
        ];
        yield 'a number on its last day' => ['numbers.over', [
            'numbers' => [['key' => Samples::NUMBER, 'until' => '2026-12-02', 'destination' => 'release']],
        ]];
        yield 'people who can dial locally' => [
            'outbound.no-route-for-class',
            [
                'tenant' => ['mainNumber' => 'number:' . Samples::NUMBER],
                'numbers' => [['key' => Samples::NUMBER]],
                'users' => [['key' => 'a', 'callingClass' => 'local']],
            ]
            + $route('902[2-9]xxxxxx', 'local'),
        ];
        yield 'people of class local whose ten digits go nowhere' => [
            'outbound.no-route-for-class',
            [
                'tenant' => ['mainNumber' => 'number:' . Samples::NUMBER],
                'numbers' => [['key' => Samples::NUMBER]],
                'users' => [['key' => 'a', 'callingClass' => 'local']],
            ]
            + $route('1[2-9]xxxxxxxxx', 'local'),
            'a may call locally, and no such call goes out',
        ];
        yield 'digits that nobody has, once they are sent' => [
            'outbound.result-not-dialable',
            $route('91[2-9]xxxxxxxxx', 'national', ['tenant' => ['outsidePrefix' => '9']]),
            'Out sends 915062345678, which nobody has',
        ];
    }

    private static function whole(Finding $finding): string
    {
        return implode(' | ', [
            $finding->severity()->value, "{$finding->objects[0]->kind()->value}:{$finding->objects[0]->key()}",
            (string) $finding->path, $finding->item, (string) $finding->count,
            $finding->title(), $finding->detail(), $finding->fix->label ?? '-',
        ]);
    }
}
