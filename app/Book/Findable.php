<?php

declare(strict_types=1);

namespace App\Book;

use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\Tenant;
use Jaunty\Core\Book\User;
use Jaunty\Core\Numbering\E164;

/** What an object is found by, over all customers: its name, its extension, a number's digits, a site's town. */
final class Findable
{
    /**
     * @param  ?string  $leadsTo  the id of what a number leads to first
     * @return ?array<string, ?string> a row; null for what is found otherwise
     */
    public static function row(string $tenantId, string $id, BookObject $object, ?string $leadsTo): ?array
    {
        if ($object instanceof Tenant) {
            return null;
        }
        $number = $object instanceof Number ? E164::parse($object->key()) : null;

        return [
            'tenant_id' => $tenantId,
            'object_id' => $id,
            'kind' => $object->kind()->value,
            'key' => $object->key(),
            'label' => $object->label(),
            'extension' => $object->extension(),
            'digits' => $number === null ? null : substr((string) $number, 1),
            'national' => $number?->national(),
            'leads_to' => $leadsTo,
            'words' => self::plain(implode(' ', array_filter([
                $object->label(),
                $object->extension(),
                $object instanceof Site ? implode(' ', array_filter($object->address, is_string(...))) : null,
                $object instanceof User ? $object->email : null,
            ], static fn (?string $part): bool => ($part ?? '') !== ''))),
        ];
    }

    /** In small Latin letters without accents, words apart: as text is kept and looked for. */
    public static function plain(string $text): string
    {
        $latin = \Transliterator::create('Any-Latin; Latin-ASCII; Lower()')?->transliterate($text);

        return trim((string) preg_replace('/[^a-z0-9]+/', ' ', is_string($latin) ? $latin : strtolower($text)));
    }
}
