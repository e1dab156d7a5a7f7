<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rules\Outbound\InternationalOpen;
use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Outbound\DialEnd;
use Jaunty\Core\Outbound\DialPlan;
use Jaunty\Core\Outbound\HomeDialling;
use Jaunty\Core\Outbound\Sender;
use libphonenumber\PhoneNumber;
use libphonenumber\PhoneNumberType;
use libphonenumber\PhoneNumberUtil;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * What a class may not call by its name goes out by no route without a finding: a number of every country, from each
 * that templates know.
 */
final class TollFraudLawTest extends TestCase
{
    /** Countries that are called as at home from the United States and Canada (common practice). */
    private const ALIKE = ['US', 'CA', 'PR', 'VI', 'GU', 'AS', 'MP'];

    private const CARELESS = [
        '[1-9]x.T', '0x.T', '00x.T', '011x.T', 'x.T', '1xxxxxxxxxx', '011xxxxx.T', '9011[1-9]x.T', '1876xxxxxxx',
        '00[1-9]xxxxxxxxx.T', '0[1-9]x.T', '0011x.T',
    ];

    /** @return iterable<string, array{string}> */
    public static function countries(): iterable
    {
        foreach (HomeDialling::countries() as $country) {
            yield $country => [$country];
        }
    }

    #[DataProvider('countries')]
    public function test_no_route_lets_a_class_call_abroad_unfound(string $home): void
    {
        $numbers = $this->abroadFrom($home);
        self::assertGreaterThan(200, count($numbers));
        $dice = new Randomizer(new Mt19937(crc32($home)));
        $went = 0;
        foreach (
            [[], ...array_map(static fn (string $digits): array => [$digits], self::CARELESS)] as $place => $careless
        ) {
            $class = $dice->getInt(0, 1) === 0 ? 'local' : 'national';
            $book = Samples::book([
                'tenant' => ['region' => $home, 'zone' => 'UTC'],
                'trunks' => [['key' => 'main']],
                'routes' => array_map(
                    static fn (string $digits, int $at): array => [
                        'key' => "r{$at}", 'position' => $at + 1, 'digits' => $digits, 'class' => $class,
                        'trunks' => ['trunk:main'],
                    ],
                    [(string) HomeDialling::of($home)?->national, ...$careless],
                    range(0, count($careless)),
                ),
            ]);
            $found = array_map(
                static fn (Finding $finding): string => $finding->objects[0]->key(),
                (new Auditor([new InternationalOpen()]))->audit(new Inspection($book, Samples::NOW)),
            );
            $plan = new DialPlan($book);
            foreach ($numbers as $to => $digits) {
                $dialled = $plan->route(Sender::ofClass(CallingClass::National), $digits, Samples::NOW);
                if ($dialled->end === DialEnd::Outside) {
                    $went++;
                    self::assertContains(
                        $dialled->route?->key,
                        $found,
                        "{$place}: {$digits} calls {$to} by {$dialled->route?->digits}",
                    );
                }
            }
            if ($careless === []) {
                self::assertSame([[], 0], [$found, $went], 'what templates ship lets nobody abroad');
            }
        }
        self::assertGreaterThan(100, $went);
    }

    /** @return array<string, string> as dialled, by country */
    private function abroadFrom(string $home): array
    {
        $util = PhoneNumberUtil::getInstance();
        $numbers = [];
        foreach ($util->getSupportedRegions() as $country) {
            $number = $util->getExampleNumberForType($country, PhoneNumberType::FIXED_LINE)
                ?? $util->getExampleNumber($country);
            $isHome = $number instanceof PhoneNumber
                && $number->getCountryCode() === $util->getCountryCodeForRegion($home)
                && ($number->getCountryCode() !== 1 || in_array($country, self::ALIKE, true));
            if ($number instanceof PhoneNumber && ! $isHome) {
                $numbers[$country] = (string) preg_replace(
                    '/\D+/',
                    '',
                    $util->formatOutOfCountryCallingNumber($number, $home),
                );
            }
        }

        return $numbers;
    }
}
