<?php

declare(strict_types=1);

namespace Tests\Core\Outbound;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\WayOut;
use Jaunty\Core\Numbering\DigitAutomaton;
use Jaunty\Core\Numbering\DigitMap;
use Jaunty\Core\Numbering\EmergencyNumbers;
use Jaunty\Core\Outbound\DialContrast;
use Jaunty\Core\Outbound\DialDifference;
use Jaunty\Core\Outbound\DialEnd;
use Jaunty\Core\Outbound\DialPlan;
use Jaunty\Core\Outbound\DigitChoices;
use Jaunty\Core\Outbound\Numbering;
use Jaunty\Core\Outbound\Origin;
use Jaunty\Core\Outbound\RouteClaims;
use Jaunty\Core\Outbound\RouteOrder;
use Jaunty\Core\Outbound\SampleNumbers;
use Jaunty\Core\Outbound\Sender;
use Jaunty\Core\Outbound\Verdict;
use libphonenumber\PhoneNumberUtil;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Core\Audit\Samples;

/** What must hold of every dial plan, tried on random ones. */
final class DialLawsTest extends TestCase
{
    private const MAPS = [
        '1xxx.', '12xx', '1[2-3]xx', '[1-2]xxx', 'x.T', '12.x', '(12xx|21xx)', '2xxx.', '12|12xx', '9x.', '911',
    ];

    private const USERS = ['user:inside', 'user:local', 'user:national', 'user:abroad'];

    private const SEEDS = 150;

    /** The trace of a call asks whether a number can be reached, the dial plan how: they must never disagree. */
    public function test_a_call_that_is_led_on_leaves_exactly_where_the_trace_lets_it(): void
    {
        $out = $full = 0;
        for ($seed = 0; $seed < self::SEEDS; $seed++) {
            $dice = new Randomizer(new Mt19937($seed));
            $book = self::book($dice);
            $plan = new DialPlan($book);
            $wayOut = new WayOut(CallBook::at($book, Samples::NOW));
            for ($try = 0; $try < 60; $try++) {
                $digits = self::digits($dice);
                $who = self::oneOf($dice, [...self::USERS, 'group:desk', 'mailbox:desk']);
                $origin = self::oneOf($dice, [Origin::Led, Origin::LedFromOutside]);
                $taken = self::oneOf($dice, [[], ['trunk:one'], ['trunk:one', 'trunk:two']]);
                $expected = $wayOut->exists("+{$digits}", $who, $origin === Origin::Led, array_fill_keys(
                    $taken,
                    'full',
                ));
                $dialled = $plan->route(
                    Sender::of($book, Reference::parse($who)),
                    $digits,
                    Samples::NOW,
                    $origin,
                    $taken,
                );
                self::assertSame(
                    $expected,
                    $dialled->end === DialEnd::Outside,
                    "{$seed}: {$digits} by {$who}: {$dialled->reason}",
                );
                self::assertCount(
                    $expected ? 1 : 0,
                    array_filter($dialled->said, static fn ($said): bool => $said->verdict === Verdict::Takes),
                );
                $out += (int) $expected;
                $full += count($taken);
            }
        }
        self::assertGreaterThan(300, $out);
        self::assertGreaterThan(1000, $full);
    }

    /** What goes out, digit by digit, is what the automata of the open routes let through. */
    public function test_the_digits_that_go_out_are_those_that_are_claimed_to(): void
    {
        $counts = ['out' => 0, 'cut' => 0];
        for ($seed = 0; $seed < self::SEEDS; $seed++) {
            $dice = new Randomizer(new Mt19937($seed));
            $book = self::book($dice);
            $plan = new DialPlan($book);
            foreach (self::USERS as $who) {
                $sender = Sender::of($book, Reference::parse($who));
                $letOut = $plan->letOut($sender, Samples::NOW);
                for ($try = 0; $try < 8; $try++) {
                    $digits = self::digits($dice);
                    $dialled = $plan->route($sender, $digits, Samples::NOW);
                    $isOut = in_array($dialled->end, [DialEnd::Outside, DialEnd::Emergency], true);
                    $isCut = array_filter(
                        $dialled->said,
                        static fn ($said): bool => $said->verdict === Verdict::CutShort,
                    ) !== [];
                    self::assertSame(
                        $isOut,
                        array_filter($letOut, static fn (DigitAutomaton $each): bool => $each->fits($digits)) !== [],
                        "{$seed}: {$digits} by {$who}: {$dialled->reason}",
                    );
                    $counts['out'] += (int) $isOut;
                    $counts['cut'] += (int) $isCut;
                }
            }
        }
        self::assertGreaterThan(200, min($counts));
    }

