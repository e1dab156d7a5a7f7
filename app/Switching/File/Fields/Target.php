<?php

declare(strict_types=1);

namespace App\Switching\File\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;
use Jaunty\Core\Book\Destination;

/** A destination as the id of a row (`Teams/3`), a telephone number as a URI, or a word (`do back`). */
final readonly class Target extends OneField
{
    private const OUTSIDE = 'outside:';

    private const SCHEME = 'tel:';

    private const WORD = 'do ';

    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => self::encode($ours, $names)];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        return self::decode($record[$this->their] ?? null, $names);
    }

    public static function encode(mixed $ours, Names $names): ?string
    {
        return match (true) {
            ! is_string($ours) => null,
            str_starts_with($ours, self::OUTSIDE) => self::SCHEME . substr($ours, strlen(self::OUTSIDE)),
            isset(Destination::WORDS[$ours]) => self::WORD . $ours,
            default => $names->idOf($ours),
        };
    }

    public static function decode(mixed $said, Names $names): ?string
    {
        return match (true) {
            ! is_string($said) => null,
            str_starts_with($said, self::SCHEME) => self::OUTSIDE . substr($said, strlen(self::SCHEME)),
            str_starts_with($said, self::WORD) => substr($said, strlen(self::WORD)),
            default => $names->referenceOf($said),
        };
    }
}
