<?php

declare(strict_types=1);

namespace App\Files;

/** Where a file lies. */
final readonly class Kept
{
    /** @param string $disk of config/filesystems.php */
    public function __construct(public string $disk, public string $path)
    {
    }
}
