<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\User;
use Jaunty\Core\Numbering\EmergencyNumbers;
use libphonenumber\PhoneNumber;
use libphonenumber\PhoneNumberType;
use libphonenumber\PhoneNumberUtil;

/**
 * What is tried of a dial plan: a number of each kind as people of the customer's country dial it, behind the outside
 * prefix. The numbers are libphonenumber's examples; nobody is called.
 */
final readonly class SampleNumbers
{
    private const KINDS = [
        ['national', 'national', PhoneNumberType::FIXED_LINE],
        ['mobile', 'mobile', PhoneNumberType::MOBILE],
        ['tollFree', 'toll-free', PhoneNumberType::TOLL_FREE],
        ['premium', 'premium', PhoneNumberType::PREMIUM_RATE],
    ];

    /** Abroad from everywhere but themselves. */
    private const ABROAD = ['GB', 'FR'];

    /**
     * Countries under +1 dial ten digits within an area, and a 1 before them elsewhere (North American Numbering Plan).
     */
    private const NANP = 1;

    /** @return list<SampleNumber> */
    public static function of(Book $book): array
    {
        $country = $book->tenant->region;
        $prefix = $book->tenant->outsidePrefix ?? '';
        $samples = self::inside($book);
        if ($country === null) {
            return $samples;
        }
        $util = PhoneNumberUtil::getInstance();
        $isNanp = $util->getCountryCodeForRegion($country) === self::NANP;
        $dialled = static fn (PhoneNumber $number): string => $prefix
            . preg_replace('/\D+/', '', $util->formatOutOfCountryCallingNumber($number, $country));
        $near = self::near($book, $util);
        if ($near !== null) {
            $national = $util->getNationalSignificantNumber($near);
            $samples[] = new SampleNumber(
                'local',
                $isNanp ? 'local, ten digits' : 'local',
                $isNanp ? $prefix . $national : $dialled($near),
            );
            if ($isNanp) {
                $samples[] = new SampleNumber('local', 'local, seven digits', $prefix . substr($national, 3));
            }
        }
        $national = null;
        foreach (self::KINDS as [$kind, $said, $type]) {
            $example = $util->getExampleNumberForType($country, $type);
            if ($example !== null && ! ($kind === 'mobile' && $isNanp)) {
                $samples[] = new SampleNumber($kind, $said, $dialled($example));
                $national ??= $dialled($example);
            }
        }
        $abroad = $util->getExampleNumberForType(
            array_values(array_diff(self::ABROAD, [$country]))[0],
            PhoneNumberType::FIXED_LINE,
        );
        $international = $abroad === null ? null : $dialled($abroad);
        if ($international !== null) {
            $samples[] = new SampleNumber('international', 'international', $international);
        }
        foreach (EmergencyNumbers::of($country) as $number) {
            $samples[] = new SampleNumber('emergency', 'emergency', $number);
            if ($prefix !== '') {
                $samples[] = new SampleNumber('emergency', 'emergency, after the prefix', $prefix . $number);
            }
        }
        if ($national !== null) {
            $samples[] = new SampleNumber(
                'misdialled',
                'national, too few digits',
                self::tooShort($national, $prefix, new Numbering($country)),
            );
        }
        if ($international !== null) {
            $zeros = (int) strpos($international, '0', strlen($prefix));
            $samples[] = new SampleNumber(
                'misdialled',
                'international, a zero too many',
                substr($international, 0, $zeros) . '0' . substr($international, $zeros),
            );
        }

        return $samples;
    }

    /** @return list<SampleNumber> */
    private static function inside(Book $book): array
    {
        foreach ($book->all(User::class) as $user) {
            if ($user->extension !== null) {
                return [new SampleNumber('internal', "extension of {$user->label()}", $user->extension)];
            }
        }

        return [];
    }

    /**
     * Without its last digits, as many as it takes: where numbers are of no fixed length one digit less is another
     * number.
     */
    private static function tooShort(string $dialled, string $prefix, Numbering $numbering): string
    {
        do {
            $dialled = substr($dialled, 0, -1);
        } while (
            strlen($dialled) > strlen($prefix) + 1 && $numbering->read(substr($dialled, strlen($prefix))) !== null
        );

        return $dialled;
    }

    /** A number in the area of the main one. */
    private static function near(Book $book, PhoneNumberUtil $util): ?PhoneNumber
    {
        $main = $book->tenant->mainNumber === null ? null : $book->find($book->tenant->mainNumber);
        if (! $main instanceof Number) {
            return null;
        }
        // Another line of the same exchange: the customer's own would not be dialled.
        $last = substr($main->key, -2) === '99' ? '98' : '99';

        return $util->parse(substr($main->key, 0, -2) . $last);
    }
}
