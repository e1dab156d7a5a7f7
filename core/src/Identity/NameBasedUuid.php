<?php

declare(strict_types=1);

namespace Jaunty\Core\Identity;

/**
 * Name-based UUIDs (version 5): the same name under the same parent gives the same id, so making things twice makes
 * nothing twice.
 */
final class NameBasedUuid
{
    /**
     * @param  string  $parent  a UUID
     * @return string a UUID in small letters
     *
     * @see https://www.rfc-editor.org/rfc/rfc9562#section-5.5 (RFC 9562 section 5.5)
     */
    public static function of(string $parent, string $name): string
    {
        $hash = substr(sha1((string) hex2bin(str_replace('-', '', $parent)) . $name), 0, 32);
        $hash[12] = '5';
        $hash[16] = dechex((hexdec($hash[16]) & 0x3) | 0x8);

        return implode('-', [
            substr($hash, 0, 8), substr($hash, 8, 4), substr($hash, 12, 4), substr($hash, 16, 4), substr($hash, 20),
        ]);
    }
}
