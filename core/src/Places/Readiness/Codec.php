<?php

declare(strict_types=1);

namespace Jaunty\Core\Places\Readiness;

/** How speech is coded on the line. */
enum Codec: string
{
    case G711 = 'g711';
    case G729 = 'g729';

    /** ITU-T G.711 and G.729, each by its title. */
    public function bitsPerSecond(): int
    {
        return match ($this) {
            self::G711 => 64_000,
            self::G729 => 8_000,
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::G711 => 'G.711',
            self::G729 => 'G.729',
        };
    }
}