    public function test_every_claim_is_shown_by_its_example(): void
    {
        $seen = ['shadowedBy' => 0, 'overlaps' => 0, 'cutShort' => 0, 'left' => 0];
        for ($seed = 0; $seed < self::SEEDS; $seed++) {
            $book = self::book(new Randomizer(new Mt19937($seed)));
            $before = [];
            foreach (RouteClaims::of($book) as $claims) {
                $own = RouteOrder::digitsOf($claims->route);
                self::assertTrue($own->fits((string) $claims->shortest));
                self::assertSame($claims->least, strlen((string) $claims->shortest));
                foreach ($claims->overlaps as [$earlier, $digits]) {
                    self::assertTrue($own->fits($digits) && RouteOrder::digitsOf($earlier)->fits($digits));
                }
                if ($claims->left !== null) {
                    self::assertTrue($own->fits($claims->left));
                    self::assertSame([], array_filter(
                        $before,
                        static fn ($earlier): bool => RouteOrder::digitsOf($earlier)->fits($claims->left),
                    ));
                    self::assertSame([], $claims->shadowedBy);
                }
                $before[] = $claims->route;
                $seen['shadowedBy'] += count($claims->shadowedBy);
                $seen['overlaps'] += count($claims->overlaps);
                $seen['cutShort'] += (int) ($claims->cutShort !== null);
                $seen['left'] += (int) ($claims->left !== null);
            }
        }
        self::assertGreaterThan(20, min($seen));
    }

    /** Where digits go out for somebody in one book and not in the other, the difference says so of them. */
    public function test_no_difference_in_what_goes_out_is_missed(): void
    {
        $found = $quiet = 0;
        for ($seed = 0; $seed < self::SEEDS; $seed++) {
            $dice = new Randomizer(new Mt19937($seed));
            $before = self::book($dice);
            $after = self::oneOf($dice, [$before, self::edited($before, $dice)]);
            $contrasts = DialDifference::between($before, $after, Samples::NOW);
            $told = array_merge([], ...array_map(
                static fn (DialContrast $contrast): array => array_map(
                    static fn (User $user): string => "user:{$user->key}",
                    $contrast->users,
                ),
                $contrasts,
            ));
            foreach ($contrasts as $contrast) {
                self::assertNotSame(DialDifference::words($contrast->before), DialDifference::words($contrast->after));
            }
            for ($try = 0; $try < 60; $try++) {
                $digits = self::digits($dice);
                $who = self::oneOf($dice, self::USERS);
                [$was, $is] = array_map(
                    static fn (Book $book): bool => in_array(
                        (
                            new DialPlan($book)
                        )->route(Sender::of($book, Reference::parse($who)), $digits, Samples::NOW)->end,
                        [DialEnd::Outside, DialEnd::Emergency],
                        true,
                    ),
                    [$before, $after],
                );
                if ($was !== $is) {
                    self::assertContains($who, $told, "{$seed}: {$digits}");
                    $found++;
                }
            }
            $quiet += (int) ($contrasts === []);
        }
        self::assertGreaterThan(150, $found);
        self::assertGreaterThan(30, $quiet);
    }

    /** @return iterable<string, array{string, string, string}> with a number of the country */
    public static function countries(): iterable
    {
        yield 'Canada' => ['CA', '+19025550110', '9'];
        yield 'United States' => ['US', '+12075550110', ''];
        yield 'United Kingdom' => ['GB', '+442079460000', '9'];
        yield 'France' => ['FR', '+33199001234', '0'];
        yield 'Germany' => ['DE', '+4930233250', '0'];
    }

    /** Each sample is read by the network of the country as what it is said to be. */
    #[DataProvider('countries')]
    public function test_samples_are_what_they_are_said_to_be(string $country, string $main, string $prefix): void
    {
        $book = Samples::book([
            'tenant' => [
                'region' => $country,
                'outsidePrefix' => $prefix === '' ? null : $prefix,
                'mainNumber' => "number:{$main}",
            ],
            'mailboxes' => [['key' => 'desk']], 'numbers' => [['key' => $main, 'destination' => 'mailbox:desk']],
            'users' => [['key' => 'a', 'extension' => '201']],
        ]);
        $numbering = new Numbering($country);
        $own = PhoneNumberUtil::getInstance()->getCountryCodeForRegion($country);
        $kinds = [];
        foreach (SampleNumbers::of($book) as $sample) {
            $kinds[$sample->kind] = true;
            $sent = substr($sample->digits, str_starts_with($sample->digits, $prefix) ? strlen($prefix) : 0);
            $read = $numbering->read($sent);
            match ($sample->kind) {
                'internal' => self::assertSame('201', $sample->digits),
                'emergency' => self::assertTrue(
                    EmergencyNumbers::is($sample->said === 'emergency' ? $sample->digits : $sent, $country),
                ),
                'international' => self::assertStringStartsNotWith("+{$own}", (string) $read),
                'misdialled' => self::assertNull($read, "{$sample->said}: {$sample->digits}"),
                default => $sample->said === 'local, seven digits'
                    ? self::assertSame(7, strlen($sent))
                    : self::assertStringStartsWith("+{$own}", (string) $read, "{$sample->said}: {$sample->digits}"),
            };
        }
        self::assertSame([], array_diff(
            ['internal', 'local', 'national', 'international', 'tollFree', 'premium', 'emergency', 'misdialled'],
            array_keys($kinds),
        ));
    }

