<?php

declare(strict_types=1);

namespace Tests\Core\Outbound;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Outbound\DialEnd;
use Jaunty\Core\Outbound\Dialled;
use Jaunty\Core\Outbound\DialPlan;
use Jaunty\Core\Outbound\Origin;
use Jaunty\Core\Outbound\RouteClaims;
use Jaunty\Core\Outbound\Sender;
use Jaunty\Core\Outbound\Verdict;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Audit\Samples;

/** What digits come to, by the letter of design 03 section 9. */
final class DialPlanTest extends TestCase
{
    /** A Tuesday, ten in the morning in Halifax, and the following night. */
    private const DAY = 1_796_133_600;

    private const NIGHT = self::DAY + 12 * 3600;

    private const MAIN = '+19025550150';

    private const OWN = '+19025550151';

    private const CALLBACK = '+19025550152';

    private const DESK = '+19025550153';

    private const TRUNK = '+19025550154';

    public function test_a_code_is_read_after_extensions_and_before_routes(): void
    {
        $book = self::book([
            'tenant' => ['features' => [
                'codes' => ['pickUp' => '*8', 'pickUpOf' => '*88', 'intercom' => '9', 'speedDial' => '*0'],
                'speedDials' => [['item' => 'lab', 'digits' => '12', 'name' => 'Lab', 'number' => '+19025550181']],
            ]],
            'pickUpGroups' => [['key' => 'front', 'name' => 'Front', 'members' => [
                ['item' => 'ines', 'who' => 'user:ines'], ['item' => 'joss', 'who' => 'user:joss'],
            ]]],
        ]);
        $says = static function (string $digits, string $who = 'ines') use ($book): string {
            $sender = Sender::of($book, Reference::parse("user:{$who}"));
            $dialled = (new DialPlan($book))->route($sender, $digits, self::DAY);

            return "{$dialled->end->value}: {$dialled->reason}";
        };

        self::assertSame('feature: takes up what rings in Front', $says('*8'));
        self::assertSame('nowhere: nothing may follow the code "Pick up in the group", and 1 does', $says('*81'));
        self::assertSame('feature: takes up what rings at Joss Arden', $says('*88202'));
        self::assertSame('nowhere: Ines Marsh is in no pick-up group with whoever dials', $says('*88201'));
        self::assertSame('waits: an extension must follow the code "Pick up of an extension"', $says('*88'));
        self::assertSame('waits: extension 201 begins so', $says('*8820'));
        self::assertSame('waits: the speed dial of Lab begins so', $says('*01'));
        self::assertSame('feature: calls Lab, +1 902 555 0181', $says('*012'));
        self::assertSame('nowhere: 7 is no speed dial', $says('*07'));
        // A code of digits hides what goes out behind it, but never a call for help.
        self::assertSame("feature: Joss Arden's telephone answers by itself", $says('9202'));
        self::assertStringStartsWith('emergency: ', $says('911'));
    }

    /** @param array<string, mixed> $more merged over, list by list */
    private static function book(array $more = []): Book
    {
        $number = static fn (string $key, array $rest = []): array => $rest
            + ['key' => $key, 'destination' => 'mailbox:desk'];

        return Samples::book(array_replace_recursive([
            'tenant' => [
                'region' => 'CA', 'zone' => 'America/Halifax', 'outsidePrefix' => '9',
                'mainNumber' => 'number:' . self::MAIN,
            ],
            'sites' => [[
                'key' => 'quay', 'name' => 'Quay',
                'address' => ['street' => '1 Quay', 'city' => 'Port Merrow', 'country' => 'CA'],
                'emergency' => ['callback' => 'number:' . self::CALLBACK],
            ]],
            'mailboxes' => [['key' => 'desk']],
            'schedules' => [['key' => 'hours', 'weekly' => [
                ['item' => 'week', 'days' => ['mon', 'tue', 'wed', 'thu', 'fri'], 'from' => '08:00', 'to' => '17:00'],
            ]]],
            'numbers' => [
                $number(self::MAIN), $number(self::OWN), $number(self::CALLBACK, ['site' => 'site:quay']),
                $number(self::DESK, ['destination' => 'group:desk']), $number(self::TRUNK),
            ],
            'users' => [
                [
                    'key' => 'ines', 'extension' => '201', 'name' => ['first' => 'Ines', 'last' => 'Marsh'],
                    'site' => 'site:quay', 'callingClass' => 'national', 'callerId' => 'number:' . self::OWN,
                ],
                [
                    'key' => 'joss', 'extension' => '202', 'name' => ['first' => 'Joss', 'last' => 'Arden'],
                    'callingClass' => 'internal',
                ],
            ],
            'groups' => [['key' => 'desk', 'name' => 'Desk', 'extension' => '300', 'members' => [
                ['item' => 'ines', 'who' => 'user:ines'],
            ]]],
            'trunks' => [
                ['key' => 'main', 'name' => 'Main', 'callerId' => 'number:' . self::TRUNK],
                ['key' => 'backup', 'name' => 'Backup', 'outsideCallersOut' => true],
            ],
            'routes' => [
                [
                    'key' => 'national', 'name' => 'National', 'position' => 2,
                    'digits' => '9[2-9]xxxxxxxxx|91[2-9]xxxxxxxxx', 'strip' => 1, 'class' => 'national',
                    'trunks' => ['trunk:main', 'trunk:backup'],
                ],
                [
                    'key' => 'abroad', 'name' => 'Abroad', 'position' => 3, 'digits' => '9011x.T', 'strip' => 1,
                    'class' => 'international', 'trunks' => ['trunk:main'],
                ],
                [
                    'key' => 'help', 'name' => 'Help', 'position' => 9, 'digits' => '911|9911', 'emergency' => true,
                    'class' => 'international', 'trunks' => ['trunk:main'],
                ],
            ],
        ], $more));
    }

