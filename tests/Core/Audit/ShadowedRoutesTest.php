<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rules\Outbound\Shadowed;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\WayOut;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** A route that is said never to be used can be taken out, and every call leaves or stays as before. */
final class ShadowedRoutesTest extends TestCase
{
    private const MAPS = ['1xxx.', '12xx', '1[2-3]xx', '[1-2]xxx', 'x.', '12.x', '(12xx|21xx)', '2xxx.'];

    private const NUMBERS = [
        '1200', '1234', '1299', '1311', '1400', '2100', '2222', '3000', '12', '122', '12000', '21000',
    ];

    public function test_without_a_shadowed_route_calls_leave_as_before(): void
    {
        $shadowed = 0;
        for ($seed = 0; $seed < 400; $seed++) {
            $book = self::book(new Randomizer(new Mt19937($seed)));
            foreach ((new Auditor([new Shadowed()]))->audit(new Inspection($book, Samples::NOW)) as $finding) {
                $shadowed++;
                $without = $book->without(Reference::of($finding->objects[0]));
                self::assertSame(self::leaving($book), self::leaving($without), "{$seed}: {$finding->title()}");
            }
        }
        self::assertGreaterThan(50, $shadowed);
    }

    /** Seen from the other side: a route alone in front of the same digits leaves nothing to the one behind. */
    public function test_the_same_digits_behind_each_other_are_shadowed_unless_something_bars_the_first(): void
    {
        $titles = static fn (array $first): array => array_map(
            static fn (Finding $finding): string => $finding->title(),
            (new Auditor([new Shadowed()]))->audit(new Inspection(Samples::book([
                'trunks' => [['key' => 'main'], ['key' => 'off', 'enabled' => false], [
                    'key' => 'inward',
                    'outboundChannels' => 0,
                ]],
                'users' => [['key' => 'a']],
                'routes' => [
                    $first + [
                        'key' => 'first', 'position' => 1, 'digits' => '1xxx', 'class' => 'national',
                        'trunks' => ['trunk:main'],
                    ],
                    [
                        'key' => 'second', 'name' => 'Second', 'position' => 2, 'digits' => '12xx',
                        'class' => 'national', 'trunks' => ['trunk:main'],
                    ],
                ],
            ]), Samples::NOW)),
        );

        self::assertSame(['Second is never used'], $titles([]));
        foreach (
            [
                ['class' => 'international'], ['pin' => 'set'], ['blocked' => ['user:a']], ['trunks' => ['trunk:off']],
                ['trunks' => ['trunk:inward']], ['digits' => '1[3-9]xx'],
            ] as $bar
        ) {
            self::assertSame([], $titles($bar), (string) json_encode($bar));
        }
    }

    /** @return list<bool> for each number, class of caller, and side */
    private static function leaving(Book $book): array
    {
        $wayOut = new WayOut(CallBook::open($book));
        $leaving = [];
        foreach (self::NUMBERS as $number) {
            foreach (['user:local', 'user:national', 'user:abroad'] as $sender) {
                foreach ([true, false] as $inside) {
                    $leaving[] = $wayOut->exists("+{$number}", $sender, $inside, []);
                }
            }
        }

        return $leaving;
    }

    private static function book(Randomizer $dice): Book
    {
        $any = static fn (array $of): mixed => $of[$dice->getInt(0, count($of) - 1)];
        $routes = [];
        for ($i = 0, $count = $dice->getInt(2, 5); $i < $count; $i++) {
            $routes[] = [
                'key' => "r{$i}", 'position' => $i + 1, 'digits' => $any(self::MAPS),
                'class' => $any(['local', 'national', 'international']),
                'pin' => $dice->getInt(0, 5) === 0 ? 'set' : 'none',
                'blocked' => $dice->getInt(0, 5) === 0 ? ['user:national'] : [],
                'trunks' => $any(
                    [['trunk:one'], ['trunk:two'], ['trunk:one', 'trunk:two'], ['trunk:off'], ['trunk:inward']],
                ),
            ];
        }

        return Samples::book([
            'users' => [
                ['key' => 'local', 'callingClass' => 'local'],
                ['key' => 'national', 'callingClass' => 'national'],
                ['key' => 'abroad', 'callingClass' => 'international'],
            ],
            'trunks' => [
                ['key' => 'one', 'outsideCallersOut' => true], ['key' => 'two'], ['key' => 'off', 'enabled' => false],
                ['key' => 'inward', 'outboundChannels' => 0],
            ],
            'routes' => $routes,
        ]);
    }
}
