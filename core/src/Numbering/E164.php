<?php

declare(strict_types=1);

namespace Jaunty\Core\Numbering;

use libphonenumber\NumberParseException;
use libphonenumber\PhoneNumberFormat;
use libphonenumber\PhoneNumberType;
use libphonenumber\PhoneNumberUtil;
use libphonenumber\ValidationResult;

/** A public telephone number in E.164 form. */
final class E164 implements \Stringable
{
    /** Numbers already looked at; a book asks for the same ones again and again. */
    private const MOST_KNOWN = 20_000;

    /** @var array<string, self> by region and what was typed */
    private static array $known = [];

    private ?bool $isValid = null;

    private function __construct(private readonly string $number)
    {
    }

    /**
     * Reads a number as a person types it, in the national form of the region or with a plus.
     *
     * @param  ?string  $region  ISO 3166-1 code whose national form is meant where there is no plus
     * @param  ?string  $told  as it is told where it is refused; unset: as it is read
     *
     * @throws UnusableNumber when it cannot be a telephone number
     */
    public static function parse(string $typed, ?string $region = null, ?string $told = null): self
    {
        $key = "{$region} {$typed}";
        if (count(self::$known) >= self::MOST_KNOWN) {
            self::$known = [];
        }

        return self::$known[$key] ??= self::read($typed, $region, $told ?? $typed);
    }

    /**
     * Reads a number that somebody can have: of a range that is given out.
     *
     * @param  bool  $orFictional  whether numbers set aside for films and drama will do (demo data)
     *
     * @throws UnusableNumber
     */
    public static function given(string $typed, ?string $region = null, bool $orFictional = false): self
    {
        $number = self::parse($typed, $region);

        return $number->isValid() && ($orFictional || ! $number->isFictional())
            || $orFictional && $number->isFictional()
            ? $number
            : throw UnusableNumber::notGiven($typed);
    }

    /**
     * Reads a number that is in E.164 already: a plus, the country code, and as many digits as that country has.
     *
     * @throws UnusableNumber with the reason
     */
    public static function exactly(string $number): self
    {
        $read = self::parse($number);

        return $read->number === $number ? $read : throw UnusableNumber::otherwiseWritten($number, $read->number);
    }

    /** Whether its range is given out to subscribers, by the numbering plans of libphonenumber. */
    public function isValid(): bool
    {
        $util = PhoneNumberUtil::getInstance();

        return $this->isValid ??= $util->isValidNumber($util->parse($this->number));
    }

    /** Whether it is set aside for films and drama, so that nobody has it. */
    public function isFictional(): bool
    {
        return FictionalNumbers::have(substr($this->number, 1));
    }

    /** @throws UnusableNumber */
    private static function read(string $typed, ?string $region, string $told): self
    {
        $util = PhoneNumberUtil::getInstance();
        try {
            $number = $util->parse(mb_substr($typed, 0, 60), $region);
        } catch (NumberParseException) {
            throw UnusableNumber::unreadable($told);
        }
        // Possible, not valid: ranges set aside for fiction (demo data) are possible numbers that nobody is given. A
        // number that only dials within its area is no public one.
        if ($util->isPossibleNumberWithReason($number) !== ValidationResult::IS_POSSIBLE) {
            throw UnusableNumber::impossible($told);
        }

        return new self($util->format($number, PhoneNumberFormat::E164));
    }

    /** In groups as people read it, with the country code: `+1 902 555 0110`. */
    public function display(): string
    {
        $util = PhoneNumberUtil::getInstance();

        return str_replace('-', ' ', $util->format($util->parse($this->number), PhoneNumberFormat::INTERNATIONAL));
    }

    /** Its digits without the country code. */
    public function national(): string
    {
        $util = PhoneNumberUtil::getInstance();

        return $util->getNationalSignificantNumber($util->parse($this->number));
    }

    /** Whether it takes another country code than a region's own; within North America nothing does. */
    public function isAbroadFrom(string $region): bool
    {
        $util = PhoneNumberUtil::getInstance();

        return $util->parse($this->number)->getCountryCode() !== $util->getCountryCodeForRegion($region);
    }

    /**
     * @return ?self an example of the numbers of a country that are charged for what is said there; null where it has
     *     none
     */
    public static function premiumOf(string $region): ?self
    {
        $example = PhoneNumberUtil::getInstance()->getExampleNumberForType($region, PhoneNumberType::PREMIUM_RATE);

        return $example === null
            ? null
            : self::parse(PhoneNumberUtil::getInstance()->format($example, PhoneNumberFormat::E164));
    }

    /** Whether who is called pays, by the numbering plans of libphonenumber. */
    public function isTollFree(): bool
    {
        $util = PhoneNumberUtil::getInstance();

        return $util->getNumberType($util->parse($this->number)) === PhoneNumberType::TOLL_FREE;
    }

    public function region(): string
    {
        $util = PhoneNumberUtil::getInstance();

        return $util->getRegionCodeForNumber($util->parse($this->number))
            ?? $util->getRegionCodeForCountryCode((int) $util->parse($this->number)->getCountryCode());
    }

    public function __toString(): string
    {
        return $this->number;
    }
}
