<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

use Jaunty\Core\Numbering\DigitAutomaton;
use Jaunty\Core\Numbering\DigitMap;
use Jaunty\Core\Numbering\E164;
use libphonenumber\PhoneNumberUtil;

/**
 * How people of a country dial, as digit maps for the routes that templates ship: help, near by, in the country,
 * abroad. Numbers that are charged for what is said there are let through by none. Held against libphonenumber's
 * examples of each country in the tests; the plans themselves are those of the countries' regulators (common practice
 * where they leave a choice).
 */
final class HomeDialling
{
    /**
     * Areas of the North American Numbering Plan that are other countries and charged as such, and 900, are left out.
     */
    private const NANP = '124[013-57-9]xxxxxxx|126[0-35-79]xxxxxxx|128[0-35-9]xxxxxxx|12[0-3579]xxxxxxxx'
        . '|134[0-46-9]xxxxxxx|13[0-35-9]xxxxxxxx|144[02-9]xxxxxxx|147[0-24-9]xxxxxxx'
        . '|14[0-35689]xxxxxxxx|15xxxxxxxxx|164[0-8]xxxxxxx|165[0-79]xxxxxxx|166[0-35-9]xxxxxxx'
        . '|16[0-37-9]xxxxxxxx|172[02-9]xxxxxxx|175[0-79]xxxxxxx|176[0-689]xxxxxxx|178[0-35-9]xxxxxxx'
        . '|17[013479]xxxxxxxx|186[0-7]xxxxxxx|187[0-57-9]xxxxxxx|18[024][0-8]xxxxxxx'
        . '|18[13589]xxxxxxxx|190[1-9]xxxxxxx|19[1-9]xxxxxxxx';

    /** Those areas, which are dialled like any other. */
    private const NANP_ABROAD = '1242xxxxxxx|1246xxxxxxx|1264xxxxxxx|1268xxxxxxx|1284xxxxxxx|1345xxxxxxx|1441xxxxxxx'
        . '|1473xxxxxxx|1649xxxxxxx|1658xxxxxxx|1664xxxxxxx|1721xxxxxxx|1758xxxxxxx|1767xxxxxxx'
        . '|1784xxxxxxx|1809xxxxxxx|1829xxxxxxx|1849xxxxxxx|1868xxxxxxx|1869xxxxxxx|1876xxxxxxx';

    /**
     * By country: help (a test number where there is one), in the country as dialled, the same with the country code as
     * forwarded calls have it, abroad.
     */
    private const KNOWN = [
        'US' => ['911|933', self::NANP, null, '011[2-9]x.T|' . self::NANP_ABROAD],
        'CA' => ['911|933', self::NANP, null, '011[2-9]x.T|' . self::NANP_ABROAD],
        'GB' => [
            '999|112', '0[1-3]xxxxxxxxx|01xxxxxxxxT|07[1-57-9]xxxxxxxx|080[08]xxxx.T',
            '44[1-3]xxxxxxxxx|441xxxxxxxxT|447[1-57-9]xxxxxxxx|4480[08]xxxx.T', '00[1-35-9]x.T|004[0-35-9]x.T',
        ],
        'IE' => [
            '112|999', '0[1-9]xxxxxx.T|1800xxxxxx', '353[1-9]xxxxxx.T', '00[1-24-9]x.T|003[0-46-9]x.T|0035[0-24-9]x.T',
        ],
        'AU' => [
            '000|112', '0[23478]xxxxxxxx|1800xxxxxx', '61[23478]xxxxxxxx|611800xxxxxx',
            '0011[1-57-9]x.T|00116[02-9]x.T',
        ],
        'NZ' => [
            '111', '0[34679]xxxxxxx|02[0-9]xxxxxx.T|0800xxxxxx.T|0508xxxxxx',
            '64[34679]xxxxxxx|642[0-9]xxxxxx.T|64800xxxxxx.T|64508xxxxxx', '00[1-57-9]x.T|006[0-35-9]x.T',
        ],
        'DE' => [
            '112|110', '0[2-8]xxxx.T|09[1-9]xxxx.T|01[5-7]xxxxxxx.T', '49[2-8]xxxx.T|499[1-9]xxxx.T|491[5-7]xxxxxxx.T',
            '00[1-35-9]x.T|004[0-8]x.T',
        ],
    ];

