<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Numbering\EmergencyNumbers;
use Jaunty\Core\Numbering\UnusableNumber;
use libphonenumber\PhoneNumber;
use libphonenumber\PhoneNumberUtil;
use libphonenumber\ShortNumberInfo;

/**
 * How the public network of a country reads the digits a trunk is given: in the form of that country, or with the
 * country code.
 */
final class Numbering
{
    /** @var array<string, list<string>> by country */
    private static array $codes = [];

    /** @param ?string $country ISO 3166-1 code; null where the book does not say */
    public function __construct(public readonly ?string $country)
    {
    }

    /**
     * In the form of the country, its international prefix included. With the country code and nothing before it only
     * where that is the country's own, or a call abroad is meant: almost any digits are some country's number.
     *
     * @return ?string in E.164; null where the digits are no number anybody can have
     */
    public function read(string $digits, bool $isAbroad = false): ?string
    {
        $own = $this->country === null
            ? null
            : (string) PhoneNumberUtil::getInstance()->getCountryCodeForRegion($this->country);
        $forms = [[$digits, $this->country], ...(
            $isAbroad || $own === null || str_starts_with($digits, $own) ? [["+{$digits}", null]] : []
        )];
        foreach ($forms as [$typed, $country]) {
            try {
                $number = E164::parse($typed, $country);
            } catch (UnusableNumber) {
                continue;
            }
            if ($number->isValid() || $number->isFictional()) {
                return (string) $number;
            }
        }

        return null;
    }

    /** @return list<string> short numbers of three digits that call for no help: services, information */
    public function shortCodes(): array
    {
        $country = $this->country;

        return $country === null
            ? []
            : self::$codes[$country] ??= array_values(array_filter(
                array_map(strval(...), range(100, 999)),
                fn (string $digits): bool => $this->isShort($digits) && ! EmergencyNumbers::is($digits, $country),
            ));
    }

    /** Whether they are a short number of the country: help, information, services. */
    public function isShort(string $digits): bool
    {
        // Taken apart by hand: a parser of whole numbers refuses the shortest of them.
        if ($this->country === null || preg_match('/^[1-9]\d{1,5}$/D', $digits) !== 1) {
            return false;
        }

        return ShortNumberInfo::getInstance()->isValidShortNumberForRegion(
            (new PhoneNumber())->setCountryCode(PhoneNumberUtil::getInstance()->getCountryCodeForRegion($this->country))
                ->setNationalNumber($digits),
            $this->country,
        );
    }
}