    private static function dial(
        Book $book,
        string $digits,
        string $who = 'user:ines',
        int $at = self::DAY,
        Origin $origin = Origin::Dialled,
        string ...$full,
    ): Dialled {
        return (
            new DialPlan($book)
        )->route(Sender::of($book, Reference::parse($who)), $digits, $at, $origin, array_values($full));
    }

    public function test_digits_go_inside_out_or_for_help(): void
    {
        $book = self::book();

        $inside = self::dial($book, '202');
        self::assertSame([DialEnd::Inside, 'joss'], [$inside->end, $inside->inside?->key()]);
        $out = self::dial($book, '919025550199');
        self::assertSame([DialEnd::Outside, 'national', 'main', '19025550199', '+19025550199', self::OWN], [
            $out->end, $out->route?->key, $out->trunk?->key, $out->sent, $out->number, $out->callerId?->shown,
        ]);
        self::assertSame(
            '+19025550199',
            self::dial($book, '99025550199')->number,
            'ten digits are read in the form of the country',
        );
        foreach (['911' => '911', '9911' => '9911'] as $digits => $sent) {
            $help = self::dial($book, (string) $digits, 'user:joss');
            self::assertSame(
                [DialEnd::Emergency, (string) $sent, self::CALLBACK],
                [$help->end, $help->sent, $help->callerId?->shown],
            );
        }
        self::assertSame(
            ['9911 calls nobody for help in CA'],
            self::dial($book, '9911')->remarks,
            'the route strips no prefix',
        );
        self::assertSame([], self::dial($book, '911')->remarks);
        $states = self::book(
            ['tenant' => ['region' => 'US'], 'sites' => [['address' => ['country' => 'US']]], 'routes' => [
                2 => ['digits' => '911|933|8911'],
            ]],
        );
        self::assertSame(
            [[], [], ['8911 calls nobody for help in US']],
            array_map(
                static fn (string $digits): array => self::dial($states, $digits)->remarks,
                ['911', '933', '8911'],
            ),
            'a short number, and nobody\'s help',
        );
    }

    /** Class, PIN, hours, blocked senders, a full trunk and the share for calls outward: none may hold it up. */
    public function test_a_call_for_help_passes_every_gate(): void
    {
        $shut = [
            'pin' => 'set', 'schedule' => 'schedule:hours', 'blocked' => ['user:joss'], 'class' => 'international',
        ];
        $book = self::book(['routes' => [2 => $shut], 'trunks' => [['outboundChannels' => 0]]]);

        self::assertSame(
            DialEnd::Emergency,
            self::dial($book, '911', 'user:joss', self::NIGHT, Origin::Dialled, 'trunk:main')->end,
        );
        // The same on a route for other calls holds all of it up.
        $plain = self::book(['routes' => [2 => ['emergency' => false] + $shut]]);
        $held = self::dial($plain, '911', 'user:joss', self::NIGHT);
        self::assertSame([DialEnd::Nowhere, ['nobody is called for help by 911']], [$held->end, $held->remarks]);
        $off = self::book(['trunks' => [['enabled' => false]]]);
        self::assertSame(DialEnd::Nowhere, self::dial($off, '911')->end, 'a trunk that is off carries nothing');
    }

    /** 9 for an outside line and 11... behind it is 911 and more. */
    public function test_a_route_whose_digits_go_on_behind_a_call_for_help_says_so(): void
    {
        $help = static fn (string $digits): array => array_values(array_filter(
            RouteClaims::of(self::book(['routes' => [['digits' => $digits]]])),
            static fn (RouteClaims $claims): bool => $claims->route->key === 'national',
        ))[0]->help;

        self::assertSame(['911'], $help('911xxxxx'));
        self::assertSame([], $help('91[2-9]xxxxxxxxx'));
        self::assertSame(['112', '911'], $help('x.T'));
        $codes = array_values(array_filter(
            RouteClaims::of(self::book(['routes' => [['digits' => '411xxxx|[2-3]11x|5xx']]])),
            static fn (RouteClaims $claims): bool => $claims->route->key === 'national',
        ))[0]->shortCodes;
        self::assertSame(['211', '311', '411'], $codes, '511 is complete at once');
    }

