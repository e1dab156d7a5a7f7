<?php

declare(strict_types=1);

namespace Jaunty\Core\Numbering;

use libphonenumber\NumberParseException;
use libphonenumber\PhoneNumberFormat;
use libphonenumber\PhoneNumberUtil;
use libphonenumber\ValidationResult;

/** A public telephone number in E.164 form. */
final readonly class E164 implements \Stringable
{
    private function __construct(private string $number)
    {
    }

    /**
     * Reads a number as a person types it, in the national form of the region or with a plus.
     *
     * @param  ?string  $region  ISO 3166-1 code whose national form is meant where there is no plus
     *
     * @throws UnusableNumber when it cannot be a telephone number
     */
    public static function parse(string $typed, ?string $region = null): self
    {
        $util = PhoneNumberUtil::getInstance();
        try {
            $number = $util->parse(mb_substr($typed, 0, 60), $region);
        } catch (NumberParseException) {
            throw UnusableNumber::unreadable($typed);
        }
        // Possible, not valid: ranges set aside for fiction (demo data) are possible numbers that nobody is given. A number
        // that only dials within its area is no public one.
        if ($util->isPossibleNumberWithReason($number) !== ValidationResult::IS_POSSIBLE) {
            throw UnusableNumber::impossible($typed);
        }

        return new self($util->format($number, PhoneNumberFormat::E164));
    }

    /** In groups as people read it, with the country code: `+1 902 555 0110`. */
    public function display(): string
    {
        $util = PhoneNumberUtil::getInstance();

        return str_replace('-', ' ', $util->format($util->parse($this->number), PhoneNumberFormat::INTERNATIONAL));
    }

    public function region(): string
    {
        $util = PhoneNumberUtil::getInstance();

        return $util->getRegionCodeForNumber($util->parse($this->number)) ?? $util->getRegionCodeForCountryCode((int) $util->parse($this->number)->getCountryCode());
    }

    public function __toString(): string
    {
        return $this->number;
    }
}
