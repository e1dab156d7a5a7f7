<?php

declare(strict_types=1);

namespace App\Support;

/** What somebody typed to look for, word by word. */
final class Words
{
    /** @return list<string> in small letters; signs stay as they are */
    public static function of(string $typed): array
    {
        $words = preg_split('/\s+/u', mb_strtolower(trim($typed)), -1, PREG_SPLIT_NO_EMPTY);

        return $words === false ? [] : $words;
    }
}