    /** A map ticked together lets through what it says, behind the prefix, and nothing else of what people dial. */
    #[DataProvider('countries')]
    public function test_digit_maps_in_plain_words_let_through_what_they_say(
        string $country,
        string $main,
        string $prefix,
    ): void {
        $book = Samples::book([
            'tenant' => [
                'region' => $country,
                'outsidePrefix' => $prefix === '' ? null : $prefix,
                'mainNumber' => "number:{$main}",
            ],
            'mailboxes' => [['key' => 'desk']],
            'numbers' => [['key' => $main, 'destination' => 'mailbox:desk']],
        ]);
        $maps = [];
        foreach (DigitChoices::of($country, $prefix) as $choice) {
            $maps[$choice->key] = DigitAutomaton::of(DigitMap::parse($choice->digits, 'digits'));
        }
        $by = static fn (string $digits): array => array_keys(
            array_filter($maps, static fn (DigitAutomaton $map): bool => $map->asDialled()->fits($digits)),
        );
        foreach (SampleNumbers::of($book) as $sample) {
            $fits = $by($sample->digits);
            match ($sample->kind) {
                'national',
                'mobile' => self::assertContains(
                    $country === 'CA' || $country === 'US' ? 'national-1' : 'national',
                    $fits,
                    $sample->digits,
                ),
                'international' => self::assertSame(['international'], $fits),
                'emergency' => self::assertSame(
                    $sample->said === 'emergency' ? ['emergency'] : [],
                    $fits,
                    $sample->digits,
                ),
                'premium', 'tollFree' => self::assertNotSame([], $fits),
                'misdialled' => str_starts_with($sample->said, 'national')
                    ? self::assertSame(
                        $country === 'GB' ? ['national'] : [],
                        $fits,
                        'where numbers are of several lengths, one that is too short is another\'s',
                    )
                    : self::assertNotContains('national', $fits),
                default => null,
            };
        }
    }

    /**
     * @template T
     *
     * @param  list<T>  $of
     * @return T
     */
    private static function oneOf(Randomizer $dice, array $of): mixed
    {
        return $of[$dice->getInt(0, count($of) - 1)];
    }

    private static function digits(Randomizer $dice): string
    {
        return self::oneOf($dice, ['1', '2', '12', '9', '911', '3'])
            . ($dice->getInt(0, 3) === 0 ? '' : substr((string) $dice->getInt(10_000, 39_999), 0, $dice->getInt(1, 4)));
    }

    private static function book(Randomizer $dice): Book
    {
        $routes = [];
        for ($i = 0, $count = $dice->getInt(2, 5); $i < $count; $i++) {
            $routes[] = self::anyRoute($dice, $i);
        }

        return Samples::book([
            'tenant' => ['region' => 'CA'],
            'users' => array_map(
                static fn (string $key, string $class): array => ['key' => $key, 'callingClass' => $class],
                ['inside', 'local', 'national', 'abroad'],
                ['internal', 'local', 'national', 'international'],
            ),
            'mailboxes' => [['key' => 'desk']],
            'groups' => [['key' => 'desk', 'onwardClass' => 'local']],
            'schedules' => [
                ['key' => 'shut', 'weekly' => [
                    ['item' => 'week', 'days' => ['sun'], 'from' => '01:00', 'to' => '01:05'],
                ]],
                ['key' => 'all', 'weekly' => [[
                    'item' => 'week', 'days' => ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], 'from' => '00:00',
                    'to' => '24:00',
                ]]],
            ],
            'trunks' => [
                ['key' => 'one', 'outsideCallersOut' => true], ['key' => 'two'], ['key' => 'off', 'enabled' => false],
                ['key' => 'none', 'channels' => 0],
            ],
            'routes' => $routes,
        ]);
    }

    /** @return array<string, mixed> */
    private static function anyRoute(Randomizer $dice, int $i): array
    {
        $seldom = static fn (mixed $value, mixed $else): mixed => $dice->getInt(0, 5) === 0 ? $value : $else;

        return [
            'key' => "r{$i}", 'position' => $i + 1, 'digits' => self::oneOf($dice, self::MAPS),
            'class' => self::oneOf($dice, ['local', 'national', 'international']), 'pin' => $seldom('set', 'none'),
            'emergency' => $seldom(true, false), 'schedule' => $seldom('schedule:shut', $seldom('schedule:all', null)),
            'blocked' => $seldom(['user:national', 'group:desk'], []),
            'trunks' => self::oneOf($dice, [
                ['trunk:one'], ['trunk:two'], ['trunk:one', 'trunk:two'], ['trunk:off'], ['trunk:none', 'trunk:two'],
            ]),
        ];
    }

    /** One route is another. */
    private static function edited(Book $book, Randomizer $dice): Book
    {
        $value = BookFormat::toValue($book);
        self::assertIsArray($value['routes']);
        $which = $dice->getInt(0, count($value['routes']) - 1);
        $value['routes'][$which] = self::anyRoute($dice, $which);

        return BookFormat::fromValue($value);
    }
}
