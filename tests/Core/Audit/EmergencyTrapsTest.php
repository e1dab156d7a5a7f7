<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Book\Book;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * What help services are shown, and what meets them when they call back: each way it goes wrong, with the whole of what
 * is said.
 */
final class EmergencyTrapsTest extends TestCase
{
    private const CALLBACK = '+19025550151';

    public function test_people_who_can_be_called_back_by_night_are_left_alone(): void
    {
        self::assertSame([], self::told([]));
    }

    /**
     * @param  array<string, mixed>  $changes  lists of the sound book that are others
     * @param  list<string>  $told
     */
    #[DataProvider('traps')]
    public function test_each_is_told(array $changes, array $told): void
    {
        self::assertSame($told, self::told($changes));
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>}> */
    public static function traps(): iterable
    {
        $callback = static fn (array $fields): array => ['numbers' => [self::main(), $fields + self::backNumber()]];
        $leads = static fn (string $to): array => $callback(['destination' => $to]);
        $site = static fn (array $emergency): array => [
            'sites' => [['emergency' => $emergency + self::site()['emergency']] + self::site()],
        ];
        $cannot = 'error emergency.callback-missing at emergency/callback: Quay End: its callback number +1 902 555 '
            . '0151 cannot be shown; It %s, so another number is shown instead, or none.';
        $closes = 'error emergency.callback-unanswered at destination: +1 902 555 0150 is shown to help services, and '
            . 'rings nobody when they call back; '
            . 'It is shown of Ines Marsh and Joss Arden. Called back on Wed 2 Dec 2026 at 00:00, the call ends so: '
                . 'leaves a message with Front desk\'s mailbox.';

        yield 'users show the main number, which closes' => [$site(['callbackUse' => 'whenNone']), [$closes]];
        yield 'the callback number is still with the old carrier' => [
            $callback(['status' => 'portingIn', 'from' => '2026-12-14']),
            [sprintf($cannot, 'stands as porting in'), $closes],
        ];
        yield 'cancelled' => [$callback(['status' => 'cancelled']), [sprintf($cannot, 'stands as cancelled'), $closes]];
        yield 'switched off' => [$callback(['enabled' => false]), [sprintf($cannot, 'is switched off'), $closes]];
        yield 'its last day is over' => [$callback(['until' => '2026-11-30']), [
            'error emergency.callback-unanswered at destination: +1 902 555 0151 is shown to help services, and rings '
                . 'nobody when they call back; '
                . 'It is shown of Ines Marsh and Joss Arden. Called back on Wed 2 Dec 2026 at 00:00, the call ends so: '
                    . 'not in service: +1 902 555 0151.',
            'warning emergency.callback-temporary at until: +1 902 555 0151 is shown to help services, and ends on Mon '
                . '30 Nov 2026; It is shown of Ines Marsh and Joss Arden.',
        ]];
        yield 'lent for a time' => [$callback(['status' => 'temporary']), [
            'warning emergency.callback-temporary at status: +1 902 555 0151 is shown to help services, and is lent '
                . 'for a time; It is shown of Ines Marsh and Joss Arden.',
        ]];
        yield 'of another country' => [
            ['numbers' => [
                self::main(),
                ['key' => '+442079460003', 'destination' => 'group:desk', 'site' => 'site:quay'],
            ]]
            + $site(['callback' => 'number:+442079460003']),
            [
                'error emergency.callback-elsewhere at emergency/callbackUse: Quay End: help services are shown +44 20 '
                    . '7946 0003, which is of another country (GB); It is shown of Ines Marsh and Joss Arden.',
            ],
        ];
        yield 'of another site' => [
            ['sites' => [self::site(), ['key' => 'mill', 'name' => 'Mill Road']]] + $callback(['site' => 'site:mill']),
            [
                'error emergency.callback-elsewhere at emergency/callbackUse: Quay End: help services are shown +1 902 '
                    . '555 0151, which is of Mill Road; It is shown of Ines Marsh and Joss Arden.',
            ],
        ];
        yield 'a group with hours that close' => [['groups' => [['schedule' => 'schedule:week'] + self::desk()]], [
            'error emergency.callback-unanswered at destination: +1 902 555 0151 is shown to help services, and rings '
                . 'nobody when they call back; '
                . 'It is shown of Ines Marsh and Joss Arden. Called back on Wed 2 Dec 2026 at 00:00, the call ends so: '
                    . 'leaves a message with Front desk\'s mailbox.',
        ]];
        yield 'an attendant' => [$leads('attendant:main'), [
            'error emergency.callback-unanswered at destination: +1 902 555 0151 is shown to help services, and rings '
                . 'nobody when they call back; '
                . 'It is shown of Ines Marsh and Joss Arden. Called back on Wed 2 Dec 2026 at 00:00, the call ends so: '
                    . 'leaves a message with Front desk\'s mailbox.',
        ]];
        yield 'an outside number' => [$leads('outside:+19025550177'), [
            'error emergency.callback-unanswered at destination: +1 902 555 0151 is shown to help services, and rings '
                . 'nobody when they call back; '
                . 'It is shown of Ines Marsh and Joss Arden. Called back on Wed 2 Dec 2026 at 00:00, the call ends so: '
                    . 'ends nowhere, at +1 902 555 0177; it rings only +1 902 555 0177, which is no telephone here.',
        ]];
        yield 'a greeting before somebody rings' => [
            [
                'announcements' => [
                    ['key' => 'hello', 'name' => 'Hello', 'prompt' => 'prompt:hello', 'then' => 'group:desk'],
                ],
                'prompts' => [['key' => 'hello', 'script' => 'Hello.']],
            ]
            + $leads('announcement:hello'),
            [
                'warning emergency.callback-greeted at destination: +1 902 555 0151 is shown to help services, and '
                    . 'Hello speaks to whoever calls back before anybody rings; It is shown of '
                    . 'Ines Marsh and Joss Arden.',
            ],
        ];
        yield 'no route at all' => [['routes' => []], [
            'blocker outbound.emergency-missing at region: No route is for emergency calls; There is no route at all.',
        ]];
        yield 'only other routes' => [
            ['routes' => [['key' => 'out', 'name' => 'Out', 'digits' => '1xxxxxxxxxx', 'trunks' => ['trunk:main']]]],
            [
                'blocker outbound.emergency-missing at region: No route is for emergency calls; '
                    . 'There is 1 for other calls.',
            ],
        ];
        yield 'an emergency route for other countries' => [['routes' => [['digits' => '999'] + self::help()]], [
            'blocker outbound.emergency-missing at address/country: Quay End: no call for help goes out; Nobody is '
                . 'reached by 112, nor by any other number that calls for help there, from the telephones of Ines '
                . 'Marsh and Joss Arden.',
        ]];
        yield 'its trunk is switched off' => [['trunks' => [['key' => 'main', 'enabled' => false]]], [
            'blocker outbound.emergency-missing at address/country: Quay End: no call for help goes out; Nobody is '
                . 'reached by 112, nor by any other number that calls for help there, from the telephones of Ines '
                . 'Marsh and Joss Arden.',
        ]];
        yield 'in a country that has no such code, what emergency routes let through counts' => [
            ['tenant' => ['mainNumber' => 'number:' . Samples::NUMBER, 'region' => null], 'sites' => [
                ['address' => []] + self::site(),
            ]],
            [],
        ];
    }

