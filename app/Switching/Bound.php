<?php

declare(strict_types=1);

namespace App\Switching;

/** What the switch calls an object, and the version of it last seen there. */
final readonly class Bound
{
    public function __construct(public string $externalId, public ?string $version)
    {
    }
}
