<?php

declare(strict_types=1);

namespace Jaunty\Core\Numbering;

use Jaunty\Core\Book\Book;

/**
 * Numbers as people at a customer type them: with a plus, after 00 or 011, in the national form of the customer's
 * region, and where seven digits are a number of an area, as one of the main number's. Everything that takes a typed
 * number reads it here.
 */
final readonly class TypedNumber
{
    /**
     * What is dialled before a country code, in most countries and in North America; people write both wherever they
     * are.
     */
    private const ABROAD = ['011', '00'];

    /** Within an area of the North American Numbering Plan. */
    private const WITHIN_AREA = '/^[2-9][0-9]{6}$/D';

    private const AREA_DIGITS = 3;

    /**
     * @param  ?string  $region  ISO 3166-1 code whose national form is meant
     * @param  ?string  $area  three digits, where seven are meant to be of it
     */
    private function __construct(private ?string $region, private ?string $area)
    {
    }

    public static function in(?string $region, ?string $mainNumber = null): self
    {
        $isNanp = $mainNumber !== null && str_starts_with($mainNumber, '+1') && strlen($mainNumber) === 12;

        return new self($region === '' ? null : $region, $isNanp ? substr($mainNumber, 2, self::AREA_DIGITS) : null);
    }

    /** As people of a customer type them. */
    public static function of(Book $book): self
    {
        return self::in($book->tenant->region, $book->tenant->mainNumber?->key);
    }

    /** @throws UnusableNumber with the reason, where no telephone can have the number */
    public function read(string $typed): E164
    {
        // Address books copy numbers with marks of the writing direction round them, web pages as a tel: URI (RFC
        // 3966).
        $digits = (string) preg_replace('/^tel:|[\s().\/\p{Cf}\x{00A0}\x{2010}-\x{2015}-]+/ui', '', trim($typed));
        if (preg_match('/^\+?[0-9]+$/D', $digits) !== 1) {
            throw UnusableNumber::unreadable($typed);
        }
        if (str_starts_with($digits, '+')) {
            return self::known($digits, null, $typed);
        }
        if ($this->area !== null && preg_match(self::WITHIN_AREA, $digits) === 1) {
            return self::known("+1{$this->area}{$digits}", null, $typed);
        }
        $refused = UnusableNumber::noCountry($typed);
        if ($this->region !== null) {
            // What begins with 00 or 011 may be a number at home: that is tried first.
            try {
                return self::known($digits, $this->region, $typed);
            } catch (UnusableNumber $fault) {
                $refused = $fault;
            }
        }
        foreach (self::ABROAD as $prefix) {
            if (str_starts_with($digits, $prefix)) {
                return self::known('+' . substr($digits, strlen($prefix)), null, $typed);
            }
        }
        throw $refused;
    }

    /** A number of a range that is given out, or of one kept for drama: almost any digits are possible somewhere. */
    private static function known(string $digits, ?string $region, string $typed): E164
    {
        // A number is refused as it was typed, not as it was tried.
        $number = E164::parse($digits, $region, $typed);

        return $number->isValid() || $number->isFictional() ? $number : throw UnusableNumber::notGiven($typed);
    }
}
