<?php

declare(strict_types=1);

namespace App\Prompts;

final class StudioTrouble extends \RuntimeException
{
    public function __construct(string $why)
    {
        parent::__construct("The studio did not speak it: {$why}");
    }
}
