<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

/** Keys made from what people write: "Ardent Road Veterinary" gives `ardent-road-veterinary`. */
final class Slug
{
    private const LONGEST = 60;

    /** @return string a valid key; `x` where nothing of the text can be kept */
    public static function of(string $text): string
    {
        $latin = \Transliterator::create('Any-Latin; Latin-ASCII; Lower()')?->transliterate($text);
        $slug = trim((string) preg_replace('/[^a-z0-9]+/', '-', is_string($latin) ? $latin : strtolower($text)), '-');

        return $slug === '' ? 'x' : rtrim(substr($slug, 0, self::LONGEST), '-');
    }
}
