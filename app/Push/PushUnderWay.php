<?php

declare(strict_types=1);

namespace App\Push;

final class PushUnderWay extends \RuntimeException
{
    public function __construct()
    {
        parent::__construct('A push of this customer is under way. Wait for its end, or stop it first.');
    }
}