    private const NANP_AREA = 3;

    private const MOST_KEPT = 64;

    /** @var array<string, ?DigitAutomaton> by country and prefix */
    private static array $asked = [];

    /** Digits of the shortest number of a country, its code's first left out. */
    private const LEAST_ABROAD = 6;

    private function __construct(
        public readonly string $help,
        public readonly string $national,
        public readonly ?string $led,
        public readonly string $abroad,
    ) {
    }

    /** @param string $country ISO 3166-1 code */
    public static function of(string $country): ?self
    {
        return isset(self::KNOWN[$country]) ? new self(...self::KNOWN[$country]) : null;
    }

    /** @return list<string> countries that are known */
    public static function countries(): array
    {
        return array_keys(self::KNOWN);
    }

    /**
     * All digits that begin a call to another country, as people of a country dial it: behind the international prefix,
     * and within +1 the areas of other countries. What follows the prefix and the country's own code is no call abroad.
     *
     * @param  string  $prefix  dialled before every number outside; empty for none
     */
    public static function abroad(string $country, string $prefix = ''): ?DigitAutomaton
    {
        $said = "{$country} {$prefix}";
        if (! array_key_exists($said, self::$asked)) {
            // Every customer of a country asks the same; who dials otherwise than all others is forgotten again.
            self::$asked = [$said => self::allAbroad($country, $prefix)]
                + array_slice(self::$asked, 0, self::MOST_KEPT - 1, true);
        }

        return self::$asked[$said];
    }

    private static function allAbroad(string $country, string $prefix): ?DigitAutomaton
    {
        $util = PhoneNumberUtil::getInstance();
        $code = (string) $util->getCountryCodeForRegion($country);
        $example = $util->getExampleNumber($country === 'GB' ? 'FR' : 'GB');
        if ($code === '0' || $example === null) {
            return null;
        }
        $dialled = (string) preg_replace('/\D+/', '', $util->formatOutOfCountryCallingNumber($example, $country));
        $idd = $prefix
            . substr($dialled, 0, -strlen($example->getCountryCode() . $util->getNationalSignificantNumber($example)));
        $maps = [];
        for ($length = 0; $length < strlen($code); $length++) {
            $others = implode(
                '',
                array_diff(array_map(strval(...), range($length === 0 ? 1 : 0, 9)), [$code[$length]]),
            );
            $maps[] = $idd . substr($code, 0, $length) . "[{$others}]" . str_repeat('x', self::LEAST_ABROAD) . 'x.T';
        }
        foreach ($code === '1' ? explode('|', self::NANP_ABROAD) : [] as $area) {
            $maps[] = $prefix . $area;
        }

        return DigitAutomaton::of(
            ...array_map(static fn (string $map): DigitMap => DigitMap::parse($map, 'digits'), $maps),
        );
    }

    /**
     * Numbers of the area that a number is of, as people there dial them: ten digits in North America, else with the
     * digit that comes before an area.
     *
     * @param  string  $number  in E.164
     * @return ?string a digit map; null for a number of no area
     */
    public static function near(string $number): ?string
    {
        $util = PhoneNumberUtil::getInstance();
        $parsed = $util->parse((string) E164::parse($number));
        $length = $util->getLengthOfGeographicalAreaCode($parsed);
        $national = $util->getNationalSignificantNumber($parsed);
        if ($length === 0) {
            return null;
        }
        $area = substr($national, 0, $length);
        if ($parsed->getCountryCode() === 1) {
            return $length === self::NANP_AREA ? "{$area}[2-9]xxxxxx" : null;
        }
        $first = $util->getNddPrefixForRegion(E164::parse($number)->region(), true) ?? '';
        $rest = strlen($national) - $length;

        return $first . $area . '[1-9]' . str_repeat('x', $rest - 1);
    }
}
