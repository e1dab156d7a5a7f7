<?php

declare(strict_types=1);

namespace App\Files;

final class FileTrouble extends \RuntimeException
{
    public function __construct(string $disk, ?\Throwable $why = null)
    {
        parent::__construct("Nothing can be kept on the disk \"{$disk}\" just now.", previous: $why);
    }
}
