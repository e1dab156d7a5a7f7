<?php

declare(strict_types=1);

namespace App\Switching\File\Fields;

use App\Switching\Table\Fields\OneField;
use App\Switching\Table\Names;

/** A telephone number as a URI (RFC 3966): `tel:+19025550123`. */
final readonly class Telephone extends OneField
{
    private const SCHEME = 'tel:';

    public function toSwitch(mixed $ours, Names $names): array
    {
        return [$this->their => is_string($ours) ? self::SCHEME . $ours : null];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $said = $record[$this->their] ?? null;

        return is_string($said) && str_starts_with($said, self::SCHEME) ? substr($said, strlen(self::SCHEME)) : $said;
    }
}
