<?php

declare(strict_types=1);

namespace Tests\Core\Outbound;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Outbound\DialEnd;
use Jaunty\Core\Outbound\DialPlan;
use Jaunty\Core\Outbound\HomeDialling;
use Jaunty\Core\Outbound\Sender;
use libphonenumber\PhoneNumber;
use libphonenumber\PhoneNumberFormat;
use libphonenumber\PhoneNumberType;
use libphonenumber\PhoneNumberUtil;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Audit\Samples;

/**
 * Held against libphonenumber's examples of each country: what people there dial goes out, and by no less a class than
 * it is named for.
 */
final class HomeDiallingTest extends TestCase
{
    /**
     * @return iterable<string, array{string, string, string, ?CallingClass}> country, number in E.164, digits, the
     *     least class that may dial them; null for none
     */
    public static function numbers(): iterable
    {
        $util = PhoneNumberUtil::getInstance();
        $dialled = static fn (PhoneNumber $number, string $country): string => (string) preg_replace(
            '/\D+/',
            '',
            $util->formatOutOfCountryCallingNumber($number, $country),
        );
        $kinds = [
            'fixed' => [PhoneNumberType::FIXED_LINE, CallingClass::National],
            'mobile' => [PhoneNumberType::MOBILE, CallingClass::National],
            'toll free' => [PhoneNumberType::TOLL_FREE, CallingClass::National],
            'premium' => [PhoneNumberType::PREMIUM_RATE, null],
        ];
        foreach (HomeDialling::countries() as $country) {
            foreach ($kinds as $kind => [$type, $class]) {
                $number = $util->getExampleNumberForType($country, $type);
                if ($number !== null) {
                    yield "{$country}, {$kind}" => [
                        $country, $util->format($number, PhoneNumberFormat::E164), $dialled($number, $country), $class,
                    ];
                }
            }
            // By the long way, as though it were abroad: behind what a call to France begins with.
            $france = $dialled($util->getExampleNumber('FR'), $country);
            $prefix = (string) preg_replace('/33\d{9}$/D', '', $france);
            foreach ([PhoneNumberType::PREMIUM_RATE, PhoneNumberType::FIXED_LINE] as $type) {
                $number = $util->getExampleNumberForType($country, $type);
                if ($number !== null) {
                    $e164 = $util->format($number, PhoneNumberFormat::E164);
                    yield "{$country}, the long way to {$e164}" => [
                        $country, $e164, $prefix . substr($e164, 1), null,
                    ];
                }
            }
            foreach (['GB', 'FR', 'JM', 'NZ', 'MX'] as $abroad) {
                $number = $util->getExampleNumberForType($abroad, PhoneNumberType::FIXED_LINE);
                if ($number !== null && $abroad !== $country) {
                    yield "{$country} to {$abroad}" => [
                        $country, $util->format($number, PhoneNumberFormat::E164), $dialled($number, $country),
                        CallingClass::International,
                    ];
                }
            }
        }
    }

    #[DataProvider('numbers')]
    public function test_a_number_goes_out_from_its_class_upward_and_to_whom_it_belongs(
        string $country,
        string $number,
        string $digits,
        ?CallingClass $least,
    ): void {
        $plan = new DialPlan($this->book($country));
        foreach (CallingClass::cases() as $class) {
            $dialled = $plan->route(Sender::ofClass($class), $digits, Samples::NOW);
            $goes = $least !== null && $class->covers($least);

            self::assertSame(
                $goes ? DialEnd::Outside : DialEnd::Nowhere,
                $dialled->end,
                "{$class->value}: {$dialled->reason}",
            );
            self::assertSame($goes ? $number : null, $dialled->number);
        }
    }

    /** @return iterable<string, array{string, string, string}> country, main number, a neighbour as it is dialled */
    public static function neighbours(): iterable
    {
        yield 'Nova Scotia' => ['CA', '+19025550110', '9025550199'];
        yield 'Maine' => ['US', '+12075550100', '2075550199'];
        yield 'London' => ['GB', '+442079460002', '02079460099'];
        yield 'Edinburgh' => ['GB', '+441314960000', '01314960099'];
        yield 'Sydney' => ['AU', '+61255501234', '0255501299'];
    }

    #[DataProvider('neighbours')]
    public function test_whoever_may_call_locally_calls_the_neighbours_and_nobody_else(
        string $country,
        string $main,
        string $digits,
    ): void {
        $near = HomeDialling::near($main);
        self::assertNotNull($near);
        $plan = new DialPlan($this->book($country, $near));

        self::assertSame(
            DialEnd::Outside,
            $plan->route(Sender::ofClass(CallingClass::Local), $digits, Samples::NOW)->end,
        );
        self::assertNotNull($plan->route(Sender::ofClass(CallingClass::Local), $digits, Samples::NOW)->number);
        self::assertNotSame(
            DialEnd::Outside,
            $plan->route(Sender::ofClass(CallingClass::Internal), $digits, Samples::NOW)->end,
        );
        foreach (self::numbers() as [$of, , $far]) {
            if ($of === $country && ! \Jaunty\Core\Numbering\DigitMap::parse($near, '')->matches($far)) {
                self::assertNotSame(
                    DialEnd::Outside,
                    $plan->route(Sender::ofClass(CallingClass::Local), $far, Samples::NOW)->end,
                    $far,
                );
            }
        }
    }

    public function test_a_number_of_no_area_has_no_neighbours(): void
    {
        self::assertNull(HomeDialling::near('+18005550150'));
        self::assertNull(HomeDialling::of('FR'));
    }

    /** The routes that templates make of it. */
    private function book(string $country, ?string $near = null): Book
    {
        $home = HomeDialling::of($country);
        self::assertNotNull($home);
        $route = static fn (string $key, int $position, ?string $digits, string $class): ?array => $digits === null
            ? null
            : [
                'key' => $key, 'position' => $position, 'digits' => $digits, 'class' => $class,
                'trunks' => ['trunk:main'],
            ];

        return Samples::book([
            'tenant' => ['region' => $country, 'zone' => 'UTC'],
            'trunks' => [['key' => 'main', 'outsideCallersOut' => true]],
            'routes' => array_values(array_filter([
                ['emergency' => true] + (array) $route('help', 1, $home->help, 'local'),
                $route('local', 2, $near, 'local'), $route('national', 3, $home->national, 'national'),
                $route('forwarded', 4, $home->led, 'national'), $route('abroad', 5, $home->abroad, 'international'),
            ])),
        ]);
    }
}
