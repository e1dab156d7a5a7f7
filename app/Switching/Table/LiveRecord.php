<?php

declare(strict_types=1);

namespace App\Switching\Table;

/** One record of a switch, in its own words. */
final readonly class LiveRecord
{
    /**
     * @param  string  $version  of the record, which a change has to name
     * @param  array<string, mixed>  $fields
     */
    public function __construct(public string $id, public string $version, public array $fields)
    {
    }
}