    /** Whoever presses the button is called back. */
    public function test_the_fix_shows_the_callback_number_of_the_site(): void
    {
        $book = self::book(
            ['sites' => [['emergency' => ['callbackUse' => 'whenNone'] + self::site()['emergency']] + self::site()]],
        );
        $found = array_values(array_filter(
            Auditor::of($book, Samples::NOW),
            static fn (Finding $finding): bool => $finding->about->id === 'emergency.callback-unanswered',
        ));

        self::assertCount(1, $found);
        self::assertSame('Always show the callback number of the site', $found[0]->fix?->label);
        self::assertSame([], self::of($found[0]->fix->applyTo($book)));
        self::assertSame(
            [Samples::NUMBER, '2026-12-02T04:00:00Z'],
            [$found[0]->call['to'] ?? '', $found[0]->call['at'] ?? ''],
        );
    }

    /**
     * @param  array<string, mixed>  $changes
     * @return list<string>
     */
    private static function told(array $changes): array
    {
        return self::of(self::book($changes));
    }

    /** @return list<string> what is said of calls for help, heaviest first */
    private static function of(Book $book): array
    {
        $told = [];
        foreach (Auditor::of($book, Samples::NOW) as $finding) {
            if (
                str_starts_with($finding->about->id, 'emergency.callback')
                || $finding->about->id === 'outbound.emergency-missing'
            ) {
                $told[] = "{$finding->severity()->value} {$finding->about->id} at {$finding->path}: "
                    . "{$finding->title()}; {$finding->detail()}";
            }
        }

        return $told;
    }

