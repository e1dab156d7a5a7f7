<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use libphonenumber\PhoneNumberUtil;

/**
 * Fields that somebody will one day rely on as they were typed: where mail goes, and where help is sent. What cannot be
 * true of them is told by path; a book with such a field can still be read, and an audit finds it.
 */
final class Evidence
{
    /**
     * Forms of postcodes, in capitals; of the Universal Postal Union's pages for the countries (from memory), letters
     * that are given to nobody left in.
     */
    private const POSTCODES = [
        'US' => ['/^\d{5}(-\d{4})?$/D', '00055 or 00055-1234'],
        'CA' => ['/^[A-Z]\d[A-Z] ?\d[A-Z]\d$/D', 'B0X 1X0'],
        'GB' => ['/^[A-Z]{1,2}\d[A-Z\d]? ?\d[A-Z]{2}$/D', 'ZZ99 3VZ'],
        'IE' => ['/^[A-Z]\d[\dW] ?[A-Z\d]{4}$/D', 'Z99 ZZ99'],
        'AU' => ['/^\d{4}$/D', 'four digits'],
        'NZ' => ['/^\d{4}$/D', 'four digits'],
        'DE' => ['/^\d{5}$/D', 'five digits'],
        'FR' => ['/^\d{5}$/D', 'five digits'],
        'NL' => ['/^\d{4} ?[A-Z]{2}$/D', '1234 AB'],
    ];

    /** Of any other country: letters, digits, spaces and hyphens, with a digit among them. */
    private const POSTCODE = '/^(?=.*\d)[A-Z\d][A-Z\d -]{1,9}$/D';

    /** @return array<string, string> why it cannot be so, by path */
    public static function doubts(BookObject $object): array
    {
        return match (true) {
            $object instanceof Site => [
                ...self::within('address', self::addressDoubts($object->address)),
                ...self::mails('emergency/notify', $object->emergency->notify),
            ],
            $object instanceof Mailbox => self::mails('notify', $object->notify),
            $object instanceof User => self::mails('email', $object->email === null ? [] : [$object->email]),
            $object instanceof Contact => self::mails('email', $object->email === null ? [] : [$object->email]),
            default => [],
        };
    }

    public static function isMail(string $address): bool
    {
        // A reader's mistake is a missing dot or a space, which is all that is looked for besides what RFC 5321 asks.
        return filter_var($address, FILTER_VALIDATE_EMAIL) !== false
            && str_contains((string) strrchr($address, '@'), '.');
    }

    /**
     * @param  array<string, ?string>  $address  by part, as a site has it
     * @return array<string, string> by part
     */
    public static function addressDoubts(array $address): array
    {
        $doubts = [];
        $country = $address['country'] ?? '';
        if ($country !== '' && ! in_array($country, PhoneNumberUtil::getInstance()->getSupportedRegions(), true)) {
            $doubts['country'] = "\"{$country}\" is no country; write its two letters, such as CA";
        }
        $postcode = mb_strtoupper(trim((string) ($address['postcode'] ?? '')));
        [$form, $example] = self::POSTCODES[$country] ?? [self::POSTCODE, 'letters and digits'];
        if ($postcode !== '' && preg_match($form, $postcode) !== 1) {
            $doubts['postcode'] = "\"{$address['postcode']}\" is no postcode"
                . (isset(self::POSTCODES[$country]) ? " of {$country}; they look like {$example}" : '');
        }

        return $doubts;
    }

    /**
     * @param  array<string, string>  $doubts
     * @return array<string, string> the same, inside a field
     */
    private static function within(string $field, array $doubts): array
    {
        return array_combine(
            array_map(static fn (string $part): string => "{$field}/{$part}", array_keys($doubts)),
            $doubts,
        );
    }

    /**
     * @param  list<string>  $addresses
     * @return array<string, string>
     */
    private static function mails(string $path, array $addresses): array
    {
        foreach ($addresses as $address) {
            if ($address !== '' && ! self::isMail($address)) {
                return [$path => "\"{$address}\" is no mail address; write one such as ines@thornback.example"];
            }
        }

        return [];
    }
}
