<?php

declare(strict_types=1);

namespace App\Files;

/** What a file is by what is in it: a name or a browser's word is no evidence. */
enum FileKind: string
{
    case Pdf = 'application/pdf';
    case Png = 'image/png';
    case Jpeg = 'image/jpeg';
    case Gif = 'image/gif';

    public static function of(string $bytes): ?self
    {
        return match (true) {
            str_starts_with($bytes, '%PDF-') => self::Pdf,
            str_starts_with($bytes, "\x89PNG\r\n\x1a\n") => self::Png,
            str_starts_with($bytes, "\xff\xd8\xff") => self::Jpeg,
            str_starts_with($bytes, 'GIF87a'), str_starts_with($bytes, 'GIF89a') => self::Gif,
            default => null,
        };
    }

    public function ending(): string
    {
        return match ($this) {
            self::Pdf => 'pdf',
            self::Png => 'png',
            self::Jpeg => 'jpg',
            self::Gif => 'gif',
        };
    }
}