    /** @param array<string, mixed> $changes */
    private static function book(array $changes): Book
    {
        $user = static fn (string $key, string $first, string $last): array => [
            'key' => $key, 'name' => ['first' => $first, 'last' => $last], 'site' => 'site:quay',
            'mailbox' => 'mailbox:desk', 'callerId' => 'number:' . Samples::NUMBER, 'legs' => [['item' => 'desk']],
        ];

        return Samples::book($changes + [
            'tenant' => ['mainNumber' => 'number:' . Samples::NUMBER],
            'sites' => [self::site()],
            'numbers' => [self::main(), self::backNumber()],
            'users' => [$user('ines', 'Ines', 'Marsh'), $user('joss', 'Joss', 'Arden')],
            'groups' => [self::desk()],
            'attendants' => [['key' => 'main', 'name' => 'Main greeting', 'schedule' => 'schedule:week', 'answers' => [
                ['item' => 'open', 'when' => 'open', 'then' => 'group:desk'],
                ['item' => 'closed', 'when' => 'closed', 'then' => 'mailbox:desk'],
            ]]],
            'schedules' => [['key' => 'week', 'weekly' => [
                ['item' => 'days', 'days' => ['mon', 'tue', 'wed', 'thu', 'fri'], 'from' => '08:00', 'to' => '17:00'],
            ]]],
            'mailboxes' => [['key' => 'desk', 'name' => 'Front desk\'s mailbox', 'notify' => ['desk@inlet.example']]],
            'trunks' => [['key' => 'main', 'outsideCallersOut' => true]],
            'routes' => [self::help(), [
                'key' => 'national', 'name' => 'National', 'position' => 2, 'digits' => '1xxxxxxxxxx',
                'class' => 'national', 'trunks' => ['trunk:main'],
            ]],
        ]);
    }

    /** @return array{key: string, name: string, address: array<string, string>, emergency: array<string, mixed>} */
    private static function site(): array
    {
        return [
            'key' => 'quay', 'name' => 'Quay End',
            'address' => ['street' => '4 Quay End', 'city' => 'Port Merrow', 'country' => 'CA'],
            'emergency' => ['callback' => 'number:' . self::CALLBACK, 'callbackUse' => 'always'],
        ];
    }

    /** @return array<string, mixed> */
    private static function main(): array
    {
        return ['key' => Samples::NUMBER, 'destination' => 'attendant:main', 'site' => 'site:quay'];
    }

    /** @return array<string, mixed> */
    private static function backNumber(): array
    {
        return ['key' => self::CALLBACK, 'destination' => 'group:desk', 'site' => 'site:quay'];
    }

    /** @return array<string, mixed> */
    private static function desk(): array
    {
        return [
            'key' => 'desk', 'name' => 'Front desk', 'site' => 'site:quay',
            'members' => [['item' => 'ines', 'who' => 'user:ines']], 'noAnswerSeconds' => 30,
            'mailbox' => 'mailbox:desk',
        ];
    }

    /** @return array<string, mixed> */
    private static function help(): array
    {
        return ['key' => 'help', 'name' => 'Help', 'digits' => '911', 'emergency' => true, 'trunks' => ['trunk:main']];
    }
}