    /** @return iterable<string, array{array<string, mixed>, string, Verdict, string}> */
    public static function reasons(): iterable
    {
        yield 'other digits' => [[], '42', Verdict::OtherDigits, ''];
        yield 'too few' => [[], '91902', Verdict::TooFew, ''];
        yield 'class' => [
            ['users' => [['callingClass' => 'local']]], '919025550199', Verdict::Class_, 'Ines Marsh may call local',
        ];
        yield 'blocked' => [
            ['routes' => [['blocked' => ['user:ines']]]], '919025550199', Verdict::Blocked, 'Ines Marsh may not',
        ];
        yield 'closed' => [
            ['routes' => [['schedule' => 'schedule:hours']]], '919025550199', Verdict::Closed,
            'its schedule says closed',
        ];
        yield 'cut short' => [
            ['routes' => [['digits' => '919|9[2-9]xxxxxxxxx|91[2-9]xxxxxxxxx']]], '919025550199', Verdict::CutShort,
            '919 is complete already',
        ];
        yield 'no trunk' => [
            ['trunks' => [['enabled' => false], ['channels' => 0]]], '919025550199', Verdict::NoTrunk,
            'Main is switched off; Backup has no channel',
        ];
        yield 'taken before' => [
            ['routes' => [2 => ['digits' => '919025550199']]], '919025550199', Verdict::TooLate, 'Help takes it before',
        ];
        yield 'an extension' => [
            ['users' => [1 => ['extension' => '919025550199']]], '919025550199', Verdict::TooLate,
            'the extension of Joss Arden',
        ];
    }

    /** @param array<string, mixed> $more */
    #[DataProvider('reasons')]
    public function test_every_route_says_why(array $more, string $digits, Verdict $verdict, string $why): void
    {
        $said = array_column(self::dial(self::book($more), $digits, 'user:ines', self::NIGHT)->said, null);
        $national = array_values(array_filter($said, static fn ($each): bool => $each->route->key === 'national'))[0];

        self::assertCount(3, $said);
        self::assertSame($verdict, $national->verdict);
        self::assertStringContainsString($why, $national->why);
    }

    public function test_trunks_are_tried_in_order_and_a_caller_from_outside_by_those_that_let_them_out(): void
    {
        $book = self::book();

        self::assertSame(
            'backup',
            self::dial($book, '919025550199', 'user:ines', self::DAY, Origin::Dialled, 'trunk:main')->trunk?->key,
        );
        self::assertSame(
            DialEnd::Nowhere,
            self::dial(
                $book,
                '919025550199',
                'user:ines',
                self::DAY,
                Origin::Dialled,
                'trunk:main',
                'trunk:backup',
            )->end,
        );
        // Led on, all of the E.164 digits are compared, and go out as they are.
        $led = self::book(['routes' => [['digits' => '1[2-9]xxxxxxxxx', 'strip' => 1]]]);
        $out = self::dial($led, '19025550199', 'group:desk', self::DAY, Origin::LedFromOutside);
        self::assertSame(['backup', '19025550199'], [$out->trunk?->key, $out->sent]);
        self::assertSame(
            DialEnd::Nowhere,
            self::dial($led, '911', 'group:desk', self::DAY, Origin::Led)->end,
            'nobody dials it',
        );
        $pin = self::book(['routes' => [['digits' => '1[2-9]xxxxxxxxx', 'pin' => 'set']]]);
        self::assertSame(
            Verdict::AsksPin,
            self::dial($pin, '19025550199', 'group:desk', self::DAY, Origin::Led)->said[1]->verdict,
        );
        self::assertTrue(self::dial(self::book(['routes' => [['pin' => 'set']]]), '919025550199')->asksPin());
    }

    public function test_more_digits_are_waited_for_only_where_they_can_come_to_something(): void
    {
        $book = self::book();

        foreach (
            [
                '9' => DialEnd::Waits, '91902555019' => DialEnd::Waits, '20' => DialEnd::Waits, '4' => DialEnd::Nowhere,
                '919' => DialEnd::Waits, '9199' => DialEnd::Waits, '91199' => DialEnd::Nowhere,
            ] as $digits => $end
        ) {
            self::assertSame($end, self::dial($book, (string) $digits)->end, (string) $digits);
        }
        $longer = self::book(['users' => [1 => ['extension' => '2011']]]);
        self::assertSame(['extension 2011 begins so'], self::dial($longer, '201')->remarks);
        self::assertSame(['it begins with 201, the extension of Ines Marsh'], self::dial($longer, '2011')->remarks);
    }

