<?php

declare(strict_types=1);

namespace App\Access;

/** No such customer, or none this technician may know of: the two are told apart to nobody. */
final class CustomerNotFound extends \RuntimeException
{
    public function __construct()
    {
        parent::__construct('There is no such customer among those granted to you.');
    }
}