    /** The chosen group's, the user's, the site's, the customer's main number, the trunk's. */
    public function test_the_number_shown_is_the_first_there_is(): void
    {
        $site = '+19025550155';
        $more = ['numbers' => [5 => ['key' => $site, 'destination' => 'mailbox:desk', 'site' => 'site:quay']]];
        $book = self::book($more);
        $desk = $book->find(Reference::parse('group:desk'));
        self::assertInstanceOf(Group::class, $desk);
        $shown = static fn (Book $book, ?Group $for = null): ?string => (new DialPlan($book))->route(
            Sender::of($book, Reference::parse('user:ines')),
            '919025550199',
            self::DAY,
            for: $for,
        )->callerId?->shown;

        self::assertSame(self::DESK, $shown($book, $desk));
        self::assertSame(self::OWN, $shown($book));
        self::assertSame($site, $shown(self::book($more + ['users' => [['callerId' => null]]])));
        self::assertSame(
            self::MAIN,
            $shown(self::book(['users' => [['callerId' => null]]])),
            'the callback for help is nobody\'s to show',
        );
        self::assertSame(self::TRUNK, $shown(
            self::book(['users' => [['callerId' => null]], 'tenant' => ['mainNumber' => null]]),
        ));
        self::assertSame(
            self::MAIN,
            $shown(self::book(['numbers' => [1 => ['status' => 'portingIn']]])),
            'one that cannot be called back is not shown',
        );
        self::assertSame('201', $shown(self::book(['routes' => [['extensionAsCallerId' => true]]])));
        $kept = self::book(
            ['routes' => [['digits' => '1[2-9]xxxxxxxxx']], 'trunks' => [1 => ['keepsForwardedCallerId' => true]]],
        );
        self::assertStringContainsString(
            'the caller\'s own',
            (string) self::dial($kept, '19025550199', 'user:ines', self::DAY, Origin::LedFromOutside)->callerId?->whose,
        );
    }

    public function test_a_number_is_somebodys_own_only_where_it_leads_to_them(): void
    {
        $whose = static fn (Book $book): ?string => self::dial($book, '919025550199', 'user:ines')->callerId?->whose;
        $showing = static fn (string $number, array $more): Book => self::book(
            ['users' => [['callerId' => "number:{$number}"]], 'numbers' => [1 => $more]],
        );

        self::assertSame('Ines Marsh\'s own', $whose($showing(self::OWN, ['destination' => 'user:ines'])));
        self::assertSame('the main number, as set for Ines Marsh', $whose($showing(self::MAIN, [])));
        self::assertSame('Billing, as set for Ines Marsh', $whose($showing(self::OWN, ['label' => 'Billing'])));
        self::assertSame('as set for Ines Marsh', $whose($showing(self::OWN, [])));
    }

    public function test_help_calls_back_by_the_sites_rule(): void
    {
        $shown = static fn (array $emergency, ?string $own): ?string => self::dial(
            self::book(['sites' => [['emergency' => $emergency]], 'users' => [['callerId' => $own]]]),
            '911',
        )->callerId?->shown;
        $own = 'number:' . self::OWN;

        self::assertSame(self::OWN, $shown(['callbackUse' => 'whenNone'], $own));
        self::assertSame(self::CALLBACK, $shown(['callbackUse' => 'whenNone'], null));
        self::assertSame(self::CALLBACK, $shown(['callbackUse' => 'always'], $own));
        self::assertSame(self::MAIN, $shown(['callback' => null], null));
    }

    public function test_what_is_sent_is_read_as_the_network_reads_it(): void
    {
        $local = self::book(
            ['routes' => [['digits' => '9[2-9]xxxxxx', 'strip' => 1, 'prepend' => '1902', 'class' => 'local']]],
        );
        self::assertSame(
            ['19025550199', '+19025550199'],
            [self::dial($local, '95550199')->sent, self::dial($local, '95550199')->number],
        );
        $wrong = self::book(['routes' => [['strip' => 0]]]);
        self::assertSame(['919025550199 is no number that anybody has'], array_values(array_filter(
            self::dial($wrong, '919025550199')->remarks,
            static fn (string $remark): bool => ! str_contains($remark, '+91'),
        )));
        self::assertContains(
            'nothing is left to dial',
            self::dial(self::book(['routes' => [['strip' => 12]]]), '919025550199')->remarks,
        );
        $class = (new DialPlan($local))->route(Sender::ofClass(CallingClass::Internal), '95550199', self::DAY);
        self::assertSame(DialEnd::Nowhere, $class->end);
    }
}
